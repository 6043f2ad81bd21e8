package alcabala.bench;

import java.util.ArrayList;
import java.util.List;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/// Pull of a chart of 20,000 accounts and 100,000 customers.
final class PullBenchmark {
    private static final int ROUNDS = 3;
    private static final int PAGES = 40;
    private final DemoProcesses demo;
    private final JsonMapper json = new JsonMapper();

    private PullBenchmark(DemoProcesses demo) {
        this.demo = demo;
    }

    static void run() {
        try (DemoProcesses demo = new DemoProcesses()) {
            new PullBenchmark(demo).measure();
        }
    }

    private void measure() {
        fill();
        Benchmarks.report(
                "first pull of 20,000 accounts and 100,000 customers, seconds, heap 1 GB", pull(), "under 20");
        List<Double> again = new ArrayList<>();
        for (int i = 0; i < ROUNDS; i++) {
            again.add(pull());
        }
        Benchmarks.report(
                "the same pull again without news, seconds",
                again.stream().sorted().toList().get(1),
                "-");
        pages();
    }

    private void pages() {
        for (String page : List.of(
                "/api/connect",
                "/api/connect/ledgers/1/reference/ACCOUNT?text=77",
                "/api/connect/ledgers/1/reference/PARTY?after=IC-B050000",
                "/api/map/choices?route=yard&kind=PARTY&purpose=COUNTERPART&text=Estuary",
                "/api/map/party?route=yard",
                "/api/summary?route=yard")) {
            List<Double> times = new ArrayList<>();
            for (int i = 0; i < PAGES; i++) {
                long start = System.nanoTime();
                demo.get(page);
                times.add((System.nanoTime() - start) / 1e6);
            }
            double median = times.stream().sorted().toList().get(PAGES / 2);
            Benchmarks.report("  then " + page + ", median ms", median, "quick");
        }
    }

    private double pull() {
        long start = System.nanoTime();
        demo.post("/api/connect/ledgers/1/pulls");
        JsonNode latest;
        do {
            DemoProcesses.pause(100);
            latest = json.readTree(demo.get("/api/connect/ledgers/1/pulls")).get(0);
        } while (latest.get("state").asString().equals("running"));
        if (!latest.get("state").asString().equals("done")) {
            throw new IllegalStateException(latest.toString());
        }
        return (System.nanoTime() - start) / 1e9;
    }

    private void fill() {
        demo.standinsJdbc().sql("""
                insert into inkwell_saltmere.inkwell_account (code, name, type)
                    select 'X' || lpad(n::text, 6, '0'), 'Account number ' || n, 'revenue' from generate_series(1, 20000) n;
                insert into inkwell_saltmere.inkwell_party (id, name, tax_identifier, email, phone)
                    select 'IC-B' || lpad(n::text, 6, '0'),
                        (array['Estuary','Harbour','Quay','Tarn','Pell','Ostler','Mooring','Beacon'])[1 + n % 8] || ' '
                            || md5(n::text) || ' ' || n, 'IE' || n || 'X', 'c' || n || '@bench.example', '01' || n
                    from generate_series(1, 100000) n""").update();
    }
}
