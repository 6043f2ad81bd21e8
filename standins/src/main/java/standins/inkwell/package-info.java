/// Inkwell, an online ledger with a mind of its own: it computes tax, posts to its own journal and says no. Start with
/// InkwellApi, then Posting.
package standins.inkwell;
