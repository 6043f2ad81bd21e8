package alcabala.server.items;

import alcabala.accounting.document.ItemKind;
import alcabala.connectors.ledger.LedgerItem;
import java.util.List;
import java.util.Locale;
import java.util.function.Function;

/// In what an item differs from how it was.
///
/// @param before empty for none
/// @param after empty for none
record ItemChange(String what, String before, String after) {
    private record Fact(String what, Function<LedgerItem, String> of) {}

    private static final List<Fact> FACTS = List.of(
            new Fact("name", LedgerItem::name),
            new Fact("account", LedgerItem::account),
            new Fact("kind", item -> word(item.kind())),
            new Fact("unit", LedgerItem::unit),
            new Fact("purchase account", item -> item.purchase().expense()),
            new Fact("cost account", item -> item.purchase().cost()),
            new Fact("stock account", item -> item.purchase().stock()),
            new Fact("tax code", LedgerItem::taxCode),
            new Fact("in use", item -> item.active() ? "yes" : "no"));

    static List<ItemChange> between(LedgerItem before, LedgerItem after) {
        return FACTS.stream()
                .map(fact -> new ItemChange(
                        fact.what(), fact.of().apply(before), fact.of().apply(after)))
                .filter(change -> !change.before().equals(change.after()))
                .toList();
    }

    String sentence() {
        return "%s “%s” is “%s”".formatted(what, before, after);
    }

    private static String word(ItemKind kind) {
        return kind == null ? "" : kind.name().toLowerCase(Locale.ROOT);
    }
}
