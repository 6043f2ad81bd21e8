/// Work behind requests: what asks outside systems (Works), and what must go on after a crash (Jobs).
package alcabala.server.jobs;
