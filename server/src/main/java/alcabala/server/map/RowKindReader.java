package alcabala.server.map;

import alcabala.accounting.crosswalk.RowKind;
import java.util.Locale;
import org.springframework.core.convert.converter.Converter;
import org.springframework.stereotype.Component;

/// `line-kind` in an address means [RowKind#LINE_KIND].
@Component
class RowKindReader implements Converter<String, RowKind> {
    @Override
    public RowKind convert(String word) {
        return RowKind.valueOf(word.toUpperCase(Locale.ROOT).replace('-', '_'));
    }
}
