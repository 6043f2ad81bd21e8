package alcabala.connectors;

/// A record of an outside system that cannot be understood, or is beyond what can be: it is set aside, and the others
/// go on.
///
/// @param ref what identifies it there, so that a later one takes its place
/// @param name what it is called in a sentence, such as `document HW-20301`
/// @param reason a clause such as `its number is longer than 200 characters`
/// @param raw as it came, as far as it can be kept
public record Unusable(String type, String ref, String name, String reason, String raw) {}
