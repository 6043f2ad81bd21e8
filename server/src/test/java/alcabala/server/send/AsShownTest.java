package alcabala.server.send;

import static org.assertj.core.api.Assertions.assertThat;

import alcabala.accounting.crosswalk.Meaning;
import alcabala.accounting.crosswalk.RowKind;
import alcabala.accounting.party.Party;
import alcabala.connectors.ledger.Answer;
import alcabala.connectors.ledger.CreatesMasters;
import alcabala.server.Api;
import alcabala.server.HarbourFiles;
import alcabala.server.World;
import alcabala.server.Yard;
import alcabala.server.compile.Compilers;
import alcabala.server.compile.CrosswalkStore;
import alcabala.server.connection.Ledgers;
import alcabala.server.record.Stored;
import alcabala.server.reference.LedgerReference;
import alcabala.server.reference.SourceCatalogue;
import alcabala.server.route.RouteRow;
import alcabala.server.route.Routes;
import java.nio.charset.StandardCharsets;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.transaction.support.TransactionTemplate;
import tools.jackson.databind.JsonNode;

/// What was shown is what is sent.
class AsShownTest {
    private World world;
    private Api ferro;
    private HarbourFiles files;

    @BeforeEach
    void start() {
        world = World.inProcess();
        ferro = world.api("ferro");
        files = new HarbourFiles(world, ferro);
    }

    @AfterEach
    void stop() {
        world.close();
    }

    @Test
    void whatNoLongerHoldsIsNotSentAndBothAreSaid() {
        List<Long> ids = ready(2);
        JsonNode preview = ferro.post("/api/batches/preview", Map.of("route", "yard", "ids", ids))
                .json();
        Map<String, Object> shown =
                new HashMap<>(Map.of("count", preview.get("count").asInt()));
        List.of("net", "tax", "gross", "hashTotal")
                .forEach(each -> shown.put(each, preview.get(each).asString()));
        for (String total : List.of("net", "tax", "gross", "hashTotal", "count")) {
            Map<String, Object> other = new HashMap<>(shown);
            other.put(total, total.equals("count") ? 3 : "1");
            Api.Response no = ferro.post("/api/batches", Map.of("route", "yard", "ids", ids, "shown", other));
            assertThat(no.status()).as(total).isEqualTo(409);
            assertThat(no.json().get("code").asString()).isEqualTo("not-as-shown");
            assertThat(no.json().get("sentence").asString())
                    .contains(preview.get("gross").asString(), "Nothing was sent");
        }
        assertThat(ferro.post("/api/batches", Map.of("route", "yard", "ids", ids))
                        .status())
                .as("without what was shown")
                .isEqualTo(400);
        assertThat(world.jdbc()
                        .sql("select count(*) from batch")
                        .query(Integer.class)
                        .single())
                .isZero();
    }

    @Test
    void aBatchDecidesHowItsDocumentsStandThereOnTopOfItsRoute() {
        Yard yard = new Yard(ferro);
        List<Long> ids = ready(2);
        Map<String, Object> one = Map.of("route", "yard", "ids", ids.subList(0, 1));
        Map<String, Object> decided = new HashMap<>(one);
        decided.put("options", Map.of("SALES_TAX", "off"));
        assertThat(Yard.trySend(ferro, decided).json().get("code").asString())
                .as("what is booked stays the route's")
                .isEqualTo("option-unknown");
        decided.put("options", Map.of("ARRIVAL", "draft", "LINE_DETAIL", "by-account"));
        long batch = Yard.trySend(ferro, decided).json().get("id").asLong();
        yard.awaitFinished(batch);
        assertThat(yard.batch(batch).get("batch").get("options").toString())
                .isEqualTo("{\"ARRIVAL\":\"draft\",\"LINE_DETAIL\":\"by-account\"}");
        assertThat(ferro.get("/api/batches/" + batch + "/report?as=CSV").body()).contains("arrival: draft");
        long other = yard.send(ids.subList(1, 2));
        yard.awaitFinished(other);
        assertThat(there(yard, batch)).isEqualTo("draft");
        assertThat(there(yard, other)).as("the next goes as the route says").isEqualTo("final");
    }

    private String there(Yard yard, long batch) {
        String ref = yard.batch(batch).get("dispatches").get(0).get("ledgerRef").asString();
        return world.standIns().inkwell("/documents/" + ref).get("status").asString();
    }

    @Test
    void whatIsMappedWhileItIsOnItsWayLeavesItAlone() {
        Yard yard = new Yard(ferro);
        long id = yard.documents("Ready").stream()
                .filter(row -> row.get("landsIn").asString().contains("4010"))
                .findFirst()
                .orElseThrow()
                .get("id")
                .asLong();
        world.standIns().fault("inkwell", "UNAVAILABLE", 0);
        long batch = yard.send(List.of(id));
        remap("chandlery", "4010", "4090");
        assertThat(landsIn(id)).as("lists say how it goes").contains("4010").doesNotContain("4090");
        world.standIns().fault("inkwell", "NONE", 0);
        yard.awaitFinished(batch);
        ferro.post("/api/batches/" + batch + "/retry", Map.of());
        yard.awaitFinished(batch);
        JsonNode sides = ferro.get("/api/documents/" + id).json().get("sides");
        boolean wasRetried = landsIn(id).contains("4090");
        assertThat(sides.get("lines").findValuesAsString("ledgerAccount")).contains(wasRetried ? "4090" : "4010");
    }

    private void remap(String category, String from, String to) {
        JsonNode row = ferro.get("/api/map/category?route=yard")
                .json()
                .get("rows")
                .valueStream()
                .filter(each -> each.get("code").asString().equals(category))
                .findFirst()
                .orElseThrow()
                .get("row");
        assertThat(row.get("meaning").get("targets").get("INCOME").asString()).isEqualTo(from);
        Api.Response changed = ferro.put(
                "/api/map/row",
                Yard.row(
                        "yard", "CATEGORY", category, "", to, row.get("version").asInt()));
        assertThat(changed.status()).isEqualTo(200);
    }

    private String landsIn(long id) {
        return world.jdbc()
                .sql("select lands_in from record where id = :id")
                .param("id", id)
                .query(String.class)
                .single();
    }

    /// Two names that may be one: the second is asked about before the first is created, not given up afterwards.
    @Test
    void partiesThatABatchCreatesAreLookedAtTogether() {
        files.take(HarbourFiles.invoiceTo("CB-801", "Marlin Sailmakers", "IE1000001A"));
        files.take(HarbourFiles.invoiceTo("CB-802", "Marlin Sailmaker Ltd", "IE1000002A"));
        files.take(HarbourFiles.invoiceTo("CB-803", "Otter Ferries", "IE1000003A"));
        List<Long> ids = List.of(files.id("CB-801"), files.id("CB-802"), files.id("CB-803"));
        Map<String, Object> choice = Map.of("route", "harbour", "ids", ids);
        JsonNode preview = ferro.post("/api/batches/preview", choice).json();
        assertThat(preview.get("count").asInt()).isEqualTo(2);
        assertThat(preview.get("leftOut").asInt()).isEqualTo(1);
        assertThat(preview.get("alike").get(0).get("name").asString()).isEqualTo("Marlin Sailmaker Ltd");
        assertThat(preview.get("alike").get(0).get("like").asString()).isEqualTo("Marlin Sailmakers");
        long batch = Yard.trySend(ferro, choice).json().get("id").asLong();
        new Yard(ferro).awaitFinished(batch);
        assertThat(files.state("CB-801") + files.state("CB-803")).isEqualTo("PostedPosted");
        assertThat(files.state("CB-802")).as("compiled again at once").isEqualTo("Blocked");
        assertThat(files.cause("CB-802")).isEqualTo("party-doubtful:IE1000002A");
    }

    /// One batch creates what another's party resembles.
    @Test
    void whatCameToResembleSomebodyMeanwhileIsHeldBackWithItsCause() {
        files.take(HarbourFiles.invoiceTo("CB-811", "Marlin Sailmakers", "IE1000001A"));
        files.take(HarbourFiles.invoiceTo("CB-812", "Marlin Sailmaker Ltd", "IE1000002A"));
        world.standIns().fault("inkwell", "SLOW", 0);
        long first = send("CB-811");
        long second = send("CB-812");
        world.standIns().fault("inkwell", "NONE", 0);
        Yard yard = new Yard(ferro);
        yard.awaitFinished(first);
        yard.awaitFinished(second);
        List<String> states = List.of(files.state("CB-811"), files.state("CB-812"));
        assertThat(states).containsExactlyInAnyOrder("Posted", "Blocked");
        long held = states.getFirst().equals("Blocked") ? first : second;
        JsonNode dispatch = yard.batch(held).get("dispatches").get(0);
        assertThat(dispatch.get("outcome").asString()).isEqualTo("unreached");
        assertThat(dispatch.get("sentence").asString()).startsWith("It stays here: Marlin Sailmaker");
        assertThat(dispatch.get("state").asString()).isEqualTo("Blocked");
    }

    /// Whoever had it made died before it was noted, and a pull came first: the ledger knows it by its key.
    @Test
    void whatResemblesThePartyAndWasMadeOfItIsTheParty() {
        String code = "IE1000009A";
        files.take(HarbourFiles.invoiceTo("CB-821", "Heron Rigging", code));
        RouteRow harbour = world.bean(Routes.class).get("harbour");
        Party heron = world.bean(SourceCatalogue.class).party(harbour.sourceId(), code);
        String key = UUID.nameUUIDFromBytes(
                        ("harbour/" + harbour.ledgerId() + "/party:" + code).getBytes(StandardCharsets.UTF_8))
                .toString();
        Answer<Party> made = world.bean(Ledgers.class)
                .of(harbour.ledgerId())
                .get(CreatesMasters.class)
                .create(heron, harbour.reference("party:" + code), key);
        Party there = ((Answer.Accepted<Party>) made).record();
        world.bean(LedgerReference.class).keep(harbour.ledgerId(), there);
        assertThat(ferro.post("/api/map/parties/creation", Map.of("route", "harbour", "code", code))
                        .body())
                .contains(there.code());
    }

    private long send(String number) {
        return Yard.trySend(ferro, Map.of("route", "harbour", "ids", List.of(files.id(number))))
                .json()
                .get("id")
                .asLong();
    }

    /// The same version number must not come to stand for two states.
    @Test
    void whatATransactionTookBackIsNeverUsed() {
        RouteRow yard = world.bean(Routes.class).get("yard");
        TransactionTemplate transaction = world.bean(TransactionTemplate.class);
        CrosswalkStore store = world.bean(CrosswalkStore.class);
        Compilers compilers = world.bean(Compilers.class);
        String content = world.jdbc()
                .sql("select " + Stored.COLUMN + " from record d" + Stored.JOIN
                        + "where d.refs @> array['item:RIG-0042'] limit 1")
                .query(String.class)
                .single();
        transaction.executeWithoutResult(status -> {
            store.set(yard.id(), RowKind.ITEM, "RIG-0042", Meaning.of(RowKind.ITEM, "", "4012"), 0, "nobody");
            assertThat(account(compilers, yard, content)).contains("4012");
            status.setRollbackOnly();
        });
        assertThat(account(compilers, yard, content)).doesNotContain("4012");
        transaction.executeWithoutResult(status ->
                store.set(yard.id(), RowKind.ITEM, "RIG-0042", Meaning.of(RowKind.ITEM, "", "4015"), 0, "somebody"));
        assertThat(account(compilers, yard, content)).contains("4015").doesNotContain("4012");
    }

    private static List<String> account(Compilers compilers, RouteRow route, String content) {
        return compilers.of(route.id()).compile(Stored.document(content)).lines().stream()
                .map(line -> line.account())
                .toList();
    }

    private List<Long> ready(int count) {
        return new Yard(ferro)
                .documents("Ready").stream()
                        .limit(count)
                        .map(row -> row.get("id").asLong())
                        .toList();
    }
}
