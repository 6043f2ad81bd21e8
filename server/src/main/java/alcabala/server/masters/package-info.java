/// Parties that stand on both sides, kept alike as the route says. Start with PartyMerging.
package alcabala.server.masters;
