package alcabala.server.access;

import alcabala.server.platform.NotPossibleException;
import alcabala.server.platform.Problem;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.Pattern;
import jakarta.validation.constraints.Size;
import org.springframework.http.HttpStatus;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.ExceptionHandler;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

/// The first start: as long as there is nobody, whoever has the secret that the start command prints becomes
/// administrator, and is signed in.
@RestController
@RequestMapping("/api/first")
class FirstApi {
    private final People people;
    private final FirstSecret secret;
    private final OwnConventions conventions;
    private final SigningIn signingIn;

    record First(boolean needed) {}

    record FirstAdministrator(
            @NotBlank @Size(max = 100) String secret,
            @NotBlank @Pattern(regexp = PeopleApi.SIGN_IN) String signIn,
            @NotBlank @Size(max = 80) String name,
            @NotBlank @Size(max = 200) String password) {
        @Override
        public String toString() {
            return "FirstAdministrator[" + signIn + "]";
        }
    }

    FirstApi(People people, FirstSecret secret, SigningIn signingIn, OwnConventions conventions) {
        this.conventions = conventions;
        this.people = people;
        this.secret = secret;
        this.signingIn = signingIn;
    }

    @GetMapping
    First first() {
        return new First(people.isEmpty());
    }

    @ExceptionHandler
    ResponseEntity<Problem> pause(SigningIn.PauseException e) {
        return PauseAnswer.of(e);
    }

    @PostMapping
    SessionApi.Me add(
            @Valid @RequestBody FirstAdministrator person, HttpServletRequest request, HttpServletResponse response) {
        people.requireEmpty();
        signingIn.begin("first administrator");
        if (!secret.is(person.secret())) {
            throw new NotPossibleException(
                    HttpStatus.FORBIDDEN,
                    "secret-wrong",
                    "This is not the secret that the start command printed; look there again.");
        }
        people.addFirst(person.signIn(), person.name().trim(), person.password());
        signingIn.right("first administrator");
        SignedIn first = signingIn.open(people.get(person.signIn()), request, response);
        return SessionApi.Me.of(first, conventions.of(first.id()));
    }
}
