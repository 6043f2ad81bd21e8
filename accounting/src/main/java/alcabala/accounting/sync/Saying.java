package alcabala.accounting.sync;

import java.util.Optional;

/// How a value of the one side is said on the other.
@FunctionalInterface
public interface Saying {
    /// Both say it in plain text.
    Saying PLAIN = (field, value, to) -> Optional.of(value);

    /// @return empty where it has no counterpart, so that it cannot travel
    Optional<String> said(String field, String value, Side to);
}
