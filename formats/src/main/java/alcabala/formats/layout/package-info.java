/// How the files look that a ledger imports, and the writing and reading back of them. Start with Layout, then
/// LayoutWriter.
package alcabala.formats.layout;
