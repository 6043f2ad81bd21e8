/// Ledgers that other programs cannot enter: their lists come as files. Start with CopperplateLists.
package alcabala.connectors.files;
