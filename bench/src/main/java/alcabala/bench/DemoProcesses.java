package alcabala.bench;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Base64;
import java.util.List;
import java.util.Map;
import java.util.concurrent.locks.LockSupport;
import java.util.stream.Collectors;
import javax.crypto.spec.SecretKeySpec;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.jdbc.datasource.DriverManagerDataSource;
import org.springframework.jdbc.datasource.SingleConnectionDataSource;
import org.springframework.security.crypto.encrypt.AesGcmBytesEncryptor;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/// A real server with the demo business, with one gigabyte of heap, and real stand-ins, in processes and on databases
/// of their own.
final class DemoProcesses implements AutoCloseable {
    private static final int SERVER = 8487;
    private static final int STANDINS = 8488;
    private static final String KEY = "YmVuY2gta2V5LW9mLTMyLWJ5dGVzLXNlYWxpbmctMDA=";
    private final JsonMapper json = new JsonMapper();
    private final String base = System.getenv("ALCABALA_TEST_DB");
    private final HttpClient client = HttpClient.newHttpClient();
    private final List<Process> processes = new ArrayList<>();
    private final String serverDatabase = database("bench_demo_");
    private final String standinsDatabase = database("bench_standins_");
    /// Kept open: to sign in for each question would take from what is measured.
    private final SingleConnectionDataSource watching =
            new SingleConnectionDataSource(base + serverDatabase, "postgres", System.getenv("PGPASSWORD"), true);
    private final JdbcClient server = JdbcClient.create(watching);
    private String token = "";

    DemoProcesses() {
        start(
                Map.of(
                        "STANDINS_PORT", String.valueOf(STANDINS),
                        "STANDINS_SMTP_PORT", String.valueOf(STANDINS + 1),
                        "STANDINS_DB", base + standinsDatabase),
                "-jar",
                Path.of("standins/target/standins-1-exec.jar").toString());
        start(
                Map.of(
                        "ALCABALA_PORT",
                        String.valueOf(SERVER),
                        "ALCABALA_DB",
                        base + serverDatabase,
                        "ALCABALA_DEMO",
                        "true",
                        "ALCABALA_KEY",
                        KEY,
                        "ALCABALA_STANDINS",
                        standins(),
                        "ALCABALA_REACH",
                        "127.0.0.1",
                        "ALCABALA_SOURCE_KEY",
                        "hullwork-demo-key",
                        "ALCABALA_CLIENTSECRETS_INKWELL",
                        "alcabala-demo-secret",
                        "ALCABALA_PATIENCE",
                        "60s"),
                "-Xmx1g",
                "-XX:+UseSerialGC",
                "-cp",
                System.getProperty("java.class.path"),
                "alcabala.server.AlcabalaApplication");
        await();
        token = BenchSession.token(address(), "admin", "admin-corvane");
    }

    String address() {
        return "http://127.0.0.1:" + SERVER;
    }

    String standins() {
        return "http://127.0.0.1:" + STANDINS;
    }

    JdbcClient standinsJdbc() {
        return jdbc(standinsDatabase);
    }

    JdbcClient serverJdbc() {
        return server;
    }

    String post(String path, String body) {
        return Ask.answer(
                client,
                of(path).header("Content-Type", "application/json")
                        .POST(HttpRequest.BodyPublishers.ofString(body))
                        .build());
    }

    /// Takes in several files in one request.
    void upload(String path, List<byte[]> files) {
        String border = "border-of-parts";
        List<byte[]> parts = new ArrayList<>();
        for (byte[] file : files) {
            parts.add(("--" + border + "\r\nContent-Disposition: form-data; name=\"file\"; filename=\"f.xml\"\r\n\r\n")
                    .getBytes(StandardCharsets.UTF_8));
            parts.add(file);
            parts.add("\r\n".getBytes(StandardCharsets.UTF_8));
        }
        parts.add(("--" + border + "--\r\n").getBytes(StandardCharsets.UTF_8));
        Ask.answer(
                client,
                of(path).header("Content-Type", "multipart/form-data; boundary=" + border)
                        .POST(HttpRequest.BodyPublishers.ofByteArrays(parts))
                        .build());
    }

    /// What the ledger has, by one of its fields.
    Map<String, JsonNode> inkwell(String path, String key) {
        JsonNode all = json.readTree(Ask.answer(
                client,
                HttpRequest.newBuilder(URI.create(standins() + "/inkwell/api/companies/saltmere" + path))
                        .header("Authorization", "Bearer " + inkwellToken())
                        .build()));
        return all.valueStream().collect(Collectors.toMap(each -> each.get(key).asString(), each -> each));
    }

    /// The access token that the server was given, opened with its key.
    String inkwellToken() {
        byte[] sealed = serverJdbc()
                .sql("select sealed from credential where ledger_id is not null")
                .query(byte[].class)
                .single();
        byte[] open = AesGcmBytesEncryptor.withSecretKey(
                        new SecretKeySpec(Base64.getDecoder().decode(KEY), "AES"))
                .build()
                .decrypt(sealed);
        return json.readTree(open).get("token").asString();
    }

    String get(String path) {
        return Ask.answer(client, of(path).build());
    }

    String post(String path) {
        return Ask.answer(
                client, of(path).POST(HttpRequest.BodyPublishers.noBody()).build());
    }

    /// Sets a fault on a stand-in's desk, for as long as nobody sets another.
    void fault(String system, String fault) {
        Ask.send(
                client,
                HttpRequest.newBuilder(URI.create(standins() + "/" + system + "/faults"))
                        .header("Content-Type", "application/x-www-form-urlencoded")
                        .POST(HttpRequest.BodyPublishers.ofString("fault=" + fault + "&times=0"))
                        .build());
    }

    private HttpRequest.Builder of(String path) {
        return HttpRequest.newBuilder(URI.create(address() + path)).header("Authorization", "Bearer " + token);
    }

    static void pause(int milliseconds) {
        LockSupport.parkNanos(milliseconds * 1_000_000L);
    }

    private String database(String prefix) {
        String name = prefix + System.nanoTime();
        jdbc("postgres").sql("create database " + name).update();
        return name;
    }

    private JdbcClient jdbc(String name) {
        return JdbcClient.create(new DriverManagerDataSource(base + name, "postgres", System.getenv("PGPASSWORD")));
    }

    private void start(Map<String, String> environment, String... arguments) {
        List<String> command = new ArrayList<>(List.of(arguments));
        command.addFirst(Path.of(System.getProperty("java.home"), "bin", "java").toString());
        ProcessBuilder builder = new ProcessBuilder(command)
                .redirectErrorStream(true)
                .redirectOutput(ProcessBuilder.Redirect.appendTo(
                        Path.of("bench/target/processes.log").toFile()));
        builder.environment().putAll(environment);
        try {
            processes.add(builder.start());
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /// Until the demo business is loaded on both sides.
    private void await() {
        long end = System.nanoTime() + 180_000_000_000L;
        while (System.nanoTime() < end && processes.stream().allMatch(Process::isAlive)) {
            try {
                Ask.answer(
                        client,
                        HttpRequest.newBuilder(URI.create(address() + "/actuator/health/readiness"))
                                .build());
                return;
            } catch (RuntimeException e) {
                pause(500);
            }
        }
        close();
        throw new IllegalStateException("the server did not come up; bench/target/processes.log says why");
    }

    @Override
    public void close() {
        watching.destroy();
        processes
                .reversed()
                .forEach(process -> process.destroyForcibly().onExit().join());
        for (String name : List.of(serverDatabase, standinsDatabase)) {
            jdbc("postgres")
                    .sql("drop database if exists " + name + " with (force)")
                    .update();
        }
    }
}
