package alcabala.accounting.sync;

import alcabala.accounting.field.Half;
import alcabala.accounting.party.Party;
import alcabala.accounting.party.PartyField;
import java.util.Optional;
import java.util.SortedMap;

/// A party as one half of a baseline, and back.
public final class PartyHalf {
    private PartyHalf() {}

    public static Half of(Party party) {
        Half.Builder half = Half.builder();
        for (PartyField field : PartyField.values()) {
            half.text(field.code(), field.of(party));
        }
        return half.build();
    }

    /// The party with what is to be written to it; what is empty is taken away.
    public static Party with(Party party, SortedMap<String, Optional<String>> writes) {
        Party changed = party;
        for (PartyField field : PartyField.values()) {
            if (writes.containsKey(field.code())) {
                changed = field.with(changed, writes.get(field.code()).orElse(""));
            }
        }
        return changed;
    }
}
