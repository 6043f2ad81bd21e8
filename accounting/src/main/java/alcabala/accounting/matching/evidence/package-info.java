/// What speaks for and against that two parties are one. Start with Evidence.
package alcabala.accounting.matching.evidence;
