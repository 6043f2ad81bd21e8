package alcabala.server.intake;

import alcabala.accounting.posting.Compiler;
import alcabala.accounting.record.Family;
import alcabala.accounting.record.Origin;
import alcabala.accounting.record.Record;
import alcabala.accounting.record.RecordKind;
import alcabala.server.compile.Affected;
import alcabala.server.compile.Compiled;
import alcabala.server.compile.CompiledFacts;
import alcabala.server.compile.Compiling;
import alcabala.server.crossing.Outcomes;
import alcabala.server.platform.Copy;
import alcabala.server.platform.CopyAhead;
import alcabala.server.record.Allocations;
import alcabala.server.record.Hashes;
import alcabala.server.record.Incoming;
import alcabala.server.record.Refs;
import alcabala.server.record.Revisions;
import alcabala.server.record.SourceFacts;
import alcabala.server.record.SourceFacts.Row;
import alcabala.server.record.Stored;
import alcabala.server.reference.SourceCatalogue;
import alcabala.server.route.RouteRow;
import alcabala.server.trail.Trail;
import java.time.Clock;
import java.time.Instant;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import javax.sql.DataSource;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;

/// Takes records in, in bulk: what their source says, what compiling says of it, and their trail. Within the caller's
/// transaction and route lock.
@Component
public class Intake {
    private final JdbcClient jdbc;
    private final DataSource dataSource;
    private final SourceCatalogue catalogue;
    private final SourceFacts facts;
    private final Revisions revisions;
    private final CompiledFacts compiledFacts;
    private final Outcomes outcomes;
    private final Allocations allocations;
    private final Compiling compiling;
    private final Affected affected;
    private final Trail trail;
    private final Clock clock;

    /// What is known of a record that was taken in before.
    private record Known(long id, int revision, Set<String> milestones, boolean voided, String sha256, String content) {
        /// One that is written in another way, or in another order, is the same as long as it is understood alike.
        boolean isSame(Incoming incoming) {
            return milestones.equals(SourceFacts.names(incoming.milestones()))
                    && voided == incoming.voided()
                    && (sha256.equals(Hashes.hex(incoming.raw())) || Stored.says(content, incoming.record()));
        }

        /// Whether it says nothing that would be another thing on the ledger.
        boolean says(Incoming incoming, Compiler compiler) {
            return compiler.crossing(Stored.record(content)).equals(compiler.crossing(incoming.record()));
        }
    }

    /// How many were new, changed, or came as they already were.
    public record Written(int added, int changed, int same) {
        public static final Written NOTHING = new Written(0, 0, 0);

        Written plus(Written other) {
            return new Written(added + other.added, changed + other.changed, same + other.same);
        }
    }

    /// Documents and what settles them, which nobody counts together.
    ///
    /// @param gone how many their source does not have any more
    public record TakenIn(Written documents, Written settlements, int gone) {
        public static final TakenIn NOTHING = new TakenIn(Written.NOTHING, Written.NOTHING, 0);

        TakenIn plus(TakenIn other) {
            return new TakenIn(documents.plus(other.documents), settlements.plus(other.settlements), gone + other.gone);
        }

        public int added() {
            return documents.added() + settlements.added();
        }

        public int changed() {
            return documents.changed() + settlements.changed();
        }
    }

    Intake(
            JdbcClient jdbc,
            DataSource dataSource,
            SourceCatalogue catalogue,
            SourceFacts facts,
            Revisions revisions,
            CompiledFacts compiledFacts,
            Outcomes outcomes,
            Allocations allocations,
            Compiling compiling,
            Affected affected,
            Trail trail,
            Clock clock) {
        this.jdbc = jdbc;
        this.dataSource = dataSource;
        this.catalogue = catalogue;
        this.facts = facts;
        this.revisions = revisions;
        this.compiledFacts = compiledFacts;
        this.outcomes = outcomes;
        this.allocations = allocations;
        this.compiling = compiling;
        this.affected = affected;
        this.trail = trail;
        this.clock = clock;
    }

    /// Documents first, since what settles them asks what they have become; and that before it is taken to the bank.
    ///
    /// @param incoming at most one for each source reference
    public TakenIn write(RouteRow route, Compiler compiler, List<Incoming> incoming, String who) {
        Written documents = writeFamily(route, compiler, of(Family.DOCUMENT, incoming), who);
        Written settlements = writeFamily(route, compiler, of(Family.SETTLEMENT, incoming), who);
        writeFamily(route, compiler, of(Family.TRANSFER, incoming), who);
        return new TakenIn(documents, settlements, 0);
    }

    private static List<Incoming> of(Family family, List<Incoming> incoming) {
        return incoming.stream()
                .filter(each -> each.record().kind().family() == family)
                .toList();
    }

    private Written writeFamily(RouteRow route, Compiler compiler, List<Incoming> incoming, String who) {
        if (incoming.isEmpty()) {
            return Written.NOTHING;
        }
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
                route.sourceId(), incoming.stream().map(Incoming::record).toList());
        Instant now = clock.instant();
        insert(route, compiler, added, now, who);
        update(route, compiler, changed, known, now, who);
        return new Written(added.size(), changed.size(), same);
    }

    private void insert(RouteRow route, Compiler compiler, List<Incoming> added, Instant now, String who) {
        List<Long> ids = facts.ids(added.size());
        List<Long> said = revisions.ids(added.size());
        List<Row> rows = new ArrayList<>(added.size());
        Map<Long, Record> records = new LinkedHashMap<>();
        for (int i = 0; i < added.size(); i++) {
            Incoming each = added.get(i);
            rows.add(new Row(ids.get(i), said.get(i), 1, each, isApproved(compiler, each)));
            records.put(ids.get(i), each.record());
        }
        Map<Long, Compiled> compiled = compiling.all(route, compiler, records);
        Map<String, Long> persons = trail.persons(Stream.of(who));
        try (CopyAhead ahead = CopyAhead.on(dataSource)) {
            writeRecords(ahead, route, rows, compiled);
            writeRevisions(ahead, route, rows, now);
            compiledFacts.writeFindings(ahead, compiled);
            trail.write(ahead, entries(route, rows, compiled, "taken-in", who), persons);
        }
        allocations.write(records);
    }

    private void writeRecords(CopyAhead ahead, RouteRow route, List<Row> rows, Map<Long, Compiled> compiled) {
        Copy copy = new Copy();
        for (Row row : rows) {
            facts.put(copy, route, row);
            CompiledFacts.put(copy, compiled.get(row.id()));
            copy.endRow();
        }
        ahead.send(copy, "record (" + SourceFacts.COLUMNS + ", " + CompiledFacts.COLUMNS + ")");
    }

    private void update(
            RouteRow route,
            Compiler compiler,
            List<Incoming> changed,
            Map<String, Known> known,
            Instant now,
            String who) {
        if (changed.isEmpty()) {
            return;
        }
        List<Long> said = revisions.ids(changed.size());
        Map<Long, Record> records = new LinkedHashMap<>();
        List<Row> rows = new ArrayList<>(changed.size());
        for (int i = 0; i < changed.size(); i++) {
            Incoming each = changed.get(i);
            Known before = known.get(each.sourceRef());
            boolean says = before.says(each, compiler);
            int revision = before.revision() + (says ? 0 : 1);
            rows.add(new Row(before.id(), said.get(i), revision, each, isApproved(compiler, each)));
            records.put(before.id(), each.record());
        }
        Map<Long, Compiled> compiled = compiling.all(route, compiler, records);
        facts.update(route, rows);
        allocations.write(records);
        compiledFacts.update(compiled);
        outcomes.changedOnSource(rows.stream().map(Row::id).toList());
        Map<String, Long> persons = trail.persons(Stream.of(who));
        try (CopyAhead ahead = CopyAhead.on(dataSource)) {
            writeRevisions(ahead, route, rows, now);
            trail.write(ahead, entries(route, rows, compiled, "changed-on-source", who), persons);
        }
        compileWhatSettles(rows, who);
    }

    /// A document that was voided, or comes to less, takes less of what settles it; money that was is not banked.
    private void compileWhatSettles(List<Row> rows, String who) {
        Set<String> refs =
                rows.stream().map(row -> Refs.own(row.said().record())).collect(Collectors.toSet());
        jdbc.sql("""
                select route_id, array_agg(id order by id) as ids from record where refs && cast(:refs as text[])
                    and outcome is distinct from 'posted' and (outcome is null or outcome in ('refused', 'unreached'))
                group by route_id""")
                .param("refs", refs.toArray(String[]::new))
                .query((row, n) -> Map.entry(row.getLong("route_id"), List.of((Long[])
                        row.getArray("ids").getArray())))
                .list()
                .forEach(of -> affected.compileAgain(of.getKey(), of.getValue(), who, "what it settles was changed"));
    }

    private Map<String, Known> known(long sourceId, List<Incoming> incoming) {
        Map<String, Known> known = new HashMap<>();
        jdbc.sql("select d.source_ref, d.id, d.revision, d.milestones, d.voided, encode(v.sha256, 'hex') as sha256, "
                        + Stored.COLUMN + " from record d" + Stored.JOIN
                        + "where d.source_id = :source and d.source_ref = any(:refs)")
                .param("source", sourceId)
                .param("refs", incoming.stream().map(Incoming::sourceRef).toArray(String[]::new))
                .query((row, n) -> known.put(
                        row.getString("source_ref"),
                        new Known(
                                row.getLong("id"),
                                row.getInt("revision"),
                                Set.of((String[]) row.getArray("milestones").getArray()),
                                row.getBoolean("voided"),
                                row.getString("sha256"),
                                row.getString("content"))))
                .list();
        return known;
    }

    /// Whether what the route waits for has happened; what was entered on the ledger waits for nothing.
    private static boolean isApproved(Compiler compiler, Incoming incoming) {
        RecordKind kind = incoming.record().kind();
        return incoming.record().origin() == Origin.LEDGER
                || compiler.route().settings().trigger(kind).isReached(incoming.milestones());
    }

    private void writeRevisions(CopyAhead ahead, RouteRow route, List<Row> rows, Instant now) {
        revisions.write(
                ahead,
                route.sourceId(),
                rows.stream()
                        .map(row -> new Revisions.Revision(row.revisionId(), row.id(), row.revision(), row.said()))
                        .toList(),
                now);
    }

    private static List<Trail.Entry> entries(
            RouteRow route, List<Row> rows, Map<Long, Compiled> compiled, String action, String who) {
        List<Trail.Entry> entries = new ArrayList<>(rows.size() * 2);
        for (Row row : rows) {
            Map<String, Object> came = Map.of(
                    "received", row.revisionId(),
                    "file", row.said().fileName(),
                    "approved", row.approved());
            entries.add(new Trail.Entry(route.id(), row.id(), who, action, came));
            entries.add(new Trail.Entry(
                    route.id(),
                    row.id(),
                    who,
                    "compiled",
                    compiled.get(row.id()).told()));
        }
        return entries;
    }
}
