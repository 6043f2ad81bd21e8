package alcabala.connectors.ledger;

import alcabala.accounting.document.Limits;
import alcabala.accounting.field.Half;
import alcabala.accounting.posting.StandardFields.Standing;
import alcabala.accounting.record.RecordKind;
import alcabala.connectors.Kept;
import java.math.BigDecimal;
import java.net.URI;
import java.net.URISyntaxException;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.TreeMap;
import java.util.stream.Stream;
import org.joda.money.CurrencyUnit;

/// A document or settlement as it stands on the ledger. Of a settlement, net and gross are the money that moved, paid
/// is what of it settles something, and each line is a document that it settles.
///
/// @param exchangeRate at which it is booked there; null where the ledger does not tell
/// @param basePaid what is paid of it, in the ledger's own currency; null where the ledger does not tell
/// @param terms the ledger's code; null or empty where there are none
/// @param fields values by fields of the business's own; null where the ledger has none
/// @param settlement what only a settlement has; null for a document
/// @param taken whether it was taken back there, being a document; null for one that was not
/// @param currency of a document's amounts; null where the other side keeps no other than its own
/// @param note at the end of a document; null where the ledger tells none
/// @param payLink where whoever owes it can pay it; null where the ledger tells none
public record LedgerRecord(
        String id,
        int version,
        String number,
        String kind,
        String party,
        LocalDate date,
        LocalDate due,
        boolean pricesIncludeTax,
        String externalReference,
        BigDecimal net,
        BigDecimal tax,
        BigDecimal gross,
        BigDecimal paid,
        BigDecimal exchangeRate,
        BigDecimal basePaid,
        List<Line> lines,
        List<JournalEntry> journal,
        String terms,
        Map<String, String> fields,
        Moved settlement,
        Boolean taken,
        String payLink,
        String currency,
        String note) {
    private static final int LONGEST_LINK = 2000;

    /// What leads nowhere that one can pay at is none: it is shown to customers.
    public LedgerRecord {
        payLink = isLink(payLink) ? payLink : null;
    }

    /// @param means UNCL4461, or empty
    /// @param reference what it says on the slip or statement, or empty
    /// @param account the account that the money moved on
    /// @param currency of all its amounts; null where the other side keeps no other than its own
    public record Moved(String means, String reference, String account, String currency, boolean voided) {}

    /// Which kind of record it is; it was checked when it was read.
    public RecordKind recordKind() {
        return RecordKind.of(kind);
    }

    public boolean isVoided() {
        return Boolean.TRUE.equals(taken) || settlement != null && settlement.voided();
    }

    /// How it stands there, being a document.
    public Standing standing() {
        if (isVoided()) {
            return Standing.VOIDED;
        }
        if (paid.signum() == 0) {
            return Standing.OPEN;
        }
        return paid.compareTo(gross) < 0 ? Standing.PART_PAID : Standing.PAID;
    }

    /// This, when it says what a document cannot be without.
    ///
    /// @throws IllegalArgumentException when something of it is missing
    public LedgerRecord complete() {
        boolean named = isText(id) && isText(number) && isKind() && isParty() && date != null;
        boolean counted = Stream.of(net, tax, gross, paid).allMatch(LedgerRecord::isSensible);
        boolean lined =
                lines != null && lines.stream().allMatch(line -> isText(line.account()) && isSensible(line.amount()));
        boolean added = fields == null || isSensible(fields);
        boolean said = note == null || isNote(note);
        boolean counting = currency == null || currency.isEmpty() || Limits.isCurrency(currency);
        boolean rated = exchangeRate == null || Limits.isExchangeRate(exchangeRate);
        if (!named || !counted || !lined || !added || !said || !counting || !rated) {
            throw new IllegalArgumentException("a record without what it cannot be without");
        }
        return this;
    }

    /// Whether its sums are whole minor units of a currency.
    public boolean isIn(CurrencyUnit currency) {
        return Stream.of(net, tax, gross, paid)
                .allMatch(amount -> amount.stripTrailingZeros().scale() <= currency.getDecimalPlaces());
    }

    /// What of it both sides agree on; payments are no part of that.
    public Half half() {
        Half.Builder half = Half.builder()
                .text(Half.NUMBER, number)
                .text(Half.PARTY, party)
                .day(Half.ISSUE_DATE, date)
                .day(Half.DUE_DATE, due)
                .number(Half.GROSS, gross);
        if (recordKind().isDocument()) {
            half.text(Half.NOTE, note).text(Half.TERMS, terms);
            own().forEach((code, value) -> half.text(Half.own(code), value));
        }
        if (settlement != null) {
            half.text(Half.MEANS, settlement.means())
                    .text(Half.REFERENCE, settlement.reference())
                    .text(Half.STANDING, settlement.voided() ? "voided" : "");
        }
        if (Boolean.TRUE.equals(taken)) {
            half.text(Half.STANDING, "voided");
        }
        if (decidedTax()) {
            half.number(Half.TAX, tax);
        }
        int position = 0;
        for (Line line : lines) {
            half.line(++position, named(line), line.taxCode(), line.amount(), line.dimensions(), words(line));
        }
        return half.build();
    }

    /// Whether the ledger decided what is taxed, so that its tax may be another than the document's.
    public boolean decidedTax() {
        return lines.stream().anyMatch(line -> line.taxable() != null);
    }

    private String named(Line line) {
        return settlement == null ? line.account() : line.account() + " " + line.text();
    }

    private String words(Line line) {
        return recordKind().isDocument() ? Objects.requireNonNullElse(line.text(), "") : null;
    }

    /// Values by fields of the business's own, but for those that say nothing.
    public Map<String, String> own() {
        Map<String, String> said = new TreeMap<>(fields == null ? Map.of() : fields);
        said.values().removeIf(value -> value == null || value.isEmpty());
        return said;
    }

    private boolean isParty() {
        return recordKind().hasParty() ? isText(party) : party != null;
    }

    private boolean isKind() {
        return Stream.of(RecordKind.values()).anyMatch(each -> each.word().equals(kind));
    }

    private static boolean isLink(String link) {
        if (link == null || link.length() > LONGEST_LINK) {
            return false;
        }
        try {
            URI uri = new URI(link);
            boolean web = "https".equalsIgnoreCase(uri.getScheme()) || "http".equalsIgnoreCase(uri.getScheme());
            return web && uri.getHost() != null && uri.getUserInfo() == null;
        } catch (URISyntaxException e) {
            return false;
        }
    }

    private static boolean isText(String text) {
        return text != null && !text.isBlank() && text.codePoints().noneMatch(Kept::isUnfit);
    }

    /// An empty value, or none, is a field that says nothing.
    private static boolean isSensible(Map<String, String> fields) {
        return fields.size() <= Limits.FIELDS
                && fields.entrySet().stream()
                        .allMatch(each -> isText(each.getKey())
                                && (each.getValue() == null || each.getValue().isEmpty() || isField(each.getValue())));
    }

    private static boolean isNote(String note) {
        return note.length() <= Limits.TEXT && note.codePoints().noneMatch(Kept::isUnfit);
    }

    private static boolean isField(String value) {
        return value.length() <= Limits.FIELD && value.codePoints().noneMatch(Kept::isUnfit);
    }

    private static boolean isSensible(BigDecimal amount) {
        return amount != null && !Limits.isBeyond(amount);
    }

    /// Of a settlement: a document by its id, kind and number, with the money that goes to it and what is settled
    /// without.
    ///
    /// @param adjustment what quantity by price lacks to the amount; null on what was kept before ledgers told it
    /// @param taxable null except where the ledger decides the tax: what the line was told to be
    /// @param dimensions values by the ledger's dimensions; null where the ledger tells of none
    public record Line(
            int no,
            String item,
            String account,
            String text,
            BigDecimal quantity,
            BigDecimal unitPrice,
            BigDecimal adjustment,
            BigDecimal amount,
            String taxCode,
            Boolean taxable,
            Map<String, String> dimensions) {}

    public record JournalEntry(String account, BigDecimal debit, BigDecimal credit) {}
}
