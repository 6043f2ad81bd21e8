/// Taking in what sources say, each time they say it. Start with SourcePull and Intake.
package alcabala.server.intake;
