/// Batches for ledgers that take files: how the files look, the files themselves, kept byte for byte, and what such a
/// ledger answers in files of its own. Start with BatchFiles, then Answers.
package alcabala.server.files;
