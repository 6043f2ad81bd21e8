/// The crosswalk: its rows, their history, suggestions, and what a change releases. Start with MapApi.
package alcabala.server.map;
