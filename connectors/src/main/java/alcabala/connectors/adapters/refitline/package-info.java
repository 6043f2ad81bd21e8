/// Refitline. Start with RefitlineKind.
package alcabala.connectors.adapters.refitline;
