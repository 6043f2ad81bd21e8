/// Hullwork. Start with HullworkKind.
package alcabala.connectors.adapters.hullwork;
