/// Taking records across, once, and hearing of them afterwards. Start with BatchRun and Sender.
package alcabala.server.crossing;
