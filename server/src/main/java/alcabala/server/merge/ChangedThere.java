package alcabala.server.merge;

import alcabala.accounting.field.Half;
import alcabala.accounting.record.RecordKind;
import alcabala.accounting.setting.RouteSettings;
import alcabala.accounting.sync.Crossed;
import alcabala.accounting.sync.Owner;
import alcabala.accounting.sync.RecordRules;
import alcabala.server.compile.CrosswalkStore;
import alcabala.server.crossing.Links;
import alcabala.server.record.Records;
import alcabala.server.record.Scope;
import alcabala.server.route.RouteRow;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;

/// Documents of the source that somebody changed on the ledger, with the fields that were changed there. Nothing is
/// compiled for it.
@Component
public class ChangedThere {
    private static final int PAGE = 1000;
    private final JdbcClient jdbc;
    private final Links links;
    private final CrosswalkStore crosswalk;

    /// @param minor what it comes to, signed as its kind is; minor units
    /// @param onSource whether its source changed it too
    /// @param apart whether the two could not be put together
    /// @param revision of its source
    /// @param fields as a half of a baseline names them
    public record Changed(
            long id,
            RecordKind kind,
            String currency,
            long minor,
            boolean onSource,
            boolean apart,
            int revision,
            Set<String> fields) {
        /// Of what was changed there, whose stands; nobody's where a person is asked.
        public Set<Owner> whose(RouteSettings decided) {
            return fields.stream()
                    .map(field -> RecordRules.stands(decided, kind, field))
                    .collect(Collectors.toCollection(() -> EnumSet.noneOf(Owner.class)));
        }
    }

    private record Found(
            long id, String kind, String currency, long minor, boolean onSource, boolean apart, int revision) {
        Changed changed(Links.Pair pair, Crossed crossed) {
            Half was = pair.halves().ledger();
            return new Changed(
                    id,
                    RecordKind.of(kind),
                    currency,
                    minor,
                    onSource,
                    apart,
                    revision,
                    crossed.ledger(was)
                            .differing(crossed.ledger(pair.now().half().like(was))));
        }
    }

    ChangedThere(JdbcClient jdbc, Links links, CrosswalkStore crosswalk) {
        this.crosswalk = crosswalk;
        this.jdbc = jdbc;
        this.links = links;
    }

    /// Those that wait for something else, such as a refusal, are not among them.
    public List<Changed> of(RouteRow route, Scope scope, String[] kinds) {
        List<Changed> all = new ArrayList<>();
        List<Changed> page = kinds.length == 0 ? List.of() : page(route, scope, kinds, 0);
        while (!page.isEmpty()) {
            all.addAll(page);
            page = page(route, scope, kinds, page.getLast().id());
        }
        return all;
    }

    private List<Changed> page(RouteRow route, Scope scope, String[] kinds, long after) {
        List<Found> found = jdbc.sql("""
                select id, kind, currency, signed(kind, coalesce(ledger_gross, gross)) as minor,
                    revision > outcome_revision as on_source, refusal <> '' as apart, revision from record d
                where route_id = :route and origin = 'source' and state = 'Diverged' and ledger_differs and not voided
                    and gone = '' and refusal in ('', 'not-together') and kind = any(:kinds) and id > :after
                    and exists (select 1 from link l where l.record_id = d.id) and""" + Scope.HOLDS + "and not " + Records.LEFT_ALONE + " order by id limit :most")
                .params(scope.params())
                .param("route", route.id())
                .param("kinds", kinds)
                .param("after", after)
                .param("most", PAGE)
                .query(Found.class)
                .list();
        Map<Long, Links.Pair> pairs =
                links.findAll(found.stream().map(Found::id).toList());
        Crossed crossed = crosswalk.crossed(route.id());
        return found.stream()
                .map(each -> each.changed(pairs.get(each.id()), crossed))
                .toList();
    }
}
