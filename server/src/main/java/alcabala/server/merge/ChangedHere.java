package alcabala.server.merge;

import alcabala.accounting.setting.RouteSettings;
import alcabala.accounting.sync.Both;
import alcabala.accounting.sync.Crossed;
import alcabala.server.compile.CrosswalkStore;
import alcabala.server.crossing.Links;
import alcabala.server.record.Revisions;
import alcabala.server.record.Stored;
import alcabala.server.route.RouteRow;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.springframework.stereotype.Component;

/// Which fields either side changed of documents since both last agreed, but for what they come to. Nothing is compiled
/// for it.
@Component
public class ChangedHere {
    private final Revisions revisions;
    private final Links links;
    private final CrosswalkStore crosswalk;

    ChangedHere(Revisions revisions, Links links, CrosswalkStore crosswalk) {
        this.revisions = revisions;
        this.links = links;
        this.crosswalk = crosswalk;
    }

    /// By their numbers; those that are not linked are not among them.
    public Map<Long, Both<Set<String>>> of(RouteRow route, RouteSettings decided, List<Long> ids) {
        Crossed crossed = crosswalk.crossed(route.id());
        Map<Long, String> contents = revisions.contents(ids);
        Map<Long, Both<Set<String>>> changed = new HashMap<>();
        links.findAll(ids)
                .forEach((id, pair) ->
                        changed.put(id, Merging.changed(decided, crossed, pair, Stored.record(contents.get(id)))));
        return changed;
    }
}
