package alcabala.server;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.net.InetAddress;
import java.net.ServerSocket;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.springframework.boot.SpringApplication;
import org.springframework.context.ConfigurableApplicationContext;
import org.springframework.jdbc.core.simple.JdbcClient;

/// The real server on a database of its own, beside the real stand-ins in a process of their own.
public final class World implements AutoCloseable {
    /// 32 bytes that seal nothing worth having.
    public static final String KEY = "dGVzdC1rZXktb2YtMzItYnl0ZXMtZm9yLXRlc3RzISE=";
    private static StandIns standIns;
    private final String database = "test_" + UUID.randomUUID().toString().replace("-", "");
    private ConfigurableApplicationContext context;
    private Process process;
    private int port;

    private World() {}

    /// Stand-ins as on the first day, and a server in this process that has loaded the demo business.
    public static World inProcess() {
        return inProcess(true);
    }

    /// Stand-ins as on the first day, and a server that knows nobody and nothing.
    public static World empty() {
        return inProcess(false);
    }

    private static World inProcess(boolean demo) {
        World world = prepared();
        world.port = freePort();
        world.context = SpringApplication.run(
                AlcabalaApplication.class,
                "--server.port=" + world.port,
                "--spring.datasource.url=" + url(world.database),
                "--spring.datasource.password=" + password(),
                "--alcabala.demo=" + demo,
                "--alcabala.standins=" + standIns.address(),
                "--alcabala.key=" + KEY,
                "--alcabala.patience=2s",
                "--alcabala.pause=10ms");
        return world;
    }

    /// The same with the server in a process of its own, which can be killed.
    public static World inProcessOfItsOwn() {
        World world = prepared();
        world.startProcess();
        return world;
    }

    private static World prepared() {
        if (standIns == null) {
            standIns = new StandIns();
        }
        standIns.reset();
        World world = new World();
        execute("create database " + world.database);
        return world;
    }

    public void startProcess() {
        port = freePort();
        process = launchServer(port);
        Await.until("the server answers", () -> new Api(address()).isUp());
    }

    private Process launchServer(int at) {
        String classPath = System.getProperty("surefire.test.class.path", System.getProperty("java.class.path"));
        return launch(
                Map.of(
                        "ALCABALA_PORT",
                        String.valueOf(at),
                        "ALCABALA_DB",
                        url(database),
                        "PGPASSWORD",
                        password(),
                        "ALCABALA_DEMO",
                        "true",
                        "ALCABALA_PATIENCE",
                        "2s",
                        "ALCABALA_PAUSE",
                        "100ms",
                        "ALCABALA_KEY",
                        KEY,
                        "ALCABALA_STANDINS",
                        standIns.address()),
                "-cp",
                classPath,
                "alcabala.server.AlcabalaApplication");
    }

    /// A second server on the same database.
    public Beside beside() {
        int at = freePort();
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
            World.signal(process, name);
        }

        @Override
        public void close() {
            process.destroyForcibly().onExit().join();
        }
    }

    /// Such as `STOP`, which leaves the process with everything that it holds.
    public void signal(String name) {
        signal(process, name);
    }

    private static void signal(Process to, String name) {
        try {
            int code = new ProcessBuilder("kill", "-" + name, String.valueOf(to.pid()))
                    .start()
                    .waitFor();
            if (code != 0) {
                throw new IllegalStateException("kill -" + name + " ended with " + code);
            }
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new IllegalStateException(e);
        }
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

    public JdbcClient jdbc() {
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
        execute("drop database " + database + " with (force)");
    }

    static Process launch(Map<String, String> environment, String... arguments) {
        List<String> command = new ArrayList<>(List.of(arguments));
        command.addFirst("-XX:TieredStopAtLevel=1");
        command.addFirst("-XX:+UseSerialGC");
        command.addFirst(Path.of(System.getProperty("java.home"), "bin", "java").toString());
        ProcessBuilder builder = new ProcessBuilder(command)
                .redirectErrorStream(true)
                .redirectOutput(ProcessBuilder.Redirect.appendTo(
                        Path.of("target/processes.log").toFile()));
        builder.environment().putAll(environment);
        try {
            Process started = builder.start();
            Runtime.getRuntime().addShutdownHook(new Thread(started::destroyForcibly));
            return started;
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    static int freePort() {
        try (ServerSocket socket = new ServerSocket(0, 1, InetAddress.getLoopbackAddress())) {
            return socket.getLocalPort();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    static String url(String name) {
        String base = System.getenv("ALCABALA_TEST_DB");
        if (base == null) {
            throw new IllegalStateException("these tests need a database; run ./alcabala test");
        }
        return base + name;
    }

    static String password() {
        return System.getenv().getOrDefault("PGPASSWORD", "");
    }

    static void execute(String sql) {
        try (Connection connection = DriverManager.getConnection(url("postgres"), "postgres", password());
                Statement statement = connection.createStatement()) {
            statement.execute(sql);
        } catch (SQLException e) {
            throw new IllegalStateException(sql, e);
        }
    }
}
