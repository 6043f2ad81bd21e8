/// Inkwell. Start with InkwellKind.
package alcabala.connectors.adapters.inkwell;
