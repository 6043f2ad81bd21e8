/// Batches and their sending, each document once. Start with SendApi and Sender.
package alcabala.server.send;
