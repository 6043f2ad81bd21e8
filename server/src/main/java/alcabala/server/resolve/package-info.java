/// What is held up after it was sent, grouped by its cause. Start with ResolveApi.
package alcabala.server.resolve;
