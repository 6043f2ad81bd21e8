/// Records that stand on both sides, merged field by field: what either side changed, what becomes of it, and what goes
/// to the ledger when each keeps what it changed itself.
package alcabala.server.merge;
