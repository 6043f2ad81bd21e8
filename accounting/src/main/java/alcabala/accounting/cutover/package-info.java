/// What both sides had open on the day on which an app and a ledger begin to work together. Start with CutOver.
package alcabala.accounting.cutover;
