package alcabala.server.masters;

import alcabala.accounting.sync.Side;
import alcabala.accounting.sync.Swaps;
import alcabala.accounting.sync.Swaps.Renaming;
import alcabala.server.masters.MasterDeciding.Decided;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;

/// Masters that would get each other's names on the ledger, where no two are named alike (synchronisation, "What is one
/// field").
final class Exchanged {
    static final String NAME = "name";

    private Exchanged() {}

    /// @param merged what would become of those that are merged together
    /// @return why the name of each of them is not written, by their codes
    static Map<String, String> of(Map<MasterPair, Decided> merged) {
        List<Renaming> renamings = new ArrayList<>();
        merged.forEach((pair, each) -> {
            Optional<String> becomes = each.merged().writes().of(Side.LEDGER).getOrDefault(NAME, Optional.empty());
            String has = pair.values().ledger().values().getOrDefault(NAME, "");
            becomes.ifPresent(name -> renamings.add(
                    new Renaming(pair.code(), has.toLowerCase(Locale.ROOT), name.toLowerCase(Locale.ROOT))));
        });
        Map<String, String> exchanged = new HashMap<>();
        for (List<Renaming> ring : Swaps.of(renamings)) {
            List<String> codes = ring.stream().map(Renaming::record).sorted().toList();
            String reason = "the names of %s were exchanged. Neither is written: give one of them a third name first"
                    .formatted(inWords(codes));
            codes.forEach(code -> exchanged.put(code, reason));
        }
        return exchanged;
    }

    private static String inWords(List<String> codes) {
        int last = codes.size() - 1;
        return String.join(", ", codes.subList(0, last)) + " and " + codes.get(last);
    }
}
