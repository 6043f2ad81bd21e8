package alcabala.server.trail;

import static java.util.stream.Collectors.groupingBy;
import static java.util.stream.Collectors.mapping;
import static java.util.stream.Collectors.toList;

import alcabala.server.platform.Actor;
import alcabala.server.platform.Copy;
import alcabala.server.platform.CopyAhead;
import alcabala.server.platform.Like;
import alcabala.server.platform.News.Topic;
import alcabala.server.platform.Telling;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Types;
import java.time.Clock;
import java.time.Instant;
import java.util.Collections;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import javax.sql.DataSource;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.security.core.Authentication;
import org.springframework.security.core.context.SecurityContextHolder;
import org.springframework.stereotype.Component;
import tools.jackson.core.type.TypeReference;
import tools.jackson.databind.json.JsonMapper;

/// Who did what to which document, when, and what went over the wire. Rows are only ever added.
@Component
public class Trail {
    private static final TypeReference<Map<String, Object>> DETAIL = new TypeReference<>() {};
    /// What Alcabala does by itself stands under its own name.
    private static final String ITSELF = "Alcabala";
    private final JdbcClient jdbc;
    private final DataSource dataSource;
    private final JsonMapper json;
    private final Telling telling;
    private final Clock clock;

    /// One entry to be written.
    public record Entry(Long routeId, Long documentId, String who, String action, Map<String, ?> detail) {}

    /// One entry as it is read.
    ///
    /// @param who as she was called then
    /// @param signIn by which she signs in today; empty for what Alcabala did by itself
    public record TrailEntry(
            long id, Instant at, String who, String signIn, String action, Map<String, Object> detail) {}

    Trail(JdbcClient jdbc, DataSource dataSource, JsonMapper json, Telling telling, Clock clock) {
        this.jdbc = jdbc;
        this.dataSource = dataSource;
        this.json = json;
        this.telling = telling;
        this.clock = clock;
    }

    public void write(Long routeId, Long documentId, String who, String action, Map<String, ?> detail) {
        write(List.of(new Entry(routeId, documentId, who, action, detail)));
    }

    /// Within the caller's transaction, so that what happened and its trace stand or fall together.
    public void write(List<Entry> entries) {
        if (entries.size() == 1) {
            insert(entries.getFirst());
            return;
        }
        Map<String, Long> persons = persons(entries.stream().map(Entry::who));
        try (CopyAhead ahead = CopyAhead.on(dataSource)) {
            write(ahead, entries, persons);
        }
    }

    /// Who they are, asked before the connection belongs to rows that are sent ahead. Most of it is done by an app or
    /// by Alcabala, who are no person: that is remembered too, as null.
    public Map<String, Long> persons(Stream<String> names) {
        Map<String, Long> persons = new HashMap<>();
        names.distinct().forEach(who -> persons.put(who, findPerson(who)));
        return persons;
    }

    /// Beside other rows.
    ///
    /// @param persons all whom the entries name
    public void write(CopyAhead ahead, List<Entry> entries, Map<String, Long> persons) {
        Copy copy = new Copy();
        String now = clock.instant().toString();
        for (Entry entry : entries) {
            copy.value(now)
                    .value(entry.who())
                    .value(persons.get(entry.who()))
                    .value(entry.routeId())
                    .value(entry.documentId())
                    .value(entry.action())
                    .value(json.writeValueAsString(entry.detail()))
                    .endRow();
        }
        ahead.send(copy, "trail (at, who, person_id, route_id, record_id, action, detail)");
        entries.stream()
                .collect(groupingBy(
                        each -> new Subject(each.routeId(), each.who(), each.documentId() == null),
                        mapping(Entry::documentId, toList())))
                .forEach(this::tell);
    }

    private record Subject(Long route, String who, boolean settings) {}

    private void tell(Subject subject, List<Long> documents) {
        telling.tell(
                subject.settings() ? Topic.SETTINGS : Topic.RECORDS,
                subject.route(),
                subject.who(),
                subject.settings() ? List.of() : documents);
    }

    /// COPY is for many.
    private void insert(Entry entry) {
        jdbc.sql("""
                insert into trail (at, who, person_id, route_id, record_id, action, detail)
                values (cast(:at as timestamptz), :who, :person, :route, :record, :action, cast(:detail as jsonb))""")
                .param("at", clock.instant().toString())
                .param("who", entry.who())
                .param("person", findPerson(entry.who()), Types.BIGINT)
                .param("route", entry.routeId(), Types.BIGINT)
                .param("record", entry.documentId(), Types.BIGINT)
                .param("action", entry.action())
                .param("detail", json.writeValueAsString(entry.detail()))
                .update();
        tell(
                new Subject(entry.routeId(), entry.who(), entry.documentId() == null),
                Collections.singletonList(entry.documentId()));
    }

    /// Whoever is signed in; in the background whoever has that name alone. Null for what Alcabala does by itself.
    private Long findPerson(String who) {
        Authentication present = SecurityContextHolder.getContext().getAuthentication();
        if (present != null
                && present.getPrincipal() instanceof Actor actor
                && actor.name().equals(who)) {
            return actor.id();
        }
        if (who.equals(ITSELF) || who.startsWith(ITSELF + ", ")) {
            return null;
        }
        return jdbc.sql("select min(id) from person where name = :name having count(*) = 1")
                .param("name", who)
                .query(Long.class)
                .optional()
                .orElse(null);
    }

    /// What concerns no single document: settings, people, connections, pulls. The newest first.
    ///
    /// @param before only entries older than this one; null for the newest
    public List<TrailEntry> ofSettings(String who, String text, Long before, int limit) {
        return jdbc.sql("""
                select t.id, t.at, t.who, coalesce(p.sign_in, '') as sign_in, t.action, t.detail
                from trail t left join person p on p.id = t.person_id
                where t.record_id is null and t.id < :before and (:who = '' or t.who = :who)
                    and (:text = '' or t.action ilike :pattern or t.detail::text ilike :pattern)
                order by t.id desc limit :limit""")
                .param("before", before == null ? Long.MAX_VALUE : before)
                .param("who", who)
                .param("text", text)
                .param("pattern", Like.anywhere(text))
                .param("limit", limit)
                .query((row, n) -> entry(row))
                .list();
    }

    public List<TrailEntry> of(long documentId) {
        return jdbc.sql("""
                select t.id, t.at, t.who, coalesce(p.sign_in, '') as sign_in, t.action, t.detail
                from trail t left join person p on p.id = t.person_id where t.record_id = :id order by t.id""")
                .param("id", documentId)
                .query((row, n) -> entry(row))
                .list();
    }

    private TrailEntry entry(ResultSet row) throws SQLException {
        return new TrailEntry(
                row.getLong("id"),
                row.getTimestamp("at").toInstant(),
                row.getString("who"),
                row.getString("sign_in"),
                row.getString("action"),
                json.readValue(row.getString("detail"), DETAIL));
    }
}
