package alcabala.server.release;

import alcabala.server.trail.Trail.TrailEntry;
import java.util.List;
import java.util.Set;
import java.util.TreeMap;

/// What operations people see of a document: what became of it, not how it is booked (domain, section 9).
final class WhatBecame {
    /// What is done to the tables of the bookkeeper.
    private static final Set<String> OF_BOOKKEEPING = Set.of("mapping-changed");
    /// What of an entry says what became of the document. What went over the wire and where it landed is left out.
    private static final Set<String> TOLD = Set.of(
            "file",
            "source",
            "blocking",
            "batch",
            "status",
            "sentence",
            "reason",
            "paid",
            "gross",
            "by",
            "amount",
            "side");

    private WhatBecame() {}

    static BothSidesView.BothSides of(BothSidesView.BothSides sides) {
        return new BothSidesView.BothSides(
                sides.posted(),
                sides.since(),
                List.of(),
                sides.fields(),
                sides.lines().stream().map(WhatBecame::of).toList(),
                List.of(),
                sides.sourceDesk(),
                "");
    }

    private static BothSidesView.SideLine of(BothSidesView.SideLine line) {
        return new BothSidesView.SideLine(
                line.text(),
                line.item(),
                line.quantity(),
                line.amount(),
                line.tax(),
                line.ledgerText(),
                "",
                line.ledgerAmount(),
                "",
                "",
                line.differs());
    }

    static List<TrailEntry> of(List<TrailEntry> trail) {
        return trail.stream()
                .filter(entry -> !OF_BOOKKEEPING.contains(entry.action()))
                .map(WhatBecame::of)
                .toList();
    }

    private static TrailEntry of(TrailEntry entry) {
        TreeMap<String, Object> told = new TreeMap<>(entry.detail());
        told.keySet().retainAll(TOLD);
        return new TrailEntry(entry.id(), entry.at(), entry.who(), entry.signIn(), entry.action(), told);
    }
}
