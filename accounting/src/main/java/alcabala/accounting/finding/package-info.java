/// What keeps a document from crossing, or what a bookkeeper should know. Start with Finding.
package alcabala.accounting.finding;
