/// Which source leads to which ledger, and what was decided about it. Start with Routes.
package alcabala.server.route;
