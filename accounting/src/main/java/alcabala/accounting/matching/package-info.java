/// Which record of one side is probably which of the other, and why. Start with PartyMatcher.
package alcabala.accounting.matching;
