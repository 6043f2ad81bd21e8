/// Copperplate. Start with CopperplateKind.
package alcabala.connectors.adapters.copperplate;
