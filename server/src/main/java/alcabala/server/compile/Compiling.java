package alcabala.server.compile;

import alcabala.accounting.posting.Compilation;
import alcabala.accounting.posting.Compiler;
import alcabala.accounting.record.Record;
import alcabala.accounting.settlement.Targets;
import alcabala.server.route.RouteRow;
import alcabala.server.route.Routes;
import java.util.Collection;
import java.util.List;
import java.util.Map;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.springframework.stereotype.Component;

/// Compiles records of a route, with what is known of the documents that they name.
@Component
public class Compiling {
    private final Compilers compilers;
    private final Routes routes;
    private final KnownDocuments documents;

    Compiling(Compilers compilers, Routes routes, KnownDocuments documents) {
        this.compilers = compilers;
        this.routes = routes;
        this.documents = documents;
    }

    /// As the route stands now.
    public Compilation compile(long routeId, Record record) {
        return with(routes.get(routeId), compilers.of(routeId), List.of(record)).apply(record);
    }

    /// Compiles any of these, with what is known at this moment.
    public Function<Record, Compilation> with(RouteRow route, Compiler compiler, Collection<? extends Record> records) {
        Targets targets = documents.of(route, records);
        return record -> compiler.compile(record, targets);
    }

    /// What is to be kept of each.
    public <K> Map<K, Compiled> all(RouteRow route, Compiler compiler, Map<K, Record> records) {
        Function<Record, Compilation> compile = with(route, compiler, records.values());
        return records.entrySet().stream()
                .collect(Collectors.toMap(
                        Map.Entry::getKey,
                        each -> Compiled.of(compile.apply(each.getValue())),
                        (one, other) -> one,
                        java.util.LinkedHashMap::new));
    }
}
