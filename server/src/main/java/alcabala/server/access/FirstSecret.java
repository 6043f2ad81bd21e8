package alcabala.server.access;

import alcabala.server.platform.Settings;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.boot.context.event.ApplicationReadyEvent;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Component;

/// What the first administrator has to know, so that it is whoever started the server and not whoever finds it first.
/// It comes from who starts it, or else is made up and said in the log.
@Component
class FirstSecret {
    private static final Logger LOG = LoggerFactory.getLogger(FirstSecret.class);
    private final People people;
    private final String secret;
    private final boolean given;

    FirstSecret(People people, Settings settings) {
        this.people = people;
        given = settings.firstSecret() != null && !settings.firstSecret().isBlank();
        secret = given ? settings.firstSecret().strip() : Tokens.fresh();
    }

    boolean is(String guess) {
        return Tokens.same(secret, guess.strip());
    }

    @EventListener(ApplicationReadyEvent.class)
    void say() {
        if (!given && people.isEmpty()) {
            LOG.warn("nobody is known yet; the first administrator needs this secret: {}", secret);
        }
    }
}
