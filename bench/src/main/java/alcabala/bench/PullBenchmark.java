package alcabala.bench;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.concurrent.locks.LockSupport;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.jdbc.datasource.DriverManagerDataSource;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/// Pull of a chart of 20,000 accounts and 100,000 customers from a real stand-in into a real server of its own that has
/// one gigabyte of heap.
final class PullBenchmark {
    private static final int SERVER = 8487;
    private static final int STANDINS = 8488;
    private static final int ROUNDS = 3;
    private static final int PAGES = 40;
    private final String base = System.getenv("ALCABALA_TEST_DB");
    private final String address = "http://127.0.0.1:" + SERVER;
    private final HttpClient client = HttpClient.newHttpClient();
    private final JsonMapper json = new JsonMapper();
    private final List<Process> processes = new ArrayList<>();

    static void run() {
        new PullBenchmark().measure();
    }

    private void measure() {
        String server = database("bench_pull_");
        String standins = database("bench_standins_");
        try {
            start(
                    Map.of("STANDINS_PORT", String.valueOf(STANDINS), "STANDINS_DB", base + standins),
                    "-jar",
                    Path.of("standins/target/standins-1-exec.jar").toString());
            start(
                    Map.of(
                            "ALCABALA_PORT",
                            String.valueOf(SERVER),
                            "ALCABALA_DB",
                            base + server,
                            "ALCABALA_DEMO",
                            "true",
                            "ALCABALA_KEY",
                            "YmVuY2gta2V5LW9mLTMyLWJ5dGVzLXNlYWxpbmctMDA=",
                            "ALCABALA_STANDINS",
                            "http://127.0.0.1:" + STANDINS,
                            "ALCABALA_PATIENCE",
                            "60s"),
                    "-Xmx1g",
                    "-XX:+UseSerialGC",
                    "-cp",
                    System.getProperty("java.class.path"),
                    "alcabala.server.AlcabalaApplication");
            await();
            fill(standins);
            String token = BenchSession.token(address, "admin", "admin-corvane");
            Benchmarks.report(
                    "first pull of 20,000 accounts and 100,000 customers, seconds, heap 1 GB", pull(token), "under 20");
            List<Double> again = new ArrayList<>();
            for (int i = 0; i < ROUNDS; i++) {
                again.add(pull(token));
            }
            Benchmarks.report(
                    "the same pull again without news, seconds",
                    again.stream().sorted().toList().get(1),
                    "-");
            pages(token);
        } finally {
            processes
                    .reversed()
                    .forEach(process -> process.destroyForcibly().onExit().join());
            drop(server);
            drop(standins);
        }
    }

    private void pages(String token) {
        for (String page : List.of(
                "/api/connect",
                "/api/connect/ledgers/1/reference/ACCOUNT?text=77",
                "/api/connect/ledgers/1/reference/PARTY?after=IC-B050000",
                "/api/map/choices?route=yard&text=Estuary",
                "/api/map/party?route=yard",
                "/api/summary?route=yard")) {
            List<Double> times = new ArrayList<>();
            for (int i = 0; i < PAGES; i++) {
                long start = System.nanoTime();
                ask(page, token);
                times.add((System.nanoTime() - start) / 1e6);
            }
            double median = times.stream().sorted().toList().get(PAGES / 2);
            Benchmarks.report("  then " + page + ", median ms", median, "quick");
        }
    }

    private double pull(String token) {
        long start = System.nanoTime();
        send(HttpRequest.newBuilder(URI.create(address + "/api/connect/ledgers/1/pulls"))
                .header("Authorization", "Bearer " + token)
                .POST(HttpRequest.BodyPublishers.noBody()));
        JsonNode latest;
        do {
            pause(100);
            latest = json.readTree(ask("/api/connect/ledgers/1/pulls", token)).get(0);
        } while (latest.get("state").asString().equals("running"));
        if (!latest.get("state").asString().equals("done")) {
            throw new IllegalStateException(latest.toString());
        }
        return (System.nanoTime() - start) / 1e9;
    }

    private void fill(String standins) {
        jdbc(standins).sql("""
                insert into inkwell_saltmere.inkwell_account (code, name, type)
                    select 'X' || lpad(n::text, 6, '0'), 'Account number ' || n, 'revenue' from generate_series(1, 20000) n;
                insert into inkwell_saltmere.inkwell_party (id, name, tax_identifier, email, phone)
                    select 'IC-B' || lpad(n::text, 6, '0'),
                        (array['Estuary','Harbour','Quay','Tarn','Pell','Ostler','Mooring','Beacon'])[1 + n % 8] || ' '
                            || md5(n::text) || ' ' || n, 'IE' || n || 'X', 'c' || n || '@bench.example', '01' || n
                    from generate_series(1, 100000) n""").update();
    }

    private String database(String prefix) {
        String name = prefix + System.nanoTime();
        jdbc("postgres").sql("create database " + name).update();
        return name;
    }

    private void drop(String name) {
        jdbc("postgres").sql("drop database " + name + " with (force)").update();
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
                        HttpRequest.newBuilder(URI.create(address + "/actuator/health/readiness"))
                                .build());
                return;
            } catch (RuntimeException e) {
                pause(500);
            }
        }
        throw new IllegalStateException("the server did not come up; bench/target/processes.log says why");
    }

    private static void pause(int milliseconds) {
        LockSupport.parkNanos(milliseconds * 1_000_000L);
    }

    private String ask(String path, String token) {
        return send(HttpRequest.newBuilder(URI.create(address + path)).header("Authorization", "Bearer " + token));
    }

    private String send(HttpRequest.Builder request) {
        return Ask.answer(client, request.build());
    }
}
