package alcabala.server.compile;

import alcabala.accounting.posting.Compiler;
import alcabala.accounting.record.Family;
import alcabala.accounting.record.Record;
import alcabala.accounting.record.RecordKind;
import alcabala.server.jobs.Works.Progress;
import alcabala.server.platform.Copy;
import alcabala.server.record.Stored;
import alcabala.server.route.RouteRow;
import alcabala.server.route.Routes;
import alcabala.server.trail.Trail;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.CompletableFuture;
import java.util.function.Function;
import java.util.stream.Stream;
import org.springframework.beans.factory.ObjectProvider;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/// Compiles again what a change touched, and counts what it released.
@Component
class Recompiler implements Affected {
    private static final int CHUNK = 1000;
    private final JdbcClient jdbc;
    private final Routes routes;
    private final ObjectProvider<Compilers> compilers;
    private final ObjectProvider<Compiling> compiling;
    private final CompiledFacts facts;
    private final Trail trail;

    private record Before(
            long id, String state, RecordKind of, String currency, long gross, int shape, byte[] content) {
        Released released() {
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
        return compileAll(routeId, family -> using(routeId, refs, family), who, because, at);
    }

    @Override
    @Transactional
    public Released compileAgain(long routeId, List<Long> documents, String who, String because) {
        return compileAll(routeId, family -> of(documents, family), who, because, (done, of) -> {});
    }

    @Override
    public void standsThere(long recordId) {
        facts.clear(recordId);
    }

    private Released compileAll(
            long routeId, Function<Family, List<Long>> which, String who, String because, Progress at) {
        // What a document has become is known before what settles it is compiled.
        List<List<Long>> families = Stream.of(Family.values()).map(which).toList();
        int of = families.stream().mapToInt(List::size).sum();
        int done = 0;
        Compiler compiler = compilers.getObject().of(routeId);
        List<Released> total = new ArrayList<>();
        RouteRow route = routes.get(routeId);
        for (List<Long> ids : families) {
            Optional<Chunk> next = chunk(routeId, ids, 0);
            CompletableFuture<Map<Long, Compiled>> compiled = compile(route, compiler, next);
            while (next.isPresent()) {
                Chunk chunk = next.get();
                Map<Long, Compiled> results = compiled.join();
                next = chunk(routeId, ids, chunk.to());
                facts.updateRecords(results);
                compiled = compile(route, compiler, next);
                facts.updateFindings(results);
                total.addAll(tell(routeId, chunk.before(), results, who, because));
                done += chunk.before().size();
                at.at(done, of);
            }
        }
        return Released.of(total);
    }

    /// So many at once, with what they say. Their contents are made out, and compiled, while the database writes what
    /// was found of those before them: nothing of one family depends on what another of it has become.
    ///
    /// @param to where the next begin
    private record Chunk(List<Before> before, CompletableFuture<Map<Long, Record>> records, int to) {}

    private CompletableFuture<Map<Long, Compiled>> compile(RouteRow route, Compiler compiler, Optional<Chunk> chunk) {
        return chunk.map(one -> CompletableFuture.supplyAsync(compiling
                        .getObject()
                        .prepared(route, compiler, one.records().join())))
                .orElseGet(() -> CompletableFuture.completedFuture(Map.of()));
    }

    private Optional<Chunk> chunk(long routeId, List<Long> ids, int from) {
        if (from >= ids.size()) {
            return Optional.empty();
        }
        int to = Math.min(from + CHUNK, ids.size());
        List<Before> before = read(routeId, ids.subList(from, to));
        return Optional.of(new Chunk(before, CompletableFuture.supplyAsync(() -> parsed(before)), to));
    }

    private List<Released> tell(
            long routeId, List<Before> chunk, Map<Long, Compiled> results, String who, String because) {
        List<Released> released = new ArrayList<>();
        List<Trail.Entry> entries = new ArrayList<>();
        for (Before before : chunk) {
            Compiled result = results.get(before.id());
            boolean clean = result.blocking() == 0;
            if (before.state().equals("Blocked") && clean) {
                released.add(before.released());
            } else if (before.state().equals("Ready") && !clean) {
                released.add(Released.blockedAgain(1));
            }
            entries.add(new Trail.Entry(routeId, before.id(), who, "compiled", result.told(because)));
        }
        trail.write(entries);
        return released;
    }

    /// Reading them takes longer than compiling them, and is spread over the machine's processors.
    private static Map<Long, Record> parsed(List<Before> chunk) {
        List<Record> parsed = chunk.parallelStream()
                .map(before -> Stored.record(before.shape(), before.of(), before.content()))
                .toList();
        Map<Long, Record> records = LinkedHashMap.newLinkedHashMap(chunk.size());
        for (int i = 0; i < chunk.size(); i++) {
            records.put(chunk.get(i).id(), parsed.get(i));
        }
        return records;
    }

    private static String[] kinds(Family family) {
        return RecordKind.words(kind -> kind.family() == family);
    }

    /// @param refs none for all of the route
    private List<Long> using(long routeId, Set<String> refs, Family family) {
        String touched = refs.isEmpty() ? "" : " and d.refs && cast(:refs as text[])";
        return jdbc.sql("select d.id from record d where d.kind = any(:kinds) and " + OPEN + touched + " order by d.id")
                .param("route", routeId)
                .param("kinds", kinds(family))
                .param("refs", Copy.array(refs))
                .query(Long.class)
                .list();
    }

    private List<Long> of(List<Long> documents, Family family) {
        return jdbc.sql("select id from record where id = any(:ids) and kind = any(:kinds) order by id")
                .param("ids", documents.toArray(Long[]::new))
                .param("kinds", kinds(family))
                .query(Long.class)
                .list();
    }

    /// Those of them that are still to cross.
    private List<Before> read(long routeId, List<Long> ids) {
        return jdbc.sql(SELECT + OPEN + " and d.id = any(:ids) order by d.id")
                .param("route", routeId)
                .param("ids", ids.toArray(Long[]::new))
                .query((row, n) -> new Before(
                        row.getLong("id"),
                        row.getString("state"),
                        RecordKind.of(row.getString("kind")),
                        row.getString("currency"),
                        row.getLong("gross"),
                        row.getInt("shape"),
                        row.getBytes("content")))
                .list();
    }

    private static final String OPEN = """
            d.route_id = :route and d.outcome is distinct from 'posted'
                and (d.outcome is null or d.outcome in ('refused', 'unreached'))""";
    private static final String SELECT =
            "select d.id, d.state, d.kind, d.currency, d.gross, v.shape, v.content from record d" + Stored.JOIN
                    + " where ";
}
