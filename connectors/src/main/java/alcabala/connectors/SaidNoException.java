package alcabala.connectors;

/// An outside system that answered and said no, in its own words.
public final class SaidNoException extends RuntimeException {
    private final String system;
    private final String sentence;

    public SaidNoException(String system, String sentence) {
        super(system + " said no: " + sentence);
        this.system = system;
        this.sentence = sentence;
    }

    public String system() {
        return system;
    }

    public String sentence() {
        return sentence;
    }
}
