/// What comes from a source. Start with SourceConnector.
package alcabala.connectors.source;
