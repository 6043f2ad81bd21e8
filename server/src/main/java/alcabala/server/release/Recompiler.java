package alcabala.server.release;

import alcabala.accounting.posting.Compiler;
import alcabala.server.map.Affected;
import alcabala.server.map.Compilers;
import alcabala.server.platform.Copy;
import alcabala.server.platform.DocumentJson;
import alcabala.server.trail.Trail;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Set;
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
    private final DocumentWriter writer;
    private final Trail trail;

    private record Before(long id, String state, String kind, long gross, String content) {
        long signed() {
            return kind.equals("credit-note") ? -gross : gross;
        }
    }

    Recompiler(JdbcClient jdbc, ObjectProvider<Compilers> compilers, DocumentWriter writer, Trail trail) {
        this.jdbc = jdbc;
        this.compilers = compilers;
        this.writer = writer;
        this.trail = trail;
    }

    @Override
    @Transactional
    public Released compileAgain(long routeId, Set<String> refs, String who, String because) {
        Compiler compiler = compilers.getObject().of(routeId);
        int released = 0;
        long amount = 0;
        int blocked = 0;
        long after = 0;
        List<Before> chunk;
        do {
            chunk = next(routeId, refs, after);
            List<Compiled> results = chunk.stream()
                    .map(before -> Compiled.of(compiler.compile(DocumentJson.read(before.content()))))
                    .toList();
            if (!chunk.isEmpty()) {
                writer.rewrite(chunk.stream().map(Before::id).toList(), results);
                after = chunk.getLast().id();
            }
            List<Trail.Entry> entries = new ArrayList<>();
            for (int i = 0; i < chunk.size(); i++) {
                Before before = chunk.get(i);
                boolean clean = results.get(i).blocking() == 0;
                if (before.state().equals("Blocked") && clean) {
                    released++;
                    amount += before.signed();
                } else if (before.state().equals("Ready") && !clean) {
                    blocked++;
                }
                entries.add(new Trail.Entry(routeId, before.id(), who, "mapping-changed", Map.of("change", because)));
                entries.add(
                        new Trail.Entry(routeId, before.id(), who, "compiled", DocumentWriter.trailOf(results.get(i))));
            }
            trail.write(entries);
        } while (chunk.size() == CHUNK);
        return new Released(released, amount, blocked);
    }

    private List<Before> next(long routeId, Set<String> refs, long after) {
        String touched = refs.isEmpty() ? "" : " and refs && cast(:refs as text[])";
        return jdbc.sql("""
                select id, state, kind, gross, content from document
                where route_id = :route and id > :after and outcome is distinct from 'posted'
                    and (outcome is null or outcome in ('refused', 'unreached'))""" + touched + " order by id limit :limit")
                .param("route", routeId)
                .param("after", after)
                .param("refs", Copy.array(refs))
                .param("limit", CHUNK)
                .query(Before.class)
                .list();
    }
}
