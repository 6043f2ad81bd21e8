package alcabala.accounting;

import alcabala.accounting.crosswalk.AccountRole;
import alcabala.accounting.crosswalk.Crosswalk;
import alcabala.accounting.crosswalk.CrosswalkRow;
import alcabala.accounting.crosswalk.Meaning;
import alcabala.accounting.crosswalk.RowKind;
import alcabala.accounting.custom.CustomField;
import alcabala.accounting.document.AllowanceCharge;
import alcabala.accounting.document.Document;
import alcabala.accounting.document.DocumentLine;
import alcabala.accounting.document.LineKind;
import alcabala.accounting.document.Ownership;
import alcabala.accounting.document.PriceMode;
import alcabala.accounting.document.StatedTotals;
import alcabala.accounting.document.Tax;
import alcabala.accounting.document.TaxCategory;
import alcabala.accounting.document.TaxCombination;
import alcabala.accounting.document.TypeCode;
import alcabala.accounting.ledger.AccountType;
import alcabala.accounting.ledger.DayRates;
import alcabala.accounting.ledger.LedgerAccount;
import alcabala.accounting.ledger.LedgerProfile;
import alcabala.accounting.ledger.LedgerTaxCode;
import alcabala.accounting.ledger.NameRules;
import alcabala.accounting.matching.PartyMatcher;
import alcabala.accounting.money.ExchangeRate;
import alcabala.accounting.party.Party;
import alcabala.accounting.posting.Compiler;
import alcabala.accounting.posting.Route;
import alcabala.accounting.record.RecordKind;
import alcabala.accounting.setting.Carried;
import alcabala.accounting.setting.RouteSettings;
import alcabala.accounting.setting.Topic;
import alcabala.accounting.settlement.Target;
import alcabala.accounting.tax.TaxBreakdown;
import alcabala.accounting.tax.TaxRounding;
import alcabala.accounting.terms.CodedTerms;
import java.math.BigDecimal;
import java.math.RoundingMode;
import java.time.Instant;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.function.Function;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;

/// A small yard's route and documents, for tests and benchmarks.
public final class Samples {
    public static final TaxCombination V23 = TaxCombination.of(Tax.of("V23", "23", TaxCategory.S));
    public static final TaxCombination V13 = TaxCombination.of(Tax.of("V13", "13.5", TaxCategory.S));
    public static final TaxCombination V0 = TaxCombination.of(Tax.of("V0", "0", TaxCategory.Z));
    /// Bills cross too.
    public static final RouteSettings SETTINGS = RouteSettings.STANDARD
            .with(Topic.DIRECTION, Carried.BILLS, "to-ledger")
            .with(Topic.DIRECTION, Carried.SUPPLIER_CREDITS, "to-ledger");
    public static final Route ROUTE = new Route("yard", "Hullwork", "Inkwell", SETTINGS);

    private static final Party US = Party.named("US", "Corvane Boatyards");
    private static final Party OTHER = Party.named("C-1", "Pell Estuary Trust");
    public static final PartyMatcher NOBODY = new PartyMatcher(List.of());

    private Samples() {}

    public static List<CrosswalkRow> rows() {
        List<CrosswalkRow> rows = new ArrayList<>(List.of(
                row(RowKind.CATEGORY, "chandlery", "", "4010"),
                row(RowKind.CATEGORY, "labour", "", "4020"),
                row(RowKind.ITEM, "SHK-08", "SHACKLE8", "4015"),
                row(RowKind.TAX, "V23", "S23", ""),
                row(RowKind.TAX, "V13", "R13", ""),
                row(RowKind.TAX, "V0", "Z0", "")));
        rows.add(row(AccountRole.RECEIVABLES_CONTROL, "1100"));
        rows.add(row(AccountRole.PAYABLES_CONTROL, "2100"));
        rows.add(row(AccountRole.PURCHASES, "5100"));
        rows.add(row(AccountRole.EXPENSES, "6100"));
        rows.add(row(AccountRole.FEE_INCOME, "4090"));
        rows.add(row(AccountRole.DISCOUNT_GIVEN, "4090"));
        rows.add(row(AccountRole.ROUNDING, "6990"));
        return rows;
    }

    /// With what stands for it there, and the account that most rows of its kind are made for.
    public static CrosswalkRow row(RowKind kind, String code, String counterpart, String account) {
        return row(kind, code, Meaning.of(kind, counterpart, account));
    }

    public static CrosswalkRow row(RowKind kind, String code, Meaning meaning) {
        return new CrosswalkRow(kind, code, meaning, 1, "M. Ferro", Instant.EPOCH);
    }

    public static CrosswalkRow row(AccountRole role, String account) {
        return row(RowKind.ROLE, role.name(), "", account);
    }

    public static LedgerProfile ledger(CurrencyUnit currency, TaxRounding rounding) {
        return new LedgerProfile(
                "Inkwell",
                currency,
                false,
                DayRates.NONE,
                rounding,
                accounts(),
                taxCodes(),
                Map.of(),
                new NameRules(31, ""),
                Map.of(),
                Map.of(),
                false,
                false,
                false);
    }

    /// The usual ledger in euros, with what its business added to it.
    ///
    /// @param below whether it has parties below others
    public static LedgerProfile ledger(List<CodedTerms> terms, List<CustomField> fields, boolean below) {
        LedgerProfile plain = ledger(CurrencyUnit.EUR, TaxRounding.PER_DOCUMENT);
        return new LedgerProfile(
                plain.name(),
                plain.baseCurrency(),
                plain.multiCurrency(),
                plain.rates(),
                plain.taxRounding(),
                plain.accounts(),
                plain.taxCodes(),
                plain.dimensions(),
                plain.itemNames(),
                terms.stream().collect(Collectors.toMap(CodedTerms::code, Function.identity())),
                fields.stream().collect(Collectors.toMap(CustomField::code, Function.identity())),
                below,
                plain.oneTaxCode(),
                plain.decidesTax());
    }

    private static Map<String, LedgerAccount> accounts() {
        return Stream.of(
                        account("1100", AccountType.RECEIVABLE, true),
                        account("1200", AccountType.BANK, true),
                        account("1210", AccountType.ASSET, true),
                        account("1250", AccountType.ASSET, true),
                        account("1300", AccountType.STOCK, true),
                        account("1400", AccountType.TAX, true),
                        account("2100", AccountType.PAYABLE, true),
                        account("2200", AccountType.TAX, true),
                        account("2300", AccountType.LIABILITY, true),
                        account("4010", AccountType.REVENUE, true),
                        account("4015", AccountType.REVENUE, true),
                        account("4020", AccountType.REVENUE, true),
                        account("4030", AccountType.REVENUE, false),
                        account("4090", AccountType.REVENUE, true),
                        account("5100", AccountType.COST, true),
                        account("6100", AccountType.EXPENSE, true),
                        account("6200", AccountType.EXPENSE, true),
                        account("6990", AccountType.EXPENSE, true))
                .collect(Collectors.toMap(LedgerAccount::code, Function.identity()));
    }

    private static LedgerAccount account(String code, AccountType type, boolean active) {
        return new LedgerAccount(code, code, type, active);
    }

    private static Map<String, LedgerTaxCode> taxCodes() {
        return Stream.of(
                        code("S23", "23", TaxCategory.S),
                        code("R13", "13.50", TaxCategory.S),
                        code("Z0", "0", TaxCategory.Z),
                        code("X0", "0", TaxCategory.E),
                        bothSides("RC23", "23", "100"),
                        bothSides("RC21", "21", "40"))
                .collect(Collectors.toMap(LedgerTaxCode::code, Function.identity()));
    }

    private static LedgerTaxCode code(String code, String rate, TaxCategory category) {
        return new LedgerTaxCode(code, code, new BigDecimal(rate), category, "2200", "1400", true);
    }

    private static LedgerTaxCode bothSides(String code, String rate, String deductible) {
        return new LedgerTaxCode(
                code,
                code,
                new BigDecimal(rate),
                TaxCategory.AE,
                true,
                new BigDecimal(deductible),
                "2200",
                "1400",
                true);
    }

    /// A document in the ledger's own currency.
    public static Target target(
            Target.Standing standing,
            Party party,
            Money gross,
            Money open,
            List<TaxBreakdown> taxes,
            String ledgerRef,
            String ledgerNumber) {
        ExchangeRate same = ExchangeRate.same(gross.getCurrencyUnit(), LocalDate.of(2026, 11, 20));
        return new Target(
                standing,
                party,
                gross,
                open,
                Money.zero(gross.getCurrencyUnit()),
                same,
                open,
                Target.Credited.nothing(gross.getCurrencyUnit(), gross.getCurrencyUnit()),
                taxes,
                ledgerRef,
                ledgerNumber);
    }

    public static Compiler compiler(List<CrosswalkRow> rows) {
        return compiler(rows, CurrencyUnit.EUR);
    }

    public static Compiler compiler(List<CrosswalkRow> rows, CurrencyUnit currency) {
        return compiler(rows, currency, SETTINGS);
    }

    public static Compiler compiler(List<CrosswalkRow> rows, CurrencyUnit currency, RouteSettings settings) {
        Route route = new Route(ROUTE.code(), ROUTE.source(), ROUTE.ledger(), settings);
        return new Compiler(Crosswalk.of(rows, NOBODY), route, ledger(currency, TaxRounding.PER_DOCUMENT));
    }

    public static DocumentLine line(
            CurrencyUnit currency, String category, String quantity, String price, TaxCombination tax) {
        BigDecimal amount = new BigDecimal(quantity)
                .multiply(new BigDecimal(price))
                .setScale(currency.getDecimalPlaces(), RoundingMode.HALF_UP);
        return new DocumentLine(
                "1",
                category.equals("labour") ? LineKind.LABOUR : LineKind.GOODS,
                "IT-" + category,
                "an item of " + category,
                "",
                "",
                category,
                "",
                new BigDecimal(quantity),
                "C62",
                new BigDecimal(price),
                BigDecimal.ONE,
                Money.zero(currency),
                Money.of(currency, amount),
                tax);
    }

    /// Net prices, tax rounded per line, totals worked out here with plain decimals and not with the code under test.
    public static Document invoice(String number, DocumentLine... lines) {
        return document(RecordKind.INVOICE, number, PriceMode.NET, List.of(lines), List.of());
    }

    public static Document document(
            RecordKind kind, String number, PriceMode mode, List<DocumentLine> lines, List<AllowanceCharge> extras) {
        CurrencyUnit currency = lines.getFirst().amount().getCurrencyUnit();
        BigDecimal lineSum = BigDecimal.ZERO;
        BigDecimal tax = BigDecimal.ZERO;
        for (DocumentLine line : lines) {
            lineSum = lineSum.add(line.amount().getAmount());
            tax = tax.add(taxOf(line.amount().getAmount(), line.tax(), mode, currency));
        }
        BigDecimal allowances = BigDecimal.ZERO;
        BigDecimal charges = BigDecimal.ZERO;
        for (AllowanceCharge each : extras) {
            BigDecimal amount = each.amount().getAmount();
            BigDecimal itsTax = taxOf(amount, each.tax(), mode, currency);
            allowances = each.isCharge() ? allowances : allowances.add(amount);
            charges = each.isCharge() ? charges.add(amount) : charges;
            tax = each.isCharge() ? tax.add(itsTax) : tax.subtract(itsTax);
        }
        BigDecimal whole = lineSum.subtract(allowances).add(charges);
        BigDecimal net = mode == PriceMode.NET ? whole : whole.subtract(tax);
        StatedTotals totals = new StatedTotals(
                Money.of(currency, lineSum),
                Money.of(currency, allowances),
                Money.of(currency, charges),
                Money.of(currency, net),
                Money.of(currency, tax),
                Money.of(currency, net.add(tax)));
        return new Document(
                kind,
                (kind.isCredit() ? TypeCode.CREDIT_NOTE : TypeCode.INVOICE).code(),
                "",
                number,
                LocalDate.of(2026, 11, 20),
                LocalDate.of(2026, 12, 20),
                null,
                "",
                "",
                "",
                List.of(),
                currency,
                null,
                mode,
                TaxRounding.PER_LINE,
                kind.isSale() ? Ownership.SELLER : Ownership.BUYER,
                kind.isSale() ? US : OTHER,
                kind.isSale() ? OTHER : US,
                "",
                lines,
                extras,
                List.of(),
                totals,
                null);
    }

    private static BigDecimal taxOf(BigDecimal amount, TaxCombination tax, PriceMode mode, CurrencyUnit currency) {
        BigDecimal divisor =
                mode == PriceMode.NET ? BigDecimal.valueOf(100) : tax.rate().add(BigDecimal.valueOf(100));
        return amount.multiply(tax.rate()).divide(divisor, currency.getDecimalPlaces(), RoundingMode.HALF_UP);
    }
}
