package alcabala.server;

import static java.util.Map.entry;

import alcabala.connectors.UnreachableException;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.net.URI;
import java.nio.charset.StandardCharsets;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import org.springframework.boot.SpringApplication;
import org.springframework.context.ConfigurableApplicationContext;
import org.springframework.jdbc.CannotGetJdbcConnectionException;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.jdbc.datasource.DriverManagerDataSource;

/// The real server on a database of its own, beside the real stand-ins in a process of their own.
public final class World implements AutoCloseable {
    /// 32 bytes that seal nothing worth having.
    public static final String KEY = "dGVzdC1rZXktb2YtMzItYnl0ZXMtZm9yLXRlc3RzISE=";
    /// What the first administrator has to know.
    public static final String FIRST_SECRET = "the-first-of-all";

    private static StandIns standIns;
    private final String database = Blank.copy();
    private ConfigurableApplicationContext context;
    private Process process;
    private int port;

    private World() {}

    /// Stand-ins as on the first day, and a server that knows nobody and nothing.
    public static World empty() {
        return inProcess(false);
    }

    /// Stand-ins as on the first day, and a server in this process that has loaded the demo business.
    ///
    /// @param settings further ones, as `--name=value`
    public static World inProcess(String... settings) {
        return inProcess(true, settings);
    }

    /// The demo business on a database that is reached through a wire.
    public static World inProcess(Wire wire) {
        World world = prepared();
        return world.start(true, world.databaseAt(wire));
    }

    /// The demo business on a database and beside systems that are each reached through a wire.
    public static World inProcess(Wire wire, Wire network) {
        World world = prepared();
        String there = "http://127.0.0.1:" + network.port();
        return world.start(
                true,
                world.databaseAt(wire),
                "--alcabala.standins=" + there,
                "--alcabala.addresses.inkwell=" + there + "/inkwell");
    }

    private String databaseAt(Wire wire) {
        return "--spring.datasource.url=" + url(database).replaceFirst(":[0-9]+/", ":" + wire.port() + "/");
    }

    /// Where the outside world is on this machine.
    public static int standInsPort() {
        prepareStandIns();
        return URI.create(standIns.address()).getPort();
    }

    /// Where the database of the tests is on this machine.
    public static int databasePort() {
        return URI.create(url("").substring("jdbc:".length())).getPort();
    }

    /// A machine that stands still for longer than a world waits for its stand-ins is given a second chance.
    private static World inProcess(boolean demo, String... settings) {
        World world = prepared();
        try {
            return world.start(demo, settings);
        } catch (RuntimeException e) {
            if (!isForWantOfAnswers(e)) {
                throw e;
            }
            execute("postgres", "drop database " + world.database + " with (force)");
            return prepared().start(demo, settings);
        }
    }

    private static boolean isForWantOfAnswers(Throwable failure) {
        return Stream.iterate(failure, each -> each != null, Throwable::getCause)
                .anyMatch(each ->
                        each instanceof UnreachableException || each instanceof CannotGetJdbcConnectionException);
    }

    private World start(boolean demo, String... settings) {
        port = Programs.freePort();
        Stream<String> usual = Stream.of(
                "--server.port=" + port,
                "--spring.datasource.url=" + url(database),
                "--spring.datasource.username=alcabala_app",
                "--spring.datasource.password=" + password(),
                "--spring.flyway.user=alcabala_migration",
                "--spring.flyway.init-sqls=set role alcabala_owner",
                "--springdoc.api-docs.enabled=true",
                "--alcabala.first-secret=" + FIRST_SECRET,
                "--alcabala.demo=" + demo,
                "--alcabala.standins=" + standIns.address(),
                "--alcabala.reach=127.0.0.1",
                "--alcabala.mail.host=127.0.0.1",
                "--alcabala.mail.port=" + standIns.smtpPort(),
                "--alcabala.mail.tls=false",
                "--alcabala.source-key=hullwork-demo-key",
                "--alcabala.client-secrets.inkwell=alcabala-demo-secret",
                "--alcabala.addresses.inkwell=" + standIns.address() + "/inkwell",
                "--alcabala.key=" + KEY,
                "--alcabala.patience=2s",
                "--alcabala.pause=10ms");
        context = SpringApplication.run(
                AlcabalaApplication.class,
                Stream.concat(usual.filter(each -> !isSetIn(settings, each)), Stream.of(settings))
                        .toArray(String[]::new));
        return this;
    }

    private static boolean isSetIn(String[] settings, String usual) {
        String name = usual.substring(0, usual.indexOf('=') + 1);
        return Stream.of(settings).anyMatch(each -> each.startsWith(name));
    }

    /// The same with the server in a process of its own, which can be killed.
    public static World inProcessOfItsOwn() {
        World world = prepared();
        world.startProcess();
        return world;
    }

    private static void prepareStandIns() {
        if (standIns == null) {
            standIns = new StandIns();
        }
    }

    private static World prepared() {
        prepareStandIns();
        standIns.reset();
        World world = new World();
        return world;
    }

    /// Runs a program of operations/ on this database, as whoever runs the server does.
    ///
    /// @return what it says
    /// @throws IllegalStateException when it fails, with what it says
    public String operate(String program, String... arguments) {
        List<String> command = new ArrayList<>(List.of("../operations/" + program));
        command.addAll(List.of(arguments));
        ProcessBuilder builder = new ProcessBuilder(command).redirectErrorStream(true);
        builder.environment()
                .putAll(Map.of(
                        "PGHOST",
                        "127.0.0.1",
                        "PGPORT",
                        String.valueOf(databasePort()),
                        "PGUSER",
                        "postgres",
                        "PGDATABASE",
                        database,
                        "ALCABALA_DB_PASSWORD",
                        password(),
                        "ALCABALA_MIGRATION_PASSWORD",
                        password()));
        try {
            Process running = builder.start();
            String said = new String(running.getInputStream().readAllBytes(), StandardCharsets.UTF_8);
            if (running.waitFor() != 0) {
                throw new IllegalStateException(program + ": " + said);
            }
            return said;
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new IllegalStateException(e);
        }
    }

    public void startProcess() {
        port = Programs.freePort();
        process = launchServer(port);
        Await.until("the server answers", () -> new Api(address()).isUp());
    }

    private Process launchServer(int at) {
        return Programs.launch(
                Map.ofEntries(
                        entry("ALCABALA_PORT", String.valueOf(at)),
                        entry("ALCABALA_DB", url(database)),
                        entry("ALCABALA_DB_USER", "alcabala_app"),
                        entry("ALCABALA_DB_PASSWORD", password()),
                        entry("ALCABALA_MIGRATION_USER", "alcabala_migration"),
                        entry("ALCABALA_MIGRATION_ROLE", "set role alcabala_owner"),
                        entry("ALCABALA_DEMO", "true"),
                        entry("ALCABALA_PATIENCE", "2s"),
                        entry("ALCABALA_PAUSE", "100ms"),
                        entry("ALCABALA_KEY", KEY),
                        entry("ALCABALA_REACH", "127.0.0.1"),
                        entry("ALCABALA_SOURCE_KEY", "hullwork-demo-key"),
                        entry("ALCABALA_CLIENTSECRETS_INKWELL", "alcabala-demo-secret"),
                        entry("ALCABALA_STANDINS", standIns.address())),
                Programs.server());
    }

    /// A second server on the same database.
    public Beside beside() {
        int at = Programs.freePort();
        Beside beside = new Beside("http://127.0.0.1:" + at, launchServer(at));
        Await.until("the second server answers", () -> new Api(beside.address()).isUp());
        return beside;
    }

    /// Another server process.
    public record Beside(String address, Process process) implements AutoCloseable {
        public Api api(String person) {
            return new Api(address).signedIn(person);
        }

        public void signal(String name) {
            Programs.signal(process, name);
        }

        @Override
        public void close() {
            process.destroyForcibly().onExit().join();
        }
    }

    /// Such as `STOP`, which leaves the process with everything that it holds.
    public void signal(String name) {
        Programs.signal(process, name);
    }

    /// As `kill -9` does: no shutdown hook runs.
    public void kill() {
        process.destroyForcibly().onExit().join();
    }

    public String address() {
        return "http://127.0.0.1:" + port;
    }

    public Api api(String person) {
        return new Api(address()).signedIn(person);
    }

    public StandIns standIns() {
        return standIns;
    }

    /// The database as its superuser sees it, who may do what the server may not.
    public JdbcClient jdbc() {
        return JdbcClient.create(new DriverManagerDataSource(url(database), "postgres", password()));
    }

    /// A connection of its own, as the superuser.
    public Connection superuser() throws SQLException {
        return DriverManager.getConnection(url(database), "postgres", password());
    }

    /// The database as the server sees it.
    public JdbcClient serverJdbc() {
        return context.getBean(JdbcClient.class);
    }

    public <T> T bean(String name, Class<T> type) {
        return context.getBean(name, type);
    }

    public <T> T bean(Class<T> type) {
        return context.getBean(type);
    }

    @Override
    public void close() {
        if (context != null) {
            context.close();
        }
        if (process != null) {
            kill();
        }
        execute("postgres", "drop database " + database + " with (force)");
        execute("postgres", "drop database if exists " + database + "_before_restore");
    }

    public static String url(String name) {
        String base = System.getenv("ALCABALA_TEST_DB");
        if (base == null) {
            throw new IllegalStateException("these tests need a database; run ./alcabala test");
        }
        return base + name;
    }

    public static String password() {
        return System.getenv().getOrDefault("PGPASSWORD", "");
    }

    public static void execute(String database, String sql) {
        try (Connection connection = DriverManager.getConnection(url(database), "postgres", password());
                Statement statement = connection.createStatement()) {
            statement.execute(sql);
        } catch (SQLException e) {
            throw new IllegalStateException(sql, e);
        }
    }
}
