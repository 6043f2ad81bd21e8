package alcabala.server.compile;

import alcabala.accounting.crosswalk.Crosswalk;
import alcabala.accounting.crosswalk.CrosswalkRow;
import alcabala.accounting.crosswalk.Meaning;
import alcabala.accounting.crosswalk.RowKind;
import alcabala.accounting.sync.Crossed;
import alcabala.server.platform.News.Topic;
import alcabala.server.platform.NotPossibleException;
import alcabala.server.platform.Telling;
import alcabala.server.route.Routes;
import java.sql.Timestamp;
import java.time.Clock;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Collection;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;

/// What the bookkeeper decided about the codes of a source, now and at every moment before. A row is set once and ended
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

    /// What of the fields of the business's own goes to the ledger.
    public Crossed crossed(long routeId) {
        return Crossed.of(rows(routeId, List.of(RowKind.FIELD)));
    }

    /// As they stood at a moment.
    public List<CrosswalkRow> rowsAt(long routeId, Instant moment) {
        return CrosswalkRows.of(jdbc.sql(CrosswalkRows.SELECT + " where route_id = :route and " + STOOD)
                .param("route", routeId)
                .param("moment", Timestamp.from(moment))
                .query(CrosswalkRows.Said.class)
                .list());
    }

    /// As they stood at a moment, as far as one record can ask for them: of items and parties, of which there
    /// may be very many, only those of its codes.
    ///
    /// @param codes of items and parties
    public List<CrosswalkRow> rowsAt(long routeId, Instant moment, long recordId, Collection<String> codes) {
        String standing = " where route_id = :route and " + STOOD;
        return CrosswalkRows.of(jdbc.sql(CrosswalkRows.SELECT + standing + " and not kind = any(:many) union all "
                        + CrosswalkRows.SELECT + standing + " and kind = any(:large) and code = any(:codes) union all "
                        + CrosswalkRows.SELECT + standing + " and kind = 'LINE' and starts_with(code, :line)")
                .param("route", routeId)
                .param("moment", Timestamp.from(moment))
                .param("many", new String[] {"ITEM", "PARTY", "SUPPLIER", "LINE"})
                .param("large", new String[] {"ITEM", "PARTY", "SUPPLIER"})
                .param("codes", codes.toArray(String[]::new))
                .param("line", Crosswalk.lineCode(Long.toString(recordId), ""))
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
            String endedNote) {
        /// Whether another one was said in its place at once.
        ///
        /// @param later the next version; null for none
        public boolean isFollowedBy(Span later) {
            return later != null && later.setAt().equals(endedAt);
        }
    }

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
        Map<Integer, Span> spans = new TreeMap<>(Comparator.reverseOrder());
        spans(routeId, kind, code).forEach(span -> spans.put(span.key().version(), span));
        List<From> said = new ArrayList<>();
        spans.forEach((version, span) -> {
            if (span.endedAt() != null && !span.isFollowedBy(spans.get(version + 1))) {
                said.add(new From(span.endedAt(), null));
            }
            said.add(new From(span.setAt(), span.meaning()));
        });
        return said;
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
