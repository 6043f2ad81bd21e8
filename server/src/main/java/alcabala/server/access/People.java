package alcabala.server.access;

import alcabala.server.platform.NotPossibleException;
import alcabala.server.trail.Trail;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import tools.jackson.databind.json.JsonMapper;

/// The people who may sign in.
@Component
public class People {
    private final JdbcClient jdbc;
    private final Passwords passwords;
    private final Sessions sessions;
    private final AccessTokens tokens;
    private final Trail trail;
    private final JsonMapper json;

    record Person(long id, String signIn, String name, String role, String passwordHash) {
        Role asRole() {
            return Role.valueOf(role.toUpperCase(Locale.ROOT));
        }
    }

    /// @param sees whose documents, for an operations person
    record PersonListed(
            String signIn,
            String name,
            Role role,
            boolean active,
            int version,
            int sessions,
            int tokens,
            List<Seen> sees) {}

    /// Documents of a source that somebody sees.
    ///
    /// @param site empty for all sites
    record Seen(long source, @NotNull @Size(max = 200) String site) {}

    People(JdbcClient jdbc, Passwords passwords, Sessions sessions, AccessTokens tokens, Trail trail, JsonMapper json) {
        this.jdbc = jdbc;
        this.passwords = passwords;
        this.sessions = sessions;
        this.tokens = tokens;
        this.trail = trail;
        this.json = json;
    }

    List<PersonListed> all() {
        return jdbc.sql("""
                select p.sign_in, p.name, p.role, p.active, p.version,
                    (select count(*) from spring_session s where s.principal_name = p.sign_in
                        and s.expiry_time > extract(epoch from now()) * 1000) as sessions,
                    (select count(*) from access_token t where t.person_id = p.id and t.expires_at > now()) as tokens,
                    coalesce((select jsonb_agg(jsonb_build_object('source', g.source_id, 'site', g.site) order by g.source_id, g.site)
                        from sight g where g.person_id = p.id), '[]') as sees
                from person p order by p.active desc, p.name""")
                .query((row, n) -> new PersonListed(
                        row.getString("sign_in"),
                        row.getString("name"),
                        Role.valueOf(row.getString("role").toUpperCase(Locale.ROOT)),
                        row.getBoolean("active"),
                        row.getInt("version"),
                        row.getInt("sessions"),
                        row.getInt("tokens"),
                        List.of(json.readValue(row.getString("sees"), Seen[].class))))
                .list();
    }

    void requireEmpty() {
        if (!isEmpty()) {
            throw NotPossibleException.conflict("not-first", "There is an administrator already; ask her to add you.");
        }
    }

    boolean isEmpty() {
        return jdbc.sql("select count(*) from person").query(Integer.class).single() == 0;
    }

    /// Adds a person unless the sign-in is taken.
    public boolean add(String signIn, String name, Role role, String password) {
        return jdbc.sql("""
                insert into person (sign_in, name, role, password_hash) values (:signIn, :name, :role, :hash)
                on conflict (sign_in) do nothing""")
                        .param("signIn", signIn)
                        .param("name", name)
                        .param("role", word(role))
                        .param("hash", passwords.encode(password))
                        .update()
                == 1;
    }

    @Transactional
    public void add(String signIn, String name, Role role, List<Seen> sees, String password, String who) {
        passwords.requireGood(signIn, password);
        if (!add(signIn, name, role, password)) {
            throw NotPossibleException.conflict("sign-in-taken", "Somebody signs in as " + signIn + " already.")
                    .at("signIn");
        }
        String shown = show(signIn, role, sees);
        trail.write(null, null, who, "person-added", Map.of("person", signIn, "role", word(role), "sees", shown));
    }

    Person get(String signIn) {
        return find(signIn).orElseThrow(() -> NotPossibleException.missing("person " + signIn));
    }

    private Optional<Person> find(String signIn) {
        return jdbc.sql("select id, sign_in, name, role, password_hash from person where sign_in = :signIn and active")
                .param("signIn", signIn)
                .query(Person.class)
                .optional();
    }

    /// The very first person, an administrator. Possible once, while there is nobody.
    @Transactional
    public void addFirst(String signIn, String name, String password) {
        jdbc.sql("lock table person in exclusive mode").update();
        requireEmpty();
        add(signIn, name, Role.ADMINISTRATOR, List.of(), password, name);
    }

    /// Compare-and-set. Whoever gets another role, or leaves, is signed out everywhere; the tokens of who leaves end.
    @Transactional
    public void change(
            String signIn, String name, Role role, List<Seen> sees, boolean active, int version, String who) {
        jdbc.sql("lock table person in exclusive mode").update();
        int rows = jdbc.sql("""
                update person set name = :name, role = :role, active = :active, version = version + 1
                where sign_in = :signIn and version = :version""")
                .param("name", name)
                .param("role", word(role))
                .param("active", active)
                .param("signIn", signIn)
                .param("version", version)
                .update();
        if (rows == 0) {
            requireKnown(signIn);
            throw NotPossibleException.conflict("changed-meanwhile", "Somebody else changed this person; look again.");
        }
        int administrators = jdbc.sql("select count(*) from person where role = 'administrator' and active")
                .query(Integer.class)
                .single();
        if (administrators == 0) {
            throw NotPossibleException.conflict(
                    "last-administrator", "Somebody has to be administrator; give the role to another person first.");
        }
        String shown = show(signIn, role, sees);
        sessions.endAll(signIn);
        if (!active) {
            tokens.endAll(signIn);
        }
        trail.write(
                null,
                null,
                who,
                "person-changed",
                Map.of("person", signIn, "role", word(role), "active", active, "name", name, "sees", shown));
    }

    /// Others than operations people see everything, so nothing is kept for them.
    ///
    /// @return what the person sees, in words
    private String show(String signIn, Role role, List<Seen> sees) {
        jdbc.sql("delete from sight where person_id = (select id from person where sign_in = :signIn)")
                .param("signIn", signIn)
                .update();
        if (role.seesBooks()) {
            return "everything";
        }
        List<String> words = new ArrayList<>();
        for (Seen each : sees) {
            words.add((sourceName(each.source()) + " " + each.site()).strip());
            jdbc.sql("""
                    insert into sight (person_id, source_id, site) select id, :source, :site from person where sign_in = :signIn
                    on conflict do nothing""")
                    .param("signIn", signIn)
                    .param("source", each.source())
                    .param("site", each.site())
                    .update();
        }
        return words.isEmpty() ? "nothing" : String.join(", ", words);
    }

    private String sourceName(long source) {
        return jdbc.sql("select name from source where id = :id")
                .param("id", source)
                .query(String.class)
                .optional()
                .orElseThrow(() -> NotPossibleException.missing("source " + source));
    }

    /// Set by an administrator for somebody else, who is signed out everywhere by it, and whose tokens end.
    @Transactional
    public void setPassword(String signIn, String password, String who) {
        passwords.requireGood(signIn, password);
        requireKnown(signIn);
        writePassword(signIn, password);
        sessions.endAll(signIn);
        tokens.endAll(signIn);
        trail.write(null, null, who, "password-set", Map.of("person", signIn));
    }

    /// Changed by the person herself; her other sessions end, and her tokens.
    @Transactional
    public void changePassword(SignedIn person, String old, String password, String session) {
        if (authenticate(person.signIn(), old).isEmpty()) {
            throw NotPossibleException.invalid("password-wrong", "The present password is not right.")
                    .at("present");
        }
        passwords.requireGood(person.signIn(), password);
        writePassword(person.signIn(), password);
        sessions.endOthers(person.signIn(), session);
        tokens.endAll(person.signIn());
        trail.write(null, null, person.name(), "password-changed", Map.of("person", person.signIn()));
    }

    private void writePassword(String signIn, String password) {
        jdbc.sql("update person set password_hash = :hash where sign_in = :signIn")
                .param("hash", passwords.encode(password))
                .param("signIn", signIn)
                .update();
    }

    private void requireKnown(String signIn) {
        if (jdbc.sql("select 1 from person where sign_in = :signIn")
                .param("signIn", signIn)
                .query(Integer.class)
                .optional()
                .isEmpty()) {
            throw NotPossibleException.missing("person " + signIn);
        }
    }

    /// Takes as long for a name that does not exist, or has left, as for a wrong password.
    Optional<Person> authenticate(String signIn, String password) {
        Optional<Person> person = find(signIn);
        boolean right =
                passwords.isRight(password, person.map(Person::passwordHash).orElse(null));
        return right ? person : Optional.empty();
    }

    private static String word(Role role) {
        return role.name().toLowerCase(Locale.ROOT);
    }
}
