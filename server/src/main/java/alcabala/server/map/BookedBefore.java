package alcabala.server.map;

import alcabala.accounting.matching.Names;
import alcabala.accounting.matching.SimilarNames;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Collection;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/// Where a ledger has booked lines with a text, or what was bought from somebody, and how often.
final class BookedBefore {
    static final BookedBefore NONE = new BookedBefore(List.of());
    private final Map<String, Map<String, Often>> sold = new HashMap<>();
    private final Map<String, Map<String, Often>> bought = new HashMap<>();
    /// Texts as they stand there, by what is compared of them.
    private final Map<String, String> written = new HashMap<>();
    private final List<String> texts;
    private final SimilarNames similar;

    /// Lines with one text, of one party, on one account.
    ///
    /// @param last the day of the last of them
    record Lines(boolean sale, String party, String text, String account, int times, LocalDate last) {}

    private record Often(int times, LocalDate last) {
        Often plus(Often other) {
            return new Often(times + other.times(), last.isAfter(other.last()) ? last : other.last());
        }
    }

    /// The account that was booked most often.
    ///
    /// @param of how many times anything like it was booked
    /// @param text what stood there; empty where several did
    record Usual(String account, int times, int of, LocalDate last, String text) {
        boolean isAlways() {
            return times == of;
        }
    }

    BookedBefore(Collection<Lines> lines) {
        for (Lines line : lines) {
            Often often = new Often(line.times(), line.last());
            Map<String, Map<String, Often>> kept = line.sale() ? sold : bought;
            String key = line.sale() ? Names.normalise(line.text()) : line.party();
            if (!key.isEmpty()) {
                kept.computeIfAbsent(key, it -> new HashMap<>()).merge(line.account(), often, Often::plus);
                written.putIfAbsent(key, line.text());
            }
        }
        texts = List.copyOf(sold.keySet());
        similar = new SimilarNames(texts);
    }

    Optional<Usual> ofText(String text) {
        String key = Names.normalise(text);
        return Optional.ofNullable(sold.get(key)).map(accounts -> usual(accounts, text));
    }

    /// @param atLeast how like, over 0, to 1
    Optional<Usual> ofTextLike(String text, double atLeast) {
        String key = Names.normalise(text);
        return similar.find(key, atLeast).stream()
                .map(texts::get)
                .max(Comparator.comparingDouble((String each) -> Names.similarity(key, each))
                        .thenComparing(Comparator.reverseOrder()))
                .map(each -> usual(sold.get(each), written.get(each)));
    }

    /// Of several texts together.
    Optional<Usual> ofTexts(Collection<String> asked) {
        Map<String, Often> together = new HashMap<>();
        asked.stream()
                .map(text -> sold.get(Names.normalise(text)))
                .filter(accounts -> accounts != null)
                .forEach(accounts -> accounts.forEach((account, often) -> together.merge(account, often, Often::plus)));
        return together.isEmpty() ? Optional.empty() : Optional.of(usual(together, ""));
    }

    /// @param party the ledger's
    Optional<Usual> boughtFrom(String party) {
        return Optional.ofNullable(bought.get(party)).map(accounts -> usual(accounts, ""));
    }

    private static Usual usual(Map<String, Often> accounts, String text) {
        List<Map.Entry<String, Often>> all = new ArrayList<>(accounts.entrySet());
        all.sort(Comparator.comparingInt(
                        (Map.Entry<String, Often> each) -> -each.getValue().times())
                .thenComparing(Map.Entry::getKey));
        Map.Entry<String, Often> first = all.getFirst();
        int of = all.stream().mapToInt(each -> each.getValue().times()).sum();
        return new Usual(
                first.getKey(), first.getValue().times(), of, first.getValue().last(), text);
    }
}
