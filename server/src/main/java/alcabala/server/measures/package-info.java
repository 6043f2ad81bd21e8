/// What is to be watched in operation, in names by Prometheus' conventions. Start with Measures.
package alcabala.server.measures;
