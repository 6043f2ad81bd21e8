/// What would go wrong later, asked before anything crosses: gathers the facts, has them judged, says them in words.
/// Start with ReadinessRun.
package alcabala.server.readiness;
