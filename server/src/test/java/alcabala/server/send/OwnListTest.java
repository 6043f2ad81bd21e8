package alcabala.server.send;

import static org.assertj.core.api.Assertions.assertThat;

import alcabala.server.Api;
import alcabala.server.World;
import alcabala.server.Yard;
import java.nio.charset.StandardCharsets;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

/// A list of somebody's own beside her batch, line by line.
class OwnListTest {
    private static World world;
    private static Api ferro;
    private static Yard yard;

    @BeforeAll
    static void start() {
        world = World.inProcess();
        ferro = world.api("ferro");
        yard = new Yard(ferro);
    }

    @AfterAll
    static void stop() {
        world.close();
    }

    @Test
    void aListThatDiffersKeepsTheBatchFromGoingUntilSomebodySaysWhy() {
        List<JsonNode> documents = invoices();
        String text = "Number;Gross\n%s;%s\nZZ-9;5,00\n"
                .formatted(number(documents.getFirst()), german(gross(documents.getFirst())));
        JsonNode read = read(documents, "november.csv", text.getBytes(StandardCharsets.UTF_8));

        assertThat(read.get("agreed").asInt()).isOne();
        assertThat(read.get("lines").findValuesAsString("kind")).containsExactly("ONLY_LISTED", "ONLY_IN_BATCH");
        assertThat(read.get("lines").get(0).get("rows").get(0).asInt()).isEqualTo(3);

        Api.Response no = send(documents, read, "");
        assertThat(no.status()).isEqualTo(409);
        assertThat(no.json().get("code").asString()).isEqualTo("list-differs");

        JsonNode batch = batch(send(documents, read, "the second comes next week"));
        assertThat(batch.get("ownList").asString()).isEqualTo("november.csv");
        assertThat(batch.get("independentTotal").asString())
                .isEqualTo(read.get("listed").asString());
        long id = batch.get("id").asLong();
        assertThat(ferro.get("/api/batches/" + id + "/own-list").body())
                .as("byte for byte")
                .isEqualTo(text);
        long without =
                batch(ferro.post("/api/batches", order(invoices()))).get("id").asLong();
        assertThat(ferro.get("/api/batches/" + without + "/own-list").status()).isEqualTo(404);
    }

    /// Though it would be the same total, with what is wrong of two documents made up for.
    @Test
    void aListThatAgreesInTotalOnlyIsToldApart() {
        List<JsonNode> documents = invoices();
        String text = "Nr,Sum\n%s,%s\n%s,%s\n"
                .formatted(
                        number(documents.get(0)), plus(documents.get(0), 1),
                        number(documents.get(1)), plus(documents.get(1), -1));
        JsonNode read = read(documents, "list.csv", text.getBytes(StandardCharsets.UTF_8));
        assertThat(read.get("difference").asString()).isEqualTo("0.00");
        assertThat(send(documents, read, "").json().get("code").asString()).isEqualTo("list-differs");
    }

    @Test
    void whatIsNotUnderstoodIsSaidWithItsPlaceAndCannotGoWithABatch() {
        List<JsonNode> documents = invoices();
        String text = "Number;Gross\n%s;many\n%s;1,00\n".formatted(number(documents.get(0)), number(documents.get(1)));
        JsonNode read = read(documents, "list.csv", text.getBytes(StandardCharsets.UTF_8));
        assertThat(read.hasNonNull("id")).isFalse();
        assertThat(read.get("problems").get(0).get("sentence").asString())
                .isEqualTo("Row 2, column B, Gross: “many” is no amount.");

        assertThat(post(documents, "empty.csv", new byte[0]).status()).isEqualTo(422);
        assertThat(post(documents, "large.csv", new byte[OwnListFiles.LARGEST + 1])
                        .status())
                .isEqualTo(422);
        assertThat(post(documents, "just.csv", " ".repeat(OwnListFiles.LARGEST).getBytes(StandardCharsets.UTF_8))
                        .json()
                        .get("sentence")
                        .asString())
                .isEqualTo("There is nothing in the file.");
    }

    @Test
    void aListIsOfItsRouteAndIsLetGoAfterADayWithoutABatch() {
        List<JsonNode> documents = invoices();
        byte[] text = "Number;Gross\n%s;%s\n"
                .formatted(number(documents.getFirst()), gross(documents.getFirst()))
                .getBytes(StandardCharsets.UTF_8);
        long other = read(documents, "a.csv", text).get("id").asLong();
        long old = read(documents, "b.csv", text).get("id").asLong();
        world.jdbc()
                .sql("update own_list set route_id = (select max(id) from route) where id = :id")
                .param("id", other)
                .update();
        world.jdbc()
                .sql("update own_list set made_at = now() - interval '25 hours' where id = :id")
                .param("id", old)
                .update();
        long fresh = read(documents, "c.csv", text).get("id").asLong();

        for (long id : List.of(other, old)) {
            Map<String, Object> order = order(documents);
            order.put("ownList", id);
            assertThat(ferro.post("/api/batches", order).status()).isEqualTo(404);
        }
        assertThat(world.jdbc()
                        .sql("select id from own_list where id = any(:ids)")
                        .param("ids", new Long[] {old, fresh})
                        .query(Long.class)
                        .list())
                .containsExactly(fresh);
    }

    private static List<JsonNode> invoices() {
        return yard.documents("Ready").stream()
                .filter(row -> row.get("kind").asString().equals("invoice")
                        && row.get("currency").asString().equals("EUR"))
                .limit(2)
                .toList();
    }

    private static Map<String, Object> choice(List<JsonNode> documents) {
        return Map.of(
                "route",
                "yard",
                "ids",
                documents.stream().map(row -> row.get("id").asLong()).toList());
    }

    private static JsonNode read(List<JsonNode> documents, String name, byte[] content) {
        Api.Response answer = post(documents, name, content);
        assertThat(answer.status()).as(answer.body()).isEqualTo(200);
        return answer.json();
    }

    private static Api.Response post(List<JsonNode> documents, String name, byte[] content) {
        return ferro.multipart("/api/batches/own-list", Map.of("choice", choice(documents)), Map.of(name, content));
    }

    private static Map<String, Object> shown(List<JsonNode> documents) {
        JsonNode preview = ferro.post("/api/batches/preview", choice(documents)).json();
        Map<String, Object> shown =
                new HashMap<>(Map.of("count", preview.get("count").asInt()));
        List.of("net", "tax", "gross", "hashTotal")
                .forEach(each -> shown.put(each, preview.get(each).asString()));
        return shown;
    }

    private static Api.Response send(List<JsonNode> documents, JsonNode read, String reason) {
        Map<String, Object> order = order(documents);
        order.put("ownList", read.get("id").asLong());
        order.put("reason", reason);
        return ferro.post("/api/batches", order);
    }

    private static Map<String, Object> order(List<JsonNode> documents) {
        Map<String, Object> order = new HashMap<>(choice(documents));
        order.put("shown", shown(documents));
        return order;
    }

    private static JsonNode batch(Api.Response sent) {
        assertThat(sent.status()).as(sent.body()).isEqualTo(200);
        long id = sent.json().get("id").asLong();
        yard.awaitFinished(id);
        return ferro.get("/api/batches/" + id).json().get("batch");
    }

    private static String number(JsonNode document) {
        return document.get("number").asString();
    }

    private static String gross(JsonNode document) {
        return document.get("gross").asString();
    }

    private static String german(String decimal) {
        return decimal.replace('.', ',');
    }

    private static String plus(JsonNode document, int euros) {
        return new java.math.BigDecimal(gross(document))
                .add(java.math.BigDecimal.valueOf(euros))
                .toPlainString();
    }
}
