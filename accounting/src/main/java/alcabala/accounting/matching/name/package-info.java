/// What the name of a party says, and how far two names say the same. Start with ReadName.
package alcabala.accounting.matching.name;
