package alcabala.server.release;

import alcabala.connectors.SaidNoException;
import alcabala.connectors.source.Approves;
import alcabala.server.connection.Sources;
import alcabala.server.intake.SourcePull;
import alcabala.server.jobs.Works.Progress;
import alcabala.server.platform.NotPossibleException;
import alcabala.server.route.RouteRow;
import alcabala.server.trail.Trail;
import java.sql.Timestamp;
import java.time.Clock;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;

/// Approves documents on their source. Whoever asks first does; somebody who asks for the same at the same moment is
/// told.
@Component
class Approvals {
    /// A claim of somebody whose server ended is no claim any more.
    private static final Duration CLAIM = Duration.ofMinutes(2);
    private static final int NAMED = 3;
    private final JdbcClient jdbc;
    private final Sources sources;
    private final SourcePull pull;
    private final Trail trail;
    private final Clock clock;

    private record Claimed(long id, String number, String sourceRef) {}

    /// @param approved how many were
    record Approved(int approved, String sentence) {}

    Approvals(JdbcClient jdbc, Sources sources, SourcePull pull, Trail trail, Clock clock) {
        this.jdbc = jdbc;
        this.sources = sources;
        this.pull = pull;
        this.trail = trail;
        this.clock = clock;
    }

    /// @throws NotPossibleException when none of them waits to be approved
    Approved approve(RouteRow route, List<Long> ids, String who, Progress at) {
        List<Claimed> claimed = claim(route, ids, who);
        if (claimed.isEmpty()) {
            throw NotPossibleException.conflict("approved-already", nothingToApprove(route, ids));
        }
        List<String> refusals = new ArrayList<>();
        int approved = 0;
        Approves source = sources.of(route.sourceId()).get(Approves.class);
        try {
            for (Claimed each : claimed) {
                try {
                    source.approve(each.sourceRef());
                    trail.write(route.id(), each.id(), who, "approved", Map.of("source", route.source()));
                    approved++;
                } catch (SaidNoException no) {
                    refusals.add(each.number() + ": " + no.sentence());
                    trail.write(
                            route.id(),
                            each.id(),
                            who,
                            "approval-refused",
                            Map.of("source", route.source(), "sentence", no.sentence()));
                }
                at.at(approved + refusals.size(), claimed.size());
            }
        } finally {
            letGo(claimed);
        }
        pull.pull(route.sourceId(), who);
        if (approved == 0) {
            throw NotPossibleException.conflict(
                    "approval-refused", route.source() + " approved none of them. " + said(route, refusals));
        }
        return new Approved(approved, sentence(route, ids.size(), approved, refusals));
    }

    private List<Claimed> claim(RouteRow route, List<Long> ids, String who) {
        return jdbc.sql("""
                with claimed as (
                    insert into approval_claim as c (record_id, who, at)
                    select id, :who, :now from record where id = any(:ids) and route_id = :route and state = 'Waiting'
                    on conflict (record_id) do update set who = excluded.who, at = excluded.at where c.at < :stale
                    returning record_id)
                select d.id, d.number, d.source_ref from record d join claimed c on c.record_id = d.id order by d.id""")
                .param("who", who)
                .param("now", Timestamp.from(clock.instant()))
                .param("ids", ids.toArray(Long[]::new))
                .param("route", route.id())
                .param("stale", Timestamp.from(clock.instant().minus(CLAIM)))
                .query(Claimed.class)
                .list();
    }

    private void letGo(List<Claimed> claimed) {
        jdbc.sql("delete from approval_claim where record_id = any(:ids)")
                .param("ids", claimed.stream().map(Claimed::id).toArray(Long[]::new))
                .update();
    }

    private String nothingToApprove(RouteRow route, List<Long> ids) {
        List<String> others = jdbc.sql("""
                select distinct c.who from record d join approval_claim c on c.record_id = d.id
                where d.id = any(:ids) and d.route_id = :route and d.state = 'Waiting'""")
                .param("ids", ids.toArray(Long[]::new))
                .param("route", route.id())
                .query(String.class)
                .list();
        return others.isEmpty()
                ? "None of them waits for an approval any more; they were approved, changed or voided meanwhile."
                : String.join(" and ", others) + " is approving them at this very moment; they are approved once.";
    }

    private static String sentence(RouteRow route, int asked, int approved, List<String> refusals) {
        String sentence =
                "%d %s approved in %s".formatted(approved, approved == 1 ? "document" : "documents", route.source());
        int others = asked - approved - refusals.size();
        if (others > 0) {
            sentence += "; %d did not wait for it any more".formatted(others);
        }
        return refusals.isEmpty() ? sentence : sentence + ". " + said(route, refusals);
    }

    private static String said(RouteRow route, List<String> refusals) {
        String first = String.join(" ", refusals.subList(0, Math.min(NAMED, refusals.size())));
        int more = refusals.size() - NAMED;
        return route.source() + " said of " + first + (more > 0 ? " And of " + more + " more." : "");
    }
}
