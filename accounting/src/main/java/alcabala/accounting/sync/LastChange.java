package alcabala.accounting.sync;

import java.time.Instant;

/// The last change of something on a side, as that side tells of it.
///
/// @param by whom it names; empty where it names nobody
/// @param own whether it was we who wrote it
public record LastChange(Instant at, String by, boolean own) {}
