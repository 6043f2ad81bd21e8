package alcabala.server.record;

import alcabala.accounting.document.Document;
import alcabala.accounting.record.Record;
import alcabala.accounting.setting.Milestone;
import alcabala.server.platform.Copy;
import alcabala.server.route.RouteRow;
import java.sql.Types;
import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import org.springframework.jdbc.core.namedparam.MapSqlParameterSource;
import org.springframework.jdbc.core.namedparam.NamedParameterJdbcTemplate;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;

/// What a record's source says of it, and the way it takes: the columns of `record` that only this package writes.
@Component
public class SourceFacts {
    /// In the order in which [#put] writes them.
    public static final String COLUMNS =
            "id, route_id, source_id, source_ref, number, kind, party_code, party_name, site, issue_date, due_date, currency,"
                    + " net, tax, gross, line_count, refs, corrects, stranger, milestones, approved, voided, revision_id,"
                    + " origin";
    private final JdbcClient jdbc;
    private final NamedParameterJdbcTemplate template;
    private final Revisions revisions;

    /// @param approved whether what the route waits for has happened
    public record Row(long id, long revisionId, int revision, Incoming said, boolean approved) {}

    SourceFacts(JdbcClient jdbc, NamedParameterJdbcTemplate template, Revisions revisions) {
        this.jdbc = jdbc;
        this.template = template;
        this.revisions = revisions;
    }

    /// Numbers for that many records.
    public List<Long> ids(int count) {
        return revisions.ids("record", count);
    }

    /// The part of a new row that is the source's.
    public void put(Copy copy, RouteRow route, Row row) {
        Record d = row.said().record();
        Figures figures = Figures.of(d);
        copy.value(row.id())
                .value(route.id())
                .value(route.sourceId())
                .value(row.said().sourceRef())
                .value(d.number())
                .value(d.kind().word())
                .value(d.counterparty().code())
                .value(d.counterparty().name())
                .value(d.site())
                .value(d.date())
                .value(figures.due())
                .value(d.currency().getCode())
                .value(figures.net())
                .value(figures.tax())
                .value(figures.gross())
                .value(d.partCount())
                .value(Copy.array(Refs.of(d)))
                .value(figures.corrects())
                .value(figures.stranger())
                .value(Copy.array(names(row.said().milestones())))
                .value(row.approved())
                .value(row.said().voided())
                .value(row.revisionId())
                .value(d.origin().word());
    }

    /// What the source says now of records that were taken in before.
    public void update(RouteRow route, List<Row> rows) {
        if (rows.isEmpty()) {
            return;
        }
        template.batchUpdate("""
                update record set revision = :revision, number = :number, kind = :kind, party_code = :partyCode,
                    party_name = :partyName, issue_date = :issueDate, due_date = :dueDate, currency = :currency, net = :net,
                    tax = :tax, gross = :gross, line_count = :lineCount, refs = :refs, corrects = :corrects,
                    stranger = :stranger, revision_id = :revisionId, approved = :approved, voided = :voided,
                    route_id = :route, site = :site, milestones = :milestones, version = version + 1
                where id = :id""", rows.stream().map(row -> values(route, row)).toArray(MapSqlParameterSource[]::new));
    }

    private static MapSqlParameterSource values(RouteRow route, Row row) {
        Record d = row.said().record();
        Figures figures = Figures.of(d);
        return new MapSqlParameterSource("id", row.id())
                .addValue("revision", row.revision())
                .addValue("number", d.number())
                .addValue("kind", d.kind().word())
                .addValue("partyCode", d.counterparty().code())
                .addValue("partyName", d.counterparty().name())
                .addValue("issueDate", d.date())
                .addValue("dueDate", figures.due(), Types.DATE)
                .addValue("currency", d.currency().getCode())
                .addValue("net", figures.net())
                .addValue("tax", figures.tax())
                .addValue("gross", figures.gross())
                .addValue("lineCount", d.partCount())
                .addValue("refs", Refs.of(d).toArray(String[]::new))
                .addValue("corrects", figures.corrects())
                .addValue("stranger", figures.stranger())
                .addValue("revisionId", row.revisionId())
                .addValue("approved", row.approved())
                .addValue("voided", row.said().voided())
                .addValue("route", route.id())
                .addValue("site", d.site())
                .addValue("milestones", names(row.said().milestones()).toArray(String[]::new));
    }

    /// The same record taken for something else, though its source said nothing new.
    ///
    /// @param sourceRef what identifies it from now on
    public void reinterpret(long id, String sourceRef, Document d, long revisionId) {
        jdbc.sql("""
                update record set source_ref = :ref, kind = :kind, party_code = :partyCode, party_name = :partyName,
                    refs = :refs, corrects = :corrects, stranger = :stranger, revision_id = :revisionId, version = version + 1
                where id = :id""")
                .param("ref", sourceRef)
                .param("kind", d.kind().word())
                .param("partyCode", d.counterparty().code())
                .param("partyName", d.counterparty().name())
                .param("refs", Refs.of(d).toArray(String[]::new))
                .param("corrects", Figures.of(d).corrects())
                .param("stranger", Figures.of(d).stranger())
                .param("revisionId", revisionId)
                .param("id", id)
                .update();
    }

    /// Leads those of a site that have not crossed another way.
    public void lead(long from, String site, String currency, long to) {
        jdbc.sql("""
                update record set route_id = :to, version = version + 1
                where route_id = :from and site = :site and currency = :currency
                    and (outcome is null or outcome in ('refused', 'unreached'))""")
                .param("to", to)
                .param("from", from)
                .param("site", site)
                .param("currency", currency)
                .update();
    }

    /// What has not crossed waits for another thing from now on.
    ///
    /// @return how many are waiting that were not, or the other way round
    public int await(long routeId, String kind, Milestone milestone) {
        return jdbc.sql("""
                update record set approved = not approved, version = version + 1
                where route_id = :route and kind = :kind and origin = 'source'
                    and approved <> (:milestone = any(milestones) or milestones @> '{APPROVED,NUMBER_ASKED}')
                    and (outcome is null or outcome in ('refused', 'unreached'))""")
                .param("milestone", milestone.name())
                .param("route", routeId)
                .param("kind", kind)
                .update();
    }

    /// What was entered on the ledger has the number of its source by now.
    public void arrived(long id, String number) {
        jdbc.sql("update record set number = :number, version = version + 1 where id = :id")
                .param("number", number)
                .param("id", id)
                .update();
    }

    /// Its source does not have it any more, and it is as if it had been voided there.
    public void voidedHere(long id) {
        jdbc.sql("update record set voided = true, version = version + 1 where id = :id")
                .param("id", id)
                .update();
    }

    /// The source voided what was entered on the ledger, or took that back; all else it says of it is what it was told.
    public void voidedThere(long sourceId, String sourceRef, boolean voided) {
        jdbc.sql("""
                update record set voided = :voided, version = version + 1
                where source_id = :source and source_ref = :ref and origin = 'ledger' and voided <> :voided""")
                .param("voided", voided)
                .param("source", sourceId)
                .param("ref", sourceRef)
                .update();
    }

    public static Set<String> names(Set<Milestone> milestones) {
        return milestones.stream().map(Enum::name).collect(Collectors.toSet());
    }
}
