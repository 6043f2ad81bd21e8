package standins.touched;

/// Who changes something.
///
/// @param by a person, or what a program is let in as
public record Hand(String by, boolean program) {}
