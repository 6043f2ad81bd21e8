package alcabala.bench;

import alcabala.accounting.crosswalk.RowKind;
import alcabala.accounting.party.Party;
import alcabala.formats.layout.Layout;
import alcabala.formats.layout.LayoutField;
import alcabala.formats.layout.LayoutFile;
import alcabala.formats.layout.TextForm;
import java.lang.management.ManagementFactory;
import java.lang.management.MemoryPoolMXBean;
import java.lang.management.MemoryType;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.stream.Collectors;
import org.springframework.jdbc.core.simple.JdbcClient;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ObjectNode;

/// A batch of 10,000 documents of five lines for a ledger that takes files: written, and settled by the file that it
/// answers with, over HTTP.
final class FilesBenchmark {
    static final int DOCUMENTS = 10_000;
    static final int PARTIES = 2_000;
    private static final int ROUNDS = 3;
    private static final String INVOICES = "As invoices";
    private final JsonMapper json = new JsonMapper();
    private final HttpClient client = HttpClient.newHttpClient();
    private final JdbcClient jdbc;
    private final String address;
    private final String token;

    interface Setting {
        void row(RowKind kind, String code, String counterpart);
    }

    private FilesBenchmark(JdbcClient jdbc, String address) {
        this.jdbc = jdbc;
        this.address = address;
        token = BenchSession.token(address, "bench", "bench-corvane");
    }

    /// @param setting sets a row of the crosswalk
    static void setUp(JdbcClient jdbc, Setting setting) {
        jdbc.sql("update ledger set system = 'copperplate'").update();
        for (int i = 0; i < PARTIES; i++) {
            setting.row(RowKind.PARTY, "C-" + i, "P-" + i);
        }
    }

    static void measure(JdbcClient jdbc, String address) {
        FilesBenchmark bench = new FilesBenchmark(jdbc, address);
        List<double[]> rounds = java.util.stream.IntStream.range(0, ROUNDS)
                .mapToObj(round -> bench.round(""))
                .toList();
        double[] last = rounds.getLast();
        Benchmarks.report("a batch of 10,000 documents written into a file, seconds", last[0], "under 10");
        Benchmarks.report("  most heap that was in use meanwhile, MB", last[1], "under 512");
        Benchmarks.report("an acceptance file of 10,000 lines settled, seconds", last[2], "under 5");
        bench.keepInvoices();
        double[] invoices = bench.round(INVOICES);
        Benchmarks.report("the same as UBL invoices in a ZIP, seconds", invoices[0], "under 10");
        Benchmarks.report("  most heap that was in use meanwhile, MB", invoices[1], "under 512");
    }

    /// An invoice names its items, so that each has to have a name of its own there.
    private void keepInvoices() {
        jdbc.sql("update source_item set name = name || ' ' || code").update();
        jdbc.sql("update source set catalogue_version = nextval('state_version')")
                .update();
        Layout layout = new Layout(
                INVOICES,
                Layout.Carries.SALES,
                Layout.Medium.UBL,
                TextForm.PLAIN,
                false,
                List.of(new LayoutFile("sales", LayoutField.Scope.RECORD, false, List.of(), List.of())),
                Party.named("", "Corvane Boatyards"));
        jdbc.sql("""
                insert into layout (ledger_id, name, carries, definition, changed_at, changed_by)
                select id, :name, 'SALES', cast(:definition as jsonb), now(), 'bench' from ledger limit 1""")
                .param("name", INVOICES)
                .param("definition", json.writeValueAsString(layout))
                .update();
    }

    /// @param layout empty for the first that there is
    private double[] round(String layout) {
        List<Long> ids = jdbc.sql(
                        "select id from record where state = 'Ready' and kind = 'invoice' order by id limit :most")
                .param("most", DOCUMENTS)
                .query(Long.class)
                .list();
        if (ids.size() < DOCUMENTS) {
            throw new IllegalStateException("only " + ids.size() + " documents are ready");
        }
        ObjectNode order = json.createObjectNode().put("route", "yard").put("layout", layout);
        ids.forEach(order.putArray("ids")::add);
        JsonNode shown = json.readTree(post("/api/batches/preview", order.toString()));
        if (shown.get("count").asInt() < DOCUMENTS) {
            throw new IllegalStateException("only so many would go: " + shown.get("count"));
        }
        ObjectNode as = order.putObject("shown");
        as.put("count", shown.get("count").asInt());
        List.of("net", "tax", "gross", "hashTotal")
                .forEach(each -> as.put(each, shown.get(each).asString()));
        System.gc();
        pools().forEach(MemoryPoolMXBean::resetPeakUsage);
        long start = System.nanoTime();
        long batch =
                json.readTree(post("/api/batches", order.toString())).get("id").asLong();
        double written = (System.nanoTime() - start) / 1e9;
        double heap = pools().stream()
                        .mapToLong(pool -> pool.getPeakUsage().getUsed())
                        .sum()
                / 1e6;
        byte[] answer = answer(batch);
        awaitQuiet();
        long taken = System.nanoTime();
        JsonNode settled = json.readTree(upload("/api/batches/" + batch + "/answers", answer));
        double seconds = (System.nanoTime() - taken) / 1e9;
        if (settled.get("accepted").asInt() != DOCUMENTS) {
            throw new IllegalStateException(settled.toString());
        }
        return new double[] {written, heap, seconds};
    }

    /// Readiness is judged beside a batch; nobody has the ledger's answer as soon as that.
    private void awaitQuiet() {
        while (jdbc.sql(
                        "select exists (select 1 from scheduled_tasks where picked) or exists (select 1 from work where state = 'running')")
                .query(Boolean.class)
                .single()) {
            DemoProcesses.pause(200);
        }
    }

    private static List<MemoryPoolMXBean> pools() {
        return ManagementFactory.getMemoryPoolMXBeans().stream()
                .filter(pool -> pool.getType() == MemoryType.HEAP)
                .toList();
    }

    private byte[] answer(long batch) {
        String rows = jdbc.sql("""
                select 'sales.csv;1;B' || p.batch_id || '.1;' || (p.request->>'reference') || ';accepted;E-' || p.id || ';;no;EUR;'
                    || (p.request->>'control') || ';' as row from dispatch p where p.batch_id = :batch order by p.id""").param("batch", batch).query(String.class).list().stream()
                .collect(Collectors.joining("\r\n"));
        String sum = jdbc.sql("select sum((request->>'control')::numeric) from dispatch where batch_id = :batch")
                .param("batch", batch)
                .query(String.class)
                .single();
        return ("File;Import;Delivery;Reference;Outcome;Entry;Party;Party created;Currency;Gross;Reason\r\n" + rows
                        + "\r\nsales.csv;1;;" + DOCUMENTS + ";end;;;;;" + sum + ";\r\n")
                .getBytes(StandardCharsets.UTF_8);
    }

    private String post(String path, String body) {
        return Ask.answer(
                client,
                request(path)
                        .header("Content-Type", "application/json")
                        .POST(HttpRequest.BodyPublishers.ofString(body))
                        .build());
    }

    private String upload(String path, byte[] file) {
        String head =
                "--border\r\nContent-Disposition: form-data; name=\"file\"; filename=\"a.csv\"\r\nContent-Type: text/csv\r\n\r\n";
        return Ask.answer(
                client,
                request(path)
                        .header("Content-Type", "multipart/form-data; boundary=border")
                        .POST(HttpRequest.BodyPublishers.ofByteArrays(List.of(
                                head.getBytes(StandardCharsets.UTF_8),
                                file,
                                "\r\n--border--\r\n".getBytes(StandardCharsets.UTF_8))))
                        .build());
    }

    private HttpRequest.Builder request(String path) {
        return HttpRequest.newBuilder(URI.create(address + path)).header("Authorization", "Bearer " + token);
    }
}
