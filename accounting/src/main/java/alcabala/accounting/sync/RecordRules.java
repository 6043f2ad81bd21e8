package alcabala.accounting.sync;

import alcabala.accounting.record.RecordKind;
import alcabala.accounting.setting.Carried;
import alcabala.accounting.setting.RouteSettings;
import alcabala.accounting.setting.Topic;
import java.util.Locale;

/// What a route has decided about each field of a kind of document or payment.
public final class RecordRules {
    private RecordRules() {}

    public static Rule of(RouteSettings decided, RecordKind kind, String field) {
        return new Rule(direction(decided, kind), owner(decided, kind, field), policy(decided, kind));
    }

    private static Direction direction(RouteSettings decided, RecordKind kind) {
        boolean goes = decided.crosses(kind);
        return decided.comesBack(kind)
                ? goes ? Direction.BOTH : Direction.FROM_LEDGER
                : goes ? Direction.TO_LEDGER : Direction.NONE;
    }

    /// Of a field that was changed on the ledger, whose stands: its owner's, else whose the route says.
    ///
    /// @return nobody's where a person is asked
    public static Owner stands(RouteSettings decided, RecordKind kind, String field) {
        Owner owner = owner(decided, kind, field);
        if (owner != Owner.NOBODY) {
            return owner;
        }
        return switch (policy(decided, kind)) {
            case SOURCE -> Owner.SOURCE;
            case LEDGER -> Owner.LEDGER;
            case ASK, LATEST -> Owner.NOBODY;
        };
    }

    private static Policy policy(RouteSettings decided, RecordKind kind) {
        return Policy.valueOf(decided.winner(kind).toUpperCase(Locale.ROOT));
    }

    private static Owner owner(RouteSettings decided, RecordKind kind, String field) {
        return kind.isDocument()
                ? Topic.findOwnerOf(field)
                        .map(topic -> decided.get(topic, Carried.of(kind)).toUpperCase(Locale.ROOT))
                        .map(Owner::valueOf)
                        .orElse(Owner.NOBODY)
                : Owner.NOBODY;
    }
}
