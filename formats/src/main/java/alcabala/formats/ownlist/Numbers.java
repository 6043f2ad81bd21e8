package alcabala.formats.ownlist;

import alcabala.formats.ownlist.OwnList.Known;
import java.util.HashSet;
import java.util.List;
import java.util.Set;

/// The numbers of documents that may be on a list.
final class Numbers {
    private final Set<String> all = new HashSet<>();
    private final Set<String> credits = new HashSet<>();

    Numbers(List<Known> known) {
        for (Known each : known) {
            String key = Columns.key(each.number());
            all.add(key);
            if (each.gross().isNegative()) {
                credits.add(key);
            }
        }
    }

    boolean isKnown(String number) {
        return all.contains(Columns.key(number));
    }

    /// Whether it counts negative, though many lists have it without a minus.
    boolean isCredit(String number) {
        return credits.contains(Columns.key(number));
    }
}
