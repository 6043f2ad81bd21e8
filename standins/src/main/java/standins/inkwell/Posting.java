package standins.inkwell;

import java.math.BigDecimal;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.time.LocalDate;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.springframework.http.HttpStatus;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import standins.Refusal;
import standins.inkwell.Books.Document;
import standins.inkwell.Books.Draft;
import standins.inkwell.Books.DraftLine;
import standins.inkwell.Books.TaxCode;
import tools.jackson.core.type.TypeReference;
import tools.jackson.databind.json.JsonMapper;

/// Documents and their double entry.
@Component
public class Posting {
    private final JdbcClient jdbc;
    private final Masters masters;
    private final Items items;
    private final Numbers numbers;
    private final Credited credited;
    private final TaxByPlace taxByPlace;
    private final Added added;
    private final JsonMapper json;

    Posting(
            JdbcClient jdbc,
            Masters masters,
            Items items,
            Numbers numbers,
            Credited credited,
            TaxByPlace taxByPlace,
            Added added,
            JsonMapper json) {
        this.added = added;
        this.taxByPlace = taxByPlace;
        this.json = json;
        this.jdbc = jdbc;
        this.masters = masters;
        this.items = items;
        this.numbers = numbers;
        this.credited = credited;
    }

    @Transactional
    public Document post(Draft asked) {
        boolean numbered = asked.number() == null && Kind.of(asked.kind()).isSale();
        Draft draft = taxByPlace.decide(numbered ? asked.numbered(numbers.next(asked)) : asked);
        check(draft, null);
        String id = "IN-"
                + jdbc.sql("select nextval('inkwell_id')").query(Long.class).single();
        TaxOfInkwell.Result tax = compute(draft);
        Map<String, Object> values = head(id, draft, tax);
        values.put("fields", json.writeValueAsString(added.merged(Map.of(), draft.fields())));
        try {
            jdbc.sql("""
                    insert into inkwell_document (id, number, kind, party, date, due, prices_include_tax,
                        control_account, external_reference, credits_number, status, note, to_be_emailed, net, tax, gross,
                        currency, rate, terms, fields)
                    values (:id, :number, :kind, :party, :date, :due, :inclusive, :control, :reference, :credits,
                        :status, :note, :emailed, :net, :tax, :gross, :currency, :rate, :terms,
                        cast(:fields as jsonb))""").params(values).update();
        } catch (org.springframework.dao.DuplicateKeyException e) {
            throw numberTaken(draft.number());
        }
        writeLines(id, draft, tax);
        if (!draft.isDraft()) {
            book(id, draft, tax);
        }
        masters.changed("document", id);
        return get(id);
    }

    /// Books a draft.
    @Transactional
    public Document makeFinal(String id) {
        Document document = get(id);
        if (document.status().equals("final")) {
            return document;
        }
        requireStanding(document);
        Draft draft = Draft.of(document);
        masters.requireUnlocked(document.date());
        book(id, draft, compute(draft));
        jdbc.sql("update inkwell_document set status = 'final', version = version + 1 where id = :id")
                .param("id", id)
                .update();
        masters.changed("document", id);
        return get(id);
    }

    /// Replaces what the document says, and books it anew. Its payments stay.
    @Transactional
    public Document change(String id, Draft asked) {
        Draft draft = taxByPlace.decide(asked);
        Document old = get(id);
        requireStanding(old);
        masters.requireUnlocked(old.date());
        check(draft, id);
        TaxOfInkwell.Result tax = compute(draft);
        Map<String, Object> values = head(id, draft, tax);
        values.put("version", draft.version() == null ? -1 : draft.version());
        values.put("fields", json.writeValueAsString(added.merged(old.fields(), draft.fields())));
        int rows = jdbc.sql("""
                update inkwell_document set number = :number, party = :party, date = :date, due = :due,
                    prices_include_tax = :inclusive, control_account = :control, note = :note, net = :net, tax = :tax, gross = :gross,
                    external_reference = coalesce(:reference, external_reference), currency = :currency, rate = :rate, terms = :terms, fields = cast(:fields as jsonb), version = version + 1
                where id = :id and version = :version""").params(values).update();
        if (rows == 0) {
            throw stale("Document " + old.number());
        }
        jdbc.sql("delete from inkwell_line where document = :id")
                .param("id", id)
                .update();
        jdbc.sql("""
                delete from inkwell_journal_line where journal in (
                    select id from inkwell_journal where document = :id and memo not like 'Payment%')""").param("id", id).update();
        jdbc.sql("delete from inkwell_journal where document = :id and memo not like 'Payment%'")
                .param("id", id)
                .update();
        writeLines(id, draft, tax);
        if (old.status().equals("final")) {
            book(id, draft, tax);
        }
        masters.changed("document", id);
        return get(id);
    }

    public Document get(String id) {
        return find(id).orElseThrow(() -> Refusal.notFound("document " + id));
    }

    public Optional<Document> find(String id) {
        return jdbc.sql(HEAD + " where id = :id")
                .param("id", id)
                .query(Head.class)
                .optional()
                .map(this::document);
    }

    public Optional<Document> findByReference(String reference) {
        return jdbc.sql(HEAD + " where external_reference = :reference and status <> 'void'")
                .param("reference", reference)
                .query(Head.class)
                .optional()
                .map(this::document);
    }

    /// Of one kind and party, what is not settled in full.
    List<Document> open(String party, Kind kind) {
        return jdbc
                .sql(
                        HEAD
                                + " where party = :party and kind = :kind and status = 'final' and gross > paid order by date, number")
                .param("party", party)
                .param("kind", kind.word())
                .query(Head.class)
                .list()
                .stream()
                .map(this::document)
                .toList();
    }

    public List<Document> latest(int limit) {
        return jdbc
                .sql(HEAD + " order by date desc, number desc limit :limit")
                .param("limit", limit)
                .query(Head.class)
                .list()
                .stream()
                .map(this::document)
                .toList();
    }

    /// Where differences in exchange go that are made at the desk: the account by that name, or null.
    String exchangeAccount() {
        return masters.accounts().stream()
                .filter(account -> account.active() && account.name().startsWith("Exchange differences"))
                .map(Books.Account::code)
                .findFirst()
                .orElse(null);
    }

    /// Amounts are those in the currency of the books.
    public Books.Counts counts() {
        return jdbc.sql("""
                select (select count(*) from inkwell_party) as parties, (select count(*) from inkwell_item) as items,
                    count(*) as documents, coalesce(sum(s.sign * d.gross) filter (where s.own), 0.00) as gross,
                    coalesce(sum(s.sign * d.paid) filter (where s.own), 0.00) as paid,
                    coalesce(sum(s.sign * (d.gross - d.paid)) filter (where s.own), 0.00) as open
                from inkwell_document d cross join lateral (
                    select case d.kind when 'invoice' then 1 when 'credit-note' then -1 else 0 end as sign,
                        d.currency in ('', :own) as own) s
                where d.status <> 'void'""")
                .param("own", Companies.open().currency())
                .query(Books.Counts.class)
                .single();
    }

    private static void requireStanding(Document document) {
        if (document.status().equals("void")) {
            throw new Refusal(HttpStatus.CONFLICT, "document-void", document.number() + " is void.");
        }
    }

    static Refusal stale(String what) {
        return new Refusal(
                HttpStatus.CONFLICT, "stale-version", what + " was changed by somebody else since it was read.");
    }

    /// @param own the id of the document that is changed; null for a new one
    private void check(Draft draft, String own) {
        Kind kind = Kind.of(draft.kind());
        if (draft.number() == null || draft.number().isBlank()) {
            throw Refusal.unprocessable("number-missing", "A number is needed.");
        }
        masters.rate(draft.currency(), draft.date(), draft.exchangeRate());
        if (draft.lines() == null || draft.lines().isEmpty()) {
            throw Refusal.unprocessable("lines-missing", "A document needs a line.");
        }
        masters.requireUnlocked(draft.date());
        Books.Party party = masters.findParty(draft.party())
                .orElseThrow(() -> Refusal.unprocessable("party-unknown", "There is no party " + draft.party() + "."));
        if (!party.active()) {
            throw Refusal.unprocessable("party-inactive", "Party " + party.name() + " is not active.");
        }
        String type = kind.controlType();
        if (!masters.requireAccount(draft.controlAccount()).type().equals(type)) {
            throw Refusal.unprocessable(
                    "account-type", "Account " + draft.controlAccount() + " is not a " + type + "s account.");
        }
        draft.lines().forEach(this::check);
        boolean taken = jdbc.sql("""
                select 1 from inkwell_document
                where number = :number and status <> 'void' and id is distinct from :own
                    and (kind in ('invoice', 'credit-note')) = :sale and (:sale or party = :party)""")
                .param("number", draft.number())
                .param("sale", kind.isSale())
                .param("party", draft.party())
                .param("own", own)
                .query(Integer.class)
                .optional()
                .isPresent();
        if (taken) {
            throw numberTaken(draft.number());
        }
    }

    private void check(DraftLine line) {
        masters.requireAccount(line.account());
        if (line.amount() == null || line.amount().stripTrailingZeros().scale() > 2) {
            throw Refusal.unprocessable("amount-invalid", "An amount has at most two decimals.");
        }
        if (line.computed().compareTo(line.amount()) != 0) {
            throw Refusal.unprocessable(
                    "line-amount",
                    "“%s”: %s × %s and %s are %s, not %s."
                            .formatted(
                                    line.text(),
                                    line.quantity().toPlainString(),
                                    line.unitPrice().toPlainString(),
                                    line.adjustment().toPlainString(),
                                    line.computed().toPlainString(),
                                    line.amount().toPlainString()));
        }
        if (line.item() != null && items.find(line.item()).isEmpty()) {
            throw Refusal.unprocessable("item-unknown", "There is no item " + line.item() + ".");
        }
        masters.requireDimensions(line.dimensions());
        boolean known = line.taxCode() == null
                || masters.taxCodes().stream()
                        .anyMatch(c -> c.active() && c.code().equals(line.taxCode()));
        if (!known) {
            throw Refusal.unprocessable("tax-code-unknown", "There is no active tax code " + line.taxCode() + ".");
        }
    }

    private static Refusal numberTaken(String number) {
        return Refusal.unprocessable("number-taken", "The number " + number + " is in use by another document.");
    }

    private TaxOfInkwell.Result compute(Draft draft) {
        Map<String, BigDecimal> rates =
                masters.taxCodes().stream().collect(Collectors.toMap(TaxCode::code, TaxCode::charged));
        boolean perLine = Companies.open().taxRounding().equals("per-line");
        return TaxOfInkwell.compute(draft.lines(), draft.pricesIncludeTax(), rates, perLine);
    }

    private Map<String, Object> head(String id, Draft draft, TaxOfInkwell.Result tax) {
        Map<String, Object> values = new HashMap<>();
        values.put("id", id);
        values.put("number", draft.number());
        values.put("kind", draft.kind());
        values.put("party", draft.party());
        values.put("date", draft.date());
        values.put("due", draft.due());
        values.put("inclusive", draft.pricesIncludeTax());
        values.put("control", draft.controlAccount());
        values.put("reference", draft.externalReference());
        values.put("credits", draft.creditsNumber() == null ? "" : draft.creditsNumber());
        values.put("status", draft.isDraft() ? "draft" : "final");
        values.put("note", draft.note() == null ? "" : draft.note());
        added.requireTerms(draft.terms());
        values.put("terms", draft.terms());
        values.put("emailed", Boolean.TRUE.equals(draft.toBeEmailed()));
        values.put("currency", draft.currency());
        values.put("rate", masters.rate(draft.currency(), draft.date(), draft.exchangeRate()));
        values.put("net", tax.net());
        values.put("tax", tax.tax());
        values.put("gross", tax.net().add(tax.tax()));
        return values;
    }

    private void writeLines(String id, Draft draft, TaxOfInkwell.Result tax) {
        for (int i = 0; i < draft.lines().size(); i++) {
            DraftLine line = draft.lines().get(i);
            Map<String, Object> values = new HashMap<>();
            values.put("document", id);
            values.put("no", i + 1);
            values.put("item", line.item());
            values.put("account", line.account());
            values.put("text", line.text() == null ? "" : line.text());
            values.put("quantity", line.quantity());
            values.put("price", line.unitPrice());
            values.put("adjustment", line.adjustment());
            values.put("amount", line.amount());
            values.put("net", tax.nets().get(i));
            values.put("taxCode", line.taxCode());
            values.put("taxable", line.taxable());
            values.put("dimensions", json.writeValueAsString(line.dimensions()));
            jdbc.sql("""
                    insert into inkwell_line (document, no, item, account, text, quantity, unit_price, adjustment, amount, net, tax_code,
                        taxable, dimensions)
                    values (:document, :no, :item, :account, :text, :quantity, :price, :adjustment, :amount, :net, :taxCode,
                        cast(:taxable as boolean), cast(:dimensions as jsonb))""").params(values).update();
        }
    }

    private void book(String id, Draft draft, TaxOfInkwell.Result tax) {
        Kind kind = Kind.of(draft.kind());
        int sign = kind.sign();
        Map<Booked, BigDecimal> sides = new LinkedHashMap<>();
        sides.merge(Booked.on(draft.controlAccount()), times(tax.net().add(tax.tax()), sign), BigDecimal::add);
        for (int i = 0; i < draft.lines().size(); i++) {
            sides.merge(Booked.of(draft.lines().get(i)), times(tax.nets().get(i), -sign), BigDecimal::add);
        }
        Map<String, TaxCode> codes =
                masters.taxCodes().stream().collect(Collectors.toMap(TaxCode::code, Function.identity()));
        tax.taxes().entrySet().stream()
                .filter(each -> each.getValue().signum() != 0)
                .forEach(each -> sides.merge(
                        Booked.tax(taxAccount(codes.get(each.getKey()), kind), each.getKey()),
                        times(each.getValue(), -sign),
                        BigDecimal::add));
        if (!kind.isSale()) {
            bookBothSides(draft, tax, codes, sides, sign);
        }
        BigDecimal rate = masters.rate(draft.currency(), draft.date(), draft.exchangeRate());
        writeJournal(
                "document", id, draft.date(), draft.kind() + " " + draft.number(), inTheBooks(id, sides, draft, rate));
    }

    private Map<Booked, BigDecimal> inTheBooks(String id, Map<Booked, BigDecimal> sides, Draft draft, BigDecimal rate) {
        boolean own = draft.currency().equals(Companies.open().currency());
        Map<Booked, BigDecimal> booked = own ? sides : converted(id, sides, draft, rate);
        Map<Booked, BigDecimal> together = new LinkedHashMap<>();
        booked.forEach((key, amount) -> together.merge(key.whateverTax(), amount, BigDecimal::add));
        return together;
    }

    private Map<Booked, BigDecimal> converted(String id, Map<Booked, BigDecimal> sides, Draft draft, BigDecimal rate) {
        Conversion conversion = new Conversion(rate);
        Booked control = Booked.on(draft.controlAccount());
        BigDecimal amount = sides.get(control).abs();
        BigDecimal comesTo = credited.comesTo(id, draft, rate, amount).orElseGet(() -> conversion.of(amount));
        return conversion.of(sides, control, comesTo);
    }

    /// The tax that the supplier did not charge: owed, reclaimed as far as it may be, and otherwise cost.
    private static void bookBothSides(
            Draft draft, TaxOfInkwell.Result tax, Map<String, TaxCode> codes, Map<Booked, BigDecimal> sides, int sign) {
        boolean perLine = Companies.open().taxRounding().equals("per-line");
        for (ReverseCharge charge : ReverseCharge.of(draft.lines(), tax.nets(), codes, perLine)) {
            sides.merge(
                    Booked.tax(charge.code().account(), charge.code().code()),
                    times(charge.tax(), sign),
                    BigDecimal::add);
            sides.merge(
                    Booked.tax(
                            taxAccount(charge.code(), Kind.BILL), charge.code().code()),
                    times(charge.reclaimed(), -sign),
                    BigDecimal::add);
            for (int i = 0; i < draft.lines().size(); i++) {
                sides.merge(
                        Booked.of(draft.lines().get(i)), times(charge.costs().get(i), -sign), BigDecimal::add);
            }
        }
    }

    private static String taxAccount(TaxCode code, Kind kind) {
        String account = kind.isSale() ? code.account() : code.inputAccount();
        if (account == null) {
            throw Refusal.unprocessable(
                    "tax-account-missing", "Tax code " + code.code() + " has no account for tax on purchases.");
        }
        return account;
    }

    private static BigDecimal times(BigDecimal amount, int sign) {
        return sign < 0 ? amount.negate() : amount;
    }

    /// What one line of a journal gathers.
    ///
    /// @param taxCode of what is converted apart; empty on what is booked
    record Booked(String account, Map<String, String> dimensions, String taxCode) {
        static Booked on(String account) {
            return new Booked(account, Map.of(), "");
        }

        static Booked tax(String account, String code) {
            return new Booked(account, Map.of(), code);
        }

        static Booked of(DraftLine line) {
            return new Booked(line.account(), line.dimensions(), line.taxCode() == null ? "" : line.taxCode());
        }

        Booked whateverTax() {
            return new Booked(account, dimensions, "");
        }
    }

    /// @param sides positive is debit; they must add up to nothing
    ///
    /// @param what `document`, `payment` or `entry`, by its id
    void writeJournal(String what, String id, LocalDate date, String memo, Map<Booked, BigDecimal> sides) {
        BigDecimal sum = sides.values().stream().reduce(BigDecimal.ZERO, BigDecimal::add);
        if (sum.signum() != 0) {
            throw new IllegalStateException("journal of " + memo + " is out by " + sum);
        }
        Map<String, Object> values = new HashMap<>();
        values.put("id", id);
        values.put("date", date);
        values.put("memo", memo);
        long journal = jdbc.sql("insert into inkwell_journal (date, " + what
                        + ", memo) values (:date, :id, :memo) returning id")
                .params(values)
                .query(Long.class)
                .single();
        sides.forEach((booked, amount) -> {
            if (amount.signum() != 0) {
                jdbc.sql("""
                        insert into inkwell_journal_line (journal, account, debit, credit, dimensions)
                        values (:journal, :account, :debit, :credit, cast(:dimensions as jsonb))""")
                        .param("journal", journal)
                        .param("account", booked.account())
                        .param("dimensions", json.writeValueAsString(booked.dimensions()))
                        .param("debit", amount.max(BigDecimal.ZERO))
                        .param("credit", amount.negate().max(BigDecimal.ZERO))
                        .update();
            }
        });
    }

    private record Head(
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
            String fields,
            boolean toBeEmailed,
            BigDecimal net,
            BigDecimal tax,
            BigDecimal gross,
            BigDecimal paid,
            String currency,
            BigDecimal rate,
            BigDecimal basePaid) {}

    private Document document(Head head) {
        List<Books.Line> lines =
                jdbc.sql("""
                select no, item, account, text, trim_scale(quantity) as quantity, trim_scale(unit_price) as unit_price, adjustment,
                    amount, net, tax_code, taxable, dimensions
                from inkwell_line where document = :id order by no""").param("id", head.id()).query(this::line).list();
        List<Books.JournalLine> journal = jdbc.sql("""
                select l.account, l.debit, l.credit, l.dimensions from inkwell_journal j join inkwell_journal_line l on l.journal = j.id
                where j.document = :id and j.memo not like 'Payment%' order by l.debit desc, l.account""")
                .param("id", head.id())
                .query((row, n) -> new Books.JournalLine(
                        row.getString("account"),
                        row.getBigDecimal("debit"),
                        row.getBigDecimal("credit"),
                        dimensions(row)))
                .list();
        return new Document(
                head.id(),
                head.version(),
                head.number(),
                head.kind(),
                head.party(),
                head.date(),
                head.due(),
                head.pricesIncludeTax(),
                head.controlAccount(),
                head.externalReference(),
                head.creditsNumber(),
                head.status(),
                head.note(),
                head.terms(),
                words(head.fields()),
                head.toBeEmailed(),
                head.net(),
                head.tax(),
                head.gross(),
                head.paid(),
                head.currency().isEmpty() ? Companies.open().currency() : head.currency(),
                head.rate().stripTrailingZeros(),
                head.basePaid(),
                lines,
                journal,
                PayLinks.of(head.id(), head.kind(), head.status(), head.gross().subtract(head.paid())));
    }

    private Books.Line line(ResultSet row, int n) throws SQLException {
        return new Books.Line(
                row.getInt("no"),
                row.getString("item"),
                row.getString("account"),
                row.getString("text"),
                row.getBigDecimal("quantity"),
                row.getBigDecimal("unit_price"),
                row.getBigDecimal("adjustment"),
                row.getBigDecimal("amount"),
                row.getBigDecimal("net"),
                row.getString("tax_code"),
                row.getObject("taxable", Boolean.class),
                dimensions(row));
    }

    private Map<String, String> dimensions(ResultSet row) throws SQLException {
        return words(row.getString("dimensions"));
    }

    private Map<String, String> words(String body) {
        return json.readValue(body, new TypeReference<Map<String, String>>() {});
    }

    private static final String HEAD = """
            select id, version, number, kind, party, date, due, prices_include_tax, control_account,
                external_reference, credits_number, status, note, terms, fields, to_be_emailed, net, tax, gross, paid,
                currency, rate, base_paid
            from inkwell_document""";
}
