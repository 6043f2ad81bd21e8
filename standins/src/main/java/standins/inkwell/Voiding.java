package standins.inkwell;

import java.time.LocalDate;
import java.util.List;
import org.springframework.http.HttpStatus;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import standins.Refusal;
import standins.inkwell.Books.Document;

/// Takes documents and journals back: on their own day as if they had never been, on a later one by the opposite.
@Component
public class Voiding {
    private final JdbcClient jdbc;
    private final Masters masters;
    private final Posting posting;

    Voiding(JdbcClient jdbc, Masters masters, Posting posting) {
        this.jdbc = jdbc;
        this.masters = masters;
        this.posting = posting;
    }

    /// @param version that was read; null for whichever there is
    /// @param on the day of the opposite entry; null for the document's own, which then loses its journal
    @Transactional
    public Document voidDocument(String id, Integer version, LocalDate on) {
        jdbc.sql("select id from inkwell_document where id = :id for update")
                .param("id", id)
                .query(String.class)
                .optional();
        Document document = posting.get(id);
        if (document.status().equals("void")) {
            throw new Refusal(HttpStatus.CONFLICT, "document-void", document.number() + " is void.");
        }
        if (version != null && version != document.version()) {
            throw Posting.stale("Document " + document.number());
        }
        if (document.paid().signum() != 0) {
            throw Refusal.unprocessable(
                    "document-settled",
                    document.number() + " is settled with " + document.paid().toPlainString()
                            + "; void what settles it first.");
        }
        takeBack(new Entry("document", id, document.kind() + " " + document.number(), document.date()), on);
        jdbc.sql("update inkwell_document set status = 'void', version = version + 1 where id = :id")
                .param("id", id)
                .update();
        masters.changed("document", id);
        return posting.get(id);
    }

    /// As if it had never been; the feed tells that it is not there any more.
    @Transactional
    public void deleteDocument(String id) {
        jdbc.sql("select id from inkwell_document where id = :id for update")
                .param("id", id)
                .query(String.class)
                .optional();
        Document document = posting.get(id);
        boolean settled = jdbc.sql("select exists (select 1 from inkwell_allocation where document = :id)")
                .param("id", id)
                .query(Boolean.class)
                .single();
        if (settled) {
            throw Refusal.unprocessable("document-settled", document.number() + " is settled; it can be voided.");
        }
        masters.requireUnlocked(document.date());
        for (String of : List.of(
                "inkwell_journal_line where journal in (select id from inkwell_journal where document = :id)",
                "inkwell_journal where document = :id",
                "inkwell_line where document = :id",
                "inkwell_document where id = :id")) {
            jdbc.sql("delete from " + of).param("id", id).update();
        }
        masters.changed("document", id);
    }

    /// @param what `document`, `payment` or `entry`
    record Entry(String what, String id, String name, LocalDate date) {}

    /// The journal of a document or payment.
    void takeBack(Entry entry, LocalDate on) {
        LocalDate day = on == null ? entry.date() : on;
        masters.requireUnlocked(day);
        if (day.isBefore(entry.date())) {
            throw Refusal.unprocessable(
                    "void-too-early", entry.name() + " is of " + entry.date() + " and cannot be taken back before.");
        }
        if (day.equals(entry.date())) {
            remove(entry);
        } else {
            reverse(entry, day);
        }
    }

    private static String of(Entry entry) {
        return " in (select id from inkwell_journal where " + entry.what() + " = :id and memo not like 'Reversal%'"
                + (entry.what().equals("document") ? " and memo not like 'Payment%')" : ")");
    }

    void remove(Entry entry) {
        jdbc.sql("delete from inkwell_journal_line where journal" + of(entry))
                .param("id", entry.id())
                .update();
        jdbc.sql("delete from inkwell_journal where id" + of(entry))
                .param("id", entry.id())
                .update();
    }

    private void reverse(Entry entry, LocalDate day) {
        long journal = jdbc.sql("insert into inkwell_journal (date, " + entry.what()
                        + ", memo) values (:date, :id, :memo) returning id")
                .param("date", day)
                .param("id", entry.id())
                .param("memo", "Reversal of " + entry.name())
                .query(Long.class)
                .single();
        jdbc.sql("""
                insert into inkwell_journal_line (journal, account, debit, credit, dimensions)
                select :journal, account, credit, debit, dimensions from inkwell_journal_line where journal""" + of(entry))
                .param("journal", journal)
                .param("id", entry.id())
                .update();
    }
}
