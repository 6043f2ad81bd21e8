package alcabala.server.platform;

import alcabala.accounting.crosswalk.AccountRole;
import alcabala.accounting.crosswalk.Purpose;
import alcabala.accounting.crosswalk.RowKind;
import alcabala.accounting.document.TaxCategory;
import alcabala.accounting.finding.Finding;
import alcabala.accounting.record.RecordKind;
import alcabala.accounting.settlement.Means;
import alcabala.server.platform.Sentence.Part;
import alcabala.server.platform.Sentence.Place;
import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.Locale;
import java.util.Set;
import java.util.stream.Collectors;

/// The edge where findings become plain sentences.
public final class Sentences {
    private static final String TAX_CODE = "TAX_CODE";

    private Sentences() {}

    public static Sentence of(Finding finding) {
        return switch (finding) {
            case Finding.ItemUnmapped f ->
                Sentence.of(
                        "Item %s %s has no account: neither the item nor the route names one.",
                        Part.row(RowKind.ITEM, f.item()), f.description());
            case Finding.CategoryUnmapped f ->
                Sentence.of(
                        "Category %s has no account, and its items have none of their own.",
                        Part.row(RowKind.CATEGORY, f.category()));
            case Finding.SupplierUnmapped f ->
                Sentence.of(
                        "Nothing says which account what is bought from %s (%s) belongs to.",
                        f.name(), Part.row(RowKind.SUPPLIER, f.supplier()));
            case Finding.RoleUnset f -> Sentence.of("The route names no account for the role %s.", roleRow(f.role()));
            case Finding.AccountUnusable f -> accountUnusable(f);
            case Finding.DimensionUnusable f ->
                Sentence.of("%s %s is not in use on the ledger.", f.name(), Part.there("DIMENSION", f.value()));
            case Finding.TaxUnmapped f ->
                Sentence.of("Tax %s (%s %%) has no code on the ledger.", tax(f.tax()), plain(f.rate()));
            case Finding.TaxCodeUnusable f ->
                Sentence.of(
                        "Tax %s goes to code %s, which the ledger does not have or no longer uses.",
                        tax(f.tax()), Part.there(TAX_CODE, f.ledgerCode()));
            case Finding.TaxRateDiffers f ->
                Sentence.of(
                        "Tax %s is %s %%, but code %s of the ledger is %s %%.",
                        tax(f.tax()), plain(f.rate()), Part.there(TAX_CODE, f.ledgerCode()), plain(f.ledgerRate()));
            case Finding.TaxDiffers f ->
                Sentence.of(
                        "The document says tax %s, the ledger would compute %s; rounding explains at most one unit on each of %s taxed lines.",
                        Amounts.shown(f.source()), Amounts.shown(f.ledger()), f.taxedLines());
            case Finding.TaxDecidedOtherwise f ->
                Sentence.of(
                        "The document says tax %s; the ledger, which decides tax itself, charged %s.",
                        Amounts.shown(f.stated()), Amounts.shown(f.decided()));
            case Finding.PartyDoubtful f ->
                Sentence.of(
                        "%s may already be on the ledger as %s (%s): say whether it is.",
                        Part.row(RowKind.PARTY, f.party(), f.name()),
                        f.ledgerName(),
                        Part.there("PARTY", f.ledgerParty()));
            case Finding.PartyMissing f ->
                Sentence.of(
                        "%s (%s) is not on the ledger, and this route does not create parties there.",
                        f.name(), Part.row(RowKind.PARTY, f.party()));
            case Finding.SeveralTaxCodes f ->
                Sentence.of(
                        "Its lines need the tax codes %s, and the ledger takes one code for a whole document.",
                        String.join(" and ", f.codes()));
            case Finding.BeforeCutOff f ->
                Sentence.of("It is dated %s; documents of its kind cross from %s on.", day(f.date()), day(f.cutOff()));
            case Finding.DoesNotCross f -> Sentence.plain(plural(f.what()) + " do not cross on this route.");
            case Finding.Unrouted f ->
                Sentence.of("%s has no route to a ledger.", f.site().isEmpty() ? "It" : f.site());
            case Finding.CurrencyUnavailable f ->
                Sentence.of(
                        "The document is in %s; the ledger keeps its books in %s only.",
                        f.currency(), f.ledgerCurrency());
            case Finding.RateUnknown f ->
                Sentence.of(
                        "Nobody says what one %s was worth in %s on %s: neither the record itself, nor the ledger.",
                        f.currency(), f.base(), day(f.day()));
            case Finding.CurrencyDiffers f ->
                Sentence.of(
                        "%s is in %s and was paid in %s; how much of it that settles is not said.",
                        document(f.document()), f.currency(), f.settled());
            case Finding.ArithmeticDiffers f ->
                Sentence.of(
                        "The file says %s %s, its own figures give %s.",
                        figure(f), Amounts.shown(f.stated()), Amounts.shown(f.computed()));
            case Finding.TaxCategoryDiffers f ->
                Sentence.of(
                        "Tax %s is of category %s, but code %s of the ledger is of category %s.",
                        tax(f.tax()),
                        letters(f.categories()),
                        Part.there(TAX_CODE, f.ledgerCode()),
                        f.ledgerCategory());
            case Finding.TaxNotCharged f ->
                Sentence.of(
                        "Tax %s states %s %% under category %s, which charges nothing.",
                        f.tax(), plain(f.rate()), f.category());
            case Finding.NoLines f -> Sentence.plain("It has no lines; a document needs one at least.");
            case Finding.TypeUnknown f ->
                f.typeCode().isEmpty()
                        ? Sentence.plain("It does not say what it is.")
                        : Sentence.of(
                                "It says that it is of type %s; it is not known what that means for the books.",
                                f.typeCode());
            case Finding.CorrectsUnknown f ->
                f.number().isEmpty()
                        ? Sentence.plain("It corrects another document and does not name it.")
                        : Sentence.of(
                                "It corrects %s, which has not been taken in; once that is here, this takes its place.",
                                f.number());
            case Finding.Prepaid f ->
                Sentence.of(
                        "%s of it was paid before; that is kept here and is still to be applied on the ledger.",
                        Amounts.shown(f.amount()));
            case Finding.NotAParty f ->
                Sentence.of(
                        "The business is neither its seller (%s) nor its buyer (%s); say which of them it is.",
                        f.sellerName(), f.buyerName());
            case Finding.WaitsFor f ->
                Sentence.of(
                        "It waits for %s %s, which is not on the ledger yet.",
                        f.needed().word().replace('-', ' '), Part.record(f.number()));
            case Finding.MeansUnmapped f ->
                Sentence.of(
                        "Nothing says which account takes money paid by %s in %s.",
                        Part.row(RowKind.MEANS, f.subject(), means(f.means())), f.currency());
            case Finding.PayerDiffers f ->
                Sentence.of(
                        "%s (%s) paid what %s (%s) owes: say that this is right, and it is remembered.",
                        f.payerName(),
                        Part.row(RowKind.PARTY, f.payer()),
                        f.partyName(),
                        Part.row(RowKind.PARTY, f.party()));
            case Finding.SeveralParties f ->
                Sentence.of(
                        "It settles documents of %s; a payment on the ledger is of one party. Record one payment for each.",
                        String.join(" and ", f.names()));
            case Finding.AllocatedTooMuch f ->
                Sentence.of(
                        "%s of it are to settle documents, and it comes to %s.",
                        Amounts.shown(f.allocated()), Amounts.shown(f.amount()));
            case Finding.AllocationUnfit f ->
                Sentence.of("It cannot settle %s: money goes the other way.", document(f.document()));
            case Finding.DifferenceTooLarge f ->
                Sentence.of(
                        "%s is missed by %s; the route takes %s at most as a difference.",
                        document(f.document()), Amounts.shown(f.difference()), Amounts.shown(f.most()));
            case Finding.StaysOpen f -> staysOpen(f);
            case Finding.ReceiptUnfit f -> receiptUnfit(f);
            case Finding.SubRecordsUnavailable f ->
                Sentence.of(
                        "Its project is to be a customer below the client, and %s has nothing below a customer.",
                        f.ledger());
            case Finding.TermsUnusable f ->
                Sentence.of(
                        "Its terms %s stand for terms %s of the ledger, which are not there or no longer used.",
                        Part.row(RowKind.TERMS, f.terms()), Part.there("TERM", f.ledgerTerms()));
            case Finding.TermsDiffer f ->
                Sentence.of(
                        "By terms %s of the ledger it would be due on %s; it says %s, and that is sent.",
                        Part.there("TERM", f.ledgerTerms()), day(f.computed()), day(f.stated()));
            case Finding.FieldUnusable f ->
                Sentence.of(
                        "Its field %s goes into field %s of the ledger, which is not there or no longer used.",
                        Part.row(RowKind.FIELD, f.field()), Part.there("FIELD", f.ledgerField()));
            case Finding.ChoiceUnmapped f ->
                Sentence.of(
                        "Nothing says which choice of the ledger stands for %s in its field %s.",
                        Part.row(RowKind.CHOICE, f.subject(), f.choice()), Part.row(RowKind.FIELD, f.field()));
            case Finding.FieldUnconvertible f ->
                Sentence.of(
                        "“%s” in its field %s cannot go into %s: %s.",
                        f.value(),
                        Part.row(RowKind.FIELD, f.field()),
                        Part.there("FIELD", f.ledgerField()),
                        AddedWords.reason(f.reason()));
        };
    }

    /// Of a party that a batch would create, and that may be another one which it creates.
    public static Sentence alike(String code, String name, String other) {
        return Sentence.of(
                "%s may be %s, whom this batch creates: say who it is.", Part.row(RowKind.PARTY, code, name), other);
    }

    /// Of a document that a ledger of files has with another amount than it was given.
    public static Sentence standsOtherwise(String ledger) {
        return Sentence.of(
                "It stands in %s with another amount than was given: correct it there and take in its register, then it can be replaced.",
                ledger);
    }

    private static Sentence staysOpen(Finding.StaysOpen f) {
        String because = switch (f.because()) {
            case VOIDED -> "was voided";
            case NOT_ON_LEDGER -> "does not cross on this route";
            case SETTLED_OTHERWISE -> "is settled by other money by now";
            case NOT_RETAINED -> "has no such amount kept back";
        };
        return Sentence.of(
                "%s of it settle nothing, since %s %s: they stay an open credit of the party on the ledger.",
                Amounts.shown(f.amount()), document(f.document()), because);
    }

    private static Sentence receiptUnfit(Finding.ReceiptUnfit f) {
        String because = switch (f.because()) {
            case VOIDED -> "was voided since";
            case NOT_ON_LEDGER -> "does not cross on this route";
            case AMOUNT_DIFFERS -> "comes to another amount by now";
            case ELSEWHERE -> "is not on the account of what waits to be banked";
        };
        int space = f.receipt().indexOf(' ');
        return Sentence.of(
                "Its %s %s %s: open the banking and correct it.",
                f.receipt().substring(0, space).replace('-', ' '),
                Part.record(f.receipt().substring(space + 1)),
                because);
    }

    private static Part tax(String key) {
        return Part.row(RowKind.TAX, key);
    }

    private static Part roleRow(AccountRole role) {
        return Part.row(RowKind.ROLE, role.name(), role(role));
    }

    /// @param said kind and number, such as `bill HL-20417`
    private static Part document(String said) {
        return new Part(said, Place.RECORD, "", said.substring(said.lastIndexOf(' ') + 1));
    }

    /// `card (48)`; a code without a name here is said as it is.
    public static String means(String code) {
        return Means.find(code)
                .map(means ->
                        means.name().toLowerCase(Locale.ROOT).replace('_', ' ').replace("sepa", "SEPA") + " (" + code
                                + ")")
                .orElse("means " + (code.isEmpty() ? "that are not stated" : code));
    }

    /// `Credit notes`.
    public static String plural(RecordKind kind) {
        return switch (kind) {
            case INVOICE -> "Invoices";
            case CREDIT_NOTE -> "Credit notes";
            case BILL -> "Bills";
            case SUPPLIER_CREDIT -> "Supplier credits";
            case PAYMENT_IN -> "Payments received";
            case REFUND -> "Refunds";
            case RETURNED_IN -> "Returned payments";
            case PAYMENT_OUT -> "Payments made";
            case SUPPLIER_REFUND -> "Refunds from suppliers";
            case RETURNED_OUT -> "Returned payments to suppliers";
            case BANKING -> "Bankings";
        };
    }

    private static Sentence accountUnusable(Finding.AccountUnusable f) {
        Part account = Part.there("ACCOUNT", f.account());
        return switch (f.reason()) {
            case MISSING -> Sentence.of("Account %s is not on the ledger.", account);
            case INACTIVE -> Sentence.of("Account %s is no longer active on the ledger.", account);
            case WRONG_TYPE ->
                Sentence.of("Account %s is of the wrong type for the role %s.", account, roleRow(f.role()));
            case CONTROL_OR_BANK ->
                Sentence.of("Account %s is a control account or a bank; no single line can go there.", account);
            case NO_MONEY ->
                Sentence.of(
                        "Account %s is no account that money moves on: a bank, money under way to one, or vouchers.",
                        account);
        };
    }

    private static String figure(Finding.ArithmeticDiffers f) {
        return switch (f.figure()) {
            case LINE_AMOUNT -> "on line " + f.place() + " the amount";
            case LINE_TOTAL -> "the lines add up to";
            case ALLOWANCES -> "its allowances are";
            case CHARGES -> "its charges are";
            case NET -> "net";
            case TAXABLE -> "under tax " + f.place() + " the taxable amount is";
            case TAX -> f.place().isEmpty() ? "tax" : "under tax " + f.place() + " the tax is";
            case GROSS -> "gross";
            case PAYABLE -> "payable";
        };
    }

    /// What a row says something for, as its label.
    public static String purpose(Purpose purpose) {
        return switch (purpose) {
            case COUNTERPART -> "Counterpart";
            case ACCOUNT -> "Account";
            case INCOME -> "Income";
            case EXPENSE -> "What is bought";
            case DISCOUNT -> "Discounts";
            case SHIPPING -> "Carriage";
            case ADVANCE -> "Advances";
            case COST -> "Cost of sales";
            case STOCK -> "Stock";
            case NAME -> "Name there";
            case FORMAT -> "Written as";
            case DIRECTION -> "Goes";
            case DIMENSION -> "Dimension";
        };
    }

    /// `receivables control`, as it is said in a sentence.
    public static String role(AccountRole role) {
        return word(role);
    }

    /// `LINE_KIND` as `line kind`.
    public static String word(Enum<?> name) {
        return name.name().toLowerCase(Locale.ROOT).replace('_', ' ');
    }

    private static String day(LocalDate day) {
        return Writing.now().day(day);
    }

    private static String letters(Set<TaxCategory> categories) {
        return categories.stream().map(TaxCategory::name).collect(Collectors.joining(" and "));
    }

    private static String plain(BigDecimal rate) {
        return rate.stripTrailingZeros().toPlainString();
    }
}
