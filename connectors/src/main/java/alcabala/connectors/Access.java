package alcabala.connectors;

import java.util.Optional;

/// What an adapter shows at the door of an outside system.
public interface Access {
    /// What to show.
    ///
    /// @throws AccessLostException when there is nothing to show any more
    String token();

    /// Another one, after this one was turned away; empty when there is none to be had.
    ///
    /// @throws UnreachableException when nobody answers who could give one
    Optional<String> tokenAfter(String turnedAway);

    /// A key that never changes.
    static Access key(String key) {
        return new Access() {
            @Override
            public String token() {
                return key;
            }

            @Override
            public Optional<String> tokenAfter(String turnedAway) {
                return Optional.empty();
            }
        };
    }
}
