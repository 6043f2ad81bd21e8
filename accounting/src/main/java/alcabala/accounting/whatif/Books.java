package alcabala.accounting.whatif;

import alcabala.accounting.posting.Journal;
import alcabala.accounting.posting.PostingKey;
import java.util.LinkedHashMap;
import java.util.Map;

/// What stands on the books, in minor units of base currency, positive is debit. Nothing that is zero is kept.
public record Books(Map<PostingKey, Long> amounts) {
    /// Where nothing stands.
    public static final Books NONE = new Books(Map.of());

    public static Books of(Journal journal) {
        Map<PostingKey, Long> amounts =
                LinkedHashMap.newLinkedHashMap(journal.lines().size());
        journal.lines().forEach(line -> add(amounts, line.key(), line.base().getAmountMinorLong()));
        return new Books(amounts);
    }

    public Books plus(Books others) {
        return with(others, 1);
    }

    public Books minus(Books others) {
        return with(others, -1);
    }

    private Books with(Books others, int sign) {
        Map<PostingKey, Long> sum = new LinkedHashMap<>(amounts);
        others.amounts.forEach((key, amount) -> add(sum, key, sign * amount));
        return new Books(sum);
    }

    /// Whether all that another one says of some keys is said here too.
    boolean agreesWith(Books other, Books keys) {
        return keys.amounts.keySet().stream()
                .allMatch(key -> amounts.getOrDefault(key, 0L).equals(other.amounts.getOrDefault(key, 0L)));
    }

    /// By code of the ledger, without what no code is on.
    Map<String, Long> byTaxCode() {
        Map<String, Long> sums = new LinkedHashMap<>();
        amounts.forEach((key, amount) -> {
            if (!key.taxCode().isEmpty()) {
                add(sums, key.taxCode(), amount);
            }
        });
        return sums;
    }

    Map<Place, Long> byPlace() {
        Map<Place, Long> sums = new LinkedHashMap<>();
        amounts.forEach((key, amount) -> add(sums, new Place(key.account(), key.dimensions()), amount));
        return sums;
    }

    public Map<String, Long> byAccount() {
        Map<String, Long> sums = new LinkedHashMap<>();
        amounts.forEach((key, amount) -> add(sums, key.account(), amount));
        return sums;
    }

    private static <K> void add(Map<K, Long> sums, K key, long amount) {
        sums.merge(key, amount, (a, b) -> {
            long sum = Math.addExact(a, b);
            return sum == 0 ? null : sum;
        });
    }
}
