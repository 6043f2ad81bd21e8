/// Whether the database answers, and what is done while it does not: nobody waits for it, what waits already is let
/// go, and readiness says so. Start with DatabaseWatch.
package alcabala.server.database;
