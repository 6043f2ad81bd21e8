package alcabala.connectors;

/// An outside system that did not answer, or answered what nobody asked for.
public class UnreachableException extends RuntimeException {
    private final String system;

    public UnreachableException(String system, String detail, Throwable cause) {
        super(system + ": " + detail, cause);
        this.system = system;
    }

    public String system() {
        return system;
    }
}
