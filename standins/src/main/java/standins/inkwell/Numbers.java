package standins.inkwell;

import java.util.List;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import standins.inkwell.Books.Draft;

/// Numbers of sales: which are in use, and which comes next. A bill has its supplier's.
@Component
public class Numbers {
    private final JdbcClient jdbc;

    Numbers(JdbcClient jdbc) {
        this.jdbc = jdbc;
    }

    /// One after the highest with this prefix, and at least the number asked for. One at a time.
    String next(Draft draft) {
        String prefix = draft.numberPrefix() == null ? "" : draft.numberPrefix();
        jdbc.sql("select pg_advisory_xact_lock(8491)").query().singleRow();
        long next = jdbc.sql("""
                select greatest(:from, coalesce(max(cast(substr(number, length(:prefix) + 1) as bigint)), 0) + 1)
                from inkwell_document
                where kind in ('invoice', 'credit-note') and left(number, length(:prefix)) = :prefix and substr(number, length(:prefix) + 1) ~ '^[0-9]{1,15}$'""")
                .param("from", draft.numberFrom() == null ? 1L : draft.numberFrom())
                .param("prefix", prefix)
                .query(Long.class)
                .single();
        return prefix + next;
    }

    public List<Books.TakenNumber> taken(List<String> numbers) {
        return jdbc.sql("""
                select number, coalesce(external_reference, '') as external_reference from inkwell_document
                where number = any(:numbers) and kind in ('invoice', 'credit-note') and status <> 'void' order by number""")
                .param("numbers", numbers.toArray(String[]::new))
                .query(Books.TakenNumber.class)
                .list();
    }

    /// The ids of documents with a number, void ones too, the latest first; a supplier's number is not the books' own.
    List<String> documents(String number) {
        return numbered(
                "select id from inkwell_document where number = :number order by date desc, id limit 20", number);
    }

    /// The same of payments.
    List<String> payments(String number) {
        return numbered(
                "select id from inkwell_payment where number = :number order by date desc, id limit 20", number);
    }

    private List<String> numbered(String sql, String number) {
        return jdbc.sql(sql).param("number", number).query(String.class).list();
    }

    /// By the digits at their end.
    public List<Books.HighestNumber> highest() {
        return jdbc.sql("""
                select distinct on (kind) kind, number from inkwell_document
                where number ~ '[0-9]{1,15}$' and kind in ('invoice', 'credit-note')
                order by kind, cast(substring(number from '[0-9]{1,15}$') as bigint) desc""").query(Books.HighestNumber.class).list();
    }
}
