/// What somebody implements who adds an outside system: a kind of connection, opened to small capabilities. Start with
/// ConnectionKind.
package alcabala.connectors.spi;
