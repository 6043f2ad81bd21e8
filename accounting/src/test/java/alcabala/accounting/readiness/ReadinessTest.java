package alcabala.accounting.readiness;

import static org.assertj.core.api.Assertions.assertThat;

import alcabala.accounting.Changed;
import alcabala.accounting.crosswalk.AccountRole;
import alcabala.accounting.crosswalk.RecordType;
import alcabala.accounting.document.TaxCategory;
import alcabala.accounting.ledger.AccountType;
import alcabala.accounting.ledger.DayRates;
import alcabala.accounting.ledger.LedgerAccount;
import alcabala.accounting.ledger.LedgerProfile;
import alcabala.accounting.ledger.LedgerTaxCode;
import alcabala.accounting.ledger.NameRules;
import alcabala.accounting.readiness.Facts.TaxUse;
import alcabala.accounting.readiness.Facts.Waiting;
import alcabala.accounting.readiness.Result.Verdict;
import alcabala.accounting.record.RecordKind;
import alcabala.accounting.tax.TaxRounding;
import java.math.BigDecimal;
import java.time.Duration;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.Arrays;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Consumer;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/// Every check seen passing, and seen failing with what it costs.
class ReadinessTest {
    private static final LocalDate DAY = LocalDate.of(2026, 11, 20);

    /// Facts under which everything passes, to spoil one of.
    private static final class Sound {
        final Map<AccountRole, String> roles = new EnumMap<>(Map.of(
                AccountRole.RECEIVABLES_CONTROL, "1100",
                AccountRole.OUTPUT_TAX, "2200",
                AccountRole.ROUNDING, "6990",
                AccountRole.SALES, "4010"));
        LedgerProfile ledger = LEDGER;
        List<TaxUse> taxes = List.of(new TaxUse("V23", new BigDecimal("23.0000"), TaxCategory.S, "S23", 2, 25_000));
        List<Waiting> waiting = List.of(waiting("A-1", 12_300, false), waiting("A-2", -2_000, true));
        LocalDate lockedThrough = DAY.minusDays(1);
        boolean appliesCredits;
        boolean tracksQuantities;
        Set<String> features = Set.of("dimensions", "purchase-orders");
        Optional<Duration> consentLeft = Optional.of(Duration.ofDays(60));
        ZoneId there = ZoneId.of("Europe/Dublin");
        Duration clockApart = Duration.ofSeconds(20);
        Map<String, String> newItems = Map.of("N-1", "Rope 8 mm");
        Set<String> taken = Set.of();
        Map<String, Integer> otherRoutes = Map.of("Harbour office", 0);
        String trail = "";
        Set<RecordType> carried = Set.of(RecordType.SALES);
        boolean otherBooks;
        boolean canBeAsked = true;
        boolean taxOff;
        List<Waiting> purchases = List.of(waiting(RecordKind.BILL, "B-1", 4_000));
        List<Facts.Unrouted> unrouted = List.of();

        Result judge(Check check) {
            Facts facts = new Facts(
                    carried,
                    ledger,
                    canBeAsked
                            ? Optional.of(new Facts.Settings(
                                    otherBooks,
                                    lockedThrough,
                                    appliesCredits,
                                    tracksQuantities,
                                    features,
                                    consentLeft,
                                    ZoneId.of("Europe/Dublin"),
                                    there,
                                    clockApart))
                            : Optional.empty(),
                    taxOff,
                    roles,
                    taxes,
                    waiting,
                    purchases,
                    unrouted,
                    newItems,
                    Map.of("K-1", "Rope 10 mm"),
                    taken,
                    20_457,
                    otherRoutes,
                    trail);
            List<Result> results = Readiness.judge(facts);
            assertThat(results)
                    .extracting(Result::check)
                    .containsExactlyElementsOf(Arrays.stream(Check.values())
                            .filter(each -> canBeAsked || !each.asksLedger())
                            .toList());
            return results.stream()
                    .filter(each -> each.check() == check)
                    .findFirst()
                    .orElseThrow();
        }
    }

    private static Waiting waiting(String number, long gross, boolean credit) {
        return waiting(credit ? RecordKind.CREDIT_NOTE : RecordKind.INVOICE, number, gross);
    }

    private static Waiting waiting(RecordKind kind, String number, long gross) {
        return new Waiting(kind, number, DAY, CurrencyUnit.EUR, gross, gross / 10, true, Set.of());
    }

    private static final LedgerProfile LEDGER = new LedgerProfile(
            "Inkwell",
            CurrencyUnit.EUR,
            false,
            DayRates.NONE,
            TaxRounding.PER_DOCUMENT,
            Map.of(
                    "1100", new LedgerAccount("1100", "Receivables", AccountType.RECEIVABLE, true),
                    "2200", new LedgerAccount("2200", "Tax", AccountType.TAX, true),
                    "4010", new LedgerAccount("4010", "Sales", AccountType.REVENUE, true),
                    "4900", new LedgerAccount("4900", "Old sales", AccountType.REVENUE, false),
                    "6990", new LedgerAccount("6990", "Rounding", AccountType.EXPENSE, true)),
            Map.of(
                    "S23", code("S23", "23", true),
                    "R9", code("R9", "9", true),
                    "OLD", code("OLD", "23", false)),
            Map.of(),
            new NameRules(9, ""),
            Map.of(),
            Map.of(),
            false,
            false,
            false);

    private static LedgerTaxCode code(String code, String rate, boolean active) {
        return new LedgerTaxCode(code, code, new BigDecimal(rate), TaxCategory.S, "2200", "1400", active);
    }

    private static Result spoilt(Check check, Consumer<Sound> spoil) {
        Sound facts = new Sound();
        assertThat(facts.judge(check).verdict()).as("sound").isEqualTo(Verdict.PASSES);
        assertThat(facts.judge(check).amount()).isEqualTo(Money.parse("EUR 0.00"));
        spoil.accept(facts);
        return facts.judge(check);
    }

    private static void assertFails(Result result, Verdict verdict, int documents, String amount) {
        assertThat(result.verdict()).isEqualTo(verdict);
        assertThat(result.documents()).isEqualTo(documents);
        assertThat(result.amount()).isEqualTo(Money.parse("EUR " + amount));
    }

    @ParameterizedTest
    @CsvSource({"15, PASSES", "14, WARNS", "1, WARNS", "0, BLOCKS", "-3, BLOCKS"})
    void aConsentWarnsTwoWeeksBeforeItEnds(long days, Verdict verdict) {
        Sound facts = new Sound();
        facts.consentLeft = Optional.of(Duration.ofDays(days));
        assertThat(facts.judge(Check.CONSENT).verdict()).isEqualTo(verdict);
        facts.consentLeft = Optional.empty();
        assertThat(facts.judge(Check.CONSENT).verdict())
                .as("one without an end")
                .isEqualTo(Verdict.PASSES);
    }

    @Test
    void aRequiredRoleThatIsEmptyBlocksWhatNeedsIt() {
        Result result = spoilt(Check.ACCOUNT_ROLES, facts -> {
            facts.roles.remove(AccountRole.ROUNDING);
            facts.waiting = List.of(
                    waiting("A-1", 12_300, false),
                    new Waiting(
                            RecordKind.INVOICE,
                            "A-2",
                            DAY,
                            CurrencyUnit.EUR,
                            500,
                            0,
                            true,
                            Set.of(AccountRole.ROUNDING)));
        });
        assertFails(result, Verdict.BLOCKS, 1, "5.00");
        assertThat(result.subjects()).containsExactly("ROUNDING");
    }

    @Test
    void anOptionalRoleMattersOnlyWhenADocumentNeedsIt() {
        Sound facts = new Sound();
        assertThat(facts.judge(Check.ACCOUNT_ROLES).verdict()).isEqualTo(Verdict.PASSES);
        facts.waiting = List.of(new Waiting(
                RecordKind.INVOICE, "A-1", DAY, CurrencyUnit.EUR, 700, 0, false, Set.of(AccountRole.FEE_INCOME)));
        assertThat(facts.judge(Check.ACCOUNT_ROLES).subjects()).containsExactly("FEE_INCOME");
    }

    @ParameterizedTest
    @CsvSource({"4010", "4900", "9999"})
    void aRoleOnAWrongInactiveOrMissingAccountBlocks(String account) {
        Result result = spoilt(Check.ACCOUNT_ROLES, facts -> facts.roles.put(AccountRole.RECEIVABLES_CONTROL, account));
        assertFails(result, Verdict.BLOCKS, 2, "103.00");
        assertThat(result.subjects()).containsExactly("RECEIVABLES_CONTROL");
    }

    @Test
    void withoutADefaultForSalesItOnlyWarns() {
        assertFails(
                spoilt(Check.DEFAULT_FOR_SALES, facts -> facts.roles.remove(AccountRole.SALES)),
                Verdict.WARNS,
                0,
                "0.00");
    }

    @ParameterizedTest
    @CsvSource({"''", "OLD", "NOPE"})
    void aTaxWithoutAnActiveCodeBlocks(String ledgerCode) {
        Result result = spoilt(
                Check.TAX_CODES,
                facts -> facts.taxes =
                        List.of(new TaxUse("V23", new BigDecimal("23"), TaxCategory.S, ledgerCode, 2, 25_000)));
        assertFails(result, Verdict.BLOCKS, 2, "250.00");
        assertThat(result.subjects()).containsExactly("V23|23|S");
    }

    @Test
    void aRateThatDiffersBlocksAndAMissingCodeIsNotSaidTwice() {
        Result result = spoilt(
                Check.TAX_RATES,
                facts -> facts.taxes = List.of(
                        new TaxUse("V13", new BigDecimal("13.5"), TaxCategory.S, "R9", 3, 9_900),
                        new TaxUse("V0", BigDecimal.ZERO, TaxCategory.Z, "", 8, 1)));
        assertFails(result, Verdict.BLOCKS, 3, "99.00");
        assertThat(result.subjects()).containsExactly("V13|13.5|S|R9|9|S");
    }

    @Test
    void aLedgerThatDecidesTaxHasNoRatesToCompare() {
        TaxUse use = new TaxUse("V13", new BigDecimal("13.5"), TaxCategory.S, "R9", 3, 9_900);
        Result result = spoilt(Check.TAX_RATES, facts -> {
            facts.ledger = Changed.in(LEDGER, "decidesTax", true);
            facts.taxes = List.of(use);
        });
        assertThat(result.verdict()).isEqualTo(Verdict.PASSES);
    }

    @Test
    void aLetterThatDiffersBlocksToo() {
        Result result = spoilt(
                Check.TAX_RATES,
                facts -> facts.taxes = List.of(new TaxUse("V23", new BigDecimal("23"), TaxCategory.L, "S23", 1, 100)));
        assertThat(result.subjects()).containsExactly("V23|23|L|S23|23|S");
        assertThat(spoilt(
                                Check.TAX_RATES,
                                facts -> facts.taxes =
                                        List.of(new TaxUse("none", new BigDecimal("23"), null, "S23", 1, 100)))
                        .verdict())
                .as("lines that state no tax have no letter")
                .isEqualTo(Verdict.PASSES);
    }

    @Test
    void aTrailThatWasTamperedWithBlocks() {
        assertFails(spoilt(Check.TRAIL, facts -> facts.trail = "block 7 is missing"), Verdict.BLOCKS, 0, "0.00");
    }

    @Test
    void settingsOfTheLedgerWarnWithWhatTheyConcern() {
        assertFails(spoilt(Check.APPLIES_CREDITS, facts -> facts.appliesCredits = true), Verdict.WARNS, 1, "-20.00");
        assertFails(
                spoilt(Check.TRACKS_QUANTITIES, facts -> facts.tracksQuantities = true), Verdict.WARNS, 2, "103.00");
        assertFails(spoilt(Check.DIMENSIONS, facts -> facts.features = Set.of()), Verdict.WARNS, 2, "103.00");
        assertFails(
                spoilt(Check.PURCHASE_ORDERS, facts -> facts.features = Set.of("dimensions")),
                Verdict.WARNS,
                1,
                "40.00");
    }

    @Test
    void taxSwitchedOffWarnsWithTheTaxThatWouldBeRevenue() {
        assertFails(spoilt(Check.TAX_OFF, facts -> facts.taxOff = true), Verdict.WARNS, 2, "10.30");
    }

    @Test
    void aRouteThatCarriesBillsNeedsWhatBillsNeed() {
        Sound facts = new Sound();
        facts.waiting = List.of(waiting("A-1", 12_300, false), waiting(RecordKind.BILL, "B-1", 4_000));
        facts.carried = Set.of(RecordType.SALES, RecordType.PURCHASES);
        assertThat(facts.judge(Check.ACCOUNT_ROLES).subjects()).containsExactly("PAYABLES_CONTROL", "INPUT_TAX");
        assertFails(facts.judge(Check.DEFAULT_FOR_PURCHASES), Verdict.WARNS, 0, "0.00");
        facts.taxOff = true;
        assertFails(facts.judge(Check.TAX_OFF), Verdict.WARNS, 1, "12.30");
        facts.taken = Set.of("B-1");
        assertThat(facts.judge(Check.NUMBERS).verdict())
                .as("a supplier's number is the supplier's own")
                .isEqualTo(Verdict.PASSES);

        facts.carried = Set.of(RecordType.PURCHASES);
        facts.roles.clear();
        assertThat(facts.judge(Check.ACCOUNT_ROLES).subjects())
                .as("and nothing of what only sales need")
                .containsExactly("ROUNDING", "PAYABLES_CONTROL", "INPUT_TAX");
        assertThat(facts.judge(Check.DEFAULT_FOR_SALES).verdict()).isEqualTo(Verdict.PASSES);
    }

    @Test
    void otherBooksUnderTheSameNameBlockEverything() {
        assertFails(spoilt(Check.SAME_BOOKS, facts -> facts.otherBooks = true), Verdict.BLOCKS, 2, "103.00");
    }

    @Test
    void aSiteWithoutARouteWarnsInItsOwnCurrency() {
        Result result = spoilt(
                Check.ROUTES,
                facts -> facts.unrouted = List.of(new Facts.Unrouted("Port Ellery", 24, Money.parse("CAD 1820.40"))));
        assertFails(result, Verdict.WARNS, 24, "0.00");
        assertThat(result.subjects()).containsExactly("Port Ellery|24|CAD 1820.40");
    }

    @Test
    void aLedgerThatCannotBeAskedIsJudgedByTheRest() {
        Sound facts = new Sound();
        facts.canBeAsked = false;
        facts.roles.remove(AccountRole.ROUNDING);
        assertThat(facts.judge(Check.ACCOUNT_ROLES).verdict()).isEqualTo(Verdict.BLOCKS);
    }

    @Test
    void whatTheLedgerWillRefuseBlocksBeforeItIsSent() {
        Result number = spoilt(Check.NUMBERS, facts -> facts.taken = Set.of("A-1"));
        assertFails(number, Verdict.BLOCKS, 1, "123.00");
        assertThat(number.proposal()).isEqualTo("20457");
        assertFails(spoilt(Check.PERIOD, facts -> facts.lockedThrough = DAY), Verdict.BLOCKS, 2, "103.00");
        Result foreign = spoilt(
                Check.CURRENCIES,
                facts -> facts.waiting = List.of(
                        new Waiting(RecordKind.INVOICE, "A-1", DAY, CurrencyUnit.of("CAD"), 5_000, 0, true, Set.of()),
                        waiting("A-2", 100, false)));
        assertFails(foreign, Verdict.BLOCKS, 1, "0.00");
    }

    @Test
    void namesThatAreTheSameAfterCuttingBlock() {
        Result result = spoilt(
                Check.ITEM_NAMES,
                facts -> facts.newItems = Map.of("N-1", "Anchor chain 8 mm", "N-2", "Anchor chain 10 mm"));
        assertThat(result.verdict()).isEqualTo(Verdict.BLOCKS);
        assertThat(result.subjects()).singleElement().asString().contains("N-1", "N-2", "anchor ch");
    }

    @Test
    void twoWaysToTheSameBooksBlockOnlyWhenNumbersComeTwice() {
        assertFails(
                spoilt(Check.ONE_WAY_ONLY, facts -> facts.otherRoutes = Map.of("Harbour office", 3)),
                Verdict.BLOCKS,
                3,
                "0.00");
        assertThat(spoilt(Check.ONE_WAY_ONLY, facts -> facts.otherRoutes = Map.of("Harbour office", 3))
                        .subjects())
                .containsExactly("Harbour office 3");
        assertThat(spoilt(Check.ONE_WAY_ONLY, facts -> facts.otherRoutes = Map.of())
                        .verdict())
                .isEqualTo(Verdict.PASSES);
    }

    @Test
    void anotherTimeZoneOrClockWarns() {
        assertThat(spoilt(Check.CALENDAR, facts -> facts.there = ZoneId.of("Pacific/Auckland"))
                        .subjects())
                .containsExactly("Europe/Dublin", "Pacific/Auckland", "0");
        assertThat(spoilt(Check.CALENDAR, facts -> facts.clockApart = Duration.ofMinutes(6))
                        .verdict())
                .isEqualTo(Verdict.WARNS);
        assertThat(spoilt(Check.CALENDAR, facts -> facts.clockApart = Duration.ofMinutes(5))
                        .verdict())
                .isEqualTo(Verdict.PASSES);
    }
}
