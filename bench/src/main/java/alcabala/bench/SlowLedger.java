package alcabala.bench;

import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.atomic.AtomicBoolean;
import java.util.concurrent.atomic.AtomicInteger;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/// Pages while ten people fetch, look at readiness and at the counts of a ledger that takes three seconds to each
/// answer.
final class SlowLedger {
    private static final int PEOPLE = 10;
    private static final int ROUNDS = 80;
    private static final int WARM = 10;
    private static final List<String> PAGES = List.of(
            "/api/documents?route=yard",
            "/api/summary?route=yard",
            "/api/road?route=yard",
            "/api/waiting",
            "/api/map/item?route=yard");
    private static final List<String> ASKING =
            List.of("POST /api/pull?route=yard", "GET /api/connect/counts?route=yard", "GET /api/readiness?route=yard");
    private final DemoProcesses demo;
    private final JsonMapper json = new JsonMapper();
    private final AtomicBoolean over = new AtomicBoolean();
    private final AtomicInteger asked = new AtomicInteger();

    private SlowLedger(DemoProcesses demo) {
        this.demo = demo;
    }

    static void run() {
        try (DemoProcesses demo = new DemoProcesses()) {
            new SlowLedger(demo).measure();
        }
    }

    private void measure() {
        Benchmarks.report("pages with a quick ledger, 95th percentile, ms", percentile(times()), "-");
        demo.fault("inkwell", "SLOW");
        try (ExecutorService people = Executors.newFixedThreadPool(PEOPLE)) {
            for (int i = 0; i < PEOPLE; i++) {
                int first = i;
                people.submit(() -> askAndAsk(first));
            }
            DemoProcesses.pause(1000);
            double slow = percentile(times());
            over.set(true);
            demo.fault("inkwell", "NONE");
            Benchmarks.report(
                    "pages while ten fetch from a slow ledger (" + asked.get() + " times), 95th percentile, ms",
                    slow,
                    "under 50");
        }
    }

    /// As the screens do: asks, and looks twice a second whether it is done.
    private void askAndAsk(int first) {
        for (int i = first; !over.get(); i++) {
            String[] wanted = ASKING.get(i % ASKING.size()).split(" ");
            JsonNode work = json.readTree(wanted[0].equals("POST") ? demo.post(wanted[1]) : demo.get(wanted[1]));
            asked.incrementAndGet();
            while (!over.get() && work.path("state").asString("").equals("running")) {
                DemoProcesses.pause(500);
                work = json.readTree(demo.get("/api/work/" + work.get("id").asLong()));
            }
        }
    }

    private List<Double> times() {
        List<Double> times = new ArrayList<>();
        for (int i = 0; i < ROUNDS + WARM; i++) {
            for (String page : PAGES) {
                long start = System.nanoTime();
                demo.get(page);
                if (i >= WARM) {
                    times.add((System.nanoTime() - start) / 1e6);
                }
            }
            DemoProcesses.pause(50);
        }
        return times;
    }

    private static double percentile(List<Double> figures) {
        List<Double> sorted = figures.stream().sorted().toList();
        return sorted.get((int) Math.ceil(sorted.size() * 0.95) - 1);
    }
}
