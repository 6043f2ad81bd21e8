package alcabala.server.crossing;

import alcabala.accounting.matching.SamePayment;
import alcabala.server.route.RouteRow;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.time.Instant;
import java.time.LocalDate;
import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;

/// Payments of a route that look as if the same was entered on both sides, before either has crossed. Neither goes
/// until somebody has said whether they are one (synchronisation, "new on one side").
@Component
public class EnteredTwice {
    private static final int MOST = 500;
    private final JdbcClient jdbc;

    /// A payment as it was entered on one side.
    public record Entered(long id, String number, SamePayment.Seen seen) {}

    /// @param document one that both settle
    /// @param since when the second of them became known
    public record Pair(Entered ours, Entered theirs, String document, Instant since) {}

    EnteredTwice(JdbcClient jdbc) {
        this.jdbc = jdbc;
    }

    public List<Pair> of(RouteRow route) {
        return jdbc.sql("""
                select distinct on (a.id, b.id) a.id as our_id, a.number as our_number, a.kind as our_kind,
                    a.currency as our_currency, a.gross as our_gross, a.issue_date as our_date,
                    b.id as their_id, b.number as their_number, b.kind as their_kind, b.currency as their_currency,
                    b.gross as their_gross, b.issue_date as their_date, x.number as document,
                    greatest(u.received_at, v.received_at) as since
                from record a join allocation x on x.record_id = a.id
                    join allocation y on y.number = x.number and y.kind = x.kind and y.record_id <> a.id
                    join record b on b.id = y.record_id
                    join record_revision u on u.id = a.revision_id join record_revision v on v.id = b.revision_id
                where a.route_id = :route and b.route_id = a.route_id and a.origin = 'source' and b.origin = 'ledger'
                    and not a.voided and not b.voided and a.ledger_ref is null and a.gross = b.gross
                    and (a.outcome is null or a.outcome in ('refused', 'unreached'))
                    and (b.outcome is null or b.outcome in ('refused', 'unreached'))
                    and not exists (select 1 from payment_apart p where p.ours = a.id and p.theirs = b.id)
                order by a.id, b.id limit :most""").param("route", route.id()).param("most", MOST).query(EnteredTwice::pair).list().stream()
                .filter(pair ->
                        SamePayment.isLikely(pair.ours().seen(), pair.theirs().seen()))
                .toList();
    }

    /// Those that do not go.
    public Set<Long> ids(RouteRow route) {
        return of(route).stream()
                .flatMap(pair -> Stream.of(pair.ours().id(), pair.theirs().id()))
                .collect(Collectors.toSet());
    }

    private static Pair pair(ResultSet row, int n) throws SQLException {
        return new Pair(
                entered(row, "our_"),
                entered(row, "their_"),
                row.getString("document"),
                row.getTimestamp("since").toInstant());
    }

    private static Entered entered(ResultSet row, String whose) throws SQLException {
        return new Entered(
                row.getLong(whose + "id"),
                row.getString(whose + "number"),
                new SamePayment.Seen(
                        row.getString(whose + "kind"),
                        row.getString(whose + "currency"),
                        row.getLong(whose + "gross"),
                        row.getObject(whose + "date", LocalDate.class)));
    }
}
