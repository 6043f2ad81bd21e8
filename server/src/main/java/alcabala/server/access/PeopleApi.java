package alcabala.server.access;

import alcabala.server.access.People.Seen;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Pattern;
import jakarta.validation.constraints.Size;
import java.security.Principal;
import java.util.List;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/// Administrators manage people here.
@RestController
@RequestMapping("/api/people")
class PeopleApi {
    static final String SIGN_IN = "[a-z][a-z0-9._-]{1,39}";
    private static final int MOST_SEEN = 500;
    private final People people;
    private final AccessTokens tokens;

    record NewPerson(
            @NotBlank @Pattern(regexp = SIGN_IN) String signIn,
            @NotBlank @Size(max = 80) String name,
            @NotNull Role role,
            @NotNull @Size(max = MOST_SEEN) List<@Valid @NotNull Seen> sees,
            @NotBlank @Size(max = 200) String password) {
        @Override
        public String toString() {
            return "NewPerson[" + signIn + "]";
        }
    }

    record ChangedPerson(
            @NotBlank @Size(max = 80) String name,
            @NotNull Role role,
            @NotNull @Size(max = MOST_SEEN) List<@Valid @NotNull Seen> sees,
            boolean active,
            int version) {}

    record Password(@NotBlank @Size(max = 200) String password) {
        @Override
        public String toString() {
            return "Password";
        }
    }

    PeopleApi(People people, AccessTokens tokens) {
        this.people = people;
        this.tokens = tokens;
    }

    @GetMapping
    List<People.PersonListed> all() {
        return people.all();
    }

    @PostMapping
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void add(@Valid @RequestBody NewPerson person, Principal who) {
        people.add(
                person.signIn(), person.name().trim(), person.role(), person.sees(), person.password(), who.getName());
    }

    @PutMapping("/{signIn}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void change(@PathVariable String signIn, @Valid @RequestBody ChangedPerson person, Principal who) {
        people.change(
                signIn,
                person.name().trim(),
                person.role(),
                person.sees(),
                person.active(),
                person.version(),
                who.getName());
    }

    @PutMapping("/{signIn}/password")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void setPassword(@PathVariable String signIn, @Valid @RequestBody Password password, Principal who) {
        people.setPassword(signIn, password.password(), who.getName());
    }

    /// Tokens that somebody made, so that an administrator can end them.
    @GetMapping("/{signIn}/tokens")
    List<AccessTokens.TokenListed> tokens(@PathVariable String signIn) {
        return tokens.of(signIn);
    }

    @DeleteMapping("/{signIn}/tokens/{id}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void endToken(@PathVariable String signIn, @PathVariable long id, Principal who) {
        tokens.takeBack(signIn, id, who.getName());
    }
}
