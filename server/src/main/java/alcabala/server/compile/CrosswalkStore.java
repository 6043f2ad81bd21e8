package alcabala.server.compile;

import alcabala.accounting.crosswalk.CrosswalkRow;
import alcabala.accounting.crosswalk.Meaning;
import alcabala.accounting.crosswalk.RowKind;
import alcabala.server.platform.News.Topic;
import alcabala.server.platform.NotPossibleException;
import alcabala.server.platform.Telling;
import alcabala.server.route.Routes;
import java.sql.Timestamp;
import java.time.Clock;
import java.time.Instant;
import java.util.Collection;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Stream;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;

/// What the bookkeeper decided about the codes of a source, now and at every moment before. A row is set
/// once and ended
/// once; nothing else of it ever changes.
@Component
public class CrosswalkStore {
    private final JdbcClient jdbc;
    private final Routes routes;
    private final Telling telling;
    private final Clock clock;

    CrosswalkStore(JdbcClient jdbc, Routes routes, Telling telling, Clock clock) {
        this.telling = telling;
        this.routes = routes;
        this.jdbc = jdbc;
        this.clock = clock;
    }

    /// As they stand.
    public List<CrosswalkRow> rows(long routeId) {
        return CrosswalkRows.of(jdbc.sql(CrosswalkRows.SELECT + " where route_id = :route and ended_at is null")
                .param("route", routeId)
                .query(CrosswalkRows.Said.class)
                .list());
    }

    /// Those of some kinds.
    public List<CrosswalkRow> rows(long routeId, Collection<RowKind> kinds) {
        return CrosswalkRows.of(
                jdbc.sql(CrosswalkRows.SELECT + " where route_id = :route and ended_at is null and kind = any(:kinds)")
                        .param("route", routeId)
                        .param("kinds", kinds.stream().map(RowKind::name).toArray(String[]::new))
                        .query(CrosswalkRows.Said.class)
                        .list());
    }

    /// Those of some codes.
    public List<CrosswalkRow> rows(long routeId, RowKind kind, Collection<String> codes) {
        return CrosswalkRows.of(jdbc.sql(CrosswalkRows.SELECT
                        + " where route_id = :route and ended_at is null and kind = :kind and code = any(:codes)")
                .param("route", routeId)
                .param("kind", kind.name())
                .param("codes", codes.toArray(String[]::new))
                .query(CrosswalkRows.Said.class)
                .list());
    }

    /// As they stood at a moment.
    public List<CrosswalkRow> rowsAt(long routeId, Instant moment) {
        return CrosswalkRows.of(jdbc.sql(CrosswalkRows.SELECT + " where route_id = :route and " + STOOD)
                .param("route", routeId)
                .param("moment", Timestamp.from(moment))
                .query(CrosswalkRows.Said.class)
                .list());
    }

    public Optional<CrosswalkRow> find(long routeId, RowKind kind, String code) {
        List<CrosswalkRow> rows =
                CrosswalkRows.of(jdbc.sql(CrosswalkRows.SELECT + " where ended_at is null and " + CODE)
                        .params(named(routeId, kind, code))
                        .query(CrosswalkRows.Said.class)
                        .list());
        return rows.stream().findFirst();
    }

    /// Compare-and-set: somebody else's change in between is not overwritten.
    ///
    /// @param expected the version that was seen, 0 for none
    public void set(long routeId, RowKind kind, String code, Meaning meaning, int expected, String who) {
        set(routeId, kind, code, meaning, expected, who, "");
    }

    /// The same, with why; empty where nobody said.
    public void set(long routeId, RowKind kind, String code, Meaning meaning, int expected, String who, String note) {
        int version = requireVersion(routeId, kind, code, expected) + 1;
        Timestamp now = Timestamp.from(clock.instant());
        if (expected > 0) {
            end(routeId, kind, code, who, now, "");
        }
        CrosswalkRows.said(meaning)
                .forEach(said -> jdbc.sql("""
                        insert into crosswalk_row (route_id, kind, code, purpose, dimension, target, version, set_by, set_at, note)
                        values (:route, :kind, :code, :purpose, :dimension, :target, :version, :who, :now, :note)""")
                        .params(named(routeId, kind, code))
                        .param("purpose", said.purpose().name())
                        .param("dimension", said.dimension())
                        .param("target", said.target())
                        .param("version", version)
                        .param("who", who)
                        .param("now", now)
                        .param("note", note)
                        .update());
        changed(routeId, kind, code, who);
    }

    public void remove(long routeId, RowKind kind, String code, int expected, String who) {
        remove(routeId, kind, code, expected, who, "");
    }

    /// The same, with why; empty where nobody said.
    public void remove(long routeId, RowKind kind, String code, int expected, String who, String note) {
        requireVersion(routeId, kind, code, expected);
        end(routeId, kind, code, who, Timestamp.from(clock.instant()), note);
        changed(routeId, kind, code, who);
    }

    private void changed(long routeId, RowKind kind, String code, String who) {
        routes.changed(routeId);
        telling.tell(Topic.CROSSWALK, routeId, who, kind + "/" + code);
    }

    /// Every state that a row ever had, the newest first.
    public List<CrosswalkRow> history(long routeId, RowKind kind, String code) {
        return CrosswalkRows.of(jdbc.sql(CrosswalkRows.SELECT + " where " + CODE + " order by version desc")
                .params(named(routeId, kind, code))
                .query(CrosswalkRows.Said.class)
                .list());
    }

    /// One version of a row.
    public record Key(RowKind kind, String code, int version) {
        public Key earlier() {
            return new Key(kind, code, version - 1);
        }

        public Key later() {
            return new Key(kind, code, version + 1);
        }
    }

    /// What one version of a row said, and for how long.
    ///
    /// @param endedAt null while it stands
    public record Span(
            Key key,
            Meaning meaning,
            String setBy,
            Instant setAt,
            String note,
            String endedBy,
            Instant endedAt,
            String endedNote) {}

    /// All versions of one row.
    public List<Span> spans(long routeId, RowKind kind, String code) {
        return CrosswalkRows.spans(jdbc.sql(CrosswalkRows.SPANS + " where " + CODE)
                .params(named(routeId, kind, code))
                .query(CrosswalkRows::spanning)
                .list());
    }

    /// The versions that were set or ended last, with those before and after them.
    ///
    /// @param before null for the newest
    /// @param limit how many changes are wanted
    public List<Span> lastSpans(long routeId, Instant before, int limit) {
        return CrosswalkRows.spans(jdbc.sql(
                        """
                with touched as (
                    (select kind, code, version from crosswalk_row
                        where route_id = :route and set_at < :before order by set_at desc limit :rows)
                    union
                    (select kind, code, version from crosswalk_row
                        where route_id = :route and ended_at < :before order by ended_at desc limit :rows)),
                wanted as (
                    select kind, code, version from touched union select kind, code, version - 1 from touched
                    union select kind, code, version + 1 from touched)
                """ + CrosswalkRows.SPANS + " join wanted using (kind, code, version) where route_id = :route")
                .param("route", routeId)
                .param(
                        "before",
                        before == null ? Timestamp.from(clock.instant().plusSeconds(60)) : Timestamp.from(before))
                // A version is several rows, one for each thing that it says.
                .param("rows", limit * 8)
                .query(CrosswalkRows::spanning)
                .list());
    }

    /// What a row said from a moment on.
    ///
    /// @param meaning null where it was taken away
    public record From(Instant moment, Meaning meaning) {}

    /// What it said, and from when on, the newest first.
    public List<From> said(long routeId, RowKind kind, String code) {
        Stream<From> set = history(routeId, kind, code).stream().map(row -> new From(row.setAt(), row.meaning()));
        Stream<From> takenAway = removals(routeId, kind, code).stream().map(removal -> new From(removal.at(), null));
        return Stream.concat(set, takenAway)
                .sorted(Comparator.comparing(From::moment).reversed())
                .toList();
    }

    /// A row was taken away, and nothing else was said in its place at once.
    public record Removal(int version, String who, Instant at) {}

    public List<Removal> removals(long routeId, RowKind kind, String code) {
        return jdbc.sql("""
                select distinct c.version, c.ended_by as who, c.ended_at as at from crosswalk_row c
                where c.ended_at is not null and not exists (
                    select 1 from crosswalk_row n where n.route_id = c.route_id and n.kind = c.kind and n.code = c.code
                        and n.version > c.version and n.set_at = c.ended_at)
                    and c.route_id = :route and c.kind = :kind and c.code = :code""")
                .params(named(routeId, kind, code))
                .query(Removal.class)
                .list();
    }

    private void end(long routeId, RowKind kind, String code, String who, Timestamp now, String note) {
        jdbc.sql("update crosswalk_row set ended_by = :who, ended_at = :now, ended_note = :note"
                        + " where ended_at is null and " + CODE)
                .param("note", note)
                .params(named(routeId, kind, code))
                .param("who", who)
                .param("now", now)
                .update();
    }

    /// @param present 0 where nothing is said
    /// @param last that was ever given
    private record Versions(int present, int last) {}

    /// @return the last version that was ever given
    private int requireVersion(long routeId, RowKind kind, String code, int expected) {
        Versions versions = jdbc.sql("""
                select coalesce(max(version) filter (where ended_at is null), 0) as present, coalesce(max(version), 0) as last
                from crosswalk_row where\s""" + CODE)
                .params(named(routeId, kind, code))
                .query(Versions.class)
                .single();
        if (versions.present() != expected) {
            throw NotPossibleException.conflict(
                    "changed-meanwhile", "Somebody else changed the row of " + code + " meanwhile; look at it again.");
        }
        return versions.last();
    }

    private static Map<String, Object> named(long routeId, RowKind kind, String code) {
        return Map.of("route", routeId, "kind", kind.name(), "code", code);
    }

    private static final String CODE = "route_id = :route and kind = :kind and code = :code";
    private static final String STOOD = "set_at <= :moment and (ended_at is null or ended_at > :moment)";
}
