/// Runs of routes: both sides are fetched and what goes by itself goes, by hand or by the clock. Start with Runner.
package alcabala.server.run;
