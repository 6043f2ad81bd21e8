package alcabala.server.reference;

import alcabala.accounting.custom.CustomField;
import alcabala.accounting.terms.CodedTerms;
import alcabala.accounting.terms.PaymentTerms;
import java.util.List;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import tools.jackson.databind.json.JsonMapper;

/// What the business on a ledger added to it, as last pulled: terms of payment, and fields of documents.
@Component
public class AddedThere {
    private final JdbcClient jdbc;
    private final JsonMapper json;

    AddedThere(JdbcClient jdbc, JsonMapper json) {
        this.jdbc = jdbc;
        this.json = json;
    }

    public List<CodedTerms> terms(long ledgerId) {
        return jdbc.sql(
                        "select code, name, rule, active from ledger_term where ledger_id = :id and not gone order by code")
                .param("id", ledgerId)
                .query((row, n) -> new CodedTerms(
                        row.getString("code"),
                        row.getString("name"),
                        json.readValue(row.getString("rule"), PaymentTerms.class),
                        row.getBoolean("active")))
                .list();
    }

    public List<CustomField> fields(long ledgerId) {
        return jdbc.sql("select body from ledger_field where ledger_id = :id and not gone order by name, code")
                .param("id", ledgerId)
                .query((row, n) -> json.readValue(row.getString("body"), CustomField.class))
                .list();
    }
}
