package alcabala.server.access;

import alcabala.server.platform.NotPossibleException;
import alcabala.server.platform.Problem;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import jakarta.validation.Valid;
import jakarta.validation.constraints.Max;
import jakarta.validation.constraints.Min;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.Size;
import java.time.Duration;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.security.core.Authentication;
import org.springframework.security.core.context.SecurityContext;
import org.springframework.security.core.context.SecurityContextHolder;
import org.springframework.security.web.context.SecurityContextRepository;
import org.springframework.security.web.csrf.CsrfToken;
import org.springframework.session.FindByIndexNameSessionRepository;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

@RestController
@RequestMapping("/api/session")
class SessionApi {
    private static final Logger LOG = LoggerFactory.getLogger(SessionApi.class);
    private final People people;
    private final SignInPauses pauses;
    private final AccessTokens tokens;
    private final Sessions sessions;
    private final SecurityContextRepository contexts;

    record SignIn(
            @NotBlank @Size(max = 100) String signIn,
            @NotBlank @Size(max = 200) String password) {
        @Override
        public String toString() {
            return "SignIn[" + signIn + "]";
        }
    }

    record Me(String signIn, String name, Role role, boolean mayChange, boolean seesBooks) {
        static Me of(SignedIn person) {
            return new Me(
                    person.signIn(),
                    person.name(),
                    person.role(),
                    person.role().mayChange(),
                    person.role().seesBooks());
        }
    }

    record ChangePassword(
            @NotBlank @Size(max = 200) String present,
            @NotBlank @Size(max = 200) String next) {
        @Override
        public String toString() {
            return "ChangePassword";
        }
    }

    /// @param days how long it is good for; thirty when left out
    record WantedToken(
            @Size(max = 60) String name,
            boolean readsOnly,
            @Min(1) @Max(366) Integer days) {
        static final WantedToken PLAIN = new WantedToken("command line", false, 30);

        String named() {
            return name == null || name.isBlank() ? PLAIN.name : name.trim();
        }

        Duration life() {
            return Duration.ofDays(days == null ? PLAIN.days : days);
        }
    }

    SessionApi(
            People people,
            SignInPauses pauses,
            AccessTokens tokens,
            Sessions sessions,
            SecurityContextRepository contexts) {
        this.people = people;
        this.pauses = pauses;
        this.tokens = tokens;
        this.sessions = sessions;
        this.contexts = contexts;
    }

    /// Sets the XSRF-TOKEN cookie.
    @GetMapping("/csrf")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void csrf(CsrfToken token) {
        token.getToken();
    }

    @GetMapping
    Me me(Authentication authentication) {
        return Me.of((SignedIn) authentication.getPrincipal());
    }

    @PostMapping
    ResponseEntity<?> signIn(
            @Valid @RequestBody SignIn signIn, HttpServletRequest request, HttpServletResponse response) {
        String name = signIn.signIn().trim().toLowerCase(Locale.ROOT);
        List<String> subjects = List.of("name " + name, "address " + request.getRemoteAddr());
        Optional<Duration> pause = pauses.find(subjects);
        if (pause.isPresent()) {
            long seconds = pause.get().toSeconds();
            return ResponseEntity.status(HttpStatus.TOO_MANY_REQUESTS)
                    .header("Retry-After", String.valueOf(seconds))
                    .contentType(MediaType.APPLICATION_PROBLEM_JSON)
                    .body(Problem.of(
                            HttpStatus.TOO_MANY_REQUESTS,
                            "pause",
                            "Too many failed attempts. Try again in " + seconds + " seconds."));
        }
        Optional<People.Person> person = people.authenticate(name, signIn.password());
        if (person.isEmpty()) {
            pauses.failed(subjects);
            LOG.info("failed sign-in from {}", request.getRemoteAddr());
            throw new NotPossibleException(
                    HttpStatus.UNAUTHORIZED, "sign-in-wrong", "Name and password do not go together.");
        }
        subjects.forEach(pauses::succeeded);
        SignedIn signedIn = new SignedIn(name, person.get().name(), person.get().asRole());
        request.getSession();
        request.changeSessionId();
        request.getSession().setAttribute(FindByIndexNameSessionRepository.PRINCIPAL_NAME_INDEX_NAME, name);
        sessions.remember(request.getSession().getId(), String.valueOf(request.getHeader(HttpHeaders.USER_AGENT)));
        SecurityContext context = SecurityContextHolder.createEmptyContext();
        context.setAuthentication(AccessConfiguration.authentication(signedIn));
        contexts.saveContext(context, request, response);
        return ResponseEntity.ok(Me.of(signedIn));
    }

    @DeleteMapping
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void signOut(HttpServletRequest request) {
        Optional.ofNullable(request.getSession(false)).ifPresent(session -> session.invalidate());
    }

    @PutMapping("/password")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void changePassword(@Valid @RequestBody ChangePassword change, Authentication who, HttpServletRequest request) {
        people.changePassword(person(who), change.present(), change.next(), sessionId(request));
    }

    @GetMapping("/all")
    List<Sessions.OpenSession> sessions(Authentication who, HttpServletRequest request) {
        return sessions.of(person(who).signIn(), sessionId(request));
    }

    @DeleteMapping("/all/{id}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void end(@PathVariable String id, Authentication who) {
        sessions.end(person(who).signIn(), id);
    }

    /// Signs out everywhere, here too.
    @DeleteMapping("/all")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void endAll(Authentication who) {
        sessions.endAll(person(who).signIn());
    }

    @GetMapping("/tokens")
    List<AccessTokens.TokenListed> tokens(Authentication who) {
        return tokens.of(person(who).signIn());
    }

    /// An access token with at most the rights of the person who makes it; shown this once. Without a body it may all
    /// that she may, for thirty days.
    @PostMapping("/tokens")
    AccessTokens.NewToken token(@Valid @RequestBody(required = false) WantedToken token, Authentication who) {
        WantedToken wanted = token == null ? WantedToken.PLAIN : token;
        return tokens.make(person(who), wanted.named(), wanted.readsOnly(), wanted.life());
    }

    @DeleteMapping("/tokens/{id}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void takeBack(@PathVariable long id, Authentication who) {
        tokens.takeBack(person(who), id);
    }

    private static SignedIn person(Authentication who) {
        return (SignedIn) who.getPrincipal();
    }

    /// Empty for a request that came with a token.
    private static String sessionId(HttpServletRequest request) {
        return request.getSession(false) == null
                ? ""
                : request.getSession(false).getId();
    }
}
