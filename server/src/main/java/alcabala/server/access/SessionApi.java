package alcabala.server.access;

import alcabala.server.access.ConventionsApi.ConventionsJson;
import alcabala.server.platform.Conventions;
import alcabala.server.platform.Problem;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import jakarta.validation.Valid;
import jakarta.validation.constraints.Max;
import jakarta.validation.constraints.Min;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.time.Duration;
import java.util.EnumSet;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import org.springframework.http.HttpStatus;
import org.springframework.http.ResponseEntity;
import org.springframework.security.core.Authentication;
import org.springframework.security.web.csrf.CsrfToken;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.ExceptionHandler;
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
    private final People people;
    private final SigningIn signingIn;
    private final AccessTokens tokens;
    private final Sessions sessions;
    private final OwnConventions conventions;

    record SignIn(
            @NotBlank @Size(max = 100) String signIn,
            @NotBlank @Size(max = 200) String password) {
        @Override
        public String toString() {
            return "SignIn[" + signIn + "]";
        }
    }

    record Me(
            String signIn, String name, Role role, boolean mayChange, boolean seesBooks, ConventionsJson conventions) {
        static Me of(SignedIn person, Conventions conventions) {
            return new Me(
                    person.signIn(),
                    person.name(),
                    person.role(),
                    person.role().mayChange(),
                    person.role().seesBooks(),
                    ConventionsJson.of(conventions));
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

    /// @param purposes what it may be used for; everything when left out
    /// @param route the only route that it may be used on; all when left out
    /// @param days how long it is good for; thirty when left out
    record WantedToken(
            @Size(max = 60) String name,
            @Size(min = 1, max = 10) Set<@NotNull Purpose> purposes,
            @Size(max = 100) String route,
            @Min(1) @Max(366) Integer days) {
        private static final int USUAL_DAYS = 30;

        AccessTokens.Wanted plain() {
            return new AccessTokens.Wanted(
                    name == null || name.isBlank() ? "command line" : name.trim(),
                    purposes == null ? EnumSet.allOf(Purpose.class) : purposes,
                    route == null ? "" : route,
                    Duration.ofDays(days == null ? USUAL_DAYS : days));
        }
    }

    SessionApi(People people, SigningIn signingIn, AccessTokens tokens, Sessions sessions, OwnConventions conventions) {
        this.conventions = conventions;
        this.people = people;
        this.signingIn = signingIn;
        this.tokens = tokens;
        this.sessions = sessions;
    }

    /// Sets the XSRF-TOKEN cookie.
    @GetMapping("/csrf")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void csrf(CsrfToken token) {
        token.getToken();
    }

    @GetMapping
    Me me(Authentication authentication) {
        return me((SignedIn) authentication.getPrincipal());
    }

    private Me me(SignedIn person) {
        return Me.of(person, conventions.of(person.id()));
    }

    @PostMapping
    Me signIn(@Valid @RequestBody SignIn signIn, HttpServletRequest request, HttpServletResponse response) {
        String name = signIn.signIn().trim().toLowerCase(Locale.ROOT);
        return me(signingIn.signIn(name, signIn.password(), request, response));
    }

    @ExceptionHandler
    ResponseEntity<Problem> pause(SigningIn.PauseException e) {
        return PauseAnswer.of(e);
    }

    @DeleteMapping
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void signOut(HttpServletRequest request) {
        signingIn.signOut(request);
    }

    @PutMapping("/password")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void changePassword(@Valid @RequestBody ChangePassword change, Authentication who, HttpServletRequest request) {
        String subject = "present password of " + person(who).signIn();
        signingIn.begin(subject);
        people.changePassword(person(who), change.present(), change.next(), sessionId(request));
        signingIn.right(subject);
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
        WantedToken wanted = token == null ? new WantedToken(null, null, null, null) : token;
        return tokens.make(person(who), wanted.plain());
    }

    @DeleteMapping("/tokens/{id}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void takeBack(@PathVariable long id, Authentication who) {
        tokens.takeBack(person(who).signIn(), id, who.getName());
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
