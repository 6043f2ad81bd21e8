package alcabala.server.send;

import alcabala.accounting.record.RecordKind;
import alcabala.formats.layout.Exported;
import alcabala.formats.layout.Layout.Carries;
import alcabala.server.crossing.Postings;
import alcabala.server.route.RouteRow;
import java.util.ArrayList;
import java.util.List;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;

/// Some records of a route, on which a layout is shown while it is made: what is ready, else what went last.
@Component
class LayoutSamples {
    private static final int SOME = 4;
    private final JdbcClient jdbc;
    private final Previews previews;
    private final Postings postings;

    private record Gone(long id, String sourceRef, String partyName) {}

    LayoutSamples(JdbcClient jdbc, Previews previews, Postings postings) {
        this.jdbc = jdbc;
        this.previews = previews;
        this.postings = postings;
    }

    List<Exported> of(RouteRow route, Carries carries) {
        String[] kinds = RecordKind.words(kind -> Carries.of(kind) == carries);
        List<Exported> samples = new ArrayList<>(ready(route, kinds));
        for (Gone each : samples.isEmpty() ? gone(route, kinds) : List.<Gone>of()) {
            postings.findSent(each.id())
                    .ifPresent(sent -> samples.add(new Exported(
                            sent.entry(), sent.journal(), route.reference(each.sourceRef()), each.partyName())));
        }
        return samples;
    }

    private List<Exported> ready(RouteRow route, String[] kinds) {
        // A credit note among them shows how its signs come out; one currency, as in a batch.
        List<Long> ids = jdbc.sql("""
                select id from (
                    select id, row_number() over (partition by kind order by issue_date desc, id desc) as n from record
                    where route_id = :route and state = 'Ready' and kind = any(:kinds) and currency = :currency) as latest
                order by n, id limit :some""")
                .param("route", route.id())
                .param("kinds", kinds)
                .param("currency", route.currency())
                .param("some", SOME)
                .query(Long.class)
                .list();
        return ids.isEmpty()
                ? List.of()
                : previews.of(route, Choice.named(ids)).documents().stream()
                        .map(each -> Exports.exported(route.reference(each.sourceRef()), each))
                        .toList();
    }

    private List<Gone> gone(RouteRow route, String[] kinds) {
        return jdbc.sql("""
                select id, source_ref, party_name from record
                where route_id = :route and outcome = 'posted' and kind = any(:kinds) order by issue_date desc, id desc limit :some""")
                .param("route", route.id())
                .param("kinds", kinds)
                .param("some", SOME)
                .query(Gone.class)
                .list();
    }
}
