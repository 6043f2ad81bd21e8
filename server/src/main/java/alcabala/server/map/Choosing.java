package alcabala.server.map;

import alcabala.accounting.crosswalk.AccountRole;
import alcabala.accounting.crosswalk.Meaning;
import alcabala.accounting.crosswalk.Purpose;
import alcabala.accounting.crosswalk.RowKind;
import alcabala.accounting.ledger.AccountType;
import alcabala.server.route.RouteRow;
import java.util.Comparator;
import java.util.EnumSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.function.Predicate;
import java.util.stream.Stream;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;

/// What of the ledger a row can say for one purpose, found by any of its code, name or number. With nothing typed what
/// is suggested for the code comes first, then what was chosen last for others of its kind.
@Component
class Choosing {
    /// More are not looked through; whoever seeks types on.
    private static final int OFFERED = 50;

    private static final int RECENT = 5;
    /// Of these there may be so many that what was chosen is not among those that are offered.
    private static final Set<RowKind> FOUND = EnumSet.of(RowKind.PARTY, RowKind.ITEM);

    static final String CREATED = "New party, created on its first document";
    static final String GONE = "not there any more";
    static final String PAYS = "Yes, that is right";
    private final JdbcClient jdbc;
    private final OnLedger ledger;
    private final AddedOnLedger added;
    private final MapView view;

    /// What is looked for.
    ///
    /// @param code of the row
    /// @param purpose DIMENSION for a value of one of the ledger's dimensions
    /// @param dimension the ledger's code of it; empty for an account or a counterpart
    /// @param bought whether the row is about something bought, where that is not plain
    /// @param beside what stands for it there by now, for what is said of how it is written
    record Sought(
            RowKind kind, String code, Purpose purpose, String dimension, boolean bought, String beside, String text) {}

    Choosing(JdbcClient jdbc, OnLedger ledger, AddedOnLedger added, MapView view) {
        this.added = added;
        this.jdbc = jdbc;
        this.ledger = ledger;
        this.view = view;
    }

    /// The best fitting first, no more than fifty.
    List<Option> find(RouteRow route, Sought sought) {
        String text = sought.text().trim().toLowerCase(Locale.ROOT);
        List<Option> all = all(route, sought, text);
        if (text.isEmpty()) {
            return first(route, sought, all).limit(OFFERED).toList();
        }
        return all.stream()
                .filter(each -> each.rank(text) >= 0)
                .sorted(Comparator.comparingInt((Option each) -> each.rank(text)))
                .limit(OFFERED)
                .toList();
    }

    private List<Option> all(RouteRow route, Sought sought, String text) {
        return switch (sought.purpose()) {
            case COUNTERPART -> counterparts(route, sought, text);
            case ACCOUNT, INCOME, EXPENSE, COST, STOCK, DISCOUNT, SHIPPING, ADVANCE -> accounts(route, sought);
            case NAME -> List.of();
            case FORMAT -> added.formats(route, sought.code(), sought.beside());
            case DIRECTION -> added.directions();
            case DIMENSION -> dimension(route, sought.dimension());
        };
    }

    private List<Option> counterparts(RouteRow route, Sought sought, String text) {
        return switch (sought.kind()) {
            case PARTY -> joined(List.of(created()), ledger.found(route, RowKind.PARTY, text, OFFERED));
            case ITEM -> joined(createdItems(route, sought.code()), ledger.found(route, RowKind.ITEM, text, OFFERED));
            case TAX -> ledger.taxCodes(route);
            case PAYER -> List.of(new Option(Meaning.of(RowKind.PAYER, "", ""), "", PAYS, "", ""));
            case TERMS -> added.terms(route);
            case FIELD -> added.fields(route, sought.code());
            case CHOICE -> added.choices(route, sought.code());
            case CATEGORY, PROJECT, ROLE, SUPPLIER, SITE, LINE_KIND, LINE, MEANS -> List.of();
        };
    }

    /// With an account alone, the item is created there on first use.
    private List<Option> createdItems(RouteRow route, String code) {
        return accounts(route, RowKind.ITEM, code, Purpose.INCOME).stream()
                .map(each -> new Option(
                        Meaning.of(RowKind.ITEM, "", each.code()), each.code(), each.name(), each.note(), ""))
                .toList();
    }

    private static List<Option> joined(List<Option> some, List<Option> others) {
        return Stream.concat(some.stream(), others.stream()).toList();
    }

    private static Option created() {
        return new Option(Meaning.of(RowKind.PARTY, "", ""), "", CREATED, "", "");
    }

    private List<Option> accounts(RouteRow route, Sought sought) {
        List<Option> accounts = accounts(route, sought.kind(), sought.code(), sought.purpose());
        if (sought.kind() != RowKind.LINE) {
            return accounts;
        }
        // Any account can be right for a single line; those that are usual come first.
        Predicate<AccountType> usual =
                sought.bought() ? AccountRole.PURCHASES::takes : type -> type == AccountType.REVENUE;
        return accounts.stream()
                .sorted(Comparator.comparing((Option each) ->
                        !usual.test(AccountType.valueOf(each.note().toUpperCase(Locale.ROOT)))))
                .toList();
    }

    private List<Option> accounts(RouteRow route, RowKind kind, String code, Purpose purpose) {
        return ledger.accounts(route, purpose, Fitting.of(kind, code, purpose));
    }

    private List<Option> dimension(RouteRow route, String dimension) {
        return ledger.dimensions(route).stream()
                .filter(each -> each.code().equals(dimension))
                .flatMap(each -> each.values().keySet().stream().map(each::option))
                .toList();
    }

    /// With nothing typed: what is suggested and what was chosen last before all others.
    private Stream<Option> first(RouteRow route, Sought sought, List<Option> all) {
        Map<Meaning, Option> first = new LinkedHashMap<>();
        Stream.concat(suggested(route, sought), recent(route, sought, all))
                .forEach(each -> first.putIfAbsent(each.meaning(), each));
        all.forEach(each -> first.putIfAbsent(each.meaning(), each));
        return first.values().stream();
    }

    private Stream<Option> suggested(RouteRow route, Sought sought) {
        if (sought.code().isEmpty() || !RowInHand.isMain(sought.kind(), sought.purpose())) {
            return Stream.empty();
        }
        return view.suggestions(route, sought.kind(), sought.code()).stream()
                .map(each -> each.option(sought.kind()).because("suggested: " + each.reason()));
    }

    private Stream<Option> recent(RouteRow route, Sought sought, List<Option> all) {
        record Chosen(String target, String code, String who) {}
        List<Chosen> chosen = jdbc.sql("""
                select target, code, set_by as who from (
                    select distinct on (target) target, code, set_by, set_at from crosswalk_row
                    where route_id = :route and kind = :kind and purpose = :purpose and dimension = :dimension
                        and code <> :code and ended_at is null and target <> ''
                    order by target, set_at desc) last
                order by set_at desc limit :recent""")
                .param("route", route.id())
                .param("kind", sought.kind().name())
                .param("purpose", sought.purpose().name())
                .param("dimension", sought.dimension())
                .param("code", sought.code())
                .param("recent", RECENT)
                .query(Chosen.class)
                .list();
        List<Option> known = sought.purpose() == Purpose.COUNTERPART && FOUND.contains(sought.kind())
                ? joined(
                        all,
                        ledger.of(
                                route,
                                sought.kind(),
                                chosen.stream().map(Chosen::target).toList()))
                : all;
        return chosen.stream()
                .flatMap(each -> known.stream()
                        .filter(option -> option.code().equals(each.target()))
                        .limit(1)
                        .map(option -> option.because("chosen last for " + each.code() + " by " + each.who())));
    }
}
