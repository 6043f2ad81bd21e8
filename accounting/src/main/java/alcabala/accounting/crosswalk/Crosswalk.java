package alcabala.accounting.crosswalk;

import alcabala.accounting.matching.Candidate;
import java.util.Collection;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.Map;
import java.util.Optional;

/// The crosswalk of one route at one moment. Immutable.
public final class Crosswalk {
    private final Map<RowKind, Map<String, CrosswalkRow>> rows = new EnumMap<>(RowKind.class);
    private final Map<String, Candidate> doubts;

    private Crosswalk(Collection<CrosswalkRow> rows, Map<String, Candidate> doubts) {
        for (RowKind kind : RowKind.values()) {
            this.rows.put(kind, new HashMap<>());
        }
        rows.forEach(row -> this.rows.get(row.kind()).put(row.code(), row));
        this.doubts = Map.copyOf(doubts);
    }

    /// @param doubts for each party code without a row, the party on the ledger it may be
    public static Crosswalk of(Collection<CrosswalkRow> rows, Map<String, Candidate> doubts) {
        return new Crosswalk(rows, doubts);
    }

    public Optional<CrosswalkRow> find(RowKind kind, String code) {
        return Optional.ofNullable(rows.get(kind).get(code));
    }

    /// The ledger account that plays a role on this route.
    public Optional<CrosswalkRow> find(AccountRole role) {
        return find(RowKind.ROLE, role.name());
    }

    /// The party on the ledger that a party without a row may already be.
    public Optional<Candidate> findDoubt(String party) {
        return Optional.ofNullable(doubts.get(party));
    }

    public static String lineCode(String documentNumber, String lineId) {
        return documentNumber + "/" + lineId;
    }
}
