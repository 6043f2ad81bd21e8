package alcabala.server.resolve;

import alcabala.accounting.matching.SamePayment;
import alcabala.server.platform.Amounts;
import alcabala.server.platform.Sentence;
import alcabala.server.platform.Writing;
import alcabala.server.resolve.Warnings.Warning;
import alcabala.server.route.RouteRow;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.time.Instant;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;

/// Payments of a route that look as if the same was entered on both sides, before either has crossed.
@Component
class PaymentsTwice {
    private static final int MOST = 500;
    private final JdbcClient jdbc;

    private record Entered(long id, String number, SamePayment.Seen seen) {}

    private record Pair(Entered ours, Entered theirs, String document, Instant since) {}

    PaymentsTwice(JdbcClient jdbc) {
        this.jdbc = jdbc;
    }

    List<Warning> of(RouteRow route) {
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
                order by a.id, b.id limit :most""").param("route", route.id()).param("most", MOST).query(PaymentsTwice::pair).list().stream()
                .filter(pair ->
                        SamePayment.isLikely(pair.ours().seen(), pair.theirs().seen()))
                .map(pair -> warning(pair, route))
                .toList();
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

    private static Warning warning(Pair pair, RouteRow route) {
        SamePayment.Seen seen = pair.ours().seen();
        String amount = Amounts.shown(Money.ofMinor(CurrencyUnit.of(seen.currency()), seen.amount()));
        return new Warning(
                "payment-twice:" + pair.ours().id() + "-" + pair.theirs().id(),
                Sentence.plain("%s for %s was entered in %s as %s on %s, and in %s as %s on %s."
                        .formatted(
                                amount,
                                pair.document(),
                                route.source(),
                                pair.ours().number(),
                                Writing.now().day(seen.date()),
                                route.ledger(),
                                pair.theirs().number(),
                                Writing.now().day(pair.theirs().seen().date()))),
                "Both would cross, and %s would be paid twice on either side.".formatted(pair.document()),
                "If they are one, say so: neither is sent, and they stand for each other. If they are two, send both.",
                "",
                List.of(pair.document(), pair.ours().number(), pair.theirs().number()),
                1,
                Map.of(seen.currency(), seen.amount()),
                pair.since());
    }
}
