package alcabala.server.map;

import alcabala.accounting.crosswalk.CrosswalkRow;
import alcabala.accounting.crosswalk.Meaning;
import alcabala.accounting.crosswalk.Purpose;
import alcabala.accounting.crosswalk.RowKind;
import alcabala.server.compile.CrosswalkStore;
import alcabala.server.map.RowInHand.Further;
import alcabala.server.platform.Sentences;
import alcabala.server.route.RouteRow;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Stream;
import org.springframework.stereotype.Component;

/// Takes rows in hand to be changed, and says what rows say.
@Component
class RowsInHand {
    private final CrosswalkStore store;
    private final OnLedger ledger;
    private final MapView view;

    /// One thing that a row says.
    ///
    RowsInHand(CrosswalkStore store, OnLedger ledger, MapView view) {
        this.ledger = ledger;
        this.store = store;
        this.view = view;
    }

    RowInHand take(RouteRow route, RowKind kind, String code) {
        Optional<CrosswalkRow> row = store.find(route.id(), kind, code);
        Meaning meaning = row.map(CrosswalkRow::meaning).orElse(Meaning.NONE);
        LedgerNames names = ledger.names(route, kind, List.of(meaning));
        Option main = main(kind, meaning, names)
                .or(() -> row.isPresent() ? Optional.empty() : suggested(route, kind, code))
                .orElse(null);
        return new RowInHand(
                row.map(CrosswalkRow::version).orElse(0),
                RowInHand.mainOf(kind),
                main,
                further(route, kind, meaning, names));
    }

    private Optional<Option> suggested(RouteRow route, RowKind kind, String code) {
        return view.suggestions(route, kind, code).stream()
                .findFirst()
                .map(each -> each.option(kind).because("suggested: " + each.reason()));
    }

    private List<Further> further(RouteRow route, RowKind kind, Meaning meaning, LedgerNames names) {
        Stream<Further> accounts = kind.purposes().stream()
                .filter(purpose -> purpose != Purpose.DIMENSION && !RowInHand.comesWithIt(kind, purpose))
                .map(purpose -> new Further(
                        purpose,
                        "",
                        Sentences.purpose(purpose),
                        Optional.ofNullable(meaning.targets().get(purpose))
                                .map(target -> new Option(
                                        Meaning.NONE.with(purpose, target),
                                        target,
                                        named(purpose, target, names),
                                        "",
                                        ""))
                                .orElse(null)));
        Stream<Further> dimensions = kind.purposes().contains(Purpose.DIMENSION)
                ? ledger.dimensions(route).stream()
                        .map(each -> new Further(
                                Purpose.DIMENSION,
                                each.code(),
                                each.name(),
                                Optional.ofNullable(meaning.dimensions().get(each.code()))
                                        .map(each::option)
                                        .orElse(null)))
                : Stream.empty();
        return Stream.concat(accounts, dimensions).toList();
    }

    private static String named(Purpose purpose, String target, LedgerNames names) {
        return purpose.pointsThere() ? names.account(target) : AddedOnLedger.named(purpose, target);
    }

    /// What a row mostly says, with the names of what it points to.
    private static Optional<Option> main(RowKind kind, Meaning meaning, LedgerNames names) {
        String counterpart = meaning.targets().get(Purpose.COUNTERPART);
        if (counterpart != null && !(kind == RowKind.ITEM && counterpart.isEmpty())) {
            return Optional.of(new Option(
                    kind == RowKind.ITEM ? onlyMain(kind, meaning) : Meaning.of(kind, counterpart, ""),
                    counterpart,
                    names.counterpart(counterpart),
                    meaning.targets().getOrDefault(kind == RowKind.ITEM ? Purpose.INCOME : Purpose.COUNTERPART, ""),
                    ""));
        }
        Purpose purpose = kind == RowKind.ITEM ? Purpose.INCOME : RowInHand.mainOf(kind);
        return Optional.ofNullable(purpose)
                .map(each -> meaning.targets().get(each))
                .map(account -> new Option(onlyMain(kind, meaning), account, names.account(account), "", ""));
    }

    private static Meaning onlyMain(RowKind kind, Meaning meaning) {
        Meaning main = Meaning.NONE;
        for (Map.Entry<Purpose, String> each : meaning.targets().entrySet()) {
            if (RowInHand.comesWithIt(kind, each.getKey())) {
                main = main.with(each.getKey(), each.getValue());
            }
        }
        return main;
    }

    /// Everything that a row says, what such rows are mostly made for first.
    static List<Said> said(RowKind kind, Meaning meaning, LedgerNames names) {
        Stream<Said> main = main(kind, meaning, names).stream().map(each -> new Said("", each.code(), each.name()));
        Stream<Said> accounts = meaning.targets().entrySet().stream()
                .filter(each -> !RowInHand.comesWithIt(kind, each.getKey()))
                .map(each -> new Said(
                        Sentences.purpose(each.getKey()),
                        each.getValue(),
                        named(each.getKey(), each.getValue(), names)));
        Stream<Said> dimensions = meaning.dimensions().entrySet().stream()
                .map(each -> new Said(names.dimension(each.getKey()), each.getValue(), ""));
        return Stream.of(main, accounts, dimensions).flatMap(each -> each).toList();
    }
}
