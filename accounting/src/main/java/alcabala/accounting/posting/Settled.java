package alcabala.accounting.posting;

import alcabala.accounting.settlement.Allocation;
import alcabala.accounting.settlement.Target;

/// What of a settlement its document takes.
record Settled(Allocation allocation, Target target) {}
