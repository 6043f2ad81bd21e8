package standins;

/// What a system can be told to do wrong.
public enum Fault {
    NONE("works as it should"),
    SLOW("answers after three seconds"),
    UNAVAILABLE("answers 503 and does nothing"),
    ANSWER_LOST("does the work, then the answer is lost"),
    ANSWER_LOST_THEN_DOWN("takes one document, then the answer is lost and it is down for half a minute"),
    REQUEST_LIMIT("takes ten requests in ten seconds"),
    SERVER_ERROR("answers 500 and does nothing"),
    HTML_PAGE("answers with a web page and does nothing"),
    REDIRECT("sends everybody elsewhere and does nothing"),
    EMPTY_ANSWER("does the work and answers nothing"),
    UNREADABLE_ANSWER("does the work and answers half a sentence"),
    HUGE_ANSWER("does the work and does not stop answering"),
    SLOW_ANSWER("does the work and answers a letter a second"),
    BAD_RECORDS("tells of records that nobody can use, beside the others (Hullwork)");

    private final String says;

    Fault(String says) {
        this.says = says;
    }

    public String says() {
        return says;
    }
}
