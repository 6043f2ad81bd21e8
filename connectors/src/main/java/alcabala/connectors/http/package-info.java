/// The means to speak to a system over HTTP: bounded, gated, and honest about what it did not understand. Start with
/// Http.
package alcabala.connectors.http;
