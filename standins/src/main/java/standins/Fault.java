package standins;

/// What a system can be told to do wrong.
public enum Fault {
    NONE("works as it should"),
    SLOW("answers after three seconds"),
    UNAVAILABLE("answers 503 and does nothing"),
    ANSWER_LOST("does the work, then the answer is lost"),
    REQUEST_LIMIT("takes ten requests in ten seconds");

    private final String says;

    Fault(String says) {
        this.says = says;
    }

    public String says() {
        return says;
    }
}
