package alcabala.server.access;

import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.Pattern;
import jakarta.validation.constraints.Size;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/// The first start: as long as there is nobody, whoever comes first becomes administrator.
@RestController
@RequestMapping("/api/first")
class FirstApi {
    private final People people;

    record First(boolean needed) {}

    record FirstAdministrator(
            @NotBlank @Pattern(regexp = PeopleApi.SIGN_IN) String signIn,
            @NotBlank @Size(max = 80) String name,
            @NotBlank @Size(max = 200) String password) {
        @Override
        public String toString() {
            return "FirstAdministrator[" + signIn + "]";
        }
    }

    FirstApi(People people) {
        this.people = people;
    }

    @GetMapping
    First first() {
        return new First(people.isEmpty());
    }

    @PostMapping
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void add(@Valid @RequestBody FirstAdministrator person) {
        people.addFirst(person.signIn(), person.name().trim(), person.password());
    }
}
