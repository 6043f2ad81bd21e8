package alcabala.accounting.readiness;

import alcabala.accounting.crosswalk.AccountRole;
import alcabala.accounting.crosswalk.RecordType;
import alcabala.accounting.ledger.LedgerAccount;
import alcabala.accounting.ledger.LedgerTaxCode;
import alcabala.accounting.matching.ItemNames;
import alcabala.accounting.readiness.Facts.TaxUse;
import alcabala.accounting.readiness.Facts.Waiting;
import alcabala.accounting.readiness.Result.Verdict;
import alcabala.accounting.record.RecordKind;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.Predicate;
import java.util.function.ToLongFunction;
import org.joda.money.Money;

/// Judges what would go wrong later (domain, section 8). Pure: the same facts give the same results.
public final class Readiness {
    private static final Duration SOON = Duration.ofDays(14);
    private static final Duration CLOCKS_APART = Duration.ofMinutes(5);
    private final Facts facts;

    private Readiness(Facts facts) {
        this.facts = facts;
    }

    /// One result for every check, in their order; those that only the ledger can answer are left out when it cannot be
    /// asked.
    public static List<Result> judge(Facts facts) {
        Readiness readiness = new Readiness(facts);
        List<Result> results = new ArrayList<>();
        for (Check check : Check.values()) {
            if (facts.settings().isPresent() || !check.asksLedger()) {
                results.add(readiness.judge(check));
            }
        }
        return results;
    }

    private Result judge(Check check) {
        return switch (check) {
            case CONSENT -> consent();
            case SAME_BOOKS -> sameBooks();
            case ROUTES -> routes();
            case TAX_OFF -> taxOff();
            case ACCOUNT_ROLES -> roles();
            case DEFAULT_FOR_SALES -> defaultFor(check, RecordType.SALES, AccountRole.SALES);
            case DEFAULT_FOR_PURCHASES -> defaultFor(check, RecordType.PURCHASES, AccountRole.PURCHASES);
            case TAX_CODES -> taxes(check, use -> codeOf(use).isEmpty());
            case TAX_RATES ->
                taxes(
                        check,
                        use -> !facts.ledger().decidesTax()
                                && codeOf(use)
                                        .filter(code -> differs(use, code))
                                        .isPresent());
            case APPLIES_CREDITS ->
                ifSet(check, settings().appliesCredits(), doc -> doc.kind() == RecordKind.CREDIT_NOTE);
            case TRACKS_QUANTITIES ->
                ifSet(check, settings().tracksQuantities(), doc -> doc.kind().isSale() && doc.goods());
            case NUMBERS -> numbers();
            case PERIOD ->
                of(
                        check,
                        Verdict.BLOCKS,
                        doc -> !doc.issueDate().isAfter(settings().lockedThrough()));
            case CURRENCIES ->
                of(
                        check,
                        Verdict.BLOCKS,
                        doc -> !facts.ledger().multiCurrency()
                                && !doc.currency().equals(facts.ledger().baseCurrency()));
            case PURCHASE_ORDERS -> purchaseOrders();
            case DIMENSIONS -> ifSet(check, !settings().features().contains("dimensions"), doc -> true);
            case ITEM_NAMES -> itemNames();
            case ONE_WAY_ONLY -> oneWay();
            case TRAIL ->
                facts.trail().isEmpty()
                        ? passes(check)
                        : result(check, Verdict.BLOCKS, List.of(facts.trail()), List.of());
            case CALENDAR -> calendar();
        };
    }

    private Facts.Settings settings() {
        return facts.settings().orElseThrow();
    }

    private Result sameBooks() {
        return settings().otherBooks()
                ? result(Check.SAME_BOOKS, Verdict.BLOCKS, List.of(), facts.waiting())
                : passes(Check.SAME_BOOKS);
    }

    /// Sums of several currencies cannot be added; the subjects say each.
    private Result routes() {
        if (facts.unrouted().isEmpty()) {
            return passes(Check.ROUTES);
        }
        return new Result(
                Check.ROUTES,
                Verdict.WARNS,
                facts.unrouted().stream()
                        .map(each -> each.site() + "|" + each.documents() + "|" + each.gross())
                        .toList(),
                facts.unrouted().stream().mapToInt(Facts.Unrouted::documents).sum(),
                Money.zero(facts.ledger().baseCurrency()));
    }

    /// The amount is the tax, since that is what would be booked as revenue.
    private Result taxOff() {
        List<Waiting> taxed = facts.waiting().stream()
                .filter(doc -> doc.kind().isSale() && doc.tax() != 0)
                .toList();
        return facts.taxOff() && !taxed.isEmpty()
                ? new Result(Check.TAX_OFF, Verdict.WARNS, List.of(), taxed.size(), sum(taxed, Waiting::tax))
                : passes(Check.TAX_OFF);
    }

    private Result numbers() {
        Result found = of(
                Check.NUMBERS,
                Verdict.BLOCKS,
                doc -> doc.kind().isSale() && facts.takenNumbers().contains(doc.number()));
        return found.verdict() == Verdict.PASSES ? found : found.proposing(String.valueOf(facts.safeNextNumber()));
    }

    private Result purchaseOrders() {
        boolean has = settings().features().contains("purchase-orders");
        return has || facts.purchases().isEmpty()
                ? passes(Check.PURCHASE_ORDERS)
                : result(
                        Check.PURCHASE_ORDERS,
                        Verdict.WARNS,
                        facts.purchases().stream().map(Waiting::number).toList(),
                        facts.purchases());
    }

    private Result consent() {
        Optional<Duration> left = settings().consentLeft();
        if (left.isEmpty() || left.get().compareTo(SOON) > 0) {
            return passes(Check.CONSENT);
        }
        boolean ended = left.get().isNegative() || left.get().isZero();
        String days = String.valueOf(Math.max(0, left.get().toDays()));
        return result(Check.CONSENT, ended ? Verdict.BLOCKS : Verdict.WARNS, List.of(days), facts.waiting());
    }

    /// Required ones that are empty, and any that is of the wrong type, gone or inactive.
    private Result roles() {
        List<String> subjects = new ArrayList<>();
        for (AccountRole role : AccountRole.values()) {
            String account = facts.roles().getOrDefault(role, "");
            boolean missed =
                    facts.waiting().stream().anyMatch(doc -> doc.missing().contains(role));
            if (account.isEmpty() ? missed || role.isRequired(facts.carried()) : !isUsable(account, role)) {
                subjects.add(role.name());
            }
        }
        if (subjects.isEmpty()) {
            return passes(Check.ACCOUNT_ROLES);
        }
        boolean wrong = subjects.stream().anyMatch(name -> facts.roles().containsKey(AccountRole.valueOf(name)));
        List<Waiting> blocked = facts.waiting().stream()
                .filter(doc -> wrong || !doc.missing().isEmpty())
                .toList();
        return result(Check.ACCOUNT_ROLES, Verdict.BLOCKS, subjects, blocked);
    }

    private boolean isUsable(String code, AccountRole role) {
        Optional<LedgerAccount> account = facts.ledger().findAccount(code);
        return account.isPresent()
                && account.get().active()
                && role.takes(account.get().type());
    }

    /// Without one, whatever is not mapped is asked about; that may be meant.
    private Result defaultFor(Check check, RecordType carried, AccountRole role) {
        return facts.roles().containsKey(role) || !facts.carried().contains(carried)
                ? passes(check)
                : result(check, Verdict.WARNS, List.of(role.name()), List.of());
    }

    private Result taxes(Check check, Predicate<TaxUse> isWrong) {
        List<TaxUse> wrong = facts.taxes().stream().filter(isWrong).toList();
        if (wrong.isEmpty()) {
            return passes(check);
        }
        long gross = wrong.stream().mapToLong(TaxUse::gross).sum();
        int documents = wrong.stream().mapToInt(TaxUse::documents).sum();
        return new Result(
                check,
                Verdict.BLOCKS,
                wrong.stream().map(this::saysTax).toList(),
                documents,
                Money.ofMinor(facts.ledger().baseCurrency(), gross));
    }

    private static boolean differs(TaxUse use, LedgerTaxCode code) {
        return code.chargedRate().compareTo(use.rate()) != 0
                || (use.category() != null && use.category() != code.category());
    }

    /// `VEU|0|AE` or, with what it goes to, `V13|13.5|S|R13|9|S`.
    private String saysTax(TaxUse use) {
        String letter = use.category() == null ? "" : use.category().name();
        String source = use.code() + "|" + use.rate().stripTrailingZeros().toPlainString() + "|" + letter;
        return codeOf(use)
                .map(code ->
                        source + "|" + code.code() + "|" + code.chargedRate().toPlainString() + "|" + code.category())
                .orElse(source);
    }

    private Optional<LedgerTaxCode> codeOf(TaxUse use) {
        return facts.ledger().findTaxCode(use.ledgerCode()).filter(LedgerTaxCode::active);
    }

    private Result itemNames() {
        List<ItemNames.Collision> collisions = ItemNames.collisions(
                facts.newItems(), facts.itemNames(), facts.ledger().itemNames());
        return collisions.isEmpty()
                ? passes(Check.ITEM_NAMES)
                : result(
                        Check.ITEM_NAMES,
                        Verdict.BLOCKS,
                        collisions.stream()
                                .map(each -> String.join(" and ", each.items()) + ": " + each.name())
                                .toList(),
                        facts.waiting());
    }

    private Result oneWay() {
        if (facts.otherRoutes().isEmpty()) {
            return passes(Check.ONE_WAY_ONLY);
        }
        int shared = facts.otherRoutes().values().stream()
                .mapToInt(Integer::intValue)
                .sum();
        List<String> subjects = facts.otherRoutes().entrySet().stream()
                .map(route -> route.getKey() + " " + route.getValue())
                .sorted()
                .toList();
        return new Result(
                Check.ONE_WAY_ONLY,
                shared > 0 ? Verdict.BLOCKS : Verdict.PASSES,
                subjects,
                shared,
                Money.zero(facts.ledger().baseCurrency()));
    }

    private Result calendar() {
        boolean zones = !settings().here().getRules().equals(settings().there().getRules());
        boolean clocks = settings().clockApart().compareTo(CLOCKS_APART) > 0;
        if (!zones && !clocks) {
            return passes(Check.CALENDAR);
        }
        return result(
                Check.CALENDAR,
                Verdict.WARNS,
                List.of(
                        settings().here().getId(),
                        settings().there().getId(),
                        String.valueOf(settings().clockApart().toMinutes())),
                facts.waiting());
    }

    private Result ifSet(Check check, boolean set, Predicate<Waiting> concerns) {
        return set ? of(check, Verdict.WARNS, concerns) : passes(check);
    }

    private Result of(Check check, Verdict verdict, Predicate<Waiting> concerns) {
        List<Waiting> concerned = facts.waiting().stream().filter(concerns).toList();
        return concerned.isEmpty()
                ? passes(check)
                : result(check, verdict, concerned.stream().map(Waiting::number).toList(), concerned);
    }

    private Result passes(Check check) {
        return new Result(
                check, Verdict.PASSES, List.of(), 0, Money.zero(facts.ledger().baseCurrency()));
    }

    private Result result(Check check, Verdict verdict, List<String> subjects, List<Waiting> concerned) {
        return new Result(check, verdict, subjects, concerned.size(), sum(concerned, Waiting::gross));
    }

    /// Of those in the ledger's own currency.
    private Money sum(List<Waiting> documents, ToLongFunction<Waiting> figure) {
        long sum = documents.stream()
                .filter(doc -> doc.currency().equals(facts.ledger().baseCurrency()))
                .mapToLong(figure)
                .sum();
        return Money.ofMinor(facts.ledger().baseCurrency(), sum);
    }
}
