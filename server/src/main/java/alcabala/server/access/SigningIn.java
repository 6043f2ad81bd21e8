package alcabala.server.access;

import alcabala.server.platform.NotPossibleException;
import alcabala.server.trail.Trail;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.time.Duration;
import java.util.HexFormat;
import java.util.Map;
import java.util.Optional;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.security.core.context.SecurityContext;
import org.springframework.security.core.context.SecurityContextHolder;
import org.springframework.security.web.context.SecurityContextRepository;
import org.springframework.session.FindByIndexNameSessionRepository;
import org.springframework.stereotype.Component;

/// Signs people in and out. What is guessed is counted before it is looked at; every sign-in and every failure stands
/// on the trail, with the address that it came from.
@Component
class SigningIn {
    private final People people;
    private final Attempts attempts;
    private final KnownBrowsers browsers;
    private final Sessions sessions;
    private final SecurityContextRepository contexts;
    private final Trail trail;

    /// Too much was guessed.
    static final class PauseException extends RuntimeException {
        private final Duration pause;

        PauseException(Duration pause) {
            super("wait " + pause.toSeconds() + " s");
            this.pause = pause;
        }

        Duration pause() {
            return pause;
        }
    }

    SigningIn(
            People people,
            Attempts attempts,
            KnownBrowsers browsers,
            Sessions sessions,
            SecurityContextRepository contexts,
            Trail trail) {
        this.people = people;
        this.attempts = attempts;
        this.browsers = browsers;
        this.sessions = sessions;
        this.contexts = contexts;
        this.trail = trail;
    }

    /// @throws PauseException when this name was guessed at too often from there
    SignedIn signIn(String name, String password, HttpServletRequest request, HttpServletResponse response) {
        String from = browsers.find(request, name)
                .map(browser -> "browser " + HexFormat.of().formatHex(Tokens.hash(browser), 0, 8))
                .orElse("address " + request.getRemoteAddr());
        String subject = "sign-in " + name + " from " + from;
        begin(subject);
        Optional<People.Person> person = people.authenticate(name, password);
        if (person.isEmpty()) {
            trail.write(
                    null, null, "somebody", "sign-in-failed", Map.of("name", name, "address", request.getRemoteAddr()));
            throw new NotPossibleException(
                    HttpStatus.UNAUTHORIZED, "sign-in-wrong", "Name and password do not go together.");
        }
        attempts.right(subject);
        return open(person.get(), request, response);
    }

    /// Counts one more guess.
    ///
    /// @throws PauseException when there were too many
    void begin(String subject) {
        attempts.begin(subject).ifPresent(pause -> {
            throw new PauseException(pause);
        });
    }

    void right(String subject) {
        attempts.right(subject);
    }

    SignedIn open(People.Person person, HttpServletRequest request, HttpServletResponse response) {
        SignedIn signedIn = new SignedIn(person.id(), person.signIn(), person.name(), person.asRole());
        request.getSession();
        request.changeSessionId();
        request.getSession().setAttribute(FindByIndexNameSessionRepository.PRINCIPAL_NAME_INDEX_NAME, person.signIn());
        sessions.remember(request.getSession().getId(), String.valueOf(request.getHeader(HttpHeaders.USER_AGENT)));
        browsers.remember(request, response, person.id());
        SecurityContext context = SecurityContextHolder.createEmptyContext();
        context.setAuthentication(AccessConfiguration.authentication(signedIn));
        contexts.saveContext(context, request, response);
        SecurityContextHolder.setContext(context);
        trail.write(null, null, person.name(), "signed-in", Map.of("address", request.getRemoteAddr()));
        return signedIn;
    }

    void signOut(HttpServletRequest request) {
        if (request.getUserPrincipal() != null) {
            trail.write(null, null, request.getUserPrincipal().getName(), "signed-out", Map.of());
        }
        Optional.ofNullable(request.getSession(false)).ifPresent(session -> session.invalidate());
    }
}
