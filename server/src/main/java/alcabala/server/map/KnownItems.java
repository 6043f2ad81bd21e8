package alcabala.server.map;

import alcabala.accounting.matching.Names;
import alcabala.accounting.matching.SimilarNames;
import alcabala.connectors.ledger.LedgerItem;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;

/// The active items of a ledger, found by their code or by a name like theirs, however many they are.
final class KnownItems {
    static final KnownItems NONE = new KnownItems(List.of());

    private final List<LedgerItem> items;
    private final List<String> names;
    private final SimilarNames similar;
    private final Map<String, LedgerItem> byCode = new HashMap<>();

    KnownItems(List<LedgerItem> all) {
        items = all.stream().filter(LedgerItem::active).toList();
        names = items.stream().map(item -> Names.normalise(item.name())).toList();
        similar = new SimilarNames(names);
        items.forEach(item -> byCode.putIfAbsent(item.code().toLowerCase(Locale.ROOT), item));
    }

    /// Whatever the size of its letters.
    Optional<LedgerItem> ofCode(String code) {
        return Optional.ofNullable(byCode.get(code.toLowerCase(Locale.ROOT)));
    }

    /// @param atLeast how like, over 0, to 1
    Optional<LedgerItem> likest(String name, double atLeast) {
        String plain = Names.normalise(name);
        return similar.find(plain, atLeast).stream()
                .max(Comparator.comparingDouble((Integer place) -> Names.similarity(plain, names.get(place)))
                        .thenComparing(Comparator.<Integer>naturalOrder().reversed()))
                .map(items::get);
    }
}
