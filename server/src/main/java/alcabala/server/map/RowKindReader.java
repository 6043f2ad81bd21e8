package alcabala.server.map;

import alcabala.accounting.crosswalk.RowKind;
import java.util.Locale;
import org.springframework.core.convert.converter.Converter;
import org.springframework.stereotype.Component;

/// `item` in an address means [RowKind#ITEM].
@Component
class RowKindReader implements Converter<String, RowKind> {
    @Override
    public RowKind convert(String word) {
        return RowKind.valueOf(word.toUpperCase(Locale.ROOT));
    }
}
