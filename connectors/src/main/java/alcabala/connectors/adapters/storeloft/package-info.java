/// Storeloft. Start with StoreloftKind.
package alcabala.connectors.adapters.storeloft;
