package alcabala.server.masters;

import alcabala.accounting.field.Half;
import alcabala.accounting.field.MasterField;
import alcabala.accounting.sync.Baseline;
import alcabala.accounting.sync.Both;
import alcabala.accounting.sync.Side;
import java.util.Set;
import java.util.stream.Collectors;

/// A master of the source and the one that stands for it on the ledger, with what both last agreed on.
///
/// @param named the name that its row of the crosswalk gives it on the ledger; empty for none
/// @param unsettled fields on which they have never agreed; null for all
/// @param there whether the ledger has it, and has it active
/// @param gone whether the ledger has it no more
/// @param version of the link, for whoever changes it
/// @param now what both have and what is decided, as one text
record MasterPair(
        Master master,
        long routeId,
        String code,
        String counterpart,
        String named,
        int version,
        Both<Half> values,
        Both<Half> halves,
        Set<String> unsettled,
        boolean there,
        boolean gone,
        String now) {
    private static final String NAME = "name";

    Baseline baseline() {
        return new Baseline(halves, unsettled == null ? all() : unsettled);
    }

    /// How a side calls it.
    String code(Side side) {
        return side == Side.SOURCE ? code : counterpart;
    }

    /// What its source calls it.
    String name() {
        return values.source().values().getOrDefault(NAME, code);
    }

    private Set<String> all() {
        return master.fields().stream().map(MasterField::code).collect(Collectors.toUnmodifiableSet());
    }
}
