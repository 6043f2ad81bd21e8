/// Everything that ever happened to a document. Append-only. Start with Trail.
package alcabala.server.trail;
