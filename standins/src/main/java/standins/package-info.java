/// The simulated outside world: Hullwork, Inkwell, their desks and their demo data. It shares no code with Alcabala, so
/// that the two cannot agree on the same mistake. Start with StandinsApplication.
package standins;
