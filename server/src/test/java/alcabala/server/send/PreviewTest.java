package alcabala.server.send;

import static org.assertj.core.api.Assertions.assertThat;

import alcabala.server.Api;
import alcabala.server.World;
import alcabala.server.Yard;
import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

/// What a batch says before it goes, and what it refuses to be.
class PreviewTest {
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

    private static JsonNode preview(Map<String, Object> choice) {
        Api.Response answer = ferro.post("/api/batches/preview", choice);
        assertThat(answer.status()).as(answer.body()).isEqualTo(200);
        return answer.json();
    }

    private static List<Long> ids(List<JsonNode> rows) {
        return rows.stream().map(row -> row.get("id").asLong()).toList();
    }

    @Test
    void theTotalsAreTheSumsOfTheDocumentsCreditNotesNegative() {
        List<JsonNode> ready = yard.documents("Ready");
        JsonNode all = preview(Map.of("route", "yard"));
        BigDecimal gross = ready.stream()
                .map(row -> row.get("kind").asString().equals("credit-note")
                        ? row.get("gross").asDecimal().negate()
                        : row.get("gross").asDecimal())
                .reduce(BigDecimal.ZERO, BigDecimal::add);
        assertThat(all.get("gross").asDecimal()).isEqualByComparingTo(gross);
        assertThat(all.get("net").asDecimal().add(all.get("tax").asDecimal())).isEqualByComparingTo(gross);
        long hash = ready.stream()
                .mapToLong(row -> Long.parseLong(row.get("number").asString().replaceAll("\\D", "")))
                .sum();
        assertThat(all.get("hashTotal").asString()).isEqualTo(String.valueOf(hash));
        assertThat(all.get("sentence").asString())
                .startsWith("Posts " + ready.size() + " documents, €")
                .endsWith(" parties and " + all.get("items").size() + " items on Inkwell");
    }

    @Test
    void aDryRunShowsEveryDocumentAndJournalAndWhatWouldStay() {
        JsonNode preview = preview(Map.of("route", "yard"));
        JsonNode run =
                ferro.post("/api/batches/dry-run", Map.of("route", "yard")).json();
        assertThat(run.get("documents")).hasSize(preview.get("count").asInt());
        for (String sum : List.of("net", "tax", "gross")) {
            assertThat(sum(run.get("documents"), sum))
                    .as(sum)
                    .isEqualByComparingTo(preview.get(sum).asDecimal());
        }
        JsonNode journal = run.get("journal");
        assertThat(sum(journal.get("lines"), "debit")).isEqualByComparingTo(sum(journal.get("lines"), "credit"));
        assertThat(journal.get("lines").findValuesAsString("account"))
                .isSorted()
                .doesNotHaveDuplicates();
        assertThat(journal.get("lines").get(0).get("debit").asDecimal())
                .as("receivables are owed exactly what the documents come to")
                .isEqualByComparingTo(preview.get("gross").asDecimal());

        long blocked = yard.documents("Blocked").getFirst().get("id").asLong();
        long ready = yard.documents("Ready").getFirst().get("id").asLong();
        Map<String, Object> chosen = Map.of("route", "yard", "ids", List.of(blocked, ready));
        JsonNode left = ferro.post("/api/batches/dry-run", chosen).json().get("left");
        assertThat(left.findValuesAsString("state")).containsExactly("Blocked");
        assertThat(left.get(0).get("parts").findValuesAsString("place")).contains("CROSSWALK");

        JsonNode one = ferro.post("/api/batches/dry-run/" + ready, chosen).json();
        JsonNode document = run.get("documents")
                .valueStream()
                .filter(each -> each.get("id").asLong() == ready)
                .findFirst()
                .orElseThrow();
        assertThat(sum(one.get("lines"), "amount").abs())
                .isEqualByComparingTo(document.get("net").asDecimal().abs());
        assertThat(sum(one.get("journal").get("lines"), "debit"))
                .isEqualByComparingTo(document.get("gross").asDecimal().abs());
        assertThat(ferro.post("/api/batches/dry-run/" + blocked, chosen).status())
                .isEqualTo(404);
    }

    private static BigDecimal sum(JsonNode rows, String field) {
        return rows.valueStream()
                .map(row -> row.get(field).asString())
                .filter(text -> !text.isEmpty())
                .map(BigDecimal::new)
                .reduce(BigDecimal.ZERO, BigDecimal::add);
    }

    @Test
    void aSpanOfDaysTakesBothItsEnds() {
        LocalDate day = LocalDate.parse(
                yard.documents("Ready").getFirst().get("issueDate").asString());
        long onThatDay = yard.documents("Ready").stream()
                .filter(row -> row.get("issueDate").asString().equals(day.toString()))
                .count();
        assertThat(preview(Map.of("route", "yard", "from", day, "to", day))
                        .get("count")
                        .asLong())
                .isEqualTo(onThatDay);
        assertThat(preview(Map.of("route", "yard", "from", day.plusDays(1), "to", day))
                        .get("count")
                        .asInt())
                .isZero();
    }

    @Test
    void whatCannotGoNowIsLeftOutAndCounted() {
        List<Long> ids = new java.util.ArrayList<>(ids(yard.documents("Ready").subList(0, 2)));
        ids.addAll(ids(yard.documents("Blocked").subList(0, 3)));
        JsonNode preview = preview(Map.of("route", "yard", "ids", ids));
        assertThat(preview.get("count").asInt()).isEqualTo(2);
        assertThat(preview.get("leftOut").asInt()).isEqualTo(3);
    }

    /// Instead of their own days, whatever these are; what it was stays with what stands there.
    @Test
    void aDayOfTheBatchTakesThePlaceOfTheirOwn() {
        LocalDate day = LocalDate.now().minusDays(1);
        List<Long> ids = ids(yard.documents("Ready").subList(0, 1));
        Map<String, Object> choice = Map.of("route", "yard", "ids", ids, "dated", day);
        JsonNode dry = ferro.post("/api/batches/dry-run", choice).json();
        assertThat(dry.get("documents").get(0).get("day").asString()).isEqualTo(day.toString());
        long batch = Yard.trySend(ferro, choice).json().get("id").asLong();
        yard.awaitFinished(batch);
        JsonNode sent = ferro.get("/api/batches/" + batch).json();
        assertThat(sent.get("batch").get("dated").asString()).isEqualTo(day.toString());
        String ref = sent.get("dispatches").get(0).get("ledgerRef").asString();
        assertThat(world.standIns().inkwell("/documents/" + ref).get("date").asString())
                .isEqualTo(day.toString());
        for (LocalDate unlikely : List.of(
                LocalDate.now().minusYears(2).minusDays(1),
                LocalDate.now().plusYears(2).plusDays(1))) {
            assertThat(ferro.post("/api/batches/preview", Map.of("route", "yard", "dated", unlikely))
                            .json()
                            .get("code")
                            .asString())
                    .isEqualTo("day-unlikely");
        }
        assertThat(ferro.post(
                                "/api/batches/preview",
                                Map.of("route", "yard", "dated", LocalDate.now().plusYears(2)))
                        .status())
                .isEqualTo(200);
    }

    @Test
    void aDayInALockedPeriodIsSaidBeforehand() {
        LocalDate locked = LocalDate.now().minusDays(40);
        world.jdbc()
                .sql(
                        "update ledger set locked_through = :day where id = (select ledger_id from route where code = 'yard')")
                .param("day", locked)
                .update();
        Map<String, Object> choice =
                Map.of("route", "yard", "ids", ids(yard.documents("Ready").subList(0, 1)));
        Map<String, Object> on = new java.util.HashMap<>(choice);
        on.put("dated", locked);
        assertThat(ferro.post("/api/batches/preview", on).json().get("code").asString())
                .isEqualTo("period-locked");
        on.put("dated", locked.plusDays(1));
        assertThat(ferro.post("/api/batches/preview", on).status()).isEqualTo(200);
        world.jdbc().sql("update ledger set locked_through = null").update();
    }

    @Test
    void anEmptyBatchIsRefused() {
        Api.Response refused = Yard.trySend(
                ferro,
                Map.of("route", "yard", "ids", ids(yard.documents("Blocked").subList(0, 1))));
        assertThat(refused.status()).isEqualTo(422);
        assertThat(refused.json().get("code").asString()).isEqualTo("nothing-to-send");
    }

    @Test
    void anIndependentTotalHasToAgreeOrBeExplained() {
        List<Long> one = ids(yard.documents("Ready").subList(3, 4));
        Map<String, Object> wrong = Map.of("route", "yard", "ids", one, "independentTotal", "1.00");
        assertThat(Yard.trySend(ferro, wrong).json().get("code").asString()).isEqualTo("totals-differ");
        assertThat(Yard.trySend(ferro, Map.of("route", "yard", "ids", one, "independentTotal", "one euro"))
                        .json()
                        .get("code")
                        .asString())
                .isEqualTo("total-invalid");
        long batch = Yard.trySend(
                        ferro,
                        Map.of("route", "yard", "ids", one, "independentTotal", "1.00", "reason", "list was short"))
                .json()
                .get("id")
                .asLong();
        yard.awaitFinished(batch);
        JsonNode made = yard.batch(batch).get("batch");
        assertThat(made.get("reason").asString()).isEqualTo("list was short");
        assertThat(made.get("independentTotal").asString()).isEqualTo("1.00");
        assertThat(made.get("createdBy").asString()).isEqualTo("M. Ferro");
    }

    @Test
    void aBatchThatIsNotThereIsSaidSoAndARetryOfASettledOneDoesNothing() {
        assertThat(ferro.get("/api/batches/4711").status()).isEqualTo(404);
        List<Long> one = ids(yard.documents("Ready").subList(5, 6));
        long batch = yard.send(one);
        yard.awaitFinished(batch);
        assertThat(ferro.post("/api/batches/" + batch + "/retry", Map.of())
                        .json()
                        .get("documents")
                        .asInt())
                .isZero();
        assertThat(ferro.get("/api/batches?route=yard").json().valueStream())
                .anyMatch(each -> each.get("id").asLong() == batch);
        assertThat(ferro.get("/api/batches?route=yard&before=" + batch).json().valueStream())
                .noneMatch(each -> each.get("id").asLong() >= batch);
    }
}
