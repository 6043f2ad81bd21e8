package alcabala.server.reference;

import alcabala.accounting.crosswalk.Crosswalk;
import alcabala.accounting.document.Document;
import alcabala.accounting.document.DocumentLine;
import alcabala.accounting.document.Tax;
import alcabala.accounting.document.TaxCategory;
import alcabala.accounting.party.Party;
import alcabala.accounting.record.Record;
import alcabala.accounting.settlement.Settlement;
import alcabala.connectors.ledger.LedgerItem;
import alcabala.connectors.source.SourceChange;
import alcabala.connectors.source.SourceLookup;
import java.util.Arrays;
import java.util.Collection;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.springframework.jdbc.core.namedparam.MapSqlParameterSource;
import org.springframework.jdbc.core.namedparam.NamedParameterJdbcTemplate;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import tools.jackson.databind.json.JsonMapper;

/// The codes of a source: what it told of them itself, or what its files use.
@Component
public class SourceCatalogue {
    private final JdbcClient jdbc;
    private final NamedParameterJdbcTemplate template;
    private final JsonMapper json;
    private final SourceAdded added;

    SourceCatalogue(JdbcClient jdbc, NamedParameterJdbcTemplate template, JsonMapper json, SourceAdded added) {
        this.added = added;
        this.jdbc = jdbc;
        this.template = template;
        this.json = json;
    }

    /// Documents are left to intake.
    public void keep(long sourceId, List<SourceChange> changes) {
        for (SourceChange change : changes) {
            switch (change) {
                case SourceChange.SiteChanged c -> keepSite(sourceId, c.name());
                case SourceChange.PartyChanged c -> keep(sourceId, c.party());
                case SourceChange.ItemChanged c ->
                    template.update(
                            ITEM + " on conflict (source_id, code) do update set name = excluded.name,"
                                    + " category = excluded.category, kind = excluded.kind,"
                                    + " item_kind = excluded.item_kind, unit = excluded.unit",
                            row(sourceId, c.code(), c.name())
                                    .addValue("category", c.category())
                                    .addValue("kind", c.kind().lineKind().name())
                                    .addValue("itemKind", c.kind().name())
                                    .addValue("unit", c.unit()));
                case SourceChange.CategoryChanged c ->
                    template.update(
                            CATEGORY + " on conflict (source_id, code) do update set name = excluded.name",
                            row(sourceId, c.code(), c.name()));
                case SourceChange.TaxChanged c ->
                    template.update(
                            TAX + " on conflict (source_id, code) do update set name = excluded.name,"
                                    + " rate = excluded.rate, category = excluded.category",
                            row(sourceId, c.code(), c.name())
                                    .addValue("rate", c.rate())
                                    .addValue("category", c.category().name()));
                case SourceChange.TermsChanged c -> added.keep(sourceId, c.terms());
                case SourceChange.FieldChanged c -> added.keep(sourceId, c.field());
                case SourceChange.RecordChanged c -> {}
                case SourceChange.RecordGone c -> {}
                case SourceChange.SetAside c -> {}
            }
        }
        if (changes.stream()
                .anyMatch(change ->
                        change instanceof SourceChange.PartyChanged || change instanceof SourceChange.ItemChanged)) {
            changed(sourceId);
        }
    }

    /// An item that was there, as it is by now; its category stays, and its kind where none is told.
    public void rewritten(long sourceId, LedgerItem item) {
        jdbc.sql("""
                update source_item set name = :name, unit = :unit, item_kind = coalesce(:itemKind, item_kind),
                    kind = coalesce(:kind, kind)
                where source_id = :source and code = :code""")
                .param("source", sourceId)
                .param("code", item.code())
                .param("name", item.name())
                .param("unit", item.unit())
                .param("itemKind", item.kind() == null ? null : item.kind().name())
                .param(
                        "kind",
                        item.kind() == null ? null : item.kind().lineKind().name())
                .update();
        changed(sourceId);
    }

    /// What is kept of its parties and items in memory is another by now.
    private void changed(long sourceId) {
        jdbc.sql("update source set catalogue_version = nextval('state_version') where id = :id")
                .param("id", sourceId)
                .update();
    }

    /// Codes that documents use and the source has not told of: files name parties, items and taxes only in passing.
    /// The items of a bill are its supplier's.
    public void keepCodesOf(long sourceId, Collection<? extends Record> records) {
        Map<String, MapSqlParameterSource> parties = new LinkedHashMap<>();
        Map<String, MapSqlParameterSource> items = new LinkedHashMap<>();
        Map<String, MapSqlParameterSource> taxes = new LinkedHashMap<>();
        records.stream()
                .map(Record::site)
                .filter(site -> !site.isEmpty())
                .distinct()
                .forEach(site -> keepSite(sourceId, site));
        for (Record record : records) {
            Party party = record.counterparty();
            if (!record.kind().hasParty()) {
                continue;
            }
            parties.computeIfAbsent(
                    party.code(),
                    code -> row(sourceId, code, party.name()).addValue("body", json.writeValueAsString(party)));
            for (DocumentLine line : record instanceof Document document ? document.lines() : List.<DocumentLine>of()) {
                if (record.kind().isSale() && !line.item().isEmpty()) {
                    items.computeIfAbsent(
                            line.item(),
                            code -> row(sourceId, code, line.description())
                                    .addValue("category", line.category())
                                    .addValue("kind", line.kind().name())
                                    .addValue("itemKind", line.kind().name())
                                    .addValue("unit", line.unit()));
                }
                taxes.computeIfAbsent(
                        line.tax().key(),
                        key -> row(sourceId, key, "")
                                .addValue("rate", line.tax().rate())
                                .addValue(
                                        "category",
                                        line.tax().taxes().stream()
                                                .findFirst()
                                                .map(Tax::category)
                                                .orElse(TaxCategory.O)
                                                .name()));
            }
        }
        added.keepUsed(sourceId, records);
        keepCodes("source_means", sourceId, records.stream().flatMap(SourceCatalogue::means));
        keepCodes("source_project", sourceId, records.stream().flatMap(SourceCatalogue::projects));
        int found = addNew(PARTY, parties) + addNew(ITEM, items);
        addNew(TAX, taxes);
        if (found > 0) {
            changed(sourceId);
        }
    }

    /// Out of sight in lists, or back.
    public void hide(long sourceId, String party, boolean hidden) {
        jdbc.sql("update source_party set hidden = :hidden where source_id = :source and code = :code")
                .param("hidden", hidden)
                .param("source", sourceId)
                .param("code", party)
                .update();
        changed(sourceId);
    }

    /// Parties that are not known yet; those that are stay as they are.
    public void keepNew(long sourceId, Collection<Party> parties) {
        Map<String, MapSqlParameterSource> rows = new LinkedHashMap<>();
        parties.forEach(party -> rows.put(
                party.code(),
                row(sourceId, party.code(), party.name()).addValue("body", json.writeValueAsString(party))));
        if (addNew(PARTY, rows) > 0) {
            changed(sourceId);
        }
    }

    private static Stream<String> means(Record record) {
        return record instanceof Settlement settlement
                ? Stream.of(Crosswalk.meansCode(
                        settlement.means(), settlement.currency().getCode()))
                : Stream.of();
    }

    private static Stream<String> projects(Record record) {
        return record instanceof Document document
                ? document.lines().stream().map(DocumentLine::project).filter(project -> !project.isEmpty())
                : Stream.of();
    }

    private void keepCodes(String table, long sourceId, Stream<String> codes) {
        addNew(
                "insert into " + table + " (source_id, code) values (:source, :code)",
                codes.distinct().collect(Collectors.toMap(code -> code, code -> row(sourceId, code, ""))));
    }

    public SourceLookup lookup(long sourceId) {
        Map<String, Party> parties = new HashMap<>();
        parties(sourceId).forEach(party -> parties.put(party.code(), party));
        Map<String, TaxCategory> categories = new HashMap<>();
        jdbc.sql("select code, category from source_tax where source_id = :id")
                .param("id", sourceId)
                .query((row, n) ->
                        categories.put(row.getString("code"), TaxCategory.valueOf(row.getString("category"))))
                .list();
        Map<String, String> items = new HashMap<>();
        jdbc.sql("select code, name from source_item where source_id = :id")
                .param("id", sourceId)
                .query((row, n) -> items.put(row.getString("code"), row.getString("name")))
                .list();
        Party business = business(sourceId);
        return new SourceLookup() {
            @Override
            public Party business() {
                return business;
            }

            @Override
            public String itemName(String code) {
                return items.getOrDefault(code, "");
            }

            @Override
            public Party party(String code) {
                return parties.getOrDefault(code, Party.named(code, code));
            }

            @Override
            public TaxCategory taxCategory(String code, boolean taxed) {
                return categories.getOrDefault(code, taxed ? TaxCategory.S : TaxCategory.Z);
            }
        };
    }

    /// By the name that its routes give it.
    public Party business(long sourceId) {
        return Party.named(
                "",
                jdbc.sql("select business_name from route where source_id = :id order by leads desc, id limit 1")
                        .param("id", sourceId)
                        .query(String.class)
                        .optional()
                        .orElse(""));
    }

    /// What is known of a party, or one that has only its code.
    public Party party(long sourceId, String code) {
        return jdbc.sql("select body from source_party where source_id = :id and code = :code")
                .param("id", sourceId)
                .param("code", code)
                .query(String.class)
                .optional()
                .map(body -> json.readValue(body, Party.class))
                .orElseGet(() -> Party.named(code, code));
    }

    /// Those of these codes, as far as they are known.
    public List<Party> parties(long sourceId, Collection<String> codes) {
        return jdbc
                .sql("select body from source_party where source_id = :id and code = any(:codes) order by code")
                .param("id", sourceId)
                .param("codes", codes.toArray(String[]::new))
                .query(String.class)
                .list()
                .stream()
                .map(body -> json.readValue(body, Party.class))
                .toList();
    }

    public List<Party> parties(long sourceId) {
        return jdbc
                .sql("select body from source_party where source_id = :id order by code")
                .param("id", sourceId)
                .query(String.class)
                .list()
                .stream()
                .map(body -> json.readValue(body, Party.class))
                .toList();
    }

    /// Names by codes, in the order of the codes.
    public Map<String, String> partyNames(long sourceId) {
        return names("source_party", sourceId);
    }

    /// The same of categories.
    public Map<String, String> categoryNames(long sourceId) {
        return names("source_category", sourceId);
    }

    /// In which those of these items are sold of which it tells, by codes.
    public Map<String, String> units(long sourceId, Collection<String> codes) {
        Map<String, String> units = new HashMap<>();
        jdbc.sql("select code, unit from source_item where source_id = :id and code = any(:codes) and unit <> ''")
                .param("id", sourceId)
                .param("codes", codes.toArray(String[]::new))
                .query((row, n) -> units.put(row.getString("code"), row.getString("unit")))
                .list();
        return units;
    }

    /// Names of those of these items that it knows, by codes.
    public Map<String, String> itemNames(long sourceId, Collection<String> codes) {
        Map<String, String> names = new HashMap<>();
        jdbc.sql("select code, name from source_item where source_id = :id and code = any(:codes)")
                .param("id", sourceId)
                .param("codes", codes.toArray(String[]::new))
                .query(row -> {
                    names.put(row.getString("code"), row.getString("name"));
                });
        return names;
    }

    /// Names by codes, in the order of the codes.
    public Map<String, String> itemNames(long sourceId) {
        return names("source_item", sourceId);
    }

    private Map<String, String> names(String table, long sourceId) {
        Map<String, String> names = new LinkedHashMap<>();
        jdbc.sql("select code, name from " + table + " where source_id = :id order by code collate \"C\"")
                .param("id", sourceId)
                .query(row -> {
                    names.put(row.getString("code"), row.getString("name"));
                });
        return names;
    }

    private void keepSite(long sourceId, String site) {
        jdbc.sql("insert into source_site (source_id, name) values (:source, :site) on conflict do nothing")
                .param("source", sourceId)
                .param("site", site)
                .update();
    }

    private void keep(long sourceId, Party party) {
        template.update(
                PARTY + " on conflict (source_id, code) do update set name = excluded.name, body = excluded.body",
                row(sourceId, party.code(), party.name()).addValue("body", json.writeValueAsString(party)));
    }

    /// @return how many were not known
    private int addNew(String insert, Map<String, MapSqlParameterSource> rows) {
        if (rows.isEmpty()) {
            return 0;
        }
        int[] counts = template.batchUpdate(
                insert + " on conflict do nothing", rows.values().toArray(MapSqlParameterSource[]::new));
        return Arrays.stream(counts).sum();
    }

    private static MapSqlParameterSource row(long sourceId, String code, String name) {
        return new MapSqlParameterSource("source", sourceId)
                .addValue("code", code)
                .addValue("name", name);
    }

    private static final String PARTY =
            "insert into source_party (source_id, code, name, body) values (:source, :code, :name, cast(:body as jsonb))";
    private static final String ITEM =
            "insert into source_item (source_id, code, name, category, kind, item_kind, unit)"
                    + " values (:source, :code, :name, :category, :kind, :itemKind, :unit)";
    private static final String CATEGORY =
            "insert into source_category (source_id, code, name) values (:source, :code, :name)";
    private static final String TAX =
            "insert into source_tax (source_id, code, name, rate, category) values (:source, :code, :name, :rate, :category)";
}
