package alcabala.server.send;

import alcabala.accounting.document.DocumentKind;
import java.time.LocalDate;
import java.util.List;
import java.util.stream.Stream;

/// Which documents are meant: those named, or all sales or all purchases that are ready in a span of days.
record Choice(List<Long> ids, LocalDate from, LocalDate to, boolean purchases) {
    static Choice named(List<Long> ids) {
        return new Choice(ids, null, null, false);
    }

    boolean isNamed() {
        return ids != null && !ids.isEmpty();
    }

    String[] kinds() {
        return Stream.of(DocumentKind.values())
                .filter(kind -> isNamed() || kind.isSale() != purchases)
                .map(DocumentKind::word)
                .toArray(String[]::new);
    }
}
