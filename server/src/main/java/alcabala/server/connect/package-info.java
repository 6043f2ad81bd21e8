/// Sources, ledgers and routes, and what is pulled from them. Start with Routes.
package alcabala.server.connect;
