package alcabala.server.jobs;

import alcabala.server.platform.Problem;
import java.time.Instant;

/// Work behind a request, as far as it has come.
///
/// @param <T> what it comes to
/// @param state `running`, `done` or `failed`
/// @param who began it
/// @param done how much of it is done; 0 of 0 when that is not known
/// @param result once it is done
/// @param problem once it has failed
public record Work<T>(
        long id, String state, String who, Instant startedAt, int done, int of, T result, Problem problem) {}
