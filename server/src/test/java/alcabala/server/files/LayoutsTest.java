package alcabala.server.files;

import static org.assertj.core.api.Assertions.assertThat;

import alcabala.accounting.document.Document;
import alcabala.formats.ReadResult;
import alcabala.formats.ubl.UblReader;
import alcabala.server.Api;
import alcabala.server.Ellery;
import alcabala.server.World;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.zip.ZipEntry;
import java.util.zip.ZipInputStream;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;

/// Layouts as they are made, shown, kept, and used.
class LayoutsTest {
    private static World world;
    private static Ellery ellery;
    private static Api api;

    @BeforeAll
    static void start() {
        world = World.inProcess();
        ellery = new Ellery(world);
        api = ellery.api();
    }

    @AfterAll
    static void stop() {
        world.close();
    }

    private static ObjectNode bundled() {
        return (ObjectNode) api.get("/api/layouts?route=ellery")
                .json()
                .get("layouts")
                .valueStream()
                .filter(each -> !each.has("id"))
                .findFirst()
                .orElseThrow()
                .get("layout");
    }

    private static Api.Response keep(Long id, int version, JsonNode layout) {
        Map<String, Object> kept =
                new HashMap<>(Map.of("route", Ellery.ROUTE, "expectedVersion", version, "layout", layout));
        kept.put("id", id);
        return api.put("/api/layouts", kept);
    }

    @Test
    void aLayoutIsCopiedChangedUsedAndDropped() {
        ObjectNode layout = bundled().put("name", "Ours").put("separator", ",").put("days", "uuuuMMdd");
        assertThat(api.post("/api/layouts/shown", Map.of("route", Ellery.ROUTE, "layout", layout))
                        .json()
                        .get("files")
                        .get(0)
                        .get("rows")
                        .get(0)
                        .get(4)
                        .asString())
                .matches("20\\d{6}");
        long id = keep(null, 0, layout).json().get("id").asLong();
        assertThat(keep(null, 0, layout).json().get("code").asString()).isEqualTo("layout-named");
        assertThat(keep(null, 0, bundled()).json().get("code").asString())
                .as("nor may it be called as one that the ledger brings along")
                .isEqualTo("layout-named");
        assertThat(keep(id, 1, layout.put("separator", "|")).status()).isEqualTo(200);
        assertThat(keep(id, 1, layout).json().get("code").asString()).isEqualTo("layout-changed");

        Map<String, Object> choice = ellery.choice(1);
        assertThat(ellery.preview(choice).get("layouts").toString()).isEqualTo("[\"Ours\",\"Sales\"]");
        Map<String, Object> order = ellery.order(choice);
        order.put("layout", "Nobody's");
        assertThat(api.post("/api/batches", order).json().get("code").asString())
                .isEqualTo("no-layout");
        order.put("layout", "Ours");
        long batch = api.post("/api/batches", order).json().get("id").asLong();
        assertThat(ellery.file(batch)).startsWith("Delivery|Reference|Type|");
        assertThat(api.delete("/api/layouts/" + id + "?route=ellery").status()).isEqualTo(204);
        assertThat(api.delete("/api/layouts/" + id + "?route=ellery").status()).isEqualTo(404);
        assertThat(ellery.file(batch)).as("is what it was").startsWith("Delivery|Reference|Type|");
    }

    /// A file of documents beside one of lines: they go together.
    @Test
    void severalFilesGoTogether() {
        ObjectNode layout = bundled().put("name", "Two files");
        ObjectNode heads = layout.withArray("files")
                .addObject()
                .put("name", "heads")
                .put("per", "RECORD")
                .put("headed", true);
        heads.withArray("splits");
        for (String field : List.of("REFERENCE", "NUMBER", "GROSS")) {
            heads.withArray("columns")
                    .addObject()
                    .put("heading", field)
                    .put("field", field)
                    .put("argument", "")
                    .putObject("table");
        }
        assertThat(keep(null, 0, layout).status()).isEqualTo(200);
        Map<String, Object> order = ellery.order(ellery.choice(1));
        order.put("layout", "Two files");
        long batch = api.post("/api/batches", order).json().get("id").asLong();
        JsonNode files = api.get("/api/batches/" + batch + "/files").json().get("files");
        assertThat(files.findValuesAsString("name"))
                .containsExactly("sales-B" + batch + ".1.csv", "heads-B" + batch + ".1.csv");
        Api.Response zip = api.get("/api/batches/" + batch + "/files/download");
        assertThat(zip.body()).startsWith("PK");
        assertThat(zip.body())
                .isEqualTo(api.get("/api/batches/" + batch + "/files/download").body());
    }

    private static ObjectNode invoices(String name) {
        ObjectNode layout = bundled().put("name", name).put("medium", "UBL");
        ((ObjectNode) layout.get("files").get(0)).put("per", "RECORD").putArray("columns");
        layout.putObject("own")
                .put("name", "Corvane Boatyards, Port Ellery")
                .put("taxIdentifier", "")
                .put("street", "1 Slip Road")
                .put("city", "Port Ellery")
                .put("postalZone", "")
                .put("country", "CA");
        return layout;
    }

    /// Shown before it is kept, with what the standard would still ask for; read by a reader of the standard.
    @Test
    void invoicesOfTheStandardGoAsFilesToo() throws IOException {
        ObjectNode layout = invoices("As invoices");
        JsonNode shown = api.post("/api/layouts/shown", Map.of("route", Ellery.ROUTE, "layout", layout))
                .json();
        assertThat(shown.get("files").get(0).get("text").asString())
                .contains("<cac:AdditionalDocumentReference>", "Slip Road");
        assertThat(shown.get("gaps").findValuesAsString("rule"))
                .contains("BR-S-02")
                .doesNotContain("BR-06", "BR-09");
        ((ObjectNode) layout.get("own")).put("taxIdentifier", "CA123456789");
        assertThat(keep(null, 0, layout).status()).isEqualTo(200);
        Map<String, Object> order = ellery.order(ellery.choice(2));
        order.put("layout", "As invoices");
        long batch = api.post("/api/batches", order).json().get("id").asLong();

        JsonNode files = api.get("/api/batches/" + batch + "/files").json();
        assertThat(files.get("files").findValuesAsString("name")).containsExactly("sales-B" + batch + ".1.zip");
        assertThat(files.get("gaps").findValuesAsString("rule")).doesNotContain("BR-S-02");
        List<Document> read = read(batch);
        JsonNode dispatches = ellery.batch(batch).get("dispatches");
        assertThat(read)
                .extracting(Document::number)
                .containsExactlyInAnyOrderElementsOf(dispatches.findValuesAsString("number"));
        assertThat(read).allSatisfy(each -> {
            assertThat(each.seller().name()).isEqualTo("Corvane Boatyards, Port Ellery");
            assertThat(each.buyer().name()).isNotBlank();
        });
        long gross = world.jdbc()
                .sql("select sum(gross) from record r join dispatch d on d.record_id = r.id where d.batch_id = :batch")
                .param("batch", batch)
                .query(Long.class)
                .single();
        assertThat(read.stream()
                        .mapToLong(each -> each.totals().payable().getAmountMinorLong())
                        .sum())
                .isEqualTo(gross);

        List<Long> records = dispatches
                .valueStream()
                .map(each -> each.get("documentId").asLong())
                .toList();
        Api.Response settled = api.post(
                "/api/batches/" + batch + "/settle",
                Map.of("records", records.subList(0, 1), "outcome", "accepted", "number", "E-77"));
        assertThat(settled.json().get("documents").asInt()).isOne();
    }

    private static List<Document> read(long batch) throws IOException {
        byte[] content = world.jdbc()
                .sql("select content from batch_file where batch_id = :batch")
                .param("batch", batch)
                .query((row, n) -> row.getBytes(1))
                .single();
        List<Document> read = new ArrayList<>();
        try (ZipInputStream zip = new ZipInputStream(new ByteArrayInputStream(content))) {
            for (ZipEntry each = zip.getNextEntry(); each != null; each = zip.getNextEntry()) {
                assertThat(each.getName()).matches("[\\w.-]+\\.xml");
                read.add(((ReadResult.Read) new UblReader().read(zip.readAllBytes())).document());
            }
        }
        return read;
    }

    @Test
    void whatCannotBeALayoutIsSaid() {
        assertThat(sentence(invoices("x").put("carries", "SETTLEMENTS"))).contains("and no payments");
        assertThat(sentence(bundled().put("medium", "UBL"))).contains("one file, without columns");
        ObjectNode bare = bundled();
        ((ObjectNode) bare.get("files").get(0)).putArray("columns");
        assertThat(sentence(bare)).contains("1 to 100 columns");
        assertThat(sentence(bundled().put("days", "dd/MM"))).contains("“dd/MM” is no way to write a day");
        assertThat(sentence(bundled().put("grouping", "."))).contains("another than the decimal one");
        ObjectNode number = bundled();
        ((ObjectNode) number.get("files").get(0).get("columns").get(0))
                .put("field", "RUNNING_NUMBER")
                .put("argument", "one");
        assertThat(sentence(number)).contains("begins with “one”");
        ObjectNode booking = bundled();
        ((ObjectNode) booking.get("files").get(0)).put("per", "BOOKING");
        assertThat(sentence(booking)).contains("a row here stands for a BOOKING");
        assertThat(api.post(
                                "/api/layouts/shown",
                                Map.of(
                                        "route",
                                        Ellery.ROUTE,
                                        "layout",
                                        bundled().put("separator", "x")))
                        .status())
                .isEqualTo(400);
    }

    private static String sentence(JsonNode layout) {
        Api.Response no = api.post("/api/layouts/shown", Map.of("route", Ellery.ROUTE, "layout", layout));
        assertThat(no.status()).as(no.body()).isEqualTo(422);
        return no.json().get("sentence").asString();
    }

    @Test
    void oneIsMadeAfterAFileOfTheLedgersOwn() {
        Map<String, Object> asked =
                Map.of("route", Ellery.ROUTE, "name", "Theirs: a very long name of a file", "carries", "SALES");
        JsonNode made = api.multipart(
                        "/api/layouts/example",
                        asked,
                        Map.of("x.csv", "No;Date;Total\n1;31.12.2026;1,50\n".getBytes(StandardCharsets.UTF_8)))
                .json();
        assertThat(made.get("decimalSign").asString()).isEqualTo(",");
        assertThat(made.get("files").get(0).get("per").asString()).isEqualTo("RECORD");
        assertThat(keep(null, 0, made).status()).isEqualTo(200);
        assertThat(api.multipart("/api/layouts/example", asked, Map.of("x.csv", new byte[0]))
                        .status())
                .isEqualTo(422);
    }
}
