package alcabala.accounting.settlement;

import java.util.Map;
import org.joda.money.Money;

/// What is known of a receipt that a banking names.
///
/// @param standing how far it is
/// @param amount as its source says it now, positive whatever its kind
/// @param account on which the ledger has its money; empty where it is not there
/// @param dimensions under which the ledger has it there
public record Received(Target.Standing standing, Money amount, String account, Map<String, String> dimensions) {
    public Received {
        dimensions = Map.copyOf(dimensions);
    }
}
