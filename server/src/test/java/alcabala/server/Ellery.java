package alcabala.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.charset.StandardCharsets;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import tools.jackson.databind.JsonNode;

/// The other harbour, led to the ledger that takes files, with all of its documents ready but two; and the desk of that
/// ledger.
public final class Ellery {
    public static final String ROUTE = "ellery";
    private final Api api;
    private final Api desk;

    public Ellery(World world) {
        this.api = world.api("admin");
        this.desk = new Api(world.standIns().address());
        Map<String, String> ledger = Map.of(
                "kind", "copperplate", "name", "Copperplate", "company", "Corvane Port Ellery", "currency", "CAD");
        long id = api.post("/api/connect/ledgers/files", ledger)
                .json()
                .get("ledger")
                .asLong();
        Map<String, byte[]> lists = List.of("accounts", "tax-codes", "parties", "terms").stream()
                .collect(
                        Collectors.toMap(list -> list + ".csv", list -> bytes("/copperplate/export/" + list + ".csv")));
        ok(api.multipart("/api/connect/ledgers/" + id + "/lists", lists));
        ok(api.post(
                "/api/connect/routes",
                Map.of(
                        "code",
                        ROUTE,
                        "source",
                        1,
                        "ledger",
                        id,
                        "site",
                        "Port Ellery",
                        "business",
                        "Corvane Boatyards",
                        "taxIdentifiers",
                        List.of())));
        for (String row : List.of(
                "TAX GST+PST BOTH -",
                "TAX GST FED -",
                "ROLE RECEIVABLES_CONTROL - 1200",
                "ROLE SALES - 4100",
                "ROLE ROUNDING - 6100",
                "ROLE FEE_INCOME - 4300",
                "CATEGORY chandlery - 4100",
                "CATEGORY paint - 4100",
                "CATEGORY storage - 4100",
                "ITEM RIG-0042 - 4100",
                "ITEM ENG-0310 - 4100",
                "PARTY C-2001 P-301 -",
                "PARTY C-2003 P-302 -")) {
            String[] cells = row.split(" ");
            ok(api.put("/api/map/row", Yard.row(ROUTE, cells[0], cells[1], said(cells[2]), said(cells[3]), 0)));
        }
    }

    private Ellery(Api api, Api desk) {
        this.api = api;
        this.desk = desk;
    }

    /// The same, once the server was started again.
    public Ellery after(World world) {
        return new Ellery(world.api("admin"), desk);
    }

    private static String said(String cell) {
        return cell.equals("-") ? "" : cell;
    }

    private static Api.Response ok(Api.Response answer) {
        assertThat(answer.status()).as(answer.body()).isEqualTo(200);
        return answer;
    }

    public Api api() {
        return api;
    }

    private byte[] bytes(String path) {
        return desk.get(path).body().getBytes(StandardCharsets.UTF_8);
    }

    public JsonNode preview(Map<String, Object> choice) {
        return ok(api.post("/api/batches/preview", choice)).json();
    }

    /// @param most documents that are ready
    public Map<String, Object> choice(int most) {
        return Map.of(
                "route",
                ROUTE,
                "ids",
                api.get("/api/documents?route=ellery&state=Ready&limit=50")
                        .json()
                        .get("rows")
                        .valueStream()
                        .limit(most)
                        .map(row -> row.get("id").asLong())
                        .toList());
    }

    /// As it was shown, with all that it creates allowed.
    public Map<String, Object> order(Map<String, Object> choice) {
        JsonNode preview = preview(choice);
        Map<String, Object> order = new HashMap<>(choice);
        order.put(
                "shown",
                Map.of(
                        "count", preview.get("count").asInt(),
                        "net", preview.get("net").asString(),
                        "tax", preview.get("tax").asString(),
                        "gross", preview.get("gross").asString(),
                        "hashTotal", preview.get("hashTotal").asString()));
        order.put("allowed", preview.get("parties").findValuesAsString("code"));
        return order;
    }

    public long export(int most) {
        return ok(api.post("/api/batches", order(choice(most))))
                .json()
                .get("id")
                .asLong();
    }

    public String file(long batch) {
        return api.get("/api/batches/" + batch + "/files/download").body();
    }

    /// Puts a file on the desk.
    ///
    /// @return what is written about it there
    public String imported(String file) {
        Api.Response done =
                desk.multipart("/copperplate/imports", Map.of("sales.csv", file.getBytes(StandardCharsets.UTF_8)));
        assertThat(done.status()).as(done.body()).isLessThan(400);
        String page = desk.get("/copperplate/imports").body();
        String latest = page.replaceAll("(?s).*?/copperplate/imports/(\\d+)\".*", "$1");
        return desk.get("/copperplate/imports/" + latest + "/acceptance.csv").body();
    }

    public String register() {
        return desk.get("/copperplate/register.csv").body();
    }

    public void atDesk(String path, String form) {
        desk.form("/copperplate/" + path, form);
    }

    public Api.Response answer(long batch, String file) {
        return api.multipart(
                "/api/batches/" + batch + "/answers", Map.of("acceptance.csv", file.getBytes(StandardCharsets.UTF_8)));
    }

    public JsonNode settled(long batch, String file) {
        return ok(answer(batch, file)).json();
    }

    public JsonNode batch(long id) {
        return api.get("/api/batches/" + id).json();
    }
}
