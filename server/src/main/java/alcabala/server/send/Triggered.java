package alcabala.server.send;

import alcabala.accounting.record.Family;
import alcabala.accounting.record.Origin;
import alcabala.accounting.record.RecordKind;
import alcabala.accounting.setting.RouteSettings;
import alcabala.server.crossing.HeldBack;
import alcabala.server.record.Records;
import alcabala.server.record.Scope;
import alcabala.server.route.RouteRow;
import alcabala.server.route.SettingStore;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.function.Function;
import java.util.function.Predicate;
import java.util.function.UnaryOperator;
import java.util.stream.Stream;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;

/// Sends by itself what a route's settings say goes by itself: what is ready, what its source changed after it was
/// posted, and what was changed on the ledger where the source wins or owns it. What failed waits for a person.
@Component
public class Triggered {
    private static final int MOST = 5000;
    private final JdbcClient jdbc;
    private final SettingStore settings;
    private final Owned owned;
    private final Previews previews;
    private final Batches batches;

    Triggered(JdbcClient jdbc, SettingStore settings, Owned owned, Previews previews, Batches batches) {
        this.jdbc = jdbc;
        this.settings = settings;
        this.owned = owned;
        this.previews = previews;
        this.batches = batches;
    }

    /// How many were put into a batch: sales, purchases and payments each into their own, and what was entered on the
    /// ledger into one that goes back.
    ///
    /// @param scope which of them
    /// @param later what goes of those of which the later change wins
    public int send(RouteRow route, Scope scope, Later.Decided later, String who) {
        RouteSettings decided = settings.of(route.id());
        int back = sendBack(route, scope, decided, who);
        if (!route.ledgerAnswers()) {
            return back;
        }
        int sent = back;
        for (Family family : Family.values()) {
            for (boolean sales : List.of(true, false)) {
                Predicate<RecordKind> concerns = kind -> kind.isSale() == sales && kind.family() == family;
                sent += send(
                        route,
                        scope,
                        RecordKind.words(concerns),
                        RecordKind.words(
                                concerns.and(kind -> decided.trigger(kind).isAutomatic())),
                        RecordKind.words(concerns.and(
                                kind -> decided.winner(kind).equals("source") && !decided.hasOwners(kind))),
                        who);
            }
        }
        sent += sendOwned(route, scope, decided, who);
        sent += inTheirPlace(route, later.together(), Choice::ruled, who);
        sent += inTheirPlace(route, later.replaced(), Choice::replacing, who);
        return sent + sendBesideWhatIsAsked(route, scope, decided, who);
    }

    /// What was changed on the ledger and is the source's is put back there, and what is the ledger's stays.
    private int sendOwned(RouteRow route, Scope scope, RouteSettings decided, String who) {
        return inTheirPlace(route, owned.go(route, scope, decided), Choice::ruled, who);
    }

    private int inTheirPlace(RouteRow route, List<Long> go, UnaryOperator<Choice> standing, String who) {
        return Stream.of(true, false)
                .map(sales -> ofSide(go, Origin.SOURCE, Family.DOCUMENT, sales))
                .mapToInt(together -> send(route, together, ids -> standing.apply(Choice.of(ids, Origin.SOURCE)), who))
                .sum();
    }

    /// What its source changed goes though something else was changed there; a person is asked about that all the same.
    private int sendBesideWhatIsAsked(RouteRow route, Scope scope, RouteSettings decided, String who) {
        return Stream.of(true, false)
                .mapToInt(sales -> send(
                        route,
                        changedOnBoth(
                                route,
                                scope,
                                RecordKind.words(kind -> kind.isDocument()
                                        && kind.isSale() == sales
                                        && decided.trigger(kind).isAutomatic()
                                        && decided.winner(kind).equals("ask"))),
                        ids -> Choice.of(ids, Origin.SOURCE).asking(),
                        who))
                .sum();
    }

    private List<Long> changedOnBoth(RouteRow route, Scope scope, String[] kinds) {
        return jdbc.sql("""
                select id from record d where route_id = :route and origin = 'source' and""" + Scope.HOLDS + """
                    and kind = any(:kinds) and state = 'Diverged' and ledger_differs and revision > outcome_revision
                    and refusal = '' and not voided and gone = '' and not\s""" + Records.LEFT_ALONE + " order by issue_date, id limit :most")
                .params(scope.params())
                .param("route", route.id())
                .param("kinds", kinds)
                .param("most", MOST)
                .query(Long.class)
                .list();
    }

    /// What was entered on the ledger goes to its source as soon as it is known, and is taken back there when it is
    /// void.
    private int sendBack(RouteRow route, Scope scope, RouteSettings decided, String who) {
        List<Long> ready = jdbc.sql("""
                select id from record d where route_id = :route and origin = 'ledger' and""" + Scope.HOLDS + """
                    and ((state = 'Ready' and (outcome is null or outcome = 'refused' or\s""" + Candidates.TRIED_BEFORE_ITS_CHANGE + """
                    ))
                    or (state = 'Diverged' and refusal = '' and kind = any(:comeBack)
                        and ("""
                        + Candidates.VOIDED_THERE + " or " + Candidates.CHANGED_THERE + """
                    )))
                order by kind, issue_date, id limit :most""")
                .params(scope.params())
                .param("route", route.id())
                .param("comeBack", RecordKind.words(decided::comesBack))
                .param("most", MOST)
                .query(Long.class)
                .list();
        return Stream.of(Family.values())
                .flatMap(family -> Stream.of(true, false).map(sales -> ofSide(ready, Origin.LEDGER, family, sales)))
                .mapToInt(together -> send(route, together, ids -> Choice.of(ids, Origin.LEDGER), who))
                .sum();
    }

    private List<Long> ofSide(List<Long> ids, Origin origin, Family family, boolean sales) {
        return jdbc.sql("""
                select id from record where id = any(:ids) and origin = :origin and kind = any(:kinds)
                order by issue_date, id""")
                .param("ids", ids.toArray(Long[]::new))
                .param("origin", origin.word())
                .param("kinds", RecordKind.words(kind -> kind.family() == family && kind.isSale() == sales))
                .query(Long.class)
                .list();
    }

    /// What somebody named, whatever of it goes by itself otherwise.
    ///
    /// @return how many go
    public int sendNamed(RouteRow route, List<Long> ids, String who) {
        return Stream.of(Origin.values())
                .mapToInt(origin -> Stream.of(Family.values())
                        .flatMap(family -> Stream.of(true, false).map(sales -> ofSide(ids, origin, family, sales)))
                        .mapToInt(together -> send(route, together, each -> Choice.of(each, origin), who))
                        .sum())
                .sum();
    }

    /// A batch is of one currency.
    private int send(RouteRow route, List<Long> ids, Function<List<Long>, Choice> choice, String who) {
        record InCurrency(long id, String currency) {}
        Map<String, List<Long>> together = new TreeMap<>();
        jdbc.sql("select id, currency from record where id = any(:ids) order by issue_date, id")
                .param("ids", ids.toArray(Long[]::new))
                .query(InCurrency.class)
                .list()
                .forEach(each -> together.computeIfAbsent(each.currency(), currency -> new ArrayList<>())
                        .add(each.id()));
        return together.values().stream()
                .mapToInt(same -> sendTogether(route, choice.apply(same), who))
                .sum();
    }

    private int sendTogether(RouteRow route, Choice choice, String who) {
        Preview preview = previews.of(route, choice);
        int going = preview.documents().size();
        if (going > 0) {
            batches.send(route, Batches.Order.unseen(choice), who);
        } else {
            batches.leaveApart(route, preview, who);
        }
        return going;
    }

    /// @param concerned of which those go as well whose source asks for their number
    private int send(
            RouteRow route, Scope scope, String[] concerned, String[] automatic, String[] restored, String who) {
        List<Long> ready = jdbc.sql("""
                select id from record d where route_id = :route and origin = 'source' and""" + Scope.HOLDS + """
                    and ((state = 'Ready' and (outcome is null or\s""" + Candidates.TRIED_BEFORE_ITS_CHANGE + """
                    )
                        and (kind = any(:automatic) and not\s"""
                        + HeldBack.HELD_BACK + """
                            or kind = any(:concerned) and 'NUMBER_ASKED' = any(milestones)))
                    or (kind = any(:automatic) and state = 'Diverged' and not ledger_differs and refusal = ''
                        and\s""" + Candidates.GOES_AGAIN + """
                    )
                    or (kind = any(:restored) and state = 'Diverged' and ledger_differs
                        and refusal in ('', 'not-together') and not voided and gone = ''))
                order by issue_date, id limit :most""")
                .params(scope.params())
                .param("route", route.id())
                .param("concerned", concerned)
                .param("automatic", automatic)
                .param("restored", restored)
                .param("most", MOST)
                .query(Long.class)
                .list();
        return send(route, ready, ids -> Choice.of(ids, Origin.SOURCE), who);
    }
}
