package alcabala.connectors;

/// An outside system that answered, but with something that cannot be used: a code twice, a type that nobody knows.
public final class AnswerUnusableException extends UnreachableException {
    private final String what;

    /// @param what a clause that says what is wrong, such as `account 4010 comes twice`
    public AnswerUnusableException(String system, String what) {
        this(system, what, null);
    }

    public AnswerUnusableException(String system, String what, Throwable cause) {
        super(system, what, cause);
        this.what = what;
    }

    public String what() {
        return what;
    }
}
