package alcabala.server.map;

import alcabala.accounting.crosswalk.AccountRole;
import alcabala.accounting.crosswalk.CrosswalkRow;
import alcabala.accounting.crosswalk.RowKind;
import alcabala.accounting.ledger.AccountType;
import alcabala.accounting.ledger.LedgerAccount;
import alcabala.connectors.ledger.LedgerItem;
import alcabala.server.compile.Affected;
import alcabala.server.compile.Affected.Released;
import alcabala.server.compile.CrosswalkStore;
import alcabala.server.jobs.Works.Progress;
import alcabala.server.map.Suggestions.Suggestion;
import alcabala.server.platform.NotPossibleException;
import alcabala.server.record.Refs;
import alcabala.server.reference.LedgerReference;
import alcabala.server.route.RouteRow;
import alcabala.server.route.Routes;
import java.util.Arrays;
import java.util.HashSet;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/// Changes a row and compiles again what shared it, all or nothing.
@Component
public class Mapping {
    private final JdbcClient jdbc;
    private final Routes routes;
    private final CrosswalkStore store;
    private final LedgerReference reference;
    private final Affected affected;

    /// What is to stand in a row. Both empty is a decision too for a party: created on first use.
    ///
    /// @param remove true to take the row away
    public record Change(
            RowKind kind, String code, String counterpart, String account, int expectedVersion, boolean remove) {}

    /// @param before the row as it was, to undo with; null when there was none
    public record Changed(Released released, CrosswalkRow before, CrosswalkRow after) {}

    /// How many rows were written, and what that released.
    public record Accepted(int rows, Released released) {}

    Mapping(JdbcClient jdbc, Routes routes, CrosswalkStore store, LedgerReference reference, Affected affected) {
        this.jdbc = jdbc;
        this.routes = routes;
        this.store = store;
        this.reference = reference;
        this.affected = affected;
    }

    @Transactional
    public Changed change(RouteRow route, Change change, String who, Progress at) {
        routes.lock(route.id());
        requireLine(change);
        Optional<CrosswalkRow> before = store.find(route.id(), change.kind(), change.code());
        if (change.remove()) {
            store.remove(route.id(), change.kind(), change.code(), change.expectedVersion(), who);
        } else {
            Change checked = check(route, change);
            store.set(
                    route.id(),
                    checked.kind(),
                    checked.code(),
                    checked.counterpart(),
                    checked.account(),
                    checked.expectedVersion(),
                    who);
        }
        Set<String> refs = change.kind() == RowKind.ROLE ? Set.of() : Set.of(Refs.of(change.kind(), change.code()));
        Released released = affected.compileAgain(
                route.id(),
                refs,
                who,
                "row of " + change.kind().name().toLowerCase(Locale.ROOT) + " " + change.code(),
                at);
        return new Changed(
                released,
                before.orElse(null),
                store.find(route.id(), change.kind(), change.code()).orElse(null));
    }

    /// Takes suggestions over, all in one transaction and with one compiling for all of them.
    ///
    /// @param suggested codes with what was suggested for each; a code that got a row meanwhile is passed over
    @Transactional
    public Accepted accept(RouteRow route, RowKind kind, Map<String, Suggestion> suggested, String who, Progress at) {
        routes.lock(route.id());
        Set<String> refs = new HashSet<>();
        suggested.forEach((code, suggestion) -> {
            if (store.find(route.id(), kind, code).isEmpty()) {
                Change checked =
                        check(route, new Change(kind, code, suggestion.counterpart(), suggestion.account(), 0, false));
                store.set(route.id(), kind, code, checked.counterpart(), checked.account(), 0, who);
                refs.add(Refs.of(kind, code));
            }
        });
        if (refs.isEmpty()) {
            return new Accepted(0, new Released(0, 0, 0));
        }
        Released released = affected.compileAgain(
                route.id(),
                kind == RowKind.ROLE ? Set.of() : refs,
                who,
                refs.size() + " accepted rows of " + kind.name().toLowerCase(Locale.ROOT),
                at);
        return new Accepted(refs.size(), released);
    }

    private Change check(RouteRow route, Change change) {
        return switch (change.kind()) {
            case PARTY -> checkParty(route, change);
            case ITEM -> checkItem(route, change);
            case CATEGORY -> {
                requireIncome(route, change.account());
                yield with(change, "", change.account());
            }
            case SUPPLIER -> checkBought(route, change);
            case LINE -> checkLine(route, change);
            case ROLE -> checkRole(route, change);
            case TAX -> checkTax(route, change);
            case MEANS -> checkMeans(route, change);
            case PAYER -> checkPayer(change);
        };
    }

    private Change checkParty(RouteRow route, Change change) {
        if (!change.counterpart().isEmpty() && !reference.hasParty(route.ledgerId(), change.counterpart())) {
            throw missing(route, "party " + change.counterpart());
        }
        return with(change, change.counterpart(), "");
    }

    /// An item of the ledger brings its account along unless another is chosen.
    private Change checkItem(RouteRow route, Change change) {
        String account = change.account();
        if (!change.counterpart().isEmpty()) {
            LedgerItem item = reference
                    .findItem(route.ledgerId(), change.counterpart())
                    .orElseThrow(() -> missing(route, "item " + change.counterpart()));
            account = account.isEmpty() ? item.account() : account;
        }
        requireIncome(route, account);
        return with(change, change.counterpart(), account);
    }

    /// What is decided for one line may be any account but a control account or a bank: freight into stock is fine.
    private Change checkLine(RouteRow route, Change change) {
        AccountType type = account(route, change.account()).type();
        if (!type.takesLines()) {
            throw NotPossibleException.invalid(
                    "account-type",
                    "Account " + change.account() + " is a " + (type == AccountType.BANK ? "bank" : "control account")
                            + "; no single line can go there.");
        }
        return with(change, "", change.account());
    }

    private Change checkBought(RouteRow route, Change change) {
        AccountType type = account(route, change.account()).type();
        if (!AccountRole.PURCHASES.takes(type)) {
            throw wrongType(change.account(), type, "what is bought");
        }
        return with(change, "", change.account());
    }

    private Change checkTax(RouteRow route, Change change) {
        boolean known = reference.taxCodes(route.ledgerId()).stream()
                .anyMatch(code -> code.active() && code.code().equals(change.counterpart()));
        if (!known) {
            throw missing(route, "active tax code " + change.counterpart());
        }
        return with(change, change.counterpart(), "");
    }

    private Change checkMeans(RouteRow route, Change change) {
        AccountType type = account(route, change.account()).type();
        if (!type.takesMoney()) {
            throw wrongType(change.account(), type, "money");
        }
        return with(change, "", change.account());
    }

    private static Change checkPayer(Change change) {
        if (!change.code().contains(" > ")) {
            throw NotPossibleException.invalid(
                    "payer-invalid", "Who pays for whom is named by both, such as C-1044 > C-1002.");
        }
        return with(change, "", "");
    }

    private Change checkRole(RouteRow route, Change change) {
        AccountRole role = Arrays.stream(AccountRole.values())
                .filter(each -> each.name().equals(change.code()))
                .findFirst()
                .orElseThrow(() -> NotPossibleException.invalid(
                        "role-unknown", "There is no account role " + change.code() + "."));
        AccountType type = account(route, change.account()).type();
        if (!role.takes(type)) {
            throw NotPossibleException.invalid(
                    "account-type",
                    "Account " + change.account() + " is of type " + word(type) + "; the role "
                            + role.name().toLowerCase(Locale.ROOT).replace('_', ' ') + " takes "
                            + role.types().stream().map(Mapping::word).sorted().toList() + ".");
        }
        return with(change, "", change.account());
    }

    private static void requireLine(Change change) {
        if (change.kind() == RowKind.LINE && change.code().lastIndexOf('/') < 1) {
            throw NotPossibleException.invalid(
                    "line-invalid",
                    "A line is named by the number of its document and its own, such as HW-20417/2; a bill’s with its supplier before.");
        }
    }

    private void requireIncome(RouteRow route, String code) {
        AccountType type = account(route, code).type();
        if (type != AccountType.REVENUE && type != AccountType.EXPENSE && type != AccountType.LIABILITY) {
            throw wrongType(code, type, "a sale");
        }
    }

    private static NotPossibleException wrongType(String code, AccountType type, String what) {
        return NotPossibleException.invalid(
                "account-type", "Account " + code + " is of type " + word(type) + "; " + what + " cannot land there.");
    }

    private LedgerAccount account(RouteRow route, String code) {
        return reference.accounts(route.ledgerId()).stream()
                .filter(each -> each.active() && each.code().equals(code))
                .findFirst()
                .orElseThrow(() -> missing(route, "active account " + code));
    }

    private static NotPossibleException missing(RouteRow route, String what) {
        return NotPossibleException.invalid("not-on-ledger", route.ledger() + " has no " + what + ".");
    }

    private static String word(AccountType type) {
        return type.name().toLowerCase(Locale.ROOT);
    }

    private static Change with(Change change, String counterpart, String account) {
        return new Change(change.kind(), change.code(), counterpart, account, change.expectedVersion(), false);
    }
}
