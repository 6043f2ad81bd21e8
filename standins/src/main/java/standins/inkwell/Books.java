package standins.inkwell;

import java.math.BigDecimal;
import java.time.Instant;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;

/// What Inkwell takes and gives. Amounts are decimal numbers with the currency's two decimals.
public final class Books {
    private Books() {}

    /// @param booksId what tells these books from others under the same name
    /// @param plan what the company has switched on: `purchase-orders`, `dimensions`, `multi-currency`
    public record CompanySettings(
            String id,
            String booksId,
            String name,
            String currency,
            String taxRounding,
            int itemNameLimit,
            LocalDate lockedThrough,
            boolean appliesCredits,
            boolean tracksQuantities,
            List<String> plan,
            String timeZone,
            Instant clock) {}

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

    /// A customer, a supplier, or both.
    public record Party(
            String id,
            String name,
            String taxIdentifier,
            String email,
            String phone,
            Map<String, String> billTo,
            Map<String, String> shipTo,
            String externalReference,
            boolean active,
            int version) {}

    public record Item(
            String code,
            String name,
            String account,
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
    public record Draft(
            String number,
            String numberPrefix,
            Long numberFrom,
            String status,
            String note,
            Boolean toBeEmailed,
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
                    false,
                    kind,
                    party,
                    date,
                    due,
                    currency,
                    pricesIncludeTax,
                    controlAccount,
                    externalReference,
                    creditsNumber,
                    lines,
                    version);
        }

        /// What would make the document as it is.
        public static Draft of(Document d, String currency) {
            return new Draft(
                    d.number(),
                    null,
                    null,
                    d.status(),
                    d.note(),
                    d.toBeEmailed(),
                    d.kind(),
                    d.party(),
                    d.date(),
                    d.due(),
                    currency,
                    d.pricesIncludeTax(),
                    d.controlAccount(),
                    d.externalReference(),
                    d.creditsNumber(),
                    d.lines().stream().map(line -> line.at(line.amount())).toList(),
                    d.version());
        }

        /// The same with another due date and other lines, for a version that somebody has read.
        public Draft changed(LocalDate otherDue, List<DraftLine> otherLines, int read) {
            return copy(number, numberPrefix, numberFrom, otherDue, otherLines, read);
        }

        boolean isDraft() {
            return "draft".equals(status);
        }

        Draft numbered(String given) {
            return copy(given, null, null, due, lines, version);
        }

        private Draft copy(
                String number,
                String numberPrefix,
                Long numberFrom,
                LocalDate due,
                List<DraftLine> lines,
                Integer version) {
            return new Draft(
                    number,
                    numberPrefix,
                    numberFrom,
                    status,
                    note,
                    toBeEmailed,
                    kind,
                    party,
                    date,
                    due,
                    currency,
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
    public record DraftLine(
            String item,
            String account,
            String text,
            BigDecimal quantity,
            BigDecimal unitPrice,
            BigDecimal adjustment,
            BigDecimal amount,
            String taxCode) {
        /// Without an adjustment.
        public DraftLine(
                String item,
                String account,
                String text,
                BigDecimal quantity,
                BigDecimal unitPrice,
                BigDecimal amount,
                String taxCode) {
            this(item, account, text, quantity, unitPrice, null, amount, taxCode);
        }

        public DraftLine {
            quantity = quantity == null ? BigDecimal.ONE : quantity;
            unitPrice = unitPrice == null ? amount : unitPrice;
            adjustment = adjustment == null ? BigDecimal.ZERO : adjustment;
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
            String taxCode) {
        /// As it would be sent, at some amount; what changes is the adjustment.
        public DraftLine at(BigDecimal other) {
            BigDecimal rest = other.subtract(product(quantity, unitPrice));
            return new DraftLine(item, account, text, quantity, unitPrice, rest, other, taxCode);
        }
    }

    public record JournalLine(String account, BigDecimal debit, BigDecimal credit) {}

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
            boolean toBeEmailed,
            BigDecimal net,
            BigDecimal tax,
            BigDecimal gross,
            BigDecimal paid,
            List<Line> lines,
            List<JournalLine> journal) {}

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
            List<Allocated> allocations) {
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
                            : allocations.stream().map(Allocated::complete).toList());
        }
    }

    /// What of a payment goes to a document.
    ///
    /// @param number the document's, told and not asked for; so is its kind
    public record Allocated(String document, String number, String kind, BigDecimal money, List<Deducted> deductions) {
        Allocated complete() {
            return new Allocated(
                    document,
                    number,
                    kind,
                    money == null ? BigDecimal.ZERO : money,
                    deductions == null ? List.of() : deductions);
        }

        BigDecimal settled() {
            return deductions.stream().map(Deducted::amount).reduce(money, BigDecimal::add);
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
            BigDecimal open,
            String status,
            List<Allocated> allocations,
            List<JournalLine> journal) {}

    private static String text(String given) {
        return given == null ? "" : given;
    }
}
