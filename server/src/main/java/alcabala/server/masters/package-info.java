/// Parties and items that stand on both sides, kept alike as the route says. Start with MasterMerging; what the two
/// kinds differ in is in PartyMaster and ItemMaster.
package alcabala.server.masters;
