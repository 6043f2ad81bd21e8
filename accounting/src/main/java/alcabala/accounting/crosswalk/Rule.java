package alcabala.accounting.crosswalk;

import java.util.function.Function;

/// One rule of the walk: what it looks up. A further rule is one more entry in [Resolver].
///
/// @param subject the code to look up; empty when the line has nothing for this rule
record Rule(Step step, RowKind kind, Function<Question, String> subject) {}
