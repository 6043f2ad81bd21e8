package alcabala.server.route;

import alcabala.server.jobs.Works.Progress;

/// Told, within the transaction that changed it, that the ways of a source have changed.
public interface AfterRouting {
    void routesChanged(long sourceId, String who, Progress at);
}
