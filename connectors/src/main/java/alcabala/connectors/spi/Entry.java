package alcabala.connectors.spi;

import java.util.List;

/// How one gets in.
public sealed interface Entry {
    /// By a key that the system's owner looks up there.
    record ByKey() implements Entry {}

    /// By the consent of one of its people, given in her browser (OAuth 2, authorization code with PKCE).
    ///
    /// @param authorize path below the address to which she is sent
    /// @param token path below the address at which the code is exchanged
    record ByConsent(String authorize, String token, List<String> scopes) implements Entry {}

    /// It cannot be asked: what it has comes as files, and what it gets is written to files.
    record ByFiles() implements Entry {}
}
