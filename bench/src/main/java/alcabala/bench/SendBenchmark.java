package alcabala.bench;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.UUID;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ObjectNode;

/// Sends 1,000 ready documents with a new party each and 500 new items to Inkwell, against a bare HTTP client that
/// posts the same bodies to an Inkwell of the same state with as many connections.
final class SendBenchmark {
    private static final int DOCUMENTS = 1_000;
    /// Sent before, so that neither side is measured while its programs are still being compiled.
    private static final int WARMING = 2_000;
    private static final int ITEMS = 500;
    private static final int LANES = 6;
    private static final int FILES = 50;
    private static final int ROUNDS = 1;
    private final JsonMapper json = new JsonMapper();

    /// What was sent of one document: its own body, and what it needed.
    private record Sent(String party, List<String> items, ObjectNode document) {}

    private SendBenchmark() {}

    static void run() {
        SendBenchmark bench = new SendBenchmark();
        List<Double> ours = new ArrayList<>();
        List<Double> bare = new ArrayList<>();
        for (int round = 0; round < ROUNDS; round++) {
            List<Sent> sent;
            try (DemoProcesses demo = new DemoProcesses()) {
                bench.send(demo, 0, WARMING);
                ours.add(bench.send(demo, WARMING, DOCUMENTS));
                sent = bench.sent(demo);
            }
            try (DemoProcesses demo = new DemoProcesses()) {
                bench.post(demo, sent.subList(0, WARMING));
                bare.add(bench.post(demo, sent.subList(WARMING, WARMING + DOCUMENTS)));
            }
        }
        double mine = ours.stream().sorted().toList().get(ROUNDS / 2);
        double theirs = bare.stream().sorted().toList().get(ROUNDS / 2);
        Benchmarks.report("sending of 1,000 documents, 1,000 parties, 500 items, seconds", mine, "-");
        Benchmarks.report("a bare HTTP client with the same bodies, seconds", theirs, "-");
        Benchmarks.report("sending as a multiple of it", mine / theirs, "at most 1.5");
    }

    private double send(DemoProcesses demo, int first, int count) {
        for (int from = first; from < first + count; from += FILES) {
            demo.upload("/api/intake?route=harbour", files(from));
        }
        String choice = "\"route\":\"harbour\"";
        JsonNode shown = json.readTree(demo.post("/api/batches/preview", "{" + choice + "}"));
        if (shown.get("count").asInt() < count) {
            throw new IllegalStateException("only " + shown.get("count") + " are ready: " + shown);
        }
        long start = System.nanoTime();
        ObjectNode order = json.createObjectNode().put("route", "harbour");
        order.putObject("shown")
                .put("count", shown.get("count").asInt())
                .put("net", shown.get("net").asString())
                .put("tax", shown.get("tax").asString())
                .put("gross", shown.get("gross").asString())
                .put("hashTotal", shown.get("hashTotal").asString());
        long batch = json.readTree(demo.post("/api/batches", order.toString()))
                .get("id")
                .asLong();
        while (demo.serverJdbc()
                        .sql("select count(*) from dispatch where batch_id = :batch and outcome <> 'posted'")
                        .param("batch", batch)
                        .query(Integer.class)
                        .single()
                > 0) {
            DemoProcesses.pause(200);
        }
        return (System.nanoTime() - start) / 1e9;
    }

    private List<byte[]> files(int from) {
        List<byte[]> files = new ArrayList<>();
        for (int i = from; i < from + FILES; i++) {
            files.add(file(i).getBytes(StandardCharsets.UTF_8));
        }
        return files;
    }

    private static String file(int i) {
        int number = i < WARMING ? i % 50 : 10_000 + i % (ITEMS / 2);
        String odd = UUID.nameUUIDFromBytes(("n" + i).getBytes(StandardCharsets.UTF_8))
                .toString();
        try (var in = SendBenchmark.class.getResourceAsStream("/demo/CB-7001.xml")) {
            return new String(in.readAllBytes(), StandardCharsets.UTF_8)
                    .replace("CB-7001", "SB-" + (100_000 + i))
                    .replace("{issued}", "2026-11-02")
                    .replace("{due}", "2026-12-02")
                    .replace("Merrow Bay Council", odd.substring(0, 8) + " " + odd.substring(24))
                    .replace("IE2018830C", "IE" + (1_000_000 + i) + "Z")
                    .replace("accounts@merrowbay.example", odd + "@post.example")
                    .replace("Council Chambers", odd.substring(9, 18))
                    .replace("MB1 1", odd.substring(0, 6))
                    .replace("BRT-Q", "BRT-" + number)
                    .replace("PWR-1", "PWR-" + number)
                    .replace("Quay berth, week", "Quay berth " + number)
                    .replace("Shore power", "Shore power " + number);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private List<Sent> sent(DemoProcesses demo) {
        Map<String, JsonNode> parties = demo.inkwell("/parties", "id");
        Map<String, JsonNode> items = demo.inkwell("/items", "code");
        Set<String> made = new HashSet<>();
        List<Sent> all = new ArrayList<>();
        demo.serverJdbc()
                .sql("select request::text from dispatch where request->>'number' like 'SB-%' order by id")
                .query(String.class)
                .list()
                .forEach(body -> {
                    ObjectNode document = (ObjectNode) json.readTree(body);
                    List<String> needed = new ArrayList<>();
                    document.get("lines").forEach(line -> {
                        String item = line.path("item").asString("");
                        if (made.add(item) && items.containsKey(item)) {
                            needed.add(items.get(item).toString());
                        }
                    });
                    all.add(new Sent(
                            parties.get(document.get("party").asString()).toString(), needed, document));
                });
        return all;
    }

    private double post(DemoProcesses demo, List<Sent> sent) {
        HttpClient client =
                HttpClient.newBuilder().version(HttpClient.Version.HTTP_1_1).build();
        String token = demo.inkwellToken();
        long start = System.nanoTime();
        try (ExecutorService lanes = Executors.newFixedThreadPool(LANES)) {
            List<Future<?>> all = new ArrayList<>();
            for (Sent each : sent) {
                all.add(lanes.submit(() -> post(client, demo, token, each)));
            }
            for (Future<?> each : all) {
                each.get();
            }
        } catch (Exception e) {
            throw new IllegalStateException(e);
        }
        return (System.nanoTime() - start) / 1e9;
    }

    private void post(HttpClient client, DemoProcesses demo, String token, Sent sent) {
        for (String item : sent.items()) {
            post(client, demo, token, "/items", item);
        }
        String party = json.readTree(post(client, demo, token, "/parties", sent.party()))
                .get("id")
                .asString();
        post(
                client,
                demo,
                token,
                "/documents",
                sent.document().deepCopy().put("party", party).toString());
    }

    private static String post(HttpClient client, DemoProcesses demo, String token, String path, String body) {
        return Ask.answer(
                client,
                HttpRequest.newBuilder(URI.create(demo.standins() + "/inkwell/api/companies/saltmere" + path))
                        .header("Authorization", "Bearer " + token)
                        .header("Content-Type", "application/json")
                        .header("Idempotency-Key", UUID.randomUUID().toString())
                        .POST(HttpRequest.BodyPublishers.ofString(body))
                        .build());
    }
}
