package alcabala.server.masters;

import alcabala.accounting.field.Half;
import alcabala.accounting.party.Party;
import alcabala.accounting.party.PartyField;
import alcabala.accounting.sync.Baseline;
import alcabala.accounting.sync.Both;
import alcabala.accounting.sync.PartyHalf;
import alcabala.accounting.sync.Side;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/// A party of the source and the one that stands for it on the ledger, with what both last agreed on.
///
/// @param unsettled fields on which they have never agreed; null for all
/// @param there whether the ledger has it, and has it active
/// @param version of the link, for whoever changes it
/// @param now what both have and what is decided, as one text
record PartyPair(
        long routeId,
        String code,
        String counterpart,
        int version,
        Both<Party> parties,
        Both<Half> halves,
        Set<String> unsettled,
        boolean there,
        String now) {
    Baseline baseline() {
        return new Baseline(halves, unsettled == null ? ALL : unsettled);
    }

    Both<Half> values() {
        return parties.map(PartyHalf::of);
    }

    /// How a side calls it.
    String code(Side side) {
        return side == Side.SOURCE ? code : counterpart;
    }

    private static final Set<String> ALL =
            Stream.of(PartyField.values()).map(PartyField::code).collect(Collectors.toUnmodifiableSet());
}
