package alcabala.accounting.field;

/// A field of a master as it is compared and written: what is only right together is one.
public interface MasterField {
    /// `bill-to`, as it is called in a half of a baseline.
    String code();

    /// Whether it says that the master is in use: that is never changed on the other side by itself (synchronisation,
    /// "Gone").
    boolean isUse();

    /// Whether a person may give it this value; empty takes away what is there.
    boolean takes(String value);

    /// Whether two values mean the same. Either may be null.
    boolean isSame(String one, String other);
}
