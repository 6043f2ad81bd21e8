package alcabala.server.record;

import alcabala.accounting.document.Document;
import alcabala.accounting.document.TypeCode;
import alcabala.accounting.setting.Milestone;
import alcabala.server.platform.Copy;
import alcabala.server.route.RouteRow;
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
                    + " net, tax, gross, line_count, refs, corrects, stranger, milestones, approved, voided, revision_id";
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
        Document d = row.said().document();
        copy.value(row.id())
                .value(route.id())
                .value(route.sourceId())
                .value(row.said().sourceRef())
                .value(d.number())
                .value(d.kind().word())
                .value(d.counterparty().code())
                .value(d.counterparty().name())
                .value(d.site())
                .value(d.issueDate())
                .value(d.dueDate())
                .value(d.currency().getCode())
                .value(d.totals().net().getAmountMinorLong())
                .value(d.totals().tax().getAmountMinorLong())
                .value(d.totals().gross().getAmountMinorLong())
                .value(d.lines().size())
                .value(Copy.array(Refs.of(d)))
                .value(corrects(d))
                .value(isOfStrangers(d))
                .value(Copy.array(names(row.said().milestones())))
                .value(row.approved())
                .value(row.said().voided())
                .value(row.revisionId());
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
        Document d = row.said().document();
        return new MapSqlParameterSource("id", row.id())
                .addValue("revision", row.revision())
                .addValue("number", d.number())
                .addValue("kind", d.kind().word())
                .addValue("partyCode", d.counterparty().code())
                .addValue("partyName", d.counterparty().name())
                .addValue("issueDate", d.issueDate())
                .addValue("dueDate", d.dueDate())
                .addValue("currency", d.currency().getCode())
                .addValue("net", d.totals().net().getAmountMinorLong())
                .addValue("tax", d.totals().tax().getAmountMinorLong())
                .addValue("gross", d.totals().gross().getAmountMinorLong())
                .addValue("lineCount", d.lines().size())
                .addValue("refs", Refs.of(d).toArray(String[]::new))
                .addValue("corrects", corrects(d))
                .addValue("stranger", isOfStrangers(d))
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
                .param("corrects", corrects(d))
                .param("stranger", isOfStrangers(d))
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
                update record set approved = (:milestone = any(milestones)), version = version + 1
                where route_id = :route and kind = :kind and approved <> (:milestone = any(milestones))
                    and (outcome is null or outcome in ('refused', 'unreached'))""")
                .param("milestone", milestone.name())
                .param("route", routeId)
                .param("kind", kind)
                .update();
    }

    /// The number of the document in whose place a corrected invoice would stand, as long as it does not.
    private static String corrects(Document d) {
        return d.typeCode().equals(TypeCode.CORRECTED_INVOICE.code())
                        && d.replaces().isEmpty()
                ? d.precedingNumber()
                : "";
    }

    private static boolean isOfStrangers(Document d) {
        return d.ownership() == alcabala.accounting.document.Ownership.NEITHER;
    }

    public static Set<String> names(Set<Milestone> milestones) {
        return milestones.stream().map(Enum::name).collect(Collectors.toSet());
    }
}
