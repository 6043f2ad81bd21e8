/// What all stops use: JSON of documents, words for findings, COPY, the job scheduler.
package alcabala.server.platform;
