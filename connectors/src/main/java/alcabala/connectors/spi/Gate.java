package alcabala.connectors.spi;

import java.net.URI;

/// Decides, each time before a request leaves, whether its address may be reached from here.
@FunctionalInterface
public interface Gate {
    /// @throws alcabala.connectors.UnreachableException when it may not
    void pass(URI address);
}
