package alcabala.server.compile;

import alcabala.accounting.document.DocumentKind;
import alcabala.accounting.posting.Compiler;
import alcabala.server.jobs.Works.Progress;
import alcabala.server.platform.Copy;
import alcabala.server.record.Stored;
import alcabala.server.trail.Trail;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.LongFunction;
import org.springframework.beans.factory.ObjectProvider;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/// Compiles again what a change touched, and counts what it released.
@Component
class Recompiler implements Affected {
    private static final int CHUNK = 2000;
    private final JdbcClient jdbc;
    private final ObjectProvider<Compilers> compilers;
    private final CompiledFacts facts;
    private final Trail trail;

    private record Before(long id, String state, String kind, long gross, String content) {
        long signed() {
            return DocumentKind.of(kind).sign() * gross;
        }
    }

    Recompiler(JdbcClient jdbc, ObjectProvider<Compilers> compilers, CompiledFacts facts, Trail trail) {
        this.jdbc = jdbc;
        this.compilers = compilers;
        this.facts = facts;
        this.trail = trail;
    }

    @Override
    @Transactional
    public Released compileAgain(long routeId, Set<String> refs, String who, String because, Progress at) {
        return compileAll(routeId, count(routeId, refs), after -> next(routeId, refs, after), who, because, at);
    }

    @Override
    @Transactional
    public Released compileAgain(long routeId, List<Long> documents, String who, String because) {
        return compileAll(
                routeId, documents.size(), after -> next(routeId, documents, after), who, because, (done, of) -> {});
    }

    private Released compileAll(
            long routeId, int of, LongFunction<List<Before>> chunks, String who, String because, Progress at) {
        int done = 0;
        Compiler compiler = compilers.getObject().of(routeId);
        Released total = new Released(0, 0, 0);
        List<Before> chunk = chunks.apply(0);
        while (!chunk.isEmpty()) {
            total = plus(total, compile(routeId, compiler, chunk, who, because));
            done += chunk.size();
            at.at(done, Math.max(of, done));
            chunk = chunks.apply(chunk.getLast().id());
        }
        return total;
    }

    private Released compile(long routeId, Compiler compiler, List<Before> chunk, String who, String because) {
        Map<Long, Compiled> results = new LinkedHashMap<>();
        chunk.forEach(
                before -> results.put(before.id(), Compiled.of(compiler.compile(Stored.document(before.content())))));
        facts.update(results);
        Released released = new Released(0, 0, 0);
        List<Trail.Entry> entries = new ArrayList<>();
        for (Before before : chunk) {
            Compiled result = results.get(before.id());
            boolean clean = result.blocking() == 0;
            if (before.state().equals("Blocked") && clean) {
                released = plus(released, new Released(1, before.signed(), 0));
            } else if (before.state().equals("Ready") && !clean) {
                released = plus(released, new Released(0, 0, 1));
            }
            entries.add(new Trail.Entry(routeId, before.id(), who, "mapping-changed", Map.of("change", because)));
            entries.add(new Trail.Entry(routeId, before.id(), who, "compiled", result.told()));
        }
        trail.write(entries);
        return released;
    }

    private static Released plus(Released one, Released other) {
        return new Released(
                one.count() + other.count(), one.amount() + other.amount(), one.blockedAgain() + other.blockedAgain());
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

    private List<Before> next(long routeId, Set<String> refs, long after) {
        return jdbc.sql(SELECT + touched(refs) + " order by d.id limit :limit")
                .param("route", routeId)
                .param("after", after)
                .param("refs", Copy.array(refs))
                .param("limit", CHUNK)
                .query(Before.class)
                .list();
    }

    private List<Before> next(long routeId, List<Long> documents, long after) {
        return jdbc.sql(SELECT + " and d.id = any(:ids) order by d.id limit :limit")
                .param("route", routeId)
                .param("after", after)
                .param("ids", documents.toArray(Long[]::new))
                .param("limit", CHUNK)
                .query(Before.class)
                .list();
    }

    private static final String OPEN = """
            d.route_id = :route and d.id > :after and d.outcome is distinct from 'posted'
                and (d.outcome is null or d.outcome in ('refused', 'unreached'))""";
    private static final String SELECT =
            "select d.id, d.state, d.kind, d.gross, " + Stored.COLUMN + " from record d" + Stored.JOIN + """
            where d.route_id = :route and d.id > :after and d.outcome is distinct from 'posted'
                and (d.outcome is null or d.outcome in ('refused', 'unreached'))""";
}
