/// The items of a ledger as its source would have them: their names, and all of them written anew. Start with
/// ItemNaming.
package alcabala.server.items;
