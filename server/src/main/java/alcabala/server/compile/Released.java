package alcabala.server.compile;

import alcabala.server.platform.Amounts;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/// What became ready when records were compiled again, and what is blocked that was not. Money is never counted or
/// added together with the documents that it settles.
public record Released(Part documents, Part payments, int blockedAgain) {
    public static final Released NONE = new Released(Part.NONE, Part.NONE, 0);

    /// @param gross minor units by currency
    record Part(int count, Map<String, Long> gross) {
        static final Part NONE = new Part(0, Map.of());

        static Part of(List<Part> all) {
            Map<String, Long> gross = new HashMap<>();
            all.forEach(part -> part.gross().forEach((currency, minor) -> gross.merge(currency, minor, Long::sum)));
            return new Part(all.stream().mapToInt(Part::count).sum(), gross);
        }

        String said(String one) {
            return count + " " + one + (count == 1 ? "" : "s");
        }
    }

    static Released document(String currency, long minor) {
        return new Released(new Part(1, Map.of(currency, minor)), Part.NONE, 0);
    }

    static Released payment(String currency, long minor) {
        return new Released(Part.NONE, new Part(1, Map.of(currency, minor)), 0);
    }

    static Released blockedAgain(int count) {
        return new Released(Part.NONE, Part.NONE, count);
    }

    /// All of them together.
    static Released of(List<Released> all) {
        return new Released(
                Part.of(all.stream().map(Released::documents).toList()),
                Part.of(all.stream().map(Released::payments).toList()),
                all.stream().mapToInt(Released::blockedAgain).sum());
    }

    public int count() {
        return documents.count() + payments.count();
    }

    /// Minor units by currency; of payments where no document was released.
    public Map<String, Long> gross() {
        return documents.count() > 0 ? documents.gross() : payments.gross();
    }

    /// `2 documents and 1 payment released, €12.00`; `0 documents released`.
    public String sentence() {
        if (count() == 0) {
            return "0 documents released";
        }
        String what = Stream.of(
                        documents.count() > 0 ? documents.said("document") : "",
                        payments.count() > 0 ? payments.said("payment") : "")
                .filter(part -> !part.isEmpty())
                .collect(Collectors.joining(" and "));
        return what + " released, " + Amounts.shown(gross());
    }

    /// The same, with what was blocked by it.
    public String wholeSentence() {
        return blockedAgain > 0 ? sentence() + "; " + blockedAgain + " blocked by it" : sentence();
    }
}
