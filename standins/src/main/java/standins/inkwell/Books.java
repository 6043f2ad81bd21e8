package standins.inkwell;

import java.math.BigDecimal;
import java.time.Instant;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;

/// What Inkwell takes and gives. Amounts are decimal numbers with the currency's two decimals.
public final class Books {
    private Books() {}

    /// @param booksId what tells these books from others under the same name
    /// @param plan what the company has switched on: `purchase-orders`, `dimensions`, `multi-currency`, and
    /// `decides-tax`
    public record CompanySettings(
            String id,
            String booksId,
            String name,
            String currency,
            String taxRounding,
            int itemNameLimit,
            String itemNameForbids,
            LocalDate lockedThrough,
            boolean appliesCredits,
            boolean tracksQuantities,
            List<String> plan,
            String timeZone,
            Instant clock,
            String referenceVersion) {}

    /// A number that is in use, and the other program's name for the document, if it came from one.
    public record TakenNumber(String number, String externalReference) {}

    public record Account(String code, String name, String type, boolean active, int version) {}

    /// @param bothSides whether purchases are booked with the tax as owed and as reclaimed at once, and nothing is
    /// charged
    /// @param deductible how much of such a tax may be reclaimed, in percent; the rest is cost
    /// @param inputAccount where tax on purchases is posted; null when the code is for sales only
    public record TaxCode(
            String code,
            String name,
            BigDecimal rate,
            String category,
            boolean bothSides,
            BigDecimal deductible,
            String account,
            String inputAccount,
            boolean active,
            int version) {
        /// What the other party is charged.
        BigDecimal charged() {
            return bothSides ? BigDecimal.ZERO : rate;
        }
    }

    /// What one unit of a currency is worth in that of the books, until the next.
    public record DayRate(String currency, LocalDate day, BigDecimal rate) {}

    /// When something is due, the days counted from its date; zero, or false, leaves a step out.
    ///
    /// @param dayOfMonth to which it goes after the months
    /// @param discount in per cent, for paying within `discountDays`
    public record Terms(
            String code,
            String name,
            int days,
            boolean endOfMonth,
            int months,
            int dayOfMonth,
            BigDecimal discount,
            int discountDays,
            boolean active) {}

    /// What the company added to its documents.
    ///
    /// @param type `text`, `number`, `date` or `choice`
    /// @param maxLength of a text; 0 for any
    /// @param values of a choice
    public record Field(
            String code, String title, String type, int maxLength, List<FieldChoice> values, boolean active) {}

    public record FieldChoice(String code, String title) {}

    /// A value of something by which what is booked is told apart.
    ///
    /// @param code of the dimension, with its name
    /// @param value its code, with its title
    public record DimensionValue(String code, String name, String value, String title, boolean active) {}

    /// A customer, a supplier, or both.
    ///
    /// @param contacts whom to speak to there, with `name`, `role`, `email` and `phone`
    /// @param parent the party that it is below, where the company has that; else null
    public record Party(
            String id,
            String name,
            String taxIdentifier,
            String email,
            String phone,
            Map<String, String> billTo,
            Map<String, String> shipTo,
            String terms,
            List<Map<String, String>> contacts,
            String parent,
            String externalReference,
            boolean active,
            int version) {}

    /// @param kind such as `goods`, `kit` or `labour`; null for one that nobody said it of
    /// @param purchaseAccount where buying it is booked, or null; so are those of what it cost and of its stock
    public record Item(
            String code,
            String name,
            String kind,
            String unit,
            String account,
            String purchaseAccount,
            String costAccount,
            String stockAccount,
            String taxCode,
            String externalReference,
            boolean active,
            int version) {}

    /// The highest number of a kind of document.
    public record HighestNumber(String kind, String number) {}

    /// A document as it is sent.
    ///
    /// @param kind `invoice`, `credit-note`, `bill` or `supplier-credit`
    /// @param number null to have it numbered here, after the prefix, from `numberFrom` on
    /// @param status `draft` for one that is not booked yet; anything else is final
    /// @param terms the code of terms of payment; null for none
    /// @param fields values by fields; one without a value takes away what is there; null for none
    /// @param exchangeRate at which it is booked; null for the rate of its day
    public record Draft(
            String number,
            String numberPrefix,
            Long numberFrom,
            String status,
            String note,
            String terms,
            Map<String, String> fields,
            Boolean toBeEmailed,
            String kind,
            String party,
            LocalDate date,
            LocalDate due,
            String currency,
            BigDecimal exchangeRate,
            boolean pricesIncludeTax,
            String controlAccount,
            String externalReference,
            String creditsNumber,
            List<DraftLine> lines,
            Integer version) {

        /// Final, under its own number.
        public Draft(
                String number,
                String kind,
                String party,
                LocalDate date,
                LocalDate due,
                String currency,
                boolean pricesIncludeTax,
                String controlAccount,
                String externalReference,
                String creditsNumber,
                List<DraftLine> lines,
                Integer version) {
            this(
                    number,
                    null,
                    null,
                    "final",
                    "",
                    null,
                    null,
                    false,
                    kind,
                    party,
                    date,
                    due,
                    currency,
                    null,
                    pricesIncludeTax,
                    controlAccount,
                    externalReference,
                    creditsNumber,
                    lines,
                    version);
        }

        /// What would make the document as it is.
        public static Draft of(Document d) {
            return new Draft(
                    d.number(),
                    null,
                    null,
                    d.status(),
                    d.note(),
                    d.terms(),
                    d.fields(),
                    d.toBeEmailed(),
                    d.kind(),
                    d.party(),
                    d.date(),
                    d.due(),
                    d.currency(),
                    d.exchangeRate(),
                    d.pricesIncludeTax(),
                    d.controlAccount(),
                    d.externalReference(),
                    d.creditsNumber(),
                    d.lines().stream().map(line -> line.at(line.amount())).toList(),
                    d.version());
        }

        /// The same with another due date and other lines, for a version that somebody has read.
        public Draft changed(LocalDate otherDue, List<DraftLine> otherLines, int read) {
            return changed(otherDue, otherLines, fields, read);
        }

        /// The same with another due date, other lines and other fields, for a version that somebody has read.
        public Draft changed(
                LocalDate otherDue, List<DraftLine> otherLines, Map<String, String> otherFields, int read) {
            return copy(number, numberPrefix, numberFrom, note, terms, otherDue, otherLines, otherFields, read);
        }

        public Draft noted(String other) {
            return copy(number, numberPrefix, numberFrom, other, terms, due, lines, fields, version);
        }

        boolean isDraft() {
            return "draft".equals(status);
        }

        Draft numbered(String given) {
            return copy(given, null, null, note, terms, due, lines, fields, version);
        }

        Draft with(List<DraftLine> others) {
            return copy(number, numberPrefix, numberFrom, note, terms, due, others, fields, version);
        }

        /// @param other null for none
        public Draft termed(String other) {
            return copy(number, numberPrefix, numberFrom, note, other, due, lines, fields, version);
        }

        private Draft copy(
                String number,
                String numberPrefix,
                Long numberFrom,
                String note,
                String terms,
                LocalDate due,
                List<DraftLine> lines,
                Map<String, String> fields,
                Integer version) {
            return new Draft(
                    number,
                    numberPrefix,
                    numberFrom,
                    status,
                    note,
                    terms,
                    fields,
                    toBeEmailed,
                    kind,
                    party,
                    date,
                    due,
                    currency,
                    exchangeRate,
                    pricesIncludeTax,
                    controlAccount,
                    externalReference,
                    creditsNumber,
                    lines,
                    version);
        }
    }

    /// Quantity by price, halves away from zero, and the adjustment give the amount.
    ///
    /// @param quantity null for one
    /// @param unitPrice null for whatever the amount comes to
    /// @param adjustment null for none
    /// @param taxCode null for a line that no tax is computed on
    /// @param taxable what the line says instead where the company has Inkwell decide the tax; else null
    public record DraftLine(
            String item,
            String account,
            String text,
            BigDecimal quantity,
            BigDecimal unitPrice,
            BigDecimal adjustment,
            BigDecimal amount,
            String taxCode,
            Boolean taxable,
            Map<String, String> dimensions) {
        /// Without an adjustment.
        public DraftLine(
                String item,
                String account,
                String text,
                BigDecimal quantity,
                BigDecimal unitPrice,
                BigDecimal amount,
                String taxCode) {
            this(item, account, text, quantity, unitPrice, null, amount, taxCode, null, null);
        }

        public DraftLine {
            quantity = quantity == null ? BigDecimal.ONE : quantity;
            unitPrice = unitPrice == null ? amount : unitPrice;
            adjustment = adjustment == null ? BigDecimal.ZERO : adjustment;
            dimensions = dimensions == null ? Map.of() : Map.copyOf(dimensions);
        }

        DraftLine taxed(String code, Boolean isTaxable) {
            return new DraftLine(
                    item, account, text, quantity, unitPrice, adjustment, amount, code, isTaxable, dimensions);
        }

        /// The same on another account.
        public DraftLine on(String other) {
            return new DraftLine(
                    item, other, text, quantity, unitPrice, adjustment, amount, taxCode, taxable, dimensions);
        }

        public DraftLine saying(String other) {
            return new DraftLine(
                    item, account, other, quantity, unitPrice, adjustment, amount, taxCode, taxable, dimensions);
        }

        BigDecimal computed() {
            return product(quantity, unitPrice).add(adjustment);
        }
    }

    private static BigDecimal product(BigDecimal quantity, BigDecimal price) {
        return quantity.multiply(price).setScale(2, java.math.RoundingMode.HALF_UP);
    }

    public record Line(
            int no,
            String item,
            String account,
            String text,
            BigDecimal quantity,
            BigDecimal unitPrice,
            BigDecimal adjustment,
            BigDecimal amount,
            BigDecimal net,
            String taxCode,
            Boolean taxable,
            Map<String, String> dimensions) {
        public String toldApart() {
            return words(dimensions);
        }

        /// As it would be sent, at some amount; what changes is the adjustment.
        public DraftLine at(BigDecimal other) {
            BigDecimal rest = other.subtract(product(quantity, unitPrice));
            return new DraftLine(item, account, text, quantity, unitPrice, rest, other, taxCode, taxable, dimensions);
        }
    }

    /// @param dimensions values by the codes of dimensions; on a journal line, of what was booked under it
    public record JournalLine(String account, BigDecimal debit, BigDecimal credit, Map<String, String> dimensions) {
        public String toldApart() {
            return words(dimensions);
        }
    }

    private static String words(Map<String, String> dimensions) {
        return dimensions.entrySet().stream()
                .sorted(Map.Entry.comparingByKey())
                .map(each -> each.getKey() + " " + each.getValue())
                .collect(Collectors.joining(", "));
    }

    public record Document(
            String id,
            int version,
            String number,
            String kind,
            String party,
            LocalDate date,
            LocalDate due,
            boolean pricesIncludeTax,
            String controlAccount,
            String externalReference,
            String creditsNumber,
            String status,
            String note,
            String terms,
            Map<String, String> fields,
            boolean toBeEmailed,
            BigDecimal net,
            BigDecimal tax,
            BigDecimal gross,
            BigDecimal paid,
            String currency,
            BigDecimal exchangeRate,
            BigDecimal basePaid,
            List<Line> lines,
            List<JournalLine> journal,
            String payLink) {}

    public record Balance(
            String code, String name, String type, BigDecimal debit, BigDecimal credit, BigDecimal balance) {}

    /// How much of everything there is. Sums of sales in the books' currency, credit notes negative.
    public record Counts(
            long parties, long items, long documents, BigDecimal gross, BigDecimal paid, BigDecimal open) {}

    /// Money that moved, and what it settles. Amounts are more than nothing, whichever way it went.
    ///
    /// @param number null or empty to have it numbered here
    /// @param means such as `30` for a transfer, `48` for a card (UNCL4461)
    /// @param charges what the bank took for returning it; null for nothing
    /// @param exchangeRate at which the money is booked; null for the rate of its day
    /// @param exchangeAccount takes what its documents were booked at and the money is not
    public record PaymentDraft(
            String kind,
            String number,
            String party,
            LocalDate date,
            String controlAccount,
            String account,
            String means,
            String reference,
            String note,
            String externalReference,
            BigDecimal amount,
            BigDecimal charges,
            String chargesAccount,
            List<Allocated> allocations,
            String currency,
            BigDecimal exchangeRate,
            String exchangeAccount) {
        /// In the currency of the books.
        public PaymentDraft(
                String kind,
                String number,
                String party,
                LocalDate date,
                String controlAccount,
                String account,
                String means,
                String reference,
                String note,
                String externalReference,
                BigDecimal amount,
                BigDecimal charges,
                String chargesAccount,
                List<Allocated> allocations) {
            this(
                    kind,
                    number,
                    party,
                    date,
                    controlAccount,
                    account,
                    means,
                    reference,
                    note,
                    externalReference,
                    amount,
                    charges,
                    chargesAccount,
                    allocations,
                    null,
                    null,
                    null);
        }

        PaymentDraft complete() {
            return new PaymentDraft(
                    kind,
                    text(number),
                    party,
                    date,
                    controlAccount,
                    account,
                    text(means),
                    text(reference),
                    text(note),
                    externalReference,
                    amount,
                    charges == null ? BigDecimal.ZERO : charges,
                    chargesAccount,
                    allocations == null
                            ? List.of()
                            : allocations.stream().map(Allocated::complete).toList(),
                    currency == null ? Companies.open().currency() : currency,
                    exchangeRate,
                    exchangeAccount);
        }
    }

    /// What of a payment goes to a document.
    ///
    /// @param number the document's, told and not asked for; so is its kind
    /// @param worth what the money settles, where the document is in another currency; else null
    /// @param deductions in the currency of the document
    public record Allocated(
            String document,
            String number,
            String kind,
            BigDecimal money,
            BigDecimal worth,
            List<Deducted> deductions) {
        Allocated complete() {
            return new Allocated(
                    document,
                    number,
                    kind,
                    money == null ? BigDecimal.ZERO : money,
                    worth,
                    deductions == null ? List.of() : deductions);
        }

        /// What the money settles, in the currency of the document.
        BigDecimal counted() {
            return worth == null ? money : worth;
        }

        BigDecimal settled() {
            return deductions.stream().map(Deducted::amount).reduce(counted(), BigDecimal::add);
        }
    }

    /// What is settled without money, on an account of its own.
    public record Deducted(String account, String text, String taxCode, BigDecimal amount) {}

    /// @param open what settles nothing yet: a credit of the party
    /// @param status `posted` or `void`
    public record Payment(
            String id,
            int version,
            String kind,
            String number,
            String party,
            LocalDate date,
            String controlAccount,
            String account,
            String means,
            String reference,
            String note,
            String externalReference,
            BigDecimal amount,
            BigDecimal charges,
            String chargesAccount,
            String currency,
            BigDecimal exchangeRate,
            String exchangeAccount,
            BigDecimal open,
            String status,
            List<Allocated> allocations,
            List<JournalLine> journal) {}

    private static String text(String given) {
        return given == null ? "" : given;
    }
}
