package alcabala.server.platform;

import alcabala.accounting.crosswalk.AccountRole;
import alcabala.accounting.crosswalk.Purpose;
import alcabala.accounting.document.TaxCategory;
import alcabala.accounting.finding.Finding;
import alcabala.accounting.record.RecordKind;
import alcabala.accounting.settlement.Means;
import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.Locale;
import java.util.Set;
import java.util.stream.Collectors;

/// The edge where findings become plain sentences.
public final class Sentences {
    private Sentences() {}

    public static String of(Finding finding) {
        return switch (finding) {
            case Finding.ItemUnmapped f ->
                "Item %s %s has no account: neither the item nor the route names one."
                        .formatted(f.item(), f.description());
            case Finding.CategoryUnmapped f ->
                "Category %s has no account, and its items have none of their own.".formatted(f.category());
            case Finding.SupplierUnmapped f ->
                "Nothing says which account what is bought from %s (%s) belongs to.".formatted(f.name(), f.supplier());
            case Finding.RoleUnset f -> "The route names no account for the role %s.".formatted(role(f.role()));
            case Finding.AccountUnusable f -> accountUnusable(f);
            case Finding.DimensionUnusable f -> "%s %s is not in use on the ledger.".formatted(f.name(), f.value());
            case Finding.TaxUnmapped f ->
                "Tax %s (%s %%) has no code on the ledger.".formatted(f.tax(), plain(f.rate()));
            case Finding.TaxCodeUnusable f ->
                "Tax %s goes to code %s, which the ledger does not have or no longer uses."
                        .formatted(f.tax(), f.ledgerCode());
            case Finding.TaxRateDiffers f ->
                "Tax %s is %s %%, but code %s of the ledger is %s %%."
                        .formatted(f.tax(), plain(f.rate()), f.ledgerCode(), plain(f.ledgerRate()));
            case Finding.TaxDiffers f ->
                "The document says tax %s, the ledger would compute %s; rounding explains at most one unit on each of %d taxed lines."
                        .formatted(Amounts.shown(f.source()), Amounts.shown(f.ledger()), f.taxedLines());
            case Finding.TaxDecidedOtherwise f ->
                "The document says tax %s; the ledger, which decides tax itself, charged %s."
                        .formatted(Amounts.shown(f.stated()), Amounts.shown(f.decided()));
            case Finding.PartyDoubtful f ->
                "%s may already be on the ledger as %s (%s): say whether it is."
                        .formatted(f.name(), f.ledgerName(), f.ledgerParty());
            case Finding.PartyMissing f ->
                "%s (%s) is not on the ledger, and this route does not create parties there."
                        .formatted(f.name(), f.party());
            case Finding.SeveralTaxCodes f ->
                "Its lines need the tax codes %s, and the ledger takes one code for a whole document."
                        .formatted(String.join(" and ", f.codes()));
            case Finding.BeforeCutOff f ->
                "It is dated %s; documents of its kind cross from %s on.".formatted(day(f.date()), day(f.cutOff()));
            case Finding.DoesNotCross f -> plural(f.what()) + " do not cross on this route.";
            case Finding.Unrouted f ->
                f.site().isEmpty()
                        ? "It has no route to a ledger."
                        : "%s has no route to a ledger.".formatted(f.site());
            case Finding.CurrencyUnavailable f ->
                "The document is in %s; the ledger keeps its books in %s only."
                        .formatted(f.currency(), f.ledgerCurrency());
            case Finding.RateUnknown f ->
                "Nobody says what one %s was worth in %s on %s: neither the record itself, nor the ledger."
                        .formatted(f.currency(), f.base(), day(f.day()));
            case Finding.CurrencyDiffers f ->
                "%s is in %s and was paid in %s; how much of it that settles is not said."
                        .formatted(f.document(), f.currency(), f.settled());
            case Finding.ArithmeticDiffers f ->
                "The file says %s %s, its own figures give %s."
                        .formatted(figure(f), Amounts.shown(f.stated()), Amounts.shown(f.computed()));
            case Finding.TaxCategoryDiffers f ->
                "Tax %s is of category %s, but code %s of the ledger is of category %s."
                        .formatted(f.tax(), letters(f.categories()), f.ledgerCode(), f.ledgerCategory());
            case Finding.TaxNotCharged f ->
                "Tax %s states %s %% under category %s, which charges nothing."
                        .formatted(f.tax(), plain(f.rate()), f.category());
            case Finding.NoLines f -> "It has no lines; a document needs one at least.";
            case Finding.TypeUnknown f ->
                f.typeCode().isEmpty()
                        ? "It does not say what it is."
                        : "It says that it is of type %s; it is not known what that means for the books."
                                .formatted(f.typeCode());
            case Finding.CorrectsUnknown f ->
                f.number().isEmpty()
                        ? "It corrects another document and does not name it."
                        : "It corrects %s, which has not been taken in; once that is here, this takes its place."
                                .formatted(f.number());
            case Finding.Prepaid f ->
                "%s of it was paid before; that is kept here and is still to be applied on the ledger."
                        .formatted(Amounts.shown(f.amount()));
            case Finding.NotAParty f ->
                "The business is neither its seller (%s) nor its buyer (%s); say which of them it is."
                        .formatted(f.sellerName(), f.buyerName());
            case Finding.WaitsFor f ->
                "It waits for %s, which is not on the ledger yet."
                        .formatted(
                                f.subject().replace('-', ' ').replace(f.number().replace('-', ' '), f.number()));
            case Finding.MeansUnmapped f ->
                "Nothing says which account takes money paid by %s in %s.".formatted(means(f.means()), f.currency());
            case Finding.PayerDiffers f ->
                "%s (%s) paid what %s (%s) owes: say that this is right, and it is remembered."
                        .formatted(f.payerName(), f.payer(), f.partyName(), f.party());
            case Finding.SeveralParties f ->
                "It settles documents of %s; a payment on the ledger is of one party. Record one payment for each."
                        .formatted(String.join(" and ", f.names()));
            case Finding.AllocatedTooMuch f ->
                "%s of it are to settle documents, and it comes to %s."
                        .formatted(Amounts.shown(f.allocated()), Amounts.shown(f.amount()));
            case Finding.AllocationUnfit f -> "It cannot settle %s: money goes the other way.".formatted(f.document());
            case Finding.DifferenceTooLarge f ->
                "%s is missed by %s; the route takes %s at most as a difference."
                        .formatted(f.document(), Amounts.shown(f.difference()), Amounts.shown(f.most()));
            case Finding.StaysOpen f -> staysOpen(f);
            case Finding.SubRecordsUnavailable f ->
                "Its project is to be a customer below the client, and %s has nothing below a customer."
                        .formatted(f.ledger());
            case Finding.TermsUnusable f ->
                "Its terms %s stand for terms %s of the ledger, which are not there or no longer used."
                        .formatted(f.terms(), f.ledgerTerms());
            case Finding.TermsDiffer f ->
                "By terms %s of the ledger it would be due on %s; it says %s, and that is sent."
                        .formatted(f.ledgerTerms(), day(f.computed()), day(f.stated()));
            case Finding.FieldUnusable f ->
                "Its field %s goes into field %s of the ledger, which is not there or no longer used."
                        .formatted(f.field(), f.ledgerField());
            case Finding.ChoiceUnmapped f ->
                "Nothing says which choice of the ledger stands for %s in its field %s."
                        .formatted(f.choice(), f.field());
            case Finding.FieldUnconvertible f -> AddedWords.unconvertible(f);
        };
    }

    private static String staysOpen(Finding.StaysOpen f) {
        String because = switch (f.because()) {
            case VOIDED -> "was voided";
            case NOT_ON_LEDGER -> "does not cross on this route";
            case SETTLED_OTHERWISE -> "is settled by other money by now";
            case NOT_RETAINED -> "has no such amount kept back";
        };
        return "%s of it settle nothing, since %s %s: they stay an open credit of the party on the ledger."
                .formatted(Amounts.shown(f.amount()), f.document(), because);
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
        };
    }

    private static String accountUnusable(Finding.AccountUnusable f) {
        return switch (f.reason()) {
            case MISSING -> "Account %s is not on the ledger.".formatted(f.account());
            case INACTIVE -> "Account %s is no longer active on the ledger.".formatted(f.account());
            case WRONG_TYPE ->
                "Account %s is of the wrong type for the role %s.".formatted(f.account(), role(f.role()));
            case CONTROL_OR_BANK ->
                "Account %s is a control account or a bank; no single line can go there.".formatted(f.account());
            case NO_MONEY ->
                "Account %s is no account that money moves on: a bank, money under way to one, or vouchers."
                        .formatted(f.account());
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
