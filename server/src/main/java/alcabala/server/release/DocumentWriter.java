package alcabala.server.release;

import alcabala.accounting.document.Document;
import alcabala.accounting.document.DocumentKind;
import alcabala.accounting.posting.Compiler;
import alcabala.accounting.setting.Milestone;
import alcabala.server.connect.RouteRow;
import alcabala.server.connect.SourceCatalogue;
import alcabala.server.platform.Copy;
import alcabala.server.platform.DocumentJson;
import alcabala.server.trail.Trail;
import java.time.Clock;
import java.time.Instant;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import javax.sql.DataSource;
import org.springframework.jdbc.core.namedparam.MapSqlParameterSource;
import org.springframework.jdbc.core.namedparam.NamedParameterJdbcTemplate;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;

/// Writes documents with their received bytes, findings and trail, in bulk. Within the caller's transaction and route
/// lock.
@Component
public class DocumentWriter {
    private final JdbcClient jdbc;
    private final NamedParameterJdbcTemplate template;
    private final DataSource dataSource;
    private final SourceCatalogue catalogue;
    private final Trail trail;
    private final Clock clock;

    /// What is known of a document that was taken in before.
    private record Known(long id, Set<String> milestones, boolean voided, String sha256) {
        boolean isSame(Incoming incoming) {
            return milestones.equals(names(incoming.milestones()))
                    && voided == incoming.voided()
                    && sha256.equals(Hashes.hex(incoming.raw()));
        }
    }

    /// One row to write.
    private record Row(
            long id, long receivedId, Incoming incoming, boolean approved, Compiled compiled, byte[] sha256) {}

    /// How many were new, changed, or came as they already were.
    public record Written(int added, int changed, int same) {
        Written plus(Written other) {
            return new Written(added + other.added, changed + other.changed, same + other.same);
        }
    }

    DocumentWriter(
            JdbcClient jdbc,
            NamedParameterJdbcTemplate template,
            DataSource dataSource,
            SourceCatalogue catalogue,
            Trail trail,
            Clock clock) {
        this.jdbc = jdbc;
        this.template = template;
        this.dataSource = dataSource;
        this.catalogue = catalogue;
        this.trail = trail;
        this.clock = clock;
    }

    /// @param incoming at most one for each source reference
    Written write(RouteRow route, Compiler compiler, List<Incoming> incoming, String who) {
        Map<String, Known> known = known(route.sourceId(), incoming);
        List<Incoming> added = new ArrayList<>();
        List<Incoming> changed = new ArrayList<>();
        int same = 0;
        for (Incoming each : incoming) {
            Known before = known.get(each.sourceRef());
            if (before == null) {
                added.add(each);
            } else if (before.isSame(each)) {
                same++;
            } else {
                changed.add(each);
            }
        }
        catalogue.keepCodesOf(
                route.sourceId(), incoming.stream().map(Incoming::document).toList());
        Instant now = clock.instant();
        List<Row> rows = rows(compiler, added, ids("document", added.size()));
        writeReceived(route, rows, now);
        writeNew(route, rows);
        List<Long> changedIds =
                changed.stream().map(each -> known.get(each.sourceRef()).id()).toList();
        List<Row> revisions = rows(compiler, changed, changedIds);
        writeReceived(route, revisions, now);
        writeRevisions(route, revisions);
        deleteFindings(changedIds);
        writeFindings(rows);
        writeFindings(revisions);
        writeTrail(route, rows, "taken-in", who);
        writeTrail(route, revisions, "changed-on-source", who);
        return new Written(added.size(), changed.size(), same);
    }

    private Map<String, Known> known(long sourceId, List<Incoming> incoming) {
        Map<String, Known> known = new HashMap<>();
        jdbc.sql("""
                select d.source_ref, d.id, d.milestones, d.voided, encode(r.sha256, 'hex') as sha256
                from document d join received r on r.id = d.received_id
                where d.source_id = :source and d.source_ref = any(:refs)""")
                .param("source", sourceId)
                .param("refs", incoming.stream().map(Incoming::sourceRef).toArray(String[]::new))
                .query((row, n) -> known.put(
                        row.getString("source_ref"),
                        new Known(
                                row.getLong("id"),
                                Set.of((String[]) row.getArray("milestones").getArray()),
                                row.getBoolean("voided"),
                                row.getString("sha256"))))
                .list();
        return known;
    }

    private List<Long> ids(String table, int count) {
        return count == 0
                ? List.of()
                : jdbc.sql("select nextval(pg_get_serial_sequence(:table, 'id')) from generate_series(1, :count)")
                        .param("table", table)
                        .param("count", count)
                        .query(Long.class)
                        .list();
    }

    private List<Row> rows(Compiler compiler, List<Incoming> incoming, List<Long> ids) {
        List<Long> receivedIds = ids("received", incoming.size());
        List<Row> rows = new ArrayList<>(incoming.size());
        for (int i = 0; i < incoming.size(); i++) {
            Incoming each = incoming.get(i);
            rows.add(new Row(
                    ids.get(i),
                    receivedIds.get(i),
                    each,
                    isApproved(compiler, each),
                    Compiled.of(compiler.compile(each.document())),
                    Hashes.sha256(each.raw())));
        }
        return rows;
    }

    /// Whether what the route waits for has happened.
    private static boolean isApproved(Compiler compiler, Incoming incoming) {
        DocumentKind kind = incoming.document().kind();
        return incoming.milestones()
                .contains(compiler.route().settings().trigger(kind).milestone());
    }

    private static Set<String> names(Set<Milestone> milestones) {
        return milestones.stream().map(Enum::name).collect(Collectors.toSet());
    }

    private void writeReceived(RouteRow route, List<Row> rows, Instant now) {
        Copy copy = new Copy();
        for (Row row : rows) {
            copy.value(row.receivedId())
                    .value(route.sourceId())
                    .value(row.sha256())
                    .value(row.incoming().mediaType())
                    .value(row.incoming().fileName())
                    .value(row.incoming().raw())
                    .value(now)
                    .endRow();
        }
        copy.send(dataSource, "received (id, source_id, sha256, media_type, file_name, content, received_at)");
    }

    private void writeNew(RouteRow route, List<Row> rows) {
        Copy copy = new Copy();
        for (Row row : rows) {
            Document d = row.incoming().document();
            Compiled c = row.compiled();
            copy.value(row.id())
                    .value(route.id())
                    .value(row.incoming().sourceRef())
                    .value(d.number())
                    .value(d.kind().word())
                    .value(d.counterparty().code())
                    .value(d.counterparty().name())
                    .value(d.issueDate())
                    .value(d.dueDate())
                    .value(d.currency().getCode())
                    .value(d.totals().net().getAmountMinorLong())
                    .value(d.totals().tax().getAmountMinorLong())
                    .value(d.totals().gross().getAmountMinorLong())
                    .value(d.lines().size())
                    .value(DocumentJson.write(d))
                    .value(Copy.array(Compiled.refs(d)))
                    .value(row.receivedId())
                    .value(row.approved())
                    .value(row.incoming().voided())
                    .value(route.sourceId())
                    .value(d.site())
                    .value(Copy.array(names(row.incoming().milestones())))
                    .value(c.blocking())
                    .value(c.cause())
                    .value(c.landsIn())
                    .value(c.taxCodes())
                    .value(c.rounding())
                    .endRow();
        }
        copy.send(
                dataSource,
                "document (id, route_id, source_ref, number, kind, party_code, party_name, issue_date, due_date, currency,"
                        + " net, tax, gross, line_count, content, refs, received_id, approved, voided, source_id, site,"
                        + " milestones, blocking, cause,"
                        + " lands_in, tax_codes, rounding)");
    }

    private void writeRevisions(RouteRow route, List<Row> rows) {
        MapSqlParameterSource[] values = rows.stream()
                .map(row -> {
                    Document d = row.incoming().document();
                    return result(row.id(), row.compiled())
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
                            .addValue("content", DocumentJson.write(d))
                            .addValue("refs", Compiled.refs(d).toArray(String[]::new))
                            .addValue("receivedId", row.receivedId())
                            .addValue("approved", row.approved())
                            .addValue("route", route.id())
                            .addValue("site", d.site())
                            .addValue(
                                    "milestones",
                                    names(row.incoming().milestones()).toArray(String[]::new))
                            .addValue("voided", row.incoming().voided());
                })
                .toArray(MapSqlParameterSource[]::new);
        if (values.length > 0) {
            template.batchUpdate("""
                    update document set revision = revision + case when content = cast(:content as jsonb) then 0 else 1 end,
                        number = :number, kind = :kind, party_code = :partyCode, party_name = :partyName,
                        issue_date = :issueDate, due_date = :dueDate, currency = :currency, net = :net, tax = :tax,
                        gross = :gross, line_count = :lineCount, content = cast(:content as jsonb), refs = :refs,
                        received_id = :receivedId, approved = :approved, voided = :voided,
                        route_id = :route, site = :site, milestones = :milestones, blocking = :blocking,
                        cause = :cause, lands_in = :landsIn, tax_codes = :taxCodes, rounding = :rounding,
                        refusal = case when outcome = 'posted' then '' else refusal end, version = version + 1
                    where id = :id""", values);
        }
    }

    /// What a new compiling changes of a document that itself did not change.
    void rewrite(List<Long> ids, List<Compiled> compiled) {
        List<Row> rows = new ArrayList<>(ids.size());
        MapSqlParameterSource[] values = new MapSqlParameterSource[ids.size()];
        for (int i = 0; i < ids.size(); i++) {
            values[i] = result(ids.get(i), compiled.get(i));
            rows.add(new Row(ids.get(i), 0, null, false, compiled.get(i), null));
        }
        template.batchUpdate("""
                update document set blocking = :blocking, cause = :cause, lands_in = :landsIn, tax_codes = :taxCodes,
                    rounding = :rounding, version = version + 1
                where id = :id""", values);
        deleteFindings(ids);
        writeFindings(rows);
    }

    private static MapSqlParameterSource result(long id, Compiled compiled) {
        return new MapSqlParameterSource("id", id)
                .addValue("blocking", compiled.blocking())
                .addValue("cause", compiled.cause())
                .addValue("landsIn", compiled.landsIn())
                .addValue("taxCodes", compiled.taxCodes())
                .addValue("rounding", compiled.rounding());
    }

    private void deleteFindings(List<Long> ids) {
        if (!ids.isEmpty()) {
            jdbc.sql("delete from finding where document_id = any(:ids)")
                    .param("ids", ids.toArray(Long[]::new))
                    .update();
        }
    }

    private void writeFindings(List<Row> rows) {
        Copy copy = new Copy();
        for (Row row : rows) {
            int ordinal = 0;
            for (Compiled.FindingRow finding : row.compiled().findings()) {
                copy.value(row.id())
                        .value(++ordinal)
                        .value(finding.severity())
                        .value(finding.cause())
                        .value(finding.sentence())
                        .endRow();
            }
        }
        copy.send(dataSource, "finding (document_id, ordinal, severity, cause, sentence)");
    }

    private void writeTrail(RouteRow route, List<Row> rows, String action, String who) {
        List<Trail.Entry> entries = new ArrayList<>(rows.size() * 2);
        for (Row row : rows) {
            Map<String, Object> came = Map.of(
                    "received", row.receivedId(),
                    "file", row.incoming().fileName(),
                    "approved", row.approved());
            entries.add(new Trail.Entry(route.id(), row.id(), who, action, came));
            entries.add(new Trail.Entry(route.id(), row.id(), who, "compiled", trailOf(row.compiled())));
        }
        trail.write(entries);
    }

    static Map<String, Object> trailOf(Compiled compiled) {
        Set<String> causes = new HashSet<>();
        compiled.findings().forEach(f -> causes.add(f.cause()));
        return Map.of("blocking", compiled.blocking(), "causes", causes, "landsIn", compiled.landsIn());
    }
}
