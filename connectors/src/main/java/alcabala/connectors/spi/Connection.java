package alcabala.connectors.spi;

import java.util.List;
import java.util.Optional;

/// An outside system as it is spoken to, by what it can do.
public final class Connection {
    private final String system;
    private final List<Capability> capabilities;

    private Connection(String system, List<Capability> capabilities) {
        this.system = system;
        this.capabilities = capabilities;
    }

    /// @param system its name, as people say it
    /// @param capabilities one object may have several
    public static Connection of(String system, Capability... capabilities) {
        return new Connection(system, List.of(capabilities));
    }

    public String system() {
        return system;
    }

    public <C extends Capability> Optional<C> find(Class<C> capability) {
        return capabilities.stream()
                .filter(capability::isInstance)
                .map(capability::cast)
                .findFirst();
    }

    /// @throws CannotException when it has no such capability
    public <C extends Capability> C get(Class<C> capability) {
        return find(capability).orElseThrow(() -> new CannotException(system, capability));
    }
}
