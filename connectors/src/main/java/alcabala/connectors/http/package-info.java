/// The adapters over HTTP: Hullwork as a source, Inkwell as a ledger. Start with HullworkSource and InkwellLedger.
package alcabala.connectors.http;
