package standins.inkwell;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;

/// A journal entry as it is sent, and as it stands.
///
/// @param version null in one that is sent
/// @param category whatever whoever entered it calls its kind; empty for one made at the desk
/// @param slip what it says on a slip behind it
/// @param status `posted` or `void`
public record Entry(
        String id,
        Integer version,
        String category,
        String number,
        LocalDate date,
        String slip,
        String note,
        String externalReference,
        String status,
        List<Line> entries) {
    /// Of debit and credit one is nothing.
    public record Line(
            String account, BigDecimal debit, BigDecimal credit, String text, Map<String, String> dimensions) {
        Line complete() {
            return new Line(
                    account,
                    debit == null ? BigDecimal.ZERO : debit,
                    credit == null ? BigDecimal.ZERO : credit,
                    text == null ? "" : text,
                    dimensions == null ? Map.of() : dimensions);
        }

        BigDecimal signed() {
            return debit.subtract(credit);
        }
    }

    /// What was not said is nothing.
    Entry complete() {
        return new Entry(
                id,
                version,
                said(category),
                said(number),
                date,
                said(slip),
                said(note),
                externalReference,
                status,
                entries == null
                        ? List.of()
                        : entries.stream().map(Line::complete).toList());
    }

    private static String said(String text) {
        return text == null ? "" : text;
    }
}
