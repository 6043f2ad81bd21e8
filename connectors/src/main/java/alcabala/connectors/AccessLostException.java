package alcabala.connectors;

/// An outside system that no longer lets us in: the consent was withdrawn or has ended, or the key is wrong. Only a
/// person can mend that.
public final class AccessLostException extends UnreachableException {
    public AccessLostException(String system, String detail) {
        super(system, detail, null);
    }
}
