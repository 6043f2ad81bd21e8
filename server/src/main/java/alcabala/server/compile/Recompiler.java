package alcabala.server.compile;

import alcabala.accounting.posting.Compiler;
import alcabala.accounting.record.Family;
import alcabala.accounting.record.Record;
import alcabala.accounting.record.RecordKind;
import alcabala.server.jobs.Works.Progress;
import alcabala.server.platform.Copy;
import alcabala.server.record.Stored;
import alcabala.server.route.Routes;
import alcabala.server.trail.Trail;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Stream;
import org.springframework.beans.factory.ObjectProvider;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/// Compiles again what a change touched, and counts what it released.
@Component
class Recompiler implements Affected {
    private static final int CHUNK = 2000;
    private final JdbcClient jdbc;
    private final Routes routes;
    private final ObjectProvider<Compilers> compilers;
    private final ObjectProvider<Compiling> compiling;
    private final CompiledFacts facts;
    private final Trail trail;

    /// The next of a family to be compiled, after the number of the last.
    private interface Chunks {
        List<Before> after(Family family, long id);
    }

    private record Before(long id, String state, String kind, String currency, long gross, String content) {
        Released released() {
            RecordKind of = RecordKind.of(kind);
            return of.isDocument()
                    ? Released.document(currency, of.sign() * gross)
                    : Released.payment(currency, of.sign() * gross);
        }
    }

    Recompiler(
            JdbcClient jdbc,
            Routes routes,
            ObjectProvider<Compilers> compilers,
            ObjectProvider<Compiling> compiling,
            CompiledFacts facts,
            Trail trail) {
        this.jdbc = jdbc;
        this.routes = routes;
        this.compilers = compilers;
        this.compiling = compiling;
        this.facts = facts;
        this.trail = trail;
    }

    @Override
    @Transactional
    public Released compileAgain(long routeId, Set<String> refs, String who, String because, Progress at) {
        return compileAll(
                routeId, count(routeId, refs), (family, after) -> next(routeId, refs, family, after), who, because, at);
    }

    @Override
    @Transactional
    public Released compileAgain(long routeId, List<Long> documents, String who, String because) {
        return compileAll(
                routeId,
                documents.size(),
                (family, after) -> next(routeId, documents, family, after),
                who,
                because,
                (done, of) -> {});
    }

    private Released compileAll(long routeId, int of, Chunks chunks, String who, String because, Progress at) {
        int done = 0;
        Compiler compiler = compilers.getObject().of(routeId);
        Released total = Released.NONE;
        // What a document has become is known before what settles it is compiled.
        for (Family family : Family.values()) {
            List<Before> chunk = chunks.after(family, 0);
            while (!chunk.isEmpty()) {
                total = total.plus(compile(routeId, compiler, chunk, who, because));
                done += chunk.size();
                at.at(done, Math.max(of, done));
                chunk = chunks.after(family, chunk.getLast().id());
            }
        }
        return total;
    }

    private Released compile(long routeId, Compiler compiler, List<Before> chunk, String who, String because) {
        Map<Long, Record> records = new LinkedHashMap<>();
        chunk.forEach(before -> records.put(before.id(), Stored.record(before.content())));
        Map<Long, Compiled> results = compiling.getObject().all(routes.get(routeId), compiler, records);
        facts.update(results);
        Released released = Released.NONE;
        List<Trail.Entry> entries = new ArrayList<>();
        for (Before before : chunk) {
            Compiled result = results.get(before.id());
            boolean clean = result.blocking() == 0;
            if (before.state().equals("Blocked") && clean) {
                released = released.plus(before.released());
            } else if (before.state().equals("Ready") && !clean) {
                released = released.plus(Released.blockedAgain(1));
            }
            entries.add(new Trail.Entry(routeId, before.id(), who, "mapping-changed", Map.of("change", because)));
            entries.add(new Trail.Entry(routeId, before.id(), who, "compiled", result.told()));
        }
        trail.write(entries);
        return released;
    }

    private static String[] kinds(Family family) {
        return Stream.of(RecordKind.values())
                .filter(kind -> kind.family() == family)
                .map(RecordKind::word)
                .toArray(String[]::new);
    }

    private int count(long routeId, Set<String> refs) {
        return jdbc.sql("select count(*) from record d where " + OPEN + touched(refs))
                .param("route", routeId)
                .param("after", 0)
                .param("refs", Copy.array(refs))
                .query(Integer.class)
                .single();
    }

    private static String touched(Set<String> refs) {
        return refs.isEmpty() ? "" : " and d.refs && cast(:refs as text[])";
    }

    private List<Before> next(long routeId, Set<String> refs, Family family, long after) {
        return jdbc.sql(SELECT + touched(refs) + " order by d.id limit :limit")
                .param("route", routeId)
                .param("after", after)
                .param("kinds", kinds(family))
                .param("refs", Copy.array(refs))
                .param("limit", CHUNK)
                .query(Before.class)
                .list();
    }

    private List<Before> next(long routeId, List<Long> documents, Family family, long after) {
        return jdbc.sql(SELECT + " and d.id = any(:ids) order by d.id limit :limit")
                .param("route", routeId)
                .param("after", after)
                .param("kinds", kinds(family))
                .param("ids", documents.toArray(Long[]::new))
                .param("limit", CHUNK)
                .query(Before.class)
                .list();
    }

    private static final String OPEN = """
            d.route_id = :route and d.id > :after and d.outcome is distinct from 'posted'
                and (d.outcome is null or d.outcome in ('refused', 'unreached'))""";
    private static final String SELECT = "select d.id, d.state, d.kind, d.currency, d.gross, " + Stored.COLUMN
            + " from record d" + Stored.JOIN + """
            where d.route_id = :route and d.id > :after and d.kind = any(:kinds) and d.outcome is distinct from 'posted'
                and (d.outcome is null or d.outcome in ('refused', 'unreached'))""";
}
