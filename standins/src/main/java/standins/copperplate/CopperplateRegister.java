package standins.copperplate;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.List;
import java.util.Locale;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import standins.Refusal;

/// What it has booked, by its own numbers.
@Component
public class CopperplateRegister {
    private final JdbcClient jdbc;

    record Booked(String number, BigDecimal gross) {}

    public record Standing(
            String number,
            String kind,
            String document,
            LocalDate date,
            String party,
            String name,
            String currency,
            BigDecimal net,
            BigDecimal tax,
            BigDecimal gross,
            String delivery,
            String reference,
            int importId,
            boolean struck) {}

    CopperplateRegister(JdbcClient jdbc) {
        this.jdbc = jdbc;
    }

    Booked book(int importId, Entry entry, String party) {
        Entry.Sums sums = entry.sums(percent(entry.taxCode()));
        String number = jdbc.sql("""
                insert into copperplate_entry
                values ((select 'E-' || lpad((count(*) + 1)::text, 5, '0') from copperplate_entry), :layout, :kind, :document, :date, :due,
                    :to, :currency, :rate, :prices, :taxCode, :corrects, :net, :tax, :gross, :delivery, :reference, :import, false)
                returning number""")
                .param("kind", entry.kind())
                .param("document", entry.document())
                .param("date", entry.date())
                .param("due", entry.due(), java.sql.Types.DATE)
                .param("currency", entry.currency())
                .param("rate", entry.rate())
                .param("prices", entry.prices())
                .param("taxCode", entry.taxCode())
                .param("corrects", entry.corrects())
                .param("delivery", entry.delivery())
                .param("reference", entry.reference())
                .param("layout", entry.layout().name().toLowerCase(Locale.ROOT))
                .param("to", party)
                .param("net", sums.net())
                .param("tax", sums.tax())
                .param("gross", sums.gross())
                .param("import", importId)
                .query(String.class)
                .single();
        int ordinal = 0;
        for (Entry.Row row : entry.rows()) {
            jdbc.sql("""
                    insert into copperplate_row values (:entry, :ordinal, :account, :party, :description, :quantity, :amount, :taxed,
                        :settles)""")
                    .param("entry", number)
                    .param("ordinal", ++ordinal)
                    .param("account", row.account())
                    .param("party", row.party())
                    .param("description", row.description())
                    .param("quantity", row.quantity(), java.sql.Types.NUMERIC)
                    .param("amount", row.amount())
                    .param("taxed", row.taxed())
                    .param("settles", row.settles())
                    .update();
        }
        return new Booked(number, sums.gross());
    }

    private BigDecimal percent(String code) {
        return jdbc.sql("select percent from copperplate_tax where code = :code")
                .param("code", code)
                .query(BigDecimal.class)
                .optional()
                .orElse(BigDecimal.ZERO);
    }

    public List<Standing> all() {
        return jdbc.sql("""
                select e.number, e.kind, e.document, e.date, e.party, coalesce(p.name, '') as name, e.currency, e.net, e.tax, e.gross,
                    e.delivery, e.reference, e.import_id, e.void as struck
                from copperplate_entry e left join copperplate_party p on p.number = e.party order by e.number""").query(Standing.class).list();
    }

    /// Strikes an entry out; it stays in the register.
    public void strike(String number) {
        if (jdbc.sql("update copperplate_entry set void = true where number = :number")
                        .param("number", number)
                        .update()
                == 0) {
            throw Refusal.notFound("entry " + number);
        }
    }

    /// Somebody corrects the amount of its first row by hand; it is added up again.
    @Transactional
    public void correct(String number, BigDecimal amount) {
        record Head(String prices, String taxCode, String layout) {}
        Head head = jdbc.sql("select prices, tax_code, layout from copperplate_entry where number = :number")
                .param("number", number)
                .query(Head.class)
                .optional()
                .orElseThrow(() -> Refusal.notFound("entry " + number));
        if (head.layout().equals("journals")) {
            throw Refusal.unprocessable("balanced", "A journal is not corrected by one row.");
        }
        jdbc.sql("update copperplate_row set amount = :amount where entry = :number and ordinal = 1")
                .param("amount", amount)
                .param("number", number)
                .update();
        List<Entry.Row> rows =
                jdbc.sql("""
                select account, party, description, quantity, amount, taxed, settles from copperplate_row where entry = :number""").param("number", number).query(Entry.Row.class).list();
        Entry.Sums sums = Entry.sums(head.prices(), percent(head.taxCode()), rows, false);
        jdbc.sql("update copperplate_entry set net = :net, tax = :tax, gross = :gross where number = :number")
                .param("net", sums.net())
                .param("tax", sums.tax())
                .param("gross", sums.gross())
                .param("number", number)
                .update();
    }
}
