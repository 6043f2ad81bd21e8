package alcabala.connectors.adapters;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import alcabala.accounting.custom.CustomField;
import alcabala.accounting.custom.FieldType;
import alcabala.accounting.document.ItemKind;
import alcabala.accounting.terms.CodedTerms;
import alcabala.accounting.terms.PaymentTerms;
import alcabala.connectors.Access;
import alcabala.connectors.AccessLostException;
import alcabala.connectors.AnswerUnusableException;
import alcabala.connectors.SaidNoException;
import alcabala.connectors.UnreachableException;
import alcabala.connectors.adapters.hullwork.HullworkKind;
import alcabala.connectors.adapters.hullwork.HullworkMappingTest;
import alcabala.connectors.adapters.refitline.RefitlineKind;
import alcabala.connectors.adapters.storeloft.StoreloftKind;
import alcabala.connectors.ledger.Answer;
import alcabala.connectors.source.Approves;
import alcabala.connectors.source.SourceChange;
import alcabala.connectors.source.SourceChange.CategoryChanged;
import alcabala.connectors.source.SourceChange.ItemChanged;
import alcabala.connectors.source.SourceChange.PartyChanged;
import alcabala.connectors.source.SourceChange.RecordChanged;
import alcabala.connectors.source.SourceChange.SetAside;
import alcabala.connectors.source.SourceChange.SiteChanged;
import alcabala.connectors.source.SourceFeed;
import alcabala.connectors.source.TellsChanges;
import alcabala.connectors.source.WritesFields;
import alcabala.connectors.spi.CannotException;
import alcabala.connectors.spi.Connection;
import java.math.BigDecimal;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/// What the three apps tell, each in its own words, and what happens when it cannot be understood.
class AppSourcesTest {
    private final Somebody app = new Somebody();
    private final Access key = Access.key("yard-key");
    private final Map<String, Connection> opened = Map.of(
            "Hullwork", new HullworkKind().open(Somewhere.at(app.address() + "/hullwork"), key),
            "Storeloft", new StoreloftKind().open(Somewhere.at(app.address() + "/storeloft"), key),
            "Refitline", new RefitlineKind().open(Somewhere.at(app.address() + "/refitline"), key));

    @AfterEach
    void close() {
        app.close();
    }

    @Test
    void storeloftTellsOfBranchesAccountsArticlesAndGroups() {
        app.answers(200, """
                {"changes":[
                  {"what":"branch","code":"B1","data":{"label":"Saltmere"}},
                  {"what":"account","code":"A7","data":{"title":"Pell Estuary Trust","vatNumber":"IE7710243F","mail":"x@pell.example"}},
                  {"what":"group","code":"rope","data":{"label":"Rope"}},
                  {"what":"article","code":"RP-12","data":{"label":"Rope 12 mm","group":"rope"}},
                  {"what":"till","code":"T1","data":{}}],
                 "position":41,"complete":false}""");
        SourceFeed feed = opened.get("Storeloft").get(TellsChanges.class).changes(36, 500);
        assertThat(feed.next()).isEqualTo(41);
        assertThat(feed.more()).isTrue();
        assertThat(feed.changes())
                .as("what nobody here has a use for is left out")
                .hasSize(4)
                .contains(
                        new SiteChanged("Saltmere"),
                        new CategoryChanged("rope", "Rope"),
                        new ItemChanged("RP-12", "Rope 12 mm", "rope", ItemKind.GOODS, ""));
        assertThat(((PartyChanged) feed.changes().get(1)).party())
                .satisfies(party -> assertThat(party.code() + party.taxIdentifier() + party.email())
                        .isEqualTo("A7IE7710243Fx@pell.example"));
        assertThat(app.asked()).containsExactly("GET /storeloft/api/changes?position=36&size=500 Bearer yard-key");
    }

    @Test
    void refitlineTellsOfYardsCompaniesPhasesAndCostCodes() {
        app.answers(200, """
                {"entries":[
                  {"type":"yard","key":"Y","entry":{"name":"Port Ellery"}},
                  {"type":"company","key":"C9","entry":{"name":"Ruiz & Talbot","taxId":"ESB7731902"}},
                  {"type":"phase","key":"paint","entry":{"name":"Painting"}},
                  {"type":"cost-code","key":"P-H","entry":{"name":"Painter","phase":"paint","nature":"hours"}},
                  {"type":"cost-code","key":"P-X","entry":{"name":"Crane hire","phase":"paint","nature":"cost"}},
                  {"type":"cost-code","key":"P-G","entry":{"name":"Primer","phase":"paint","nature":"goods"}}],
                 "last":6,"more":false}""");
        SourceFeed feed = opened.get("Refitline").get(TellsChanges.class).changes(0, 100);
        assertThat(feed.more()).isFalse();
        assertThat(feed.changes())
                .contains(
                        new SiteChanged("Port Ellery"),
                        new CategoryChanged("paint", "Painting"),
                        new ItemChanged("P-H", "Painter", "paint", ItemKind.LABOUR, ""),
                        new ItemChanged("P-X", "Crane hire", "paint", ItemKind.EXPENSE, ""),
                        new ItemChanged("P-G", "Primer", "paint", ItemKind.GOODS, ""));
        assertThat(app.asked()).containsExactly("GET /refitline/api/registry?since=0&most=100 Bearer yard-key");
    }

    /// A list that never goes on would be asked for without end.
    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            quoteCharacter = '~',
            value = {
                "Hullwork  | {}                                         | no list of changes came where one was asked for",
                "Hullwork  | []                                         | no list of changes came where one was asked for",
                "Hullwork  | {\"changes\":[],\"more\":false}            | its list of changes does not say where it goes on",
                "Hullwork  | {\"changes\":[],\"next\":7,\"more\":true}  | its list of changes does not go on after 7",
                "Hullwork  | {\"changes\":[],\"next\":3,\"more\":false} | its list of changes does not go on after 7",
                "Storeloft | {}                                         | no list of changes came where one was asked for",
                "Storeloft | {\"changes\":[],\"position\":7}            | its list of changes does not go on after 7",
                "Storeloft | {\"changes\":[],\"complete\":true}         | its list of changes does not say where it goes on",
                "Refitline | {\"entries\":\"none\"}                     | no list of changes came where one was asked for",
                "Refitline | {\"entries\":[],\"last\":7,\"more\":true}  | its list of changes does not go on after 7",
            })
    void aListThatIsNoneOrDoesNotGoOnIsSaid(String name, String body, String what) {
        app.answers(200, body);
        assertThatThrownBy(() -> opened.get(name).get(TellsChanges.class).changes(7, 10))
                .isInstanceOfSatisfying(AnswerUnusableException.class, e -> {
                    assertThat(e.system()).isEqualTo(name);
                    assertThat(e.what()).isEqualTo(what);
                });
    }

    /// One bad record is set aside with what came of it, and the ones beside it come in.
    @ParameterizedTest(name = "{1}")
    @CsvSource(
            delimiter = '|',
            quoteCharacter = '~',
            value = {
                "{\"type\":\"item\",\"record\":{\"code\":\"RIG-1\",\"kind\":\"MAGIC\"}}                     | item RIG-1 cannot be understood",
                "{\"type\":\"vat-code\",\"record\":{\"code\":\"V9\",\"rate\":\"much\",\"category\":\"S\"}}  | vat-code V9 cannot be understood",
                "{\"type\":\"vat-code\",\"record\":{\"code\":\"V9\",\"rate\":1e400,\"category\":\"S\"}}       | vat-code V9: rate is beyond what is taken in",
                "{\"type\":\"vat-code\",\"record\":{\"code\":\"V9\",\"rate\":1000.1,\"category\":\"S\"}}      | vat-code V9: its rate is none",
                "{\"type\":\"document\",\"record\":{\"id\":\"d-1\",\"number\":\"HW-1\",\"finishedOn\":\"yesterday\"}} | document HW-1 cannot be understood",
                "{\"type\":\"document\",\"record\":{\"number\":\"HW-1\"}}                               | document HW-1: it has no id",
                "{\"type\":\"customer\",\"record\":{\"code\":\"C-1\",\"name\":\"Pell\\u0000\"}}            | customer C-1: it holds a character that is none",
                "{\"type\":\"customer\",\"record\":{\"code\":\"C-1\",\"name\":\"\\ud83d\"}}                | customer C-1: it holds a character that is none",
                "{\"type\":\"customer\",\"record\":{\"code\":\"\"}}                                     | customer: it has no code",
                "{\"type\":\"customer\",\"record\":{\"code\":\"C > W\"}}                                | customer C > W: its code cannot be told from that of a project: C > W",
                "{\"type\":\"terms\",\"record\":{\"code\":\"T\",\"days\":3651}}                              | terms T cannot be understood",
                "{\"type\":\"field\",\"record\":{\"code\":\"F\",\"type\":\"colour\"}}                         | field F cannot be understood",
                "{\"type\":\"field\",\"record\":{\"code\":\".note\",\"type\":\"text\"}}                       | field .note cannot be understood",
                "{\"type\":\"field\",\"record\":{\"code\":\"a > b\",\"type\":\"text\"}}                       | field a > b cannot be understood",
            })
    void aRecordThatCannotBeUsedIsSetAsideAndTheOthersCome(String change, String reason) {
        app.answers(
                200,
                "{\"changes\":[" + change
                        + ",{\"type\":\"site\",\"record\":{\"name\":\"Saltmere\"}}],\"next\":8,\"more\":false}");
        SourceFeed feed = opened.get("Hullwork").get(TellsChanges.class).changes(7, 10);
        assertThat(feed.changes().getLast()).isEqualTo(new SiteChanged("Saltmere"));
        assertThat(feed.changes().getFirst()).isInstanceOfSatisfying(SetAside.class, aside -> {
            assertThat(aside.record().reason()).isEqualTo(reason);
            assertThat(aside.record().raw()).contains("\"type\"").doesNotContain("\u0000");
            assertThat(aside.record().ref()).isNotEmpty();
        });
    }

    @Test
    void aNameMayHaveFiveHundredCharactersAndNoMore() {
        for (int length : new int[] {500, 501}) {
            app.answers(
                    200,
                    "{\"changes\":[{\"type\":\"customer\",\"record\":{\"code\":\"C-1\",\"name\":\"" + "x".repeat(length)
                            + "\"}}],\"next\":8,\"more\":false}");
            assertThat(opened.get("Hullwork")
                            .get(TellsChanges.class)
                            .changes(7, 10)
                            .changes()
                            .getFirst())
                    .isInstanceOf(length == 500 ? PartyChanged.class : SetAside.class);
        }
    }

    @Test
    void termsAndFieldsAreToldWithWhatTheyTake() {
        app.answers(200, """
                {"changes":[
                  {"type":"terms","record":{"code":"M10","text":"The 10th","months":1,"dayOfMonth":10,"discount":2.5,"discountDays":7}},
                  {"type":"field","record":{"code":"berth","text":"Berth side","type":"choice","options":[{"code":"N","text":"North"}]}}],
                 "next":9,"more":false}""");
        List<SourceChange> told =
                opened.get("Hullwork").get(TellsChanges.class).changes(7, 10).changes();
        PaymentTerms rule = new PaymentTerms(0, false, 1, 10, 0, new BigDecimal("2.5"), 7);
        CustomField berth = new CustomField("berth", "Berth side", FieldType.CHOICE, 0, Map.of("N", "North"), true);
        assertThat(told)
                .containsExactly(
                        new SourceChange.TermsChanged(new CodedTerms("M10", "The 10th", rule, true)),
                        new SourceChange.FieldChanged(berth));
    }

    @ParameterizedTest
    @CsvSource({"500, true", "501, false"})
    void aChoiceIsOfFiveHundredAtMost(int count, boolean taken) {
        String options = IntStream.range(0, count)
                .mapToObj(i -> "{\"code\":\"o" + i + "\",\"text\":\"x\"}")
                .collect(Collectors.joining(","));
        app.answers(
                200,
                "{\"changes\":[{\"type\":\"field\",\"record\":{\"code\":\"F\",\"type\":\"choice\",\"options\":["
                        + options + "]}}],\"next\":8,\"more\":false}");
        assertThat(opened.get("Hullwork")
                        .get(TellsChanges.class)
                        .changes(7, 10)
                        .changes()
                        .getFirst())
                .isInstanceOf(taken ? SourceChange.FieldChanged.class : SetAside.class);
    }

    /// What the app says it has by now is the answer; no and silence are told from each other.
    @Test
    void aFieldIsToldToTheApp() {
        WritesFields hullwork = opened.get("Hullwork").get(WritesFields.class);
        app.answers(200, "{\"fields\":[{\"code\":\"order-no\",\"type\":\"text\",\"value\":\"PO 1\"}]}");
        assertThat(hullwork.say("d-1", "order-no", "PO 1"))
                .isInstanceOfSatisfying(
                        Answer.Accepted.class, yes -> assertThat(yes.record()).isEqualTo("PO 1"));
        assertThat(app.asked().getLast()).startsWith("PUT /hullwork/api/documents/d-1/fields/order-no");
        app.answers(422, "{\"code\":\"field-value\",\"sentence\":\"Too long.\"}");
        assertThat(hullwork.say("d-1", "order-no", "x")).isInstanceOf(Answer.Refused.class);
        app.answers(503, "{}");
        assertThat(hullwork.say("d-1", "order-no", "x")).isInstanceOf(Answer.Later.class);
        app.answers(200, "no document");
        assertThat(hullwork.say("d-1", "order-no", "x")).isInstanceOf(Answer.Lost.class);
    }

    /// Their parties and taxes are looked up later, so they are read later; and named all the same.
    @ParameterizedTest
    @ValueSource(strings = {"EUR", "WAMPUM"})
    void aDocumentIsNamedWhenItIsReadLater(String currency) {
        app.answers(200, """
                {"changes":[{"type":"document","record":{"id":"d-1","number":"HW-1","status":"APPROVED","date":"soon","currency":"%s"}}],
                 "next":8,"more":false}""".formatted(currency));
        RecordChanged changed = (RecordChanged) opened.get("Hullwork")
                .get(TellsChanges.class)
                .changes(7, 10)
                .changes()
                .getFirst();
        assertThatThrownBy(() -> changed.record().apply(HullworkMappingTest.LOOKUP))
                .isInstanceOfSatisfying(
                        AnswerUnusableException.class,
                        e -> assertThat(e.what()).isEqualTo("document HW-1 cannot be understood"));
    }

    @ParameterizedTest
    @ValueSource(strings = {"Hullwork", "Storeloft", "Refitline"})
    void noAnswerAndAKeyThatNoLongerOpensAreToldApart(String name) {
        app.answers(500, "");
        assertThatThrownBy(() -> opened.get(name).get(TellsChanges.class).changes(0, 10))
                .isInstanceOf(UnreachableException.class)
                .isNotInstanceOf(AnswerUnusableException.class)
                .hasMessageContaining("answered 500");
        app.answers(200, "<html>We are back at nine</html>");
        assertThatThrownBy(() -> opened.get(name).get(TellsChanges.class).changes(0, 10))
                .isInstanceOf(UnreachableException.class)
                .hasMessageContaining("cannot be read");
        app.answers(401, "{}");
        assertThatThrownBy(() -> opened.get(name).get(TellsChanges.class).changes(0, 10))
                .isInstanceOf(AccessLostException.class)
                .hasMessageNotContaining("yard-key");
        app.close();
        assertThatThrownBy(() -> opened.get(name).get(TellsChanges.class).changes(0, 10))
                .isInstanceOf(UnreachableException.class)
                .hasMessageContaining("no answer");
    }

    @Test
    void approvalIsDoneOrTheReasonIsSaid() {
        app.answers(200, "{\"status\":\"APPROVED\"}");
        opened.get("Hullwork").get(Approves.class).approve("d-7");
        assertThat(app.asked()).containsExactly("POST /hullwork/api/documents/d-7/approval Bearer yard-key");
        app.answers(422, "{\"code\":\"void\",\"sentence\":\"HW-7 is void.\"}");
        assertThatThrownBy(() -> opened.get("Hullwork").get(Approves.class).approve("d-7"))
                .isInstanceOfSatisfying(
                        SaidNoException.class, no -> assertThat(no.sentence()).isEqualTo("HW-7 is void."));
        app.answers(503, "");
        assertThatThrownBy(() -> opened.get("Hullwork").get(Approves.class).approve("d-7"))
                .hasMessageContaining("unavailable");
        app.answers(500, "");
        assertThatThrownBy(() -> opened.get("Hullwork").get(Approves.class).approve("d-7"))
                .hasMessageContaining("answered 500");
        for (String other : new String[] {"Storeloft", "Refitline"}) {
            assertThatThrownBy(() -> opened.get(other).get(Approves.class).approve("d-7"))
                    .isInstanceOf(CannotException.class);
        }
    }
}
