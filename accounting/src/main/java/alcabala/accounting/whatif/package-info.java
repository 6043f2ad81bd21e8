/// What a change of the crosswalk does: to what has not crossed, and to what was booked before it.
package alcabala.accounting.whatif;
