package alcabala.connectors.spi;

import java.time.Duration;
import java.util.Map;

/// Where a connection leads.
///
/// @param address of the system, without a slash at its end; empty for one of files
/// @param company whose books, by the id that the system gives it; empty where it keeps one, or before one is chosen
/// @param answers to what its kind asks for beside address and key, by the names of the fields
/// @param patience how long it may take to answer
/// @param gate asked before each request
public record Place(String address, String company, Map<String, String> answers, Duration patience, Gate gate) {}
