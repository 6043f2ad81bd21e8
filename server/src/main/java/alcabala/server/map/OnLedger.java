package alcabala.server.map;

import alcabala.accounting.crosswalk.Meaning;
import alcabala.accounting.crosswalk.Purpose;
import alcabala.accounting.crosswalk.RowKind;
import alcabala.accounting.ledger.AccountType;
import alcabala.accounting.ledger.LedgerAccount;
import alcabala.accounting.ledger.LedgerTaxCode;
import alcabala.server.platform.Like;
import alcabala.server.reference.LedgerReference;
import alcabala.server.route.RouteRow;
import java.util.Collection;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.function.Predicate;
import java.util.stream.Collectors;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;

/// What rows can point to on a ledger. What somebody wished out of sight is left out.
@Component
class OnLedger {
    private final JdbcClient jdbc;
    private final LedgerReference reference;
    private final AddedOnLedger added;

    /// One of the ledger's dimensions with what is in use there.
    ///
    /// @param values names by codes
    record Dimension(String code, String name, Map<String, String> values) {
        Option option(String value) {
            return new Option(
                    new Meaning(Map.of(), Map.of(code, value)), value, values.getOrDefault(value, ""), "", "");
        }
    }

    OnLedger(JdbcClient jdbc, LedgerReference reference, AddedOnLedger added) {
        this.added = added;
        this.jdbc = jdbc;
        this.reference = reference;
    }

    List<Option> accounts(RouteRow route, Purpose purpose, Predicate<AccountType> fits) {
        Set<String> hidden = hidden(route, "ledger_account");
        return reference.accounts(route.ledgerId()).stream()
                .filter(account -> account.active() && fits.test(account.type()) && !hidden.contains(account.code()))
                .map(account -> account(purpose, account))
                .toList();
    }

    private static Option account(Purpose purpose, LedgerAccount account) {
        return new Option(
                Meaning.NONE.with(purpose, account.code()),
                account.code(),
                account.name(),
                account.type().name().toLowerCase(Locale.ROOT),
                "");
    }

    List<Option> taxCodes(RouteRow route) {
        Set<String> hidden = hidden(route, "ledger_tax_code");
        return reference.taxCodes(route.ledgerId()).stream()
                .filter(code -> code.active() && !hidden.contains(code.code()))
                .map(OnLedger::taxCode)
                .toList();
    }

    private static Option taxCode(LedgerTaxCode code) {
        return new Option(
                Meaning.of(RowKind.TAX, code.code(), ""),
                code.code(),
                code.name(),
                LedgerTaxCode.isOfLedgerThatDecides(code.code())
                        ? ""
                        : code.rate().stripTrailingZeros().toPlainString() + " %",
                "");
    }

    /// Parties or items, of which there may be very many: those whose code is the text first, then those whose code or
    /// name begins with it.
    ///
    /// @param text in small letters
    List<Option> found(RouteRow route, RowKind kind, String text, int limit) {
        return jdbc.sql(select(kind) + """
                    and active and not gone and not hidden and (:text = '' or findable like :anywhere)
                order by lower(code) = :text desc, findable like :beginning or lower(name) like :beginning desc, name limit :limit""")
                .param("ledger", route.ledgerId())
                .param("text", text)
                .param("anywhere", Like.anywhere(text))
                .param("beginning", Like.atBeginning(text))
                .param("limit", limit)
                .query((row, n) -> named(kind, row.getString("code"), row.getString("name"), row.getString("note")))
                .list();
    }

    /// Parties or items by their codes, in no order.
    List<Option> of(RouteRow route, RowKind kind, Collection<String> codes) {
        return jdbc.sql(select(kind) + " and not gone and code = any(:codes)")
                .param("ledger", route.ledgerId())
                .param("codes", codes.toArray(String[]::new))
                .query((row, n) -> named(kind, row.getString("code"), row.getString("name"), row.getString("note")))
                .list();
    }

    private static String select(RowKind kind) {
        return kind == RowKind.PARTY
                ? "select code, name, coalesce(body->>'taxIdentifier', '') as note from ledger_party where ledger_id = :ledger "
                : "select code, name, account as note from ledger_item where ledger_id = :ledger ";
    }

    private static Option named(RowKind kind, String code, String name, String note) {
        return kind == RowKind.ITEM
                ? new Option(Meaning.of(kind, code, note), code, name, "item, " + note, "")
                : new Option(Meaning.of(kind, code, ""), code, name, note, "");
    }

    /// In the order of their codes.
    List<Dimension> dimensions(RouteRow route) {
        Map<String, Dimension> dimensions = new LinkedHashMap<>();
        jdbc.sql("""
                select dimension, dimension_name, value, name from ledger_dimension
                where ledger_id = :ledger and active and not gone and not hidden order by dimension, value""").param("ledger", route.ledgerId()).query(row -> {
            String code = row.getString("dimension");
            String name = row.getString("dimension_name");
            dimensions
                    .computeIfAbsent(code, each -> new Dimension(each, name, new LinkedHashMap<>()))
                    .values()
                    .put(row.getString("value"), row.getString("name"));
        });
        return List.copyOf(dimensions.values());
    }

    /// What everything is called that such rows point to.
    LedgerNames names(RouteRow route, RowKind kind, Collection<Meaning> meanings) {
        Map<String, String> accounts = reference.accountNames(route.ledgerId());
        Map<String, String> dimensions =
                dimensions(route).stream().collect(Collectors.toMap(Dimension::code, Dimension::name));
        return new LedgerNames(accounts, counterparts(route, kind, meanings), dimensions);
    }

    private Map<String, String> counterparts(RouteRow route, RowKind kind, Collection<Meaning> meanings) {
        List<Option> known = switch (kind) {
            case PARTY, ITEM -> of(route, kind, codes(meanings));
            case TAX ->
                reference.taxCodes(route.ledgerId()).stream()
                        .map(OnLedger::taxCode)
                        .toList();
            case CATEGORY, PROJECT, ROLE, SUPPLIER, SITE, LINE_KIND, LINE, PAYER, MEANS, TERMS, FIELD, CHOICE ->
                List.of();
        };
        Map<String, String> names = added.names(route, kind);
        known.forEach(option -> names.put(option.code(), option.name()));
        codes(meanings).forEach(code -> names.putIfAbsent(code, Choosing.GONE));
        if (kind == RowKind.PARTY) {
            names.put("", Choosing.CREATED);
        }
        if (kind == RowKind.PAYER) {
            names.put("", Choosing.PAYS);
        }
        return names;
    }

    private static List<String> codes(Collection<Meaning> meanings) {
        return meanings.stream()
                .map(each -> each.targets().getOrDefault(Purpose.COUNTERPART, ""))
                .filter(code -> !code.isEmpty())
                .distinct()
                .toList();
    }

    /// Only what nothing uses can be hidden.
    private Set<String> hidden(RouteRow route, String table) {
        return Set.copyOf(jdbc.sql("select code from " + table + " where ledger_id = :ledger and hidden")
                .param("ledger", route.ledgerId())
                .query(String.class)
                .list());
    }
}
