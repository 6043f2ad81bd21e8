/// What a change of the crosswalk would change before it is saved, and the journals that put right what was
/// booked.
package alcabala.server.whatif;
