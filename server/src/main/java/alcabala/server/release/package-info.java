/// Taking documents in, compiling them, and showing what is ready, blocked and why. Start with Intake and ReleaseApi.
package alcabala.server.release;
