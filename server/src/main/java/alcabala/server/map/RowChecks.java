package alcabala.server.map;

import alcabala.accounting.crosswalk.AccountRole;
import alcabala.accounting.crosswalk.Meaning;
import alcabala.accounting.crosswalk.Purpose;
import alcabala.accounting.crosswalk.RowKind;
import alcabala.accounting.custom.Direction;
import alcabala.accounting.document.LineKind;
import alcabala.accounting.ledger.AccountType;
import alcabala.accounting.ledger.LedgerAccount;
import alcabala.accounting.ledger.LedgerDimension;
import alcabala.accounting.ledger.NameRules;
import alcabala.accounting.posting.StandardFields;
import alcabala.connectors.ledger.LedgerItem;
import alcabala.server.platform.NotPossibleException;
import alcabala.server.platform.Sentences;
import alcabala.server.reference.ItemsThere;
import alcabala.server.reference.LedgerReference;
import alcabala.server.route.RouteRow;
import java.util.Arrays;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.regex.Pattern;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;

/// What a row may say: only what the ledger has, of a type that serves the purpose, about a code that there is.
@Component
public class RowChecks {
    private static final Pattern LINE = Pattern.compile("(\\d{1,18})/.+");
    private final JdbcClient jdbc;
    private final LedgerReference reference;
    private final ItemsThere itemsThere;
    private final AddedChecks added;

    RowChecks(JdbcClient jdbc, LedgerReference reference, ItemsThere itemsThere, AddedChecks added) {
        this.added = added;
        this.jdbc = jdbc;
        this.reference = reference;
        this.itemsThere = itemsThere;
    }

    /// The meaning as it can be kept. An item of the ledger brings its account along unless another is chosen.
    ///
    /// @throws NotPossibleException with what is wrong
    public Meaning check(RouteRow route, RowKind kind, String code, Meaning asked) {
        requireName(kind, code);
        if (kind == RowKind.LINE) {
            checkLine(route, code);
        }
        Meaning meaning = switch (kind) {
            case ITEM -> withItsAccount(route, asked);
            case FIELD -> withItsWay(asked);
            default -> asked;
        };
        if (meaning.targets().isEmpty() && meaning.dimensions().isEmpty()) {
            throw NotPossibleException.invalid("says-nothing", "The row of " + code + " says nothing; take it away.");
        }
        added.check(route, kind, code, meaning);
        meaning.targets().forEach((purpose, target) -> checkTarget(route, kind, code, purpose, target));
        meaning.dimensions().forEach((dimension, value) -> checkDimension(route, kind, dimension, value));
        return meaning;
    }

    /// Whether a code can name anything of its kind, also of a row that is only to be taken away.
    ///
    /// @throws NotPossibleException with what is wrong
    public void requireName(RowKind kind, String code) {
        switch (kind) {
            case LINE -> {
                if (!LINE.matcher(code).matches()) {
                    throw noLine(code);
                }
            }
            case ROLE -> role(code);
            case LINE_KIND -> checkLineKind(code);
            case PAYER -> checkPayer(code);
            case PARTY, ITEM, CATEGORY, PROJECT, TAX, SUPPLIER, SITE, MEANS, TERMS, FIELD, CHOICE -> {}
        }
    }

    /// The record that a line's name tells of.
    public static long recordOf(String lineCode) {
        return Long.parseLong(lineCode.substring(0, lineCode.indexOf('/')));
    }

    private void checkLine(RouteRow route, String code) {
        boolean known = jdbc.sql("select exists (select 1 from record where id = :id and route_id = :route)")
                .param("id", recordOf(code))
                .param("route", route.id())
                .query(Boolean.class)
                .single();
        if (!known) {
            throw noLine(code);
        }
    }

    private static NotPossibleException noLine(String code) {
        return NotPossibleException.invalid(
                "line-invalid",
                "A line is named by its document here and its own number, such as 4711/2; " + code + " is none.");
    }

    static AccountRole role(String code) {
        return Arrays.stream(AccountRole.values())
                .filter(each -> each.name().equals(code))
                .findFirst()
                .orElseThrow(
                        () -> NotPossibleException.invalid("role-unknown", "There is no account role " + code + "."));
    }

    private static void checkLineKind(String code) {
        if (Arrays.stream(LineKind.values()).noneMatch(kind -> kind.name().equals(code))) {
            throw NotPossibleException.invalid("line-kind-unknown", "There is no kind of line " + code + ".");
        }
    }

    private static void checkPayer(String code) {
        if (!code.contains(" > ")) {
            throw NotPossibleException.invalid(
                    "payer-invalid", "Who pays for whom is named by both, such as C-1044 > C-1002.");
        }
    }

    /// What only the ledger says goes no other way, and the row says so.
    private static Meaning withItsWay(Meaning asked) {
        String counterpart = asked.targets().getOrDefault(Purpose.COUNTERPART, "");
        boolean told = StandardFields.findTold(counterpart).isPresent();
        return told && !asked.targets().containsKey(Purpose.DIRECTION)
                ? asked.with(Purpose.DIRECTION, Direction.TO_SOURCE.word())
                : asked;
    }

    private Meaning withItsAccount(RouteRow route, Meaning asked) {
        String counterpart = asked.targets().getOrDefault(Purpose.COUNTERPART, "");
        boolean chosen = asked.targets().containsKey(Purpose.INCOME);
        if (counterpart.isEmpty() || chosen) {
            return asked;
        }
        return asked.with(Purpose.INCOME, item(route, counterpart).account());
    }

    private LedgerItem item(RouteRow route, String code) {
        return itemsThere.find(route.ledgerId(), code).orElseThrow(() -> missing(route, "item " + code));
    }

    private void checkTarget(RouteRow route, RowKind kind, String code, Purpose purpose, String target) {
        if (!kind.purposes().contains(purpose)) {
            throw NotPossibleException.invalid(
                    "purpose-unfit",
                    "A row of " + Sentences.word(kind) + " says nothing for " + Sentences.word(purpose) + ".");
        }
        switch (purpose) {
            case COUNTERPART -> checkCounterpart(route, kind, target);
            case ACCOUNT -> checkAccount(route, kind, code, target);
            case INCOME -> requireFitting(route, kind, purpose, target, "a sale");
            case EXPENSE -> requireFitting(route, kind, purpose, target, "what is bought");
            case DISCOUNT -> requireFitting(route, kind, purpose, target, "a discount");
            case SHIPPING -> requireFitting(route, kind, purpose, target, "carriage");
            case COST -> requireFitting(route, kind, purpose, target, "what was sold cost");
            case STOCK -> requireFitting(route, kind, purpose, target, "what lies in stock");
            case NAME -> checkItemName(route, target);
            case FORMAT, DIRECTION -> {}
            case ADVANCE -> requireFitting(route, kind, purpose, target, "an advance");
            case DIMENSION ->
                throw NotPossibleException.invalid("purpose-unfit", "Dimensions are said by their codes.");
        }
    }

    private void checkCounterpart(RouteRow route, RowKind kind, String target) {
        if (kind == RowKind.TAX) {
            boolean active = reference.taxCodes(route.ledgerId()).stream()
                    .anyMatch(code -> code.active() && code.code().equals(target));
            if (!active) {
                throw missing(route, "active tax code " + target);
            }
        } else if (!target.isEmpty() && kind == RowKind.PARTY && !reference.hasParty(route.ledgerId(), target)) {
            throw missing(route, "party " + target);
        } else if (!target.isEmpty() && kind == RowKind.ITEM) {
            item(route, target);
        } else if (!target.isEmpty() && kind == RowKind.PAYER) {
            throw NotPossibleException.invalid("payer-invalid", "Nothing on the ledger stands for who pays for whom.");
        }
    }

    private void checkItemName(RouteRow route, String name) {
        NameRules rules = itemsThere.nameRules(route.ledgerId());
        if (!rules.takes(name)) {
            throw NotPossibleException.invalid(
                    "name-unfit",
                    "%s takes names of %d characters at most%s; “%s” is none."
                            .formatted(
                                    route.ledger(),
                                    rules.limit(),
                                    rules.forbidden().isEmpty() ? "" : ", without " + rules.forbidden(),
                                    name));
        }
    }

    /// What is decided for one line may be any account but a control account or a bank: freight into stock is fine.
    private void checkAccount(RouteRow route, RowKind kind, String code, String target) {
        AccountType type = account(route, target).type();
        if (kind == RowKind.MEANS && !type.takesMoney()) {
            throw wrongType(target, type, "money");
        }
        if (kind == RowKind.LINE && !type.takesLines()) {
            throw NotPossibleException.invalid(
                    "account-type",
                    "Account " + target + " is a " + (type == AccountType.BANK ? "bank" : "control account")
                            + "; no single line can go there.");
        }
        if (kind == RowKind.ROLE && !role(code).takes(type)) {
            throw NotPossibleException.invalid(
                    "account-type",
                    "Account " + target + " is of type " + Sentences.word(type) + "; the role "
                            + Sentences.role(role(code))
                            + " takes "
                            + role(code).types().stream()
                                    .map(Sentences::word)
                                    .sorted()
                                    .toList() + ".");
        }
    }

    private void requireFitting(RouteRow route, RowKind kind, Purpose purpose, String code, String what) {
        AccountType type = account(route, code).type();
        if (!Fitting.of(kind, "", purpose).test(type)) {
            throw wrongType(code, type, what);
        }
    }

    private void checkDimension(RouteRow route, RowKind kind, String dimension, String value) {
        if (!kind.purposes().contains(Purpose.DIMENSION)) {
            throw NotPossibleException.invalid(
                    "purpose-unfit", "A row of " + Sentences.word(kind) + " says nothing of dimensions.");
        }
        Map<String, LedgerDimension> known = reference.dimensions(route.ledgerId());
        Optional<LedgerDimension> named = Optional.ofNullable(known.get(dimension));
        if (named.isEmpty()) {
            throw missing(route, "dimension " + dimension);
        }
        if (!named.get().values().contains(value)) {
            throw missing(route, named.get().name().toLowerCase(Locale.ROOT) + " " + value + " in use");
        }
    }

    private static NotPossibleException wrongType(String code, AccountType type, String what) {
        return NotPossibleException.invalid(
                "account-type",
                "Account " + code + " is of type " + Sentences.word(type) + "; " + what + " cannot land there.");
    }

    private LedgerAccount account(RouteRow route, String code) {
        return reference
                .findAccount(route.ledgerId(), code)
                .filter(LedgerAccount::active)
                .orElseThrow(() -> missing(route, "active account " + code));
    }

    private static NotPossibleException missing(RouteRow route, String what) {
        return NotPossibleException.invalid("not-on-ledger", route.ledger() + " has no " + what + ".");
    }
}
