package standins.inkwell;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.springframework.dao.DuplicateKeyException;
import org.springframework.http.HttpStatus;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import standins.Refusal;
import standins.inkwell.Posting.Booked;
import tools.jackson.core.type.TypeReference;
import tools.jackson.databind.json.JsonMapper;

/// Journal entries that stand by themselves, in the currency of the books.
@Component
public class Entries {
    private static final int MOST_LINES = 1000;
    private static final Set<String> CONTROLS = Set.of("receivable", "payable");
    private final JdbcClient jdbc;
    private final Masters masters;
    private final Posting posting;
    private final Voiding voiding;
    private final JsonMapper json;

    private record Head(
            String id,
            int version,
            String category,
            String number,
            LocalDate date,
            String slip,
            String note,
            String externalReference,
            boolean voided) {}

    Entries(JdbcClient jdbc, Masters masters, Posting posting, Voiding voiding, JsonMapper json) {
        this.jdbc = jdbc;
        this.masters = masters;
        this.posting = posting;
        this.voiding = voiding;
        this.json = json;
    }

    @Transactional
    public Entry post(Entry asked) {
        Entry draft = asked.complete();
        check(draft);
        String id = "JE-"
                + jdbc.sql("select nextval('inkwell_id')").query(Long.class).single();
        try {
            jdbc.sql("""
                    insert into inkwell_entry (id, category, number, date, slip, note, external_reference)
                    values (:id, :category, :number, :date, :slip, :note, :external)""").params(values(id, draft)).update();
        } catch (DuplicateKeyException e) {
            throw Refusal.unprocessable(
                    "number-taken", "The number " + draft.number() + " is in use by another entry.");
        }
        book(id, draft);
        masters.changed("journal", id);
        return get(id);
    }

    /// In the place of one that stands: the same entry, a later version.
    @Transactional
    public Entry replace(String id, int version, Entry asked) {
        lock(id);
        Entry entry = get(id);
        requireStanding(entry);
        requireVersion(entry, version);
        masters.requireUnlocked(entry.date());
        Entry draft = asked.complete();
        check(draft);
        jdbc.sql("delete from inkwell_entry_line where entry = :id")
                .param("id", id)
                .update();
        voiding.remove(whole(entry));
        jdbc.sql("""
                update inkwell_entry set category = :category, number = :number, date = :date, slip = :slip, note = :note,
                    version = version + 1 where id = :id""").params(values(id, draft)).update();
        book(id, draft);
        masters.changed("journal", id);
        return get(id);
    }

    /// @param version that was read; null for whichever there is
    /// @param on the day of the opposite entry; null for its own, as if it had never been
    @Transactional
    public Entry voidIt(String id, Integer version, LocalDate on) {
        lock(id);
        Entry entry = get(id);
        requireStanding(entry);
        if (version != null) {
            requireVersion(entry, version);
        }
        voiding.takeBack(whole(entry), on);
        jdbc.sql("update inkwell_entry set voided = true, version = version + 1 where id = :id")
                .param("id", id)
                .update();
        masters.changed("journal", id);
        return get(id);
    }

    private static Voiding.Entry whole(Entry entry) {
        return new Voiding.Entry("entry", entry.id(), "entry " + entry.number(), entry.date());
    }

    private void lock(String id) {
        jdbc.sql("select id from inkwell_entry where id = :id for update")
                .param("id", id)
                .query(String.class)
                .optional()
                .orElseThrow(() -> Refusal.notFound("entry " + id));
    }

    private static void requireStanding(Entry entry) {
        if (entry.status().equals("void")) {
            throw new Refusal(HttpStatus.CONFLICT, "entry-void", "Entry " + entry.number() + " is void.");
        }
    }

    private static void requireVersion(Entry entry, int version) {
        if (entry.version() != version) {
            throw Posting.stale("Entry " + entry.number());
        }
    }

    private void check(Entry draft) {
        if (draft.number().isBlank()) {
            throw Refusal.unprocessable("number-missing", "A number is needed.");
        }
        if (draft.date() == null) {
            throw Refusal.unprocessable("date-missing", "A date is needed.");
        }
        masters.requireUnlocked(draft.date());
        if (draft.entries().size() < 2 || draft.entries().size() > MOST_LINES) {
            throw Refusal.unprocessable("lines-missing", "An entry has 2 to " + MOST_LINES + " lines.");
        }
        draft.entries().forEach(this::check);
        BigDecimal sum = draft.entries().stream().map(Entry.Line::signed).reduce(BigDecimal.ZERO, BigDecimal::add);
        if (sum.signum() != 0) {
            throw Refusal.unprocessable("unbalanced", "Its debits and credits differ by " + sum.toPlainString() + ".");
        }
    }

    private void check(Entry.Line line) {
        boolean oneSide = line.debit().signum() >= 0
                && line.credit().signum() >= 0
                && line.debit().signum() + line.credit().signum() == 1;
        if (!oneSide || line.signed().stripTrailingZeros().scale() > 2) {
            throw Refusal.unprocessable(
                    "amount-invalid",
                    "A line has a debit or a credit of more than nothing, with at most two decimals.");
        }
        if (CONTROLS.contains(masters.requireAccount(line.account()).type())) {
            throw Refusal.unprocessable(
                    "account-type", "Account " + line.account() + " is booked by documents and payments only.");
        }
        masters.requireDimensions(line.dimensions());
    }

    private static Map<String, Object> values(String id, Entry draft) {
        Map<String, Object> values = new HashMap<>();
        values.put("id", id);
        values.put("category", draft.category());
        values.put("number", draft.number());
        values.put("date", draft.date());
        values.put("slip", draft.slip());
        values.put("note", draft.note());
        values.put("external", draft.externalReference());
        return values;
    }

    private void book(String id, Entry draft) {
        Map<Booked, BigDecimal> sides = new LinkedHashMap<>();
        int no = 0;
        for (Entry.Line line : draft.entries()) {
            jdbc.sql("""
                    insert into inkwell_entry_line (entry, no, account, debit, credit, text, dimensions)
                    values (:entry, :no, :account, :debit, :credit, :text, cast(:dimensions as jsonb))""")
                    .param("entry", id)
                    .param("no", ++no)
                    .param("account", line.account())
                    .param("debit", line.debit())
                    .param("credit", line.credit())
                    .param("text", line.text())
                    .param("dimensions", json.writeValueAsString(line.dimensions()))
                    .update();
            sides.merge(new Booked(line.account(), line.dimensions(), ""), line.signed(), BigDecimal::add);
        }
        posting.writeJournal("entry", id, draft.date(), "Entry " + draft.number(), sides);
    }

    public Entry get(String id) {
        return find(id).orElseThrow(() -> Refusal.notFound("entry " + id));
    }

    Optional<Entry> find(String id) {
        return jdbc.sql(HEAD + " where id = :id")
                .param("id", id)
                .query(Head.class)
                .optional()
                .map(this::entry);
    }

    Optional<Entry> findByReference(String reference) {
        return jdbc.sql(HEAD + " where external_reference = :reference and not voided")
                .param("reference", reference)
                .query(Head.class)
                .optional()
                .map(this::entry);
    }

    public List<Entry> latest(int limit) {
        return jdbc
                .sql(HEAD + " order by date desc, number desc limit :limit")
                .param("limit", limit)
                .query(Head.class)
                .list()
                .stream()
                .map(this::entry)
                .toList();
    }

    private Entry entry(Head head) {
        return new Entry(
                head.id(),
                head.version(),
                head.category(),
                head.number(),
                head.date(),
                head.slip(),
                head.note(),
                head.externalReference(),
                head.voided() ? "void" : "posted",
                lines(head.id()));
    }

    private List<Entry.Line> lines(String id) {
        return jdbc.sql(
                        "select account, debit, credit, text, dimensions from inkwell_entry_line where entry = :id order by no")
                .param("id", id)
                .query((row, n) -> new Entry.Line(
                        row.getString("account"),
                        row.getBigDecimal("debit"),
                        row.getBigDecimal("credit"),
                        row.getString("text"),
                        json.readValue(row.getString("dimensions"), new TypeReference<Map<String, String>>() {})))
                .list();
    }

    private static final String HEAD = """
            select id, version, category, number, date, slip, note, external_reference, voided from inkwell_entry""";
}
