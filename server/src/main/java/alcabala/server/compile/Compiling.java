package alcabala.server.compile;

import alcabala.accounting.posting.Compilation;
import alcabala.accounting.posting.Compiler;
import alcabala.accounting.posting.InTurn;
import alcabala.accounting.record.Record;
import alcabala.accounting.settlement.Targets;
import alcabala.server.route.RouteRow;
import alcabala.server.route.Routes;
import java.time.Instant;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Set;
import java.util.function.LongFunction;
import java.util.function.Supplier;
import org.springframework.stereotype.Component;

/// Compiles records of a route, with what is known of the documents that they name.
@Component
public class Compiling {
    private final Compilers compilers;
    private final Routes routes;
    private final KnownDocuments documents;
    private final ProjectCustomers projects;

    Compiling(Compilers compilers, Routes routes, KnownDocuments documents, ProjectCustomers projects) {
        this.projects = projects;
        this.compilers = compilers;
        this.routes = routes;
        this.documents = documents;
    }

    /// As the route stands now.
    public Compilation compile(long routeId, long id, Record record) {
        return with(routes.get(routeId), compilers.of(routeId), Map.of(id, record))
                .apply(id);
    }

    /// With the crosswalk as it stood at a moment.
    public Compilation compile(long routeId, long id, Record record, Instant moment) {
        RouteRow route = routes.get(routeId);
        return with(route, compilers.at(route, moment, id, record), Map.of(id, record))
                .apply(id);
    }

    /// Compiles any of these, with what is known at this moment.
    ///
    /// @param records by their numbers here, by which their lines are overridden
    public LongFunction<Compilation> with(RouteRow route, Compiler compiler, Map<Long, ? extends Record> records) {
        LongFunction<Targets> targets = documents.of(route, records);
        return id -> compiler.compile(records.get(id), Long.toString(id), targets.apply(id));
    }

    /// The same of those that go together, asked for in the order in which they go: each sees what those before it
    /// take.
    ///
    /// @param stands those that are there, and count as they are now already
    public LongFunction<Compilation> inTurn(
            RouteRow route, Compiler compiler, Map<Long, ? extends Record> records, Set<Long> stands) {
        LongFunction<Targets> targets = documents.of(route, records);
        InTurn turn = InTurn.start();
        return id -> {
            Targets known = turn.after(targets.apply(id));
            Compilation compiled = compiler.compile(records.get(id), Long.toString(id), known);
            if (!stands.contains(id)) {
                turn.goes(records.get(id), compiled, known);
            }
            return compiled;
        };
    }

    /// What is to be kept of each.
    public Map<Long, Compiled> all(RouteRow route, Compiler compiler, Map<Long, ? extends Record> records) {
        return prepared(route, compiler, records).get();
    }

    /// The same in two steps: what the database has to say to it now, and what can be computed beside it.
    Supplier<Map<Long, Compiled>> prepared(RouteRow route, Compiler compiler, Map<Long, ? extends Record> records) {
        projects.keep(route, records.values());
        LongFunction<Compilation> compile = with(route, compiler, records);
        return () -> {
            Map<Long, Compiled> all = LinkedHashMap.newLinkedHashMap(records.size());
            records.keySet().forEach(id -> all.put(id, Compiled.of(compile.apply(id))));
            return all;
        };
    }
}
