package alcabala.connectors.spi;

/// A system was asked for what it cannot do.
public final class CannotException extends RuntimeException {
    private final String system;
    private final Class<? extends Capability> capability;

    public CannotException(String system, Class<? extends Capability> capability) {
        super(system + " cannot do what " + capability.getSimpleName() + " stands for");
        this.system = system;
        this.capability = capability;
    }

    public String system() {
        return system;
    }

    public Class<? extends Capability> capability() {
        return capability;
    }
}
