package alcabala.server.crossing;

/// Another process took a document a step further while this one held it.
final class MovedMeanwhileException extends RuntimeException {
    MovedMeanwhileException(long dispatch) {
        super("dispatch " + dispatch + " was moved by another process");
    }
}
