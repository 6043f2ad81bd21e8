package alcabala.server.release;

import alcabala.accounting.document.Document;
import alcabala.accounting.document.Ownership;
import alcabala.server.compile.Compiled;
import alcabala.server.compile.Compilers;
import alcabala.server.intake.FileIntake;
import alcabala.server.intake.Reinterpretation;
import alcabala.server.platform.NotPossibleException;
import alcabala.server.record.Stored;
import alcabala.server.route.RouteRow;
import alcabala.server.route.Routes;
import alcabala.server.trail.Trail;
import java.sql.Timestamp;
import java.time.Clock;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/// Documents in which the business was found to be neither seller nor buyer, until somebody says for a party that it
/// is the business.
@Component
class Strangers {
    private final JdbcClient jdbc;
    private final Routes routes;
    private final Compilers compilers;
    private final Reinterpretation reinterpretation;
    private final Trail trail;
    private final Clock clock;

    private record Waiting(long id, long routeId, String sourceRef, String content) {}

    /// @param documents how many are taken for something else by it
    record Said(int documents, int released) {}

    Strangers(
            JdbcClient jdbc,
            Routes routes,
            Compilers compilers,
            Reinterpretation reinterpretation,
            Trail trail,
            Clock clock) {
        this.jdbc = jdbc;
        this.routes = routes;
        this.compilers = compilers;
        this.reinterpretation = reinterpretation;
        this.trail = trail;
        this.clock = clock;
    }

    /// @param is false takes it back
    @Transactional
    Said say(RouteRow route, String party, boolean is, String who) {
        routes.lockAllOf(route.sourceId());
        int rows = is ? insert(route, party, who) : delete(route, party);
        if (rows == 0) {
            throw NotPossibleException.conflict(
                    "said-already", is ? "Somebody said so already." : "Somebody took it back already.");
        }
        trail.write(route.id(), null, who, is ? "party-is-business" : "party-is-not-business", Map.of("party", party));
        int documents = 0;
        int released = 0;
        Map<Long, RouteRow> ways = new HashMap<>();
        for (Waiting each : concerned(route, party)) {
            RouteRow way = ways.computeIfAbsent(each.routeId(), routes::get);
            Document before = Stored.document(each.content());
            Document after = before.seenBy(Ownership.of(before, way.business()));
            if (after.ownership() != before.ownership()) {
                documents++;
                released += write(way, each, after, who) ? 1 : 0;
            }
        }
        return new Said(documents, released);
    }

    private boolean write(RouteRow way, Waiting each, Document after, String who) {
        String ref = refOf(way, each, after);
        Compiled compiled = reinterpretation.write(way, compilers.of(way.id()), each.id(), ref, after);
        trail.write(
                way.id(),
                each.id(),
                who,
                "taken-for",
                Map.of("kind", after.kind().word()));
        trail.write(way.id(), each.id(), who, "compiled", compiled.told());
        return compiled.blocking() == 0;
    }

    /// A file names its document by kind, number and, on a bill, seller; unless another has that name already.
    private String refOf(RouteRow way, Waiting each, Document after) {
        if (!way.fromFiles()) {
            return each.sourceRef();
        }
        String ref = FileIntake.refOf(after);
        boolean free = jdbc.sql("select count(*) from record where source_id = :source and source_ref = :ref")
                        .param("source", way.sourceId())
                        .param("ref", ref)
                        .query(Integer.class)
                        .single()
                == 0;
        return free ? ref : each.sourceRef();
    }

    private int insert(RouteRow route, String party, String who) {
        return jdbc.sql("""
                insert into known_as (source_id, party_code, said_by, said_at)
                select :source, :party, :who, :now where exists (
                    select 1 from record d join record_revision v on v.id = d.revision_id where d.source_id = :source and d.stranger
                        and :party in (v.content->'seller'->>'code', v.content->'buyer'->>'code'))
                on conflict do nothing""")
                .param("source", route.sourceId())
                .param("party", party)
                .param("who", who)
                .param("now", Timestamp.from(clock.instant()))
                .update();
    }

    private int delete(RouteRow route, String party) {
        return jdbc.sql("delete from known_as where source_id = :source and party_code = :party")
                .param("source", route.sourceId())
                .param("party", party)
                .update();
    }

    private List<Waiting> concerned(RouteRow route, String party) {
        return jdbc.sql("""
                select d.id, d.route_id, d.source_ref,\s""" + Stored.COLUMN + " from record d" + Stored.JOIN + """
                where d.source_id = :source and (d.outcome is null or d.outcome in ('refused', 'unreached'))
                    and d.ledger_ref is null and :party in (v.content->'seller'->>'code', v.content->'buyer'->>'code')
                order by d.id""")
                .param("source", route.sourceId())
                .param("party", party)
                .query(Waiting.class)
                .list();
    }
}
