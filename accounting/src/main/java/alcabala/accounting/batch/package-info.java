/// Control totals of documents that go together. Start with ControlTotals.
package alcabala.accounting.batch;
