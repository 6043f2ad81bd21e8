package alcabala.server.send;

import alcabala.accounting.record.RecordKind;
import alcabala.accounting.setting.RouteSettings;
import alcabala.accounting.sync.Owner;
import alcabala.server.merge.ChangedThere;
import alcabala.server.merge.ChangedThere.Changed;
import alcabala.server.record.Scope;
import alcabala.server.route.RouteRow;
import java.util.List;
import java.util.Set;
import java.util.stream.Stream;
import org.springframework.stereotype.Component;

/// What goes and what stands of documents that were changed on the ledger, where somebody owns single fields of their
/// kind (synchronisation, "owner"). Of the others a person is asked.
@Component
class Owned {
    private final ChangedThere changed;

    Owned(ChangedThere changed) {
        this.changed = changed;
    }

    /// All that was changed there is the ledger's, and their source changed nothing.
    List<Long> stand(RouteRow route, Scope scope, RouteSettings decided) {
        return of(route, scope, decided)
                .filter(each -> !each.onSource() && isAll(Owner.LEDGER, each, decided))
                .map(Changed::id)
                .toList();
    }

    /// What is the source's goes there, and what is the ledger's stays. What could not be put together once is tried
    /// again only where nothing stays.
    List<Long> go(RouteRow route, Scope scope, RouteSettings decided) {
        return of(route, scope, decided)
                .filter(each -> each.onSource() || !isAll(Owner.LEDGER, each, decided))
                .filter(each -> !each.whose(decided).contains(Owner.NOBODY))
                .filter(each -> !each.apart() || isAll(Owner.SOURCE, each, decided))
                .map(Changed::id)
                .toList();
    }

    private Stream<Changed> of(RouteRow route, Scope scope, RouteSettings decided) {
        return changed.of(route, scope, RecordKind.words(decided::hasOwners)).stream();
    }

    private static boolean isAll(Owner owner, Changed each, RouteSettings decided) {
        return each.whose(decided).equals(Set.of(owner));
    }
}
