package alcabala.accounting.document;

import alcabala.accounting.custom.FieldValue;
import alcabala.accounting.money.StatedRate;
import alcabala.accounting.party.Party;
import alcabala.accounting.settlement.Allocation;
import alcabala.accounting.settlement.Banking;
import alcabala.accounting.settlement.Settlement;
import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;

/// What a document may be at most. No real one comes near; what is beyond was damaged on its way, or is meant to do
/// harm, and would overflow or fill a table.
public final class Limits {
    public static final int CODE = 200;
    public static final int NAME = 500;
    public static final int TEXT = 20_000;
    public static final int LINES = 10_000;
    /// Whom to speak to, at one party.
    public static final int CONTACTS = 100;
    /// Of the business's own, on one record.
    public static final int FIELDS = 200;
    /// Characters of a value in one of these.
    public static final int FIELD = 2_000;
    /// Digits before the decimal separator, of an amount, a quantity or a price.
    public static final int WHOLE_DIGITS = 11;
    /// Digits after it, of a quantity, a price or a rate.
    public static final int DECIMALS = 12;
    private static final BigDecimal HIGHEST_RATE = BigDecimal.valueOf(1000);
    /// Of one currency in another.
    public static final BigDecimal HIGHEST_EXCHANGE_RATE = BigDecimal.valueOf(100_000);
    private static final int FIRST_YEAR = 1900;
    private static final int LAST_YEAR = 2199;

    private Limits() {}

    /// The first thing that is beyond, as a clause such as `its number is longer than 200 characters`; empty when
    /// nothing is.
    public static Optional<String> findExceeded(Document document) {
        return first(List.of(header(document), parties(document), lines(document), sums(document)));
    }

    private static Optional<String> header(Document document) {
        if (document.number().isBlank()) {
            return Optional.of("it has no number");
        }
        return first(List.of(
                longer("its number", document.number(), CODE),
                longer("the number it names", document.precedingNumber(), CODE),
                longer("its site", document.site(), CODE),
                longer("its note", document.note(), TEXT),
                longer("its terms", document.terms(), CODE),
                fields(document.fields()),
                day("its date", document.issueDate()),
                day("the day it is due", document.dueDate()),
                day("its day of delivery", document.deliveryDate()),
                document.issueDate() == null ? Optional.of("it has no date") : Optional.empty(),
                rate(document.rate()),
                document.currency().isPseudoCurrency()
                        ? Optional.of(document.currency().getCode() + " is no currency")
                        : Optional.empty()));
    }

    private static Optional<String> fields(List<FieldValue> fields) {
        if (fields.size() > FIELDS) {
            return Optional.of("it has more than " + FIELDS + " fields of its own");
        }
        return fields.stream()
                .flatMap(each -> Stream.of(
                        longer("the code of a field", each.field(), CODE),
                        longer("its field " + each.field(), each.value(), FIELD)))
                .flatMap(Optional::stream)
                .findFirst();
    }

    /// The same of a settlement, whose amounts are never negative either.
    public static Optional<String> findExceeded(Settlement settlement) {
        if (settlement.number().isBlank()) {
            return Optional.of("it has no number");
        }
        if (settlement.allocations().size() > LINES) {
            return Optional.of("it settles more than " + LINES + " documents");
        }
        return first(List.of(
                longer("its number", settlement.number(), CODE),
                longer("its site", settlement.site(), CODE),
                longer("its note", settlement.note(), TEXT),
                longer("its reference", settlement.reference(), CODE),
                longer("its means", settlement.means(), CODE),
                longer("the number of the payment that came back", settlement.returns(), CODE),
                settlement.date() == null ? Optional.of("it has no date") : day("its date", settlement.date()),
                findExceeded(settlement.party()),
                amount("its amount", settlement.amount()),
                amount("its charges", settlement.charges()),
                rate(settlement.rate()),
                settlement.allocations().stream()
                        .map(Limits::allocation)
                        .flatMap(Optional::stream)
                        .findFirst()));
    }

    /// The same of a banking, whose receipts were taken in before.
    public static Optional<String> findExceeded(Banking banking) {
        if (banking.receipts().size() > LINES) {
            return Optional.of("it takes more than " + LINES + " receipts to the bank");
        }
        return first(List.of(
                longer("its number", banking.number(), CODE),
                longer("the number of its slip", banking.slip(), CODE),
                longer("its reason", banking.why(), NAME),
                day("its date", banking.date()),
                amount("its amount", banking.amount())));
    }

    private static Optional<String> allocation(Allocation allocation) {
        return first(List.of(
                longer("the number of a document", allocation.number(), CODE),
                amount("what goes to " + allocation.number(), allocation.money()),
                amount("what is settled of " + allocation.number(), allocation.worth()),
                allocation.isSound()
                        ? Optional.empty()
                        : Optional.of("%s goes to %s and settles %s of it"
                                .formatted(allocation.money(), allocation.number(), allocation.worth())),
                allocation.deductions().stream()
                        .map(deduction -> deduction.kind().mayBeNegative()
                                ? beyond("what is deducted on " + allocation.number(), deduction.amount())
                                : amount("what is deducted on " + allocation.number(), deduction.amount()))
                        .flatMap(Optional::stream)
                        .findFirst()));
    }

    private static Optional<String> rate(StatedRate rate) {
        if (rate == null) {
            return Optional.empty();
        }
        return isExchangeRate(rate.rate())
                ? day("the day of its exchange rate", rate.day())
                : Optional.of("its exchange rate is not between 0 and " + HIGHEST_EXCHANGE_RATE.toPlainString());
    }

    /// Whether it can be a rate of exchange: more than nothing, and nothing that would overflow.
    public static boolean isExchangeRate(BigDecimal rate) {
        return rate.signum() > 0 && rate.compareTo(HIGHEST_EXCHANGE_RATE) <= 0 && !isBeyond(rate);
    }

    private static Optional<String> amount(String what, Money amount) {
        return amount.isNegative() ? Optional.of(what + " is negative") : beyond(what, amount);
    }

    private static Optional<String> parties(Document document) {
        return Stream.of(document.seller(), document.buyer())
                .map(Limits::findExceeded)
                .flatMap(Optional::stream)
                .findFirst();
    }

    public static Optional<String> findExceeded(Party party) {
        if (party.contacts().size() > CONTACTS) {
            return Optional.of("party " + party.code() + " has more than " + CONTACTS + " contacts");
        }
        return first(List.of(
                longer("the code of party " + party.name(), party.code(), CODE),
                longer("the name of party " + party.code(), party.name(), NAME),
                longer("the tax identifier of party " + party.code(), party.taxIdentifier(), CODE),
                longer("the e-mail address of party " + party.code(), party.email(), NAME),
                longer("the phone number of party " + party.code(), party.phone(), CODE),
                longer("the terms of party " + party.code(), party.terms(), CODE),
                party.contacts().stream()
                        .flatMap(each -> Stream.of(each.name(), each.role(), each.email(), each.phone()))
                        .flatMap(each -> longer("a contact of party " + party.code(), each, NAME).stream())
                        .findFirst()));
    }

    private static Optional<String> lines(Document document) {
        if (document.lines().size() > LINES) {
            return Optional.of("it has more than " + LINES + " lines");
        }
        return document.lines().stream()
                .map(Limits::line)
                .flatMap(Optional::stream)
                .findFirst();
    }

    private static Optional<String> line(DocumentLine line) {
        String on = " on line " + line.id();
        return first(List.of(
                longer("the name of a line", line.id(), CODE),
                longer("the item" + on, line.item(), CODE),
                longer("the category" + on, line.category(), CODE),
                longer("the project" + on, line.project(), CODE),
                longer("the text" + on, line.description(), TEXT),
                longer("the note" + on, line.note(), TEXT),
                beyond("the quantity" + on, line.quantity()),
                beyond("the base quantity" + on, line.baseQuantity()),
                beyond("the price" + on, line.price()),
                beyond("the amount" + on, line.amount()),
                beyond("the allowance or charge" + on, line.adjustment()),
                taxes(line.tax())));
    }

    private static Optional<String> taxes(TaxCombination combination) {
        return combination.taxes().stream()
                .flatMap(tax -> first(List.of(
                                longer("the code of a tax", tax.code(), CODE),
                                tax.rate().signum() < 0 || tax.rate().compareTo(HIGHEST_RATE) > 0
                                        ? Optional.of("the rate of tax " + tax.code() + " is not between 0 and 1000")
                                        : beyond("the rate of tax " + tax.code(), tax.rate())))
                        .stream())
                .findFirst();
    }

    private static Optional<String> sums(Document document) {
        StatedTotals totals = document.totals();
        Stream<Money> stated = Stream.of(
                totals.lines(),
                totals.allowances(),
                totals.charges(),
                totals.net(),
                totals.tax(),
                totals.gross(),
                totals.prepaid(),
                totals.rounding(),
                totals.payable());
        Stream<Money> extras = document.allowancesAndCharges().stream().map(AllowanceCharge::amount);
        Stream<Money> taxes = document.taxes().stream()
                .flatMap(group -> Stream.concat(group.findTaxable().stream(), Stream.of(group.amount())));
        return Stream.of(stated, extras, taxes)
                .flatMap(amounts -> amounts)
                .map(amount -> beyond("one of its sums", amount))
                .flatMap(Optional::stream)
                .findFirst();
    }

    private static Optional<String> longer(String what, String text, int most) {
        return text.length() > most ? Optional.of(what + " is longer than " + most + " characters") : Optional.empty();
    }

    private static Optional<String> day(String what, LocalDate day) {
        boolean sensible = day == null || (day.getYear() >= FIRST_YEAR && day.getYear() <= LAST_YEAR);
        return sensible ? Optional.empty() : Optional.of(what + " is not between 1900 and 2199");
    }

    private static Optional<String> beyond(String what, Money amount) {
        return isBeyond(amount.getAmount()) ? Optional.of(what + " is beyond what is taken in") : Optional.empty();
    }

    private static Optional<String> beyond(String what, BigDecimal number) {
        return isBeyond(number) ? Optional.of(what + " is beyond what is taken in") : Optional.empty();
    }

    /// Cheap for any number, however absurd, so that a reader can ask before it computes.
    public static boolean isBeyond(BigDecimal number) {
        if (number.precision() - (long) number.scale() > WHOLE_DIGITS) {
            return true;
        }
        return number.scale() > DECIMALS && number.stripTrailingZeros().scale() > DECIMALS;
    }

    /// Whether a code is that of a currency.
    public static boolean isCurrency(String code) {
        return CurrencyUnit.registeredCurrencies().stream()
                .anyMatch(each -> each.getCode().equals(code) && !each.isPseudoCurrency());
    }

    /// In percent.
    public static boolean isRate(BigDecimal rate) {
        return !isBeyond(rate) && rate.signum() >= 0 && rate.compareTo(HIGHEST_RATE) <= 0;
    }

    private static Optional<String> first(List<Optional<String>> found) {
        return found.stream().flatMap(Optional::stream).findFirst();
    }
}
