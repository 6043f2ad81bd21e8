package alcabala.server.reference;

import alcabala.accounting.crosswalk.Crosswalk;
import alcabala.accounting.custom.CustomField;
import alcabala.accounting.custom.FieldType;
import alcabala.accounting.document.Document;
import alcabala.accounting.record.Record;
import alcabala.accounting.terms.CodedTerms;
import alcabala.accounting.terms.PaymentTerms;
import java.util.Collection;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.springframework.jdbc.core.namedparam.MapSqlParameterSource;
import org.springframework.jdbc.core.namedparam.NamedParameterJdbcTemplate;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import tools.jackson.databind.json.JsonMapper;

/// What the business on a source added to it: terms of payment, and fields of documents with what is said in them.
@Component
public class SourceAdded {
    private final JdbcClient jdbc;
    private final NamedParameterJdbcTemplate template;
    private final JsonMapper json;

    /// @param rule null where only documents tell of it
    public record TermsHere(String code, String name, PaymentTerms rule) {}

    SourceAdded(JdbcClient jdbc, NamedParameterJdbcTemplate template, JsonMapper json) {
        this.jdbc = jdbc;
        this.template = template;
        this.json = json;
    }

    void keep(long sourceId, CodedTerms terms) {
        template.update(
                "insert into source_terms (source_id, code, name, rule) values (:source, :code, :name, cast(:rule as jsonb))"
                        + " on conflict (source_id, code) do update set name = excluded.name, rule = excluded.rule",
                row(sourceId, terms.code(), terms.name()).addValue("rule", json.writeValueAsString(terms.rule())));
    }

    void keep(long sourceId, CustomField field) {
        template.update(
                "insert into source_field (source_id, code, name, body) values (:source, :code, :name, cast(:body as jsonb))"
                        + " on conflict (source_id, code) do update set name = excluded.name, body = excluded.body",
                row(sourceId, field.code(), field.name()).addValue("body", json.writeValueAsString(field)));
        field.choices()
                .forEach((code, name) -> template.update(
                        CHOICE + " do update set name = excluded.name",
                        row(sourceId, Crosswalk.choiceCode(field.code(), code), name)));
    }

    /// What documents use and the source has not told of.
    void keepUsed(long sourceId, Collection<? extends Record> records) {
        Map<String, MapSqlParameterSource> terms = new LinkedHashMap<>();
        Map<String, MapSqlParameterSource> choices = new LinkedHashMap<>();
        records.stream()
                .filter(Document.class::isInstance)
                .map(Document.class::cast)
                .forEach(document -> {
                    if (!document.terms().isEmpty()) {
                        terms.putIfAbsent(document.terms(), row(sourceId, document.terms(), ""));
                    }
                    document.fields().stream()
                            .filter(each -> each.type() == FieldType.CHOICE)
                            .forEach(each -> {
                                String code = Crosswalk.choiceCode(each.field(), each.value());
                                choices.putIfAbsent(code, row(sourceId, code, each.value()));
                            });
                });
        add(
                "insert into source_terms (source_id, code, name) values (:source, :code, :name) on conflict do nothing",
                terms);
        add(CHOICE + " do nothing", choices);
    }

    private void add(String sql, Map<String, MapSqlParameterSource> rows) {
        if (!rows.isEmpty()) {
            template.batchUpdate(sql, rows.values().toArray(MapSqlParameterSource[]::new));
        }
    }

    public List<TermsHere> terms(long sourceId) {
        return jdbc.sql("select code, name, rule from source_terms where source_id = :id order by code")
                .param("id", sourceId)
                .query((row, n) -> new TermsHere(
                        row.getString("code"),
                        row.getString("name"),
                        row.getString("rule") == null
                                ? null
                                : json.readValue(row.getString("rule"), PaymentTerms.class)))
                .list();
    }

    public List<CustomField> fields(long sourceId) {
        return jdbc.sql("select body from source_field where source_id = :id order by name, code")
                .param("id", sourceId)
                .query((row, n) -> json.readValue(row.getString("body"), CustomField.class))
                .list();
    }

    public Optional<CustomField> findField(long sourceId, String code) {
        return fields(sourceId).stream()
                .filter(field -> field.code().equals(code))
                .findFirst();
    }

    private static MapSqlParameterSource row(long sourceId, String code, String name) {
        return new MapSqlParameterSource("source", sourceId)
                .addValue("code", code)
                .addValue("name", name);
    }

    private static final String CHOICE =
            "insert into source_choice (source_id, code, name) values (:source, :code, :name) on conflict (source_id, code)";
}
