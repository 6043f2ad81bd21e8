/// The outside systems that are connected, with what opens them. Start with Ledgers and Sources.
package alcabala.server.connection;
