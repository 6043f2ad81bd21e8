package alcabala.accounting.field;

/// Whether a master is in use, as a value of a field.
public final class Use {
    public static final String YES = "yes";
    public static final String NO = "no";
    /// It is not there any more, and cannot be taken into use again.
    public static final String GONE = "gone";

    private Use() {}

    public static String of(boolean active) {
        return active ? YES : NO;
    }

    public static boolean isActive(String use) {
        return YES.equals(use);
    }

    /// One that is gone is as little in use as one that is put out of it.
    public static boolean isSame(String one, String other) {
        return isActive(one) == isActive(other);
    }

    /// As another side can say it.
    public static String said(String use) {
        return of(isActive(use));
    }
}
