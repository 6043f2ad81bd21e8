package alcabala.server.settings;

import alcabala.accounting.record.RecordKind;
import alcabala.accounting.setting.RouteSettings;
import alcabala.accounting.sync.Owner;
import alcabala.server.merge.ChangedThere;
import alcabala.server.merge.ChangedThere.Changed;
import alcabala.server.platform.SumJson;
import alcabala.server.record.Scope;
import alcabala.server.route.RouteRow;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.stream.Collectors;
import org.springframework.stereotype.Component;

/// What becomes of documents that were changed on the ledger, under other decisions about who wins and whose a field
/// is. Changes nothing.
@Component
class ChangedFates {
    private final ChangedThere changed;

    enum WhatStands {
        /// The ledger's stands.
        LEDGERS,
        /// They go again, and keep there what is the ledger's.
        SOURCES,
        /// The later change wins, as either side tells of it.
        LATER,
        /// A person is asked.
        ASKED
    }

    record ChangedFate(WhatStands stands, int count, List<SumJson> sums) {}

    ChangedFates(ChangedThere changed) {
        this.changed = changed;
    }

    /// Those of which there are none are left out.
    List<ChangedFate> of(RouteRow route, List<RecordKind> kinds, RouteSettings decided) {
        String[] documents = RecordKind.words(kind -> kind.isDocument() && kinds.contains(kind));
        Map<WhatStands, List<Changed>> sorted = changed.of(route, Scope.ALL, documents).stream()
                .collect(Collectors.groupingBy(each -> stands(each, decided), TreeMap::new, Collectors.toList()));
        return sorted.entrySet().stream()
                .map(each -> new ChangedFate(each.getKey(), each.getValue().size(), SumJson.of(sums(each.getValue()))))
                .toList();
    }

    String sentence(RouteRow route, List<RecordKind> kinds, RouteSettings decided) {
        List<ChangedFate> fates = of(route, kinds, decided);
        return fates.isEmpty()
                ? "None is changed in %s at present.".formatted(route.ledger())
                : "Of those changed in %s at present, %s."
                        .formatted(
                                route.ledger(),
                                fates.stream().map(each -> said(each, route)).collect(Collectors.joining(", ")));
    }

    private static String said(ChangedFate fate, RouteRow route) {
        return switch (fate.stands()) {
            case LEDGERS -> "%,d would stand as %s has them".formatted(fate.count(), route.ledger());
            case SOURCES -> "%,d would go again, with what is the ledger’s kept".formatted(fate.count());
            case LATER -> "of %,d the later change would stand, if both tell when".formatted(fate.count());
            case ASKED -> "%,d would be asked about".formatted(fate.count());
        };
    }

    private static WhatStands stands(Changed each, RouteSettings decided) {
        Set<Owner> whose = each.whose(decided);
        boolean owners = decided.hasOwners(each.kind());
        if (whose.contains(Owner.NOBODY) && decided.winner(each.kind()).equals("latest") && !each.apart()) {
            return later(each, whose);
        }
        if (whose.contains(Owner.NOBODY) || owners && each.apart() && whose.contains(Owner.LEDGER)) {
            return WhatStands.ASKED;
        }
        return whose.contains(Owner.SOURCE) || each.onSource() && owners ? WhatStands.SOURCES : WhatStands.LEDGERS;
    }

    /// What its source did not change is the later there.
    private static WhatStands later(Changed each, Set<Owner> whose) {
        if (each.onSource()) {
            return WhatStands.LATER;
        }
        return whose.contains(Owner.SOURCE) ? WhatStands.SOURCES : WhatStands.LEDGERS;
    }

    private static Map<String, Long> sums(List<Changed> all) {
        return all.stream().collect(Collectors.groupingBy(Changed::currency, Collectors.summingLong(Changed::minor)));
    }
}
