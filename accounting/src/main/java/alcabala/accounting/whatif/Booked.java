package alcabala.accounting.whatif;

import alcabala.accounting.posting.Compilation;
import java.util.List;
import java.util.Optional;

/// What stands on the books of a record that was sent, beside what it would be booked as now.
///
/// @param stands as it was sent, with what was put right since
/// @param rules what it compiles to under the row as it is, and as it was; the likelier first
public record Booked(Books stands, List<Compilation> rules) {
    /// What the change would move of it.
    ///
    /// @param would what it compiles to under the row as it would be
    /// @return empty where the books do not say what any of the rows says: somebody booked it otherwise, and it
    ///     has to be looked at
    public Optional<Effect> under(Compilation would) {
        return rules.stream()
                .map(rule -> new Tried(rule, Effect.between(rule, would)))
                .filter(tried -> stands.agreesWith(
                        Effect.books(tried.rule()), tried.effect().moved()))
                .filter(tried -> !tried.rule().isBlocked())
                .map(Tried::effect)
                .findFirst();
    }

    private record Tried(Compilation rule, Effect effect) {}
}
