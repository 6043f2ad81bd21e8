package alcabala.server.news;

import alcabala.server.platform.NotPossibleException;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Component;

/// All browsers that are being told.
@Component
class Readers {
    private static final int MOST_OF_A_PERSON = 20;
    private static final int MOST = 1_000;
    private final Set<Reader> open = ConcurrentHashMap.newKeySet();
    private volatile boolean let;

    /// @throws NotPossibleException when nothing can be told just now, or to no more
    Reader open(String signIn) {
        if (!let || open.size() >= MOST || countOf(signIn) >= MOST_OF_A_PERSON) {
            throw new NotPossibleException(
                    HttpStatus.SERVICE_UNAVAILABLE,
                    "no-news",
                    "What changes cannot be told just now. Look by yourself.");
        }
        Reader reader = new Reader(signIn, open::remove);
        open.add(reader);
        if (!let) {
            reader.end();
        }
        return reader;
    }

    private long countOf(String signIn) {
        return open.stream().filter(each -> each.signIn().equals(signIn)).count();
    }

    void tell(Told told) {
        open.forEach(each -> each.tell(told));
    }

    void letIn() {
        let = true;
    }

    /// Nobody is let in until it is said again.
    void letGo() {
        let = false;
        open.forEach(Reader::end);
    }
}
