/// The historical load: everything since a day, sent in the background. Start with [alcabala.server.load.LoadRun].
package alcabala.server.load;
