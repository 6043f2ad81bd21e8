package alcabala.server.access;

import java.util.Locale;
import java.util.Optional;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.security.crypto.password.PasswordEncoder;
import org.springframework.stereotype.Component;

/// The people who may sign in. Passwords are hashed by Spring Security's default.
@Component
public class People {
    private final JdbcClient jdbc;
    private final PasswordEncoder passwords;
    private final String nobodysHash;

    record Person(long id, String signIn, String name, String role, String passwordHash) {
        Role asRole() {
            return Role.valueOf(role.toUpperCase(Locale.ROOT));
        }
    }

    People(JdbcClient jdbc, PasswordEncoder passwords) {
        this.jdbc = jdbc;
        this.passwords = passwords;
        this.nobodysHash = passwords.encode("nobody");
    }

    public void add(String signIn, String name, Role role, String password) {
        jdbc.sql("""
                insert into person (sign_in, name, role, password_hash) values (:signIn, :name, :role, :hash)
                on conflict (sign_in) do nothing""")
                .param("signIn", signIn)
                .param("name", name)
                .param("role", role.name().toLowerCase(Locale.ROOT))
                .param("hash", passwords.encode(password))
                .update();
    }

    /// Takes as long for a name that does not exist as for a wrong password.
    Optional<Person> authenticate(String signIn, String password) {
        Optional<Person> person = jdbc.sql(
                        "select id, sign_in, name, role, password_hash from person where sign_in = :signIn")
                .param("signIn", signIn)
                .query(Person.class)
                .optional();
        boolean right =
                passwords.matches(password, person.map(Person::passwordHash).orElse(nobodysHash));
        return right ? person : Optional.empty();
    }
}
