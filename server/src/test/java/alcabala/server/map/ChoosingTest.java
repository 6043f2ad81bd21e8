package alcabala.server.map;

import static org.assertj.core.api.Assertions.assertThat;

import alcabala.accounting.crosswalk.Meaning;
import alcabala.accounting.crosswalk.Purpose;
import alcabala.accounting.crosswalk.RowKind;
import alcabala.server.Api;
import alcabala.server.World;
import alcabala.server.Yard;
import java.util.List;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import tools.jackson.databind.JsonNode;

/// What a row can say is found on the server by any of its code, name or number.
class ChoosingTest {
    private static World world;
    private static Api ferro;

    @BeforeAll
    static void start() {
        world = World.inProcess();
        ferro = world.api("ferro");
    }

    @AfterAll
    static void stop() {
        world.close();
    }

    private static JsonNode choices(String asked) {
        Api.Response answer = ferro.get("/api/map/choices?route=yard&" + asked);
        assertThat(answer.status()).as(answer.body()).isEqualTo(200);
        return answer.json();
    }

    private static List<String> codes(String asked) {
        return choices(asked).findValuesAsString("code");
    }

    @Test
    void whatIsSuggestedComesFirstAndSaysWhy() {
        JsonNode first = choices("kind=ITEM&purpose=COUNTERPART&code=RIG-0042").get(0);
        assertThat(first.get("code").asString()).isEqualTo("RIG-06");
        assertThat(first.get("reason").asString()).isEqualTo("suggested: similar name");
        assertThat(first.get("meaning").get("targets").get("COUNTERPART").asString())
                .isEqualTo("RIG-06");
        assertThat(choices("kind=ITEM&purpose=COUNTERPART&code=RIG-0042&text=rig-06")
                        .get(0)
                        .get("reason")
                        .asString())
                .as("what was sought needs no reason")
                .isEmpty();
    }

    @Test
    void whatWasChosenLastForOthersComesNext() {
        Api.Response set = ferro.put(
                "/api/map/row",
                Yard.row(
                        "yard",
                        "CATEGORY",
                        "books",
                        Meaning.NONE.with(Purpose.INCOME, "4090"),
                        versionOf("CATEGORY", "books")));
        assertThat(set.status()).as(set.body()).isEqualTo(200);
        JsonNode first = choices("kind=CATEGORY&purpose=INCOME&code=moorings")
                .valueStream()
                .filter(each -> each.get("reason").asString().startsWith("chosen"))
                .findFirst()
                .orElseThrow();
        assertThat(first.get("code").asString()).isEqualTo("4090");
        assertThat(first.get("reason").asString()).isEqualTo("chosen last for books by M. Ferro");
    }

    @Test
    void fiveOfThoseChosenLastAreSaid() {
        List<String> codes =
                ferro.get("/api/map/category?route=yard").json().get("rows").findValuesAsString("code").stream()
                        .limit(6)
                        .toList();
        List<String> accounts = List.of("4010", "4012", "4015", "4018", "4020", "4025");
        for (int i = 0; i < 6; i++) {
            Meaning meaning = Meaning.NONE.with(Purpose.INCOME, accounts.get(i));
            assertThat(ferro.put(
                                    "/api/map/row",
                                    Yard.row(
                                            "yard",
                                            "CATEGORY",
                                            codes.get(i),
                                            meaning,
                                            versionOf("CATEGORY", codes.get(i))))
                            .status())
                    .isEqualTo(200);
        }
        assertThat(choices("kind=CATEGORY&purpose=INCOME")
                        .valueStream()
                        .filter(each -> each.get("reason").asString().startsWith("chosen"))
                        .map(each -> each.get("code").asString()))
                .as("the latest first, and the sixth is left out")
                .containsExactly("4025", "4020", "4018", "4015", "4012");
    }

    private static int versionOf(String kind, String code) {
        return ferro.get("/api/map/row?route=yard&kind=" + kind + "&code=" + code)
                .json()
                .get("version")
                .asInt();
    }

    /// The code itself before codes that begin so, then names that do, then words of names.
    @ParameterizedTest
    @CsvSource({"4018,4018", "engine,4018", "labour,4020", "401,4010"})
    void theBestFittingComesFirst(String text, String code) {
        assertThat(codes("kind=CATEGORY&purpose=INCOME&text=" + text).getFirst())
                .isEqualTo(code);
    }

    @ParameterizedTest
    @CsvSource({
        "CATEGORY,INCOME,x,4010,1100",
        "CATEGORY,INCOME,x,4010,5010",
        "SUPPLIER,EXPENSE,x,5010,4010",
        "PARTY,ADVANCE,x,2150,4010",
        "MEANS,ACCOUNT,30 EUR,1250,4010",
        "ROLE,ACCOUNT,RECEIVABLES_CONTROL,1100,4010",
        "LINE,ACCOUNT,1/1,5010,1100"
    })
    void onlyWhatFitsIsOffered(String kind, String purpose, String code, String offered, String not) {
        List<String> codes = codes("kind=%s&purpose=%s&code=%s".formatted(kind, purpose, code.replace(" ", "%20")));
        assertThat(codes).doesNotContain(not);
        if (world.jdbc()
                        .sql("select count(*) from ledger_account where code = :code")
                        .param("code", offered)
                        .query(Integer.class)
                        .single()
                > 0) {
            assertThat(codes).contains(offered);
        }
    }

    @Test
    void aLineOffersWhatIsUsualFirst() {
        assertThat(codes("kind=LINE&purpose=ACCOUNT&code=1/1").getFirst()).startsWith("4");
        assertThat(codes("kind=LINE&purpose=ACCOUNT&code=1/1&bought=true").getFirst())
                .doesNotStartWith("4");
    }

    @Test
    void ofVeryManyPartiesFiftyAreOfferedAndTheSoughtOneIsFoundByItsNumber() {
        world.jdbc().sql("""
                insert into ledger_party (ledger_id, code, name, active, body)
                select r.ledger_id, 'MANY-' || n, 'Many ' || n, true,
                    jsonb_build_object('code', 'MANY-' || n, 'name', 'Many ' || n, 'taxIdentifier', 'IE' || (7000000 + n))
                from generate_series(1, 60) n, route r where r.code = 'yard'""").update();
        assertThat(choices("kind=PARTY&purpose=COUNTERPART&text=many")).hasSize(50);
        assertThat(codes("kind=PARTY&purpose=COUNTERPART&text=MANY-6")).startsWith("MANY-6", "MANY-60");
        assertThat(codes("kind=PARTY&purpose=COUNTERPART&text=ie7000059")).containsExactly("MANY-59");
        assertThat(codes("kind=PARTY&purpose=COUNTERPART&text=many%25"))
                .as("no pattern")
                .isEmpty();
        assertThat(codes("kind=PARTY&purpose=COUNTERPART"))
                .as("and one that is still to be created")
                .contains("");
    }

    @Test
    void aRowInHandSaysWhatItSaysNowAndWhatElseItCould() {
        JsonNode suggested =
                ferro.get("/api/map/row?route=yard&kind=ITEM&code=RIG-0042").json();
        assertThat(suggested.get("version").asInt()).isZero();
        assertThat(suggested.get("main").get("reason").asString()).startsWith("suggested");
        assertThat(ferro.put(
                                "/api/map/row",
                                Yard.row(
                                        "yard",
                                        "PARTY",
                                        "C-1003",
                                        Meaning.of(RowKind.PARTY, "", ""),
                                        versionOf("PARTY", "C-1003")))
                        .status())
                .isEqualTo(200);
        JsonNode party =
                ferro.get("/api/map/row?route=yard&kind=PARTY&code=C-1003").json();
        assertThat(party.get("main").get("name").asString()).isEqualTo("New party, created on its first document");
        assertThat(party.get("further").findValuesAsString("purpose"))
                .startsWith("INCOME", "COST", "STOCK", "DISCOUNT", "SHIPPING", "ADVANCE");
        JsonNode role = ferro.get("/api/map/row?route=yard&kind=ROLE&code=RECEIVABLES_CONTROL")
                .json();
        assertThat(role.get("main").get("code").asString()).isEqualTo("1100");
        assertThat(role.get("further")).isEmpty();
    }
}
