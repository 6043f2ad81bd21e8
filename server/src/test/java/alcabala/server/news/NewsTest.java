package alcabala.server.news;

import static org.assertj.core.api.Assertions.assertThat;

import alcabala.server.Api;
import alcabala.server.Await;
import alcabala.server.World;
import alcabala.server.Yard;
import alcabala.server.platform.News.Topic;
import alcabala.server.platform.Telling;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.stream.LongStream;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.springframework.transaction.PlatformTransactionManager;
import org.springframework.transaction.support.TransactionTemplate;
import tools.jackson.databind.JsonNode;

/// What changes is told as it happens, to whom it concerns, and to nobody else.
class NewsTest {
    /// What other tests have begun may still be told.
    private static final String TELLER = "T. Teller";

    private static World world;

    @BeforeAll
    static void start() {
        world = World.inProcess();
    }

    @AfterAll
    static void stop() {
        world.close();
    }

    @Test
    void whatSomebodyDoesIsToldToOthersByNumbersAlone() {
        Yard ferro = new Yard(world.api("ferro"));
        long id = ferro.documents("Ready").getFirst().get("id").asLong();
        try (Api.Heard voss = world.api("voss").listen()) {
            assertThat(voss.status()).isEqualTo(200);
            long batch = ferro.send(List.of(id));
            JsonNode record = voss.await("RECORDS", "M. Ferro");
            assertThat(record.get("ids").valueStream().map(JsonNode::asString)).containsExactly("" + id);
            assertThat(record.get("route").asString()).isEqualTo("yard");
            assertThat(voss.await("BATCHES", "").get("ids").get(0).asLong()).isEqualTo(batch);
            ferro.awaitFinished(batch);
            assertThat(voss.all())
                    .allMatch(each -> List.of("topic", "route", "ids", "who").containsAll(each.propertyNames()));
        }
    }

    @Test
    void aRowOfTheCrosswalkIsToldByItsCode() {
        Api ferro = world.api("ferro");
        try (Api.Heard voss = world.api("voss").listen()) {
            Api.Response changed = ferro.put("/api/map/row", Yard.row("yard", "TAX", "VEU", "RC0", "", 0));
            assertThat(changed.status()).as(changed.body()).isEqualTo(200);
            JsonNode row = voss.await("CROSSWALK", "M. Ferro");
            assertThat(row.get("ids").get(0).asString()).isEqualTo("TAX/VEU");
        }
    }

    @Test
    void operationsHearOfDocumentsThatTheyMayLookAtAndOfNothingElse() {
        long seen = anyOf("yard");
        long unseen = anyOf("harbour");
        long harbour = route("harbour");
        try (Api.Heard slip = world.api("slip").listen();
                Api.Heard voss = world.api("voss").listen()) {
            tell(Topic.RECORDS, harbour, List.of(unseen));
            tell(Topic.RECORDS, harbour, List.of());
            tell(Topic.CROSSWALK, route("yard"), List.of("ITEM/ANODE"));
            tell(Topic.WORK, null, List.of(1));
            tell(Topic.RECORDS, route("yard"), List.of(seen, unseen));
            JsonNode heard = slip.await("RECORDS", TELLER);
            assertThat(heard.get("route").asString()).isEqualTo("yard");
            assertThat(heard.get("ids").valueStream().map(JsonNode::asString)).containsExactly("" + seen);
            Await.until("all was told", () -> voss.by(TELLER).size() >= 4);
            assertThat(slip.by(TELLER)).hasSize(1);
        }
    }

    @ParameterizedTest
    @CsvSource({"100,100", "101,0"})
    void moreThanAHundredAreToldAsMany(int changed, int named) {
        try (Api.Heard voss = world.api("voss").listen()) {
            tell(Topic.PULLS, null, LongStream.range(0, changed).boxed().toList());
            assertThat(voss.await("PULLS", TELLER).get("ids")).hasSize(named);
        }
    }

    /// One notification of PostgreSQL takes less than 8000 bytes; what comes after it is told all the same.
    @ParameterizedTest
    @CsvSource({"65,100", "70,0"})
    void whatIsTooLongToNameIsToldAsMany(int length, int named) {
        try (Api.Heard voss = world.api("voss").listen()) {
            List<String> codes = LongStream.range(100, 200)
                    .mapToObj(i -> "ITEM/" + "x".repeat(length) + i)
                    .toList();
            tell(Topic.CROSSWALK, null, codes);
            tell(Topic.PULLS, null, List.of(1));
            assertThat(voss.await("CROSSWALK", TELLER).get("ids")).hasSize(named);
            assertThat(voss.await("PULLS", TELLER).get("ids")).hasSize(1);
        }
    }

    @Test
    void nonsenseOnTheChannelStopsNobody() {
        try (Api.Heard slip = world.api("slip").listen()) {
            for (String nonsense :
                    List.of("", "no json", "[]", "{}", "{\"topic\":\"RECORDS\"}", "{\"topic\":\"OTHER\"}")) {
                world.jdbc()
                        .sql("select pg_notify('news', :nonsense)")
                        .param("nonsense", nonsense)
                        .query()
                        .singleRow();
            }
            tell(Topic.RECORDS, route("yard"), List.of(anyOf("yard")));
            assertThat(slip.await("RECORDS", TELLER).get("ids")).hasSize(1);
        }
    }

    @Test
    void whatIsTakenBackIsNeverTold() {
        try (Api.Heard voss = world.api("voss").listen()) {
            TransactionTemplate transaction = new TransactionTemplate(world.bean(PlatformTransactionManager.class));
            transaction.executeWithoutResult(status -> {
                tell(Topic.PULLS, null, List.of(7));
                status.setRollbackOnly();
            });
            transaction.executeWithoutResult(status -> tell(Topic.PULLS, null, List.of(8)));
            assertThat(voss.await("PULLS", TELLER).get("ids").valueStream().map(JsonNode::asString))
                    .containsExactly("8");
        }
    }

    @Test
    void whoSignsOutHearsNoMore() {
        Api voss = world.api("voss");
        try (Api.Heard heard = voss.listen()) {
            assertThat(voss.delete("/api/session").status()).isLessThan(300);
            Await.until("the stream has ended", heard::hasEnded);
        }
        assertThat(voss.listen().status()).isEqualTo(401);
    }

    @Test
    void programsAndMoreBrowsersThanAnybodyHasAreTurnedAway() {
        Api ferro = world.api("ferro");
        String token =
                ferro.post("/api/session/tokens", Map.of()).json().path("token").asString("");
        assertThat(token).isNotEmpty();
        assertThat(new Api(world.address()).withToken(token).listen().status()).isEqualTo(422);
        List<Api.Heard> open = new ArrayList<>();
        try {
            for (int i = 0; i < 20; i++) {
                open.add(ferro.listen());
            }
            assertThat(open).allMatch(each -> each.status() == 200);
            assertThat(ferro.listen().status()).isEqualTo(503);
        } finally {
            open.forEach(Api.Heard::close);
        }
        Await.until("there is room again", () -> {
            try (Api.Heard again = ferro.listen()) {
                return again.status() == 200;
            }
        });
    }

    private static void tell(Topic topic, Long route, List<?> ids) {
        world.bean(Telling.class).tell(topic, route, TELLER, ids);
    }

    private static long route(String code) {
        return world.jdbc()
                .sql("select id from route where code = :code")
                .param("code", code)
                .query(Long.class)
                .single();
    }

    private static long anyOf(String route) {
        return world.jdbc()
                .sql("select min(id) from record where route_id = :route")
                .param("route", route(route))
                .query(Long.class)
                .single();
    }
}
