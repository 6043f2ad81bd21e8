package alcabala.connectors.adapters.inkwell;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import alcabala.accounting.custom.CustomField;
import alcabala.accounting.custom.FieldType;
import alcabala.accounting.document.PriceMode;
import alcabala.accounting.ledger.LedgerAccount;
import alcabala.accounting.money.ExchangeRate;
import alcabala.accounting.posting.LedgerDocument;
import alcabala.accounting.posting.LedgerLine;
import alcabala.accounting.posting.NumberSeries;
import alcabala.accounting.record.Family;
import alcabala.accounting.record.RecordKind;
import alcabala.accounting.tax.TaxRounding;
import alcabala.accounting.terms.CodedTerms;
import alcabala.accounting.terms.PaymentTerms;
import alcabala.connectors.Access;
import alcabala.connectors.AccessLostException;
import alcabala.connectors.AnswerUnusableException;
import alcabala.connectors.UnreachableException;
import alcabala.connectors.adapters.Somewhere;
import alcabala.connectors.http.Http;
import alcabala.connectors.ledger.Answer;
import alcabala.connectors.ledger.LedgerCompany;
import alcabala.connectors.ledger.LedgerItem;
import alcabala.connectors.ledger.LedgerRecord;
import alcabala.connectors.ledger.RewritesItems;
import alcabala.connectors.ledger.Standing;
import alcabala.connectors.ledger.TellsBalances;
import com.sun.net.httpserver.HttpExchange;
import com.sun.net.httpserver.HttpServer;
import java.io.IOException;
import java.math.BigDecimal;
import java.net.InetAddress;
import java.net.InetSocketAddress;
import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.CopyOnWriteArrayList;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import tools.jackson.databind.JsonNode;

/// Every way a ledger can answer, by a real HTTP server that answers so.
class InkwellLedgerTest {
    private static final Duration IMPATIENT = Duration.ofMillis(400);
    private static final String RECORD = """
            {"id":"IN-1","version":1,"number":"HW-1","kind":"invoice","party":"IC-1","date":"2026-11-20","due":null,
             "pricesIncludeTax":false,"externalReference":"hullwork:d-1","net":10.00,"tax":2.30,"gross":12.30,"paid":0.00,
             "lines":[],"journal":[{"account":"1100","debit":12.30,"credit":0.00}],"fieldOfTheFuture":1}""";
    private Duration patience = Duration.ofSeconds(20);
    private HttpServer server;
    private Answering answering;
    private HttpExchange last;
    private Access access = Access.key("secret");

    private interface Answering {
        void to(HttpExchange exchange) throws IOException;
    }

    @BeforeEach
    void start() throws IOException {
        server = HttpServer.create(new InetSocketAddress(InetAddress.getLoopbackAddress(), 0), 0);
        server.createContext("/", exchange -> {
            last = exchange;
            answering.to(exchange);
            exchange.close();
        });
        server.start();
    }

    @AfterEach
    void stop() {
        server.stop(0);
    }

    @Test
    void anAcceptedDocumentIsReadInFullAndCarriesKeyAndBearer() {
        answer(201, RECORD);
        Answer<LedgerRecord> answer = post();
        assertThat(answer).isInstanceOf(Answer.Accepted.class);
        LedgerRecord record = ((Answer.Accepted<LedgerRecord>) answer).record();
        assertThat(record.gross()).isEqualByComparingTo("12.30");
        assertThat(record.due()).isNull();
        assertThat(record.party()).isEqualTo("IC-1");
        assertThat(last.getRequestHeaders().getFirst("Idempotency-Key")).isEqualTo("key-1");
        assertThat(last.getRequestHeaders().getFirst("Authorization")).isEqualTo("Bearer secret");
    }

    @Test
    void aRefusalKeepsTheLedgersOwnWords() {
        answer(422, "{\"code\":\"period-locked\",\"sentence\":\"The books are locked.\"}");
        assertThat(post())
                .isEqualTo(new Answer.Refused<>(
                        422,
                        "period-locked",
                        "The books are locked.",
                        "{\"code\":\"period-locked\",\"sentence\":\"The books are locked.\"}"));
    }

    @ParameterizedTest
    @ValueSource(ints = {429, 503})
    void aRequestThatWasNotWorkedOnMayGoLater(int status) {
        answering = exchange -> {
            exchange.getResponseHeaders().add("Retry-After", "7");
            send(exchange, status, "{}");
        };
        assertThat(((Answer.Later<LedgerRecord>) post()).pause()).isEqualTo(Duration.ofSeconds(7));
    }

    /// Nobody knows then whether it was done; what came back instead is kept, as far as it can be.
    @ParameterizedTest(name = "{0} with {1}")
    @CsvSource(
            delimiter = '|',
            quoteCharacter = '~',
            value = {
                "500 | oops                           | answered 500: oops",
                "502 | <html>Bad gateway</html>       | answered 502: <html>Bad gateway</html>",
                "504 |                                | answered 504",
                "302 |                                | answered 302",
                "404 | <html>No such page</html>      | answered 404: <html>No such page</html>",
                "400 | no                             | answered 400: no",
                "201 |                                | answered what cannot be read",
                "201 | <html>a proxy</html>           | answered what cannot be read: <html>a proxy</html>",
                "201 | \"done\"                     | answered what cannot be read: \"done\"",
                "201 | {}                             | answered what cannot be understood: {}",
                "201 | {\"id\":\"IN-1\",\"date\":\"soon\"} | answered what cannot be understood: {\"id\":\"IN-1\",\"date\":\"soon\"}",
            })
    void whatIsNoAnswerIsLostAndSaysWhatCame(int status, String body, String reason) {
        String sent = body == null ? "" : body;
        answer(status, sent);
        assertThat(post()).isEqualTo(new Answer.Lost<>(status, reason, sent));
    }

    @ParameterizedTest
    @ValueSource(strings = {"net", "gross", "number", "party", "date", "lines"})
    void aRecordWithoutWhatItCannotBeWithoutIsNone(String field) {
        answer(201, RECORD.replaceFirst("\"" + field + "\":(\"[^\"]*\"|[0-9.]+|\\[])", "\"" + field + "\":null"));
        assertThat(post()).isInstanceOf(Answer.Lost.class);
    }

    @Test
    void anAnswerWithoutEndIsReadUpToASizeAndOneWithoutHasteForAWhile() {
        byte[] much = new byte[1024 * 1024];
        java.util.Arrays.fill(much, (byte) ' ');
        answering = exchange -> {
            exchange.sendResponseHeaders(exchange.getRequestMethod().equals("GET") ? 200 : 201, 0);
            try (var body = exchange.getResponseBody()) {
                for (int megabytes = 0; megabytes < 64; megabytes++) {
                    body.write(much);
                }
            }
        };
        assertThat(((Answer.Lost<LedgerRecord>) post()).reason()).isEqualTo("answered more than 4 MB");
        assertThatThrownBy(() -> ledger().company()).hasMessageContaining("more than 32 MB");

        patience = IMPATIENT;
        CountDownLatch over = new CountDownLatch(1);
        answering = exchange -> {
            exchange.sendResponseHeaders(200, 0);
            var body = exchange.getResponseBody();
            try {
                while (!over.await(50, TimeUnit.MILLISECONDS)) {
                    body.write(' ');
                    body.flush();
                }
            } catch (InterruptedException e) {
                Thread.currentThread().interrupt();
            }
        };
        assertThat(post()).as("one byte now and then").isInstanceOf(Answer.Lost.class);
        over.countDown();
    }

    @Test
    void whatNoTextColumnTakesIsShownByASignOfItsOwn() {
        answer(500, "a\u0000b");
        assertThat(((Answer.Lost<LedgerRecord>) post()).raw()).isEqualTo("a\uFFFDb");
        answer(422, "{\"code\":\"odd\",\"sentence\":\"no \\u0000 and \\ud800\"}");
        assertThat(((Answer.Refused<LedgerRecord>) post()).sentence()).isEqualTo("no \uFFFD and \uFFFD");
    }

    @Test
    void oneRecordOfItsNewsThatCannotBeUsedIsSetAsideAndTheOthersCome() {
        String broken = RECORD.replace("12.30,\"paid\"", "1e400,\"paid\"").replace("IN-1", "IN-2");
        answer(
                200,
                "{\"changes\":[{\"type\":\"document\",\"record\":" + broken + "},{\"type\":\"document\",\"record\":"
                        + RECORD + "}],\"next\":9,\"more\":false}");
        var feed = ledger().changes(0, 10);
        assertThat(feed.records()).extracting(LedgerRecord::id).containsExactly("IN-1");
        assertThat(feed.setAside())
                .singleElement()
                .satisfies(each -> assertThat(each.ref() + " " + each.reason())
                        .isEqualTo("IN-2 document HW-1 cannot be understood"));
    }

    @Test
    void anAnswerThatDoesNotArriveIsLost() {
        answering = exchange -> exchange.sendResponseHeaders(201, 4096);
        assertThat(post()).as("cut off").isInstanceOf(Answer.Lost.class);
        answering = exchange -> {
            try {
                Thread.sleep(IMPATIENT.toMillis() * 3);
            } catch (InterruptedException e) {
                Thread.currentThread().interrupt();
            }
        };
        patience = IMPATIENT;
        assertThat(post()).as("too late").isInstanceOf(Answer.Lost.class);
    }

    @Test
    void whereNobodyListensNothingWasDone() {
        server.stop(0);
        assertThat(post()).isInstanceOf(Answer.Later.class);
        assertThatThrownBy(() -> ledger().company())
                .isInstanceOf(UnreachableException.class)
                .hasMessageStartingWith("Inkwell")
                .hasMessageNotContaining("secret");
    }

    @Test
    void askingTellsNotThereFromNoAnswer() {
        answer(404, "{}");
        assertThat(ledger().findPosted("key-1")).isEmpty();
        answer(404, "");
        assertThat(ledger().findPosted("key-1")).isEmpty();
        answer(404, " <html>No such page</html>");
        assertThatThrownBy(() -> ledger().findPosted("key-1"))
                .as("of whoever stands between")
                .isInstanceOf(UnreachableException.class);
        answer(500, "{}");
        assertThatThrownBy(() -> ledger().findPosted("key-1")).isInstanceOf(UnreachableException.class);
        for (String odd : List.of("not json", "", "null")) {
            answer(200, odd);
            assertThatThrownBy(() -> ledger().findByReference(Family.DOCUMENT, "x"))
                    .isInstanceOf(UnreachableException.class);
        }
    }

    /// The second is what somebody else had renewed meanwhile, and was ended as well; the third is renewed for it.
    @Test
    void aTokenThatIsTurnedAwayIsReplacedTwiceAndTheRequestGoesAgain() {
        for (List<String> given : List.of(List.of("fresh"), List.of("of another server", "fresh"))) {
            List<String> shown = new ArrayList<>();
            answering = exchange -> {
                String token = exchange.getRequestHeaders().getFirst("Authorization");
                shown.add(token.substring("Bearer ".length()));
                send(exchange, token.equals("Bearer fresh") ? 404 : 401, "{}");
            };
            access = renewable(given);
            assertThat(ledger().findPosted("key-1")).isEmpty();
            assertThat(shown).startsWith("stale").endsWith("fresh").hasSize(given.size() + 1);
        }
    }

    @Test
    void whoeverIsNotLetInIsToldSoAndNothingWasDone() {
        for (List<String> useless :
                List.of(List.<String>of(), List.of("wrong too"), List.of("wrong too", "wrong again", "never asked"))) {
            AtomicInteger asked = new AtomicInteger();
            answering = exchange -> {
                asked.incrementAndGet();
                send(exchange, 401, "{}");
            };
            access = renewable(useless);
            assertThatThrownBy(this::post)
                    .isInstanceOf(AccessLostException.class)
                    .hasMessageStartingWith("Inkwell")
                    .hasMessageNotContainingAny("stale", "wrong");
            assertThat(asked.get()).isEqualTo(1 + Math.min(useless.size(), 2));
        }
    }

    /// @param given what it is renewed to, one after the other; then there is none to be had
    private static Access renewable(List<String> given) {
        List<String> known = new ArrayList<>(List.of("stale"));
        return new Access() {
            @Override
            public String token() {
                return known.getLast();
            }

            @Override
            public Optional<String> tokenAfter(String turnedAway) {
                assertThat(turnedAway).isEqualTo(known.getLast());
                if (known.size() > given.size()) {
                    return Optional.empty();
                }
                known.add(given.get(known.size() - 1));
                return Optional.of(known.getLast());
            }
        };
    }

    @Test
    void aLongChartIsReadPageByPageAndTheNextIsOnItsWayWhileOneIsWorkedOn() {
        List<String> asked = new CopyOnWriteArrayList<>();
        CountDownLatch secondAsked = new CountDownLatch(1);
        answering = exchange -> {
            asked.add(exchange.getRequestURI().getQuery());
            if (asked.size() == 2) {
                secondAsked.countDown();
            }
            send(exchange, 200, asked.size() == 1 ? chart(0, 2000) : chart(2000, 2003));
        };
        List<LedgerAccount> accounts = new ArrayList<>();
        ledger().accounts(page -> {
            accounts.addAll(page);
            assertThat(waited(secondAsked)).isTrue();
        });
        assertThat(accounts).hasSize(2003);
        assertThat(accounts.getLast().name()).isEqualTo("東 2002");
        assertThat(asked).hasSize(2);
        assertThat(asked.getLast()).contains("after=A01999");
    }

    @Test
    void aPageThatDoesNotComeEndsTheReading() {
        answering = exchange -> {
            boolean first = exchange.getRequestURI().getQuery().contains("after=&");
            send(exchange, first ? 200 : 500, first ? chart(0, 2000) : "");
        };
        List<Integer> pages = new ArrayList<>();
        assertThatThrownBy(() -> ledger().accounts(page -> pages.add(page.size())))
                .isInstanceOf(UnreachableException.class)
                .hasMessageContaining("answered 500");
        assertThat(pages).containsExactly(2000);
    }

    /// What cannot be understood is set aside with its reason, and the rest is read.
    @Test
    void openDocumentsAreReadWithWhatIsOddSetAside() {
        String odd = RECORD.replace("\"IN-1\"", "\"IN-2\"").replace("\"invoice\"", "\"tale\"");
        String open = """
                {"id":"%s","document":%s,"open":%s,"baseOpen":8.30}""";
        String record = RECORD.replace("\"lines\"", "\"currency\":\"EUR\",\"lines\"");
        answer(
                200,
                "["
                        + String.join(
                                ",",
                                open.formatted("IN-1", record, "8.30"),
                                open.formatted("IN-2", odd, "1"),
                                open.formatted("IN-3", record, "1e400"),
                                open.formatted("IN-4", RECORD, "1"))
                        + "]");
        List<TellsBalances.OpenPage> pages = new ArrayList<>();
        ledger().openDocuments(LocalDate.of(2026, 9, 30), pages::add);
        assertThat(last.getRequestURI().getQuery()).startsWith("on=2026-09-30&after=&limit=");
        assertThat(pages.getFirst().documents()).singleElement().satisfies(each -> {
            assertThat(each.record().number()).isEqualTo("HW-1");
            assertThat(each.open()).isEqualByComparingTo("8.30");
        });
        assertThat(pages.getFirst().setAside())
                .as("an unknown kind, an amount without bounds, no currency")
                .hasSize(3);
        answer(200, "[{\"code\":\"1100\",\"balance\":-12.5}]");
        assertThat(ledger().balances(LocalDate.of(2026, 9, 30)).getFirst().amount())
                .isEqualByComparingTo("-12.5");
        answer(200, "{}");
        assertThatThrownBy(() -> ledger().balances(LocalDate.of(2026, 9, 30)))
                .isInstanceOf(AnswerUnusableException.class);
    }

    private static boolean waited(CountDownLatch latch) {
        try {
            return latch.await(20, TimeUnit.SECONDS);
        } catch (InterruptedException e) {
            throw new IllegalStateException(e);
        }
    }

    private static String chart(int from, int to) {
        return IntStream.range(from, to)
                .mapToObj(i ->
                        "{\"code\":\"A%05d\",\"name\":\"東 %d\",\"type\":\"revenue\",\"active\":true}".formatted(i, i))
                .collect(Collectors.joining(",", "[", "]"));
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "[{\"code\":\"1\",\"name\":\"x\",\"type\":\"quantum\"}] | account 1 is of the unknown type “quantum”",
                "[{\"code\":\"1\",\"name\":\"x\"}] | account 1 has no type",
                "{\"accounts\":[]} | no list of accounts came where one was asked for",
            })
    void aChartThatCannotBeUsedIsSaidWithItsPlace(String body, String what) {
        answer(200, body);
        assertThatThrownBy(() -> ledger().accounts(page -> {}))
                .isInstanceOfSatisfying(
                        AnswerUnusableException.class, e -> assertThat(e.what()).isEqualTo(what));
    }

    @Test
    void aTaxCodeWithoutARateIsSaid() {
        answer(200, "[{\"code\":\"S23\",\"name\":\"x\",\"rate\":null,\"category\":\"S\"}]");
        assertThatThrownBy(() -> ledger().taxCodes(page -> {})).hasMessageContaining("tax code S23 has no rate");
    }

    @Test
    void settingsOfTheCompanyAreRead() {
        answer(200, """
                {"id":"saltmere","name":"Corvane","currency":"EUR","taxRounding":"per-line","itemNameLimit":31,
                 "lockedThrough":"2026-08-24","appliesCredits":true,"tracksQuantities":false,"plan":["dimensions"],
                 "timeZone":"Europe/Dublin","clock":"2026-11-24T10:00:00Z"}""");
        LedgerCompany company = ledger().company();
        assertThat(company.taxRounding()).isEqualTo(TaxRounding.PER_LINE);
        assertThat(company.features()).containsExactly("dimensions");
        assertThat(company.appliesCredits()).isTrue();
        assertThat(company.timeZone()).isEqualTo(ZoneId.of("Europe/Dublin"));
        assertThat(company.itemNameForbids()).isEmpty();
        String told = """
                {"taxRounding":"per-line","lockedThrough":"2026-08-24","timeZone":"%s","clock":"2026-11-24T10:00:00Z",
                 "itemNameLimit":%d,"itemNameForbids":"%s"}""";
        answer(200, told.formatted("Mars/Base", 1, ""));
        assertThatThrownBy(() -> ledger().company()).hasMessageContaining("unknown time zone “Mars/Base”");
        answer(200, told.formatted("Europe/Dublin", 0, ""));
        assertThatThrownBy(() -> ledger().company()).hasMessageContaining("at most 0 characters");
        answer(200, told.formatted("Europe/Dublin", 1, "x".repeat(101)));
        assertThatThrownBy(() -> ledger().company()).hasMessageContaining("more than 100 characters are forbidden");
        answer(200, told.formatted("Europe/Dublin", 1, "x".repeat(100)));
        assertThat(ledger().company().itemNameForbids()).hasSize(100);
    }

    @Test
    void numbersInUseAreAskedForTogether() {
        answer(
                200,
                "[{\"number\":\"HW-1\",\"externalReference\":\"hullwork:d-1\"},{\"number\":\"HW-2\",\"externalReference\":\"\"}]");
        assertThat(ledger().numbersTaken(List.of("HW-1", "HW-2", "HW-3")))
                .containsOnly(Map.entry("HW-1", "hullwork:d-1"), Map.entry("HW-2", ""));
        answer(503, "{}");
        assertThatThrownBy(() -> ledger().numbersTaken(List.of("HW-1"))).isInstanceOf(UnreachableException.class);
    }

    @Test
    void theBodySaysExactlyWhatTheDocumentSays() {
        JsonNode body = Http.JSON.readTree(ledger().body(document(), "IC-1", "hullwork:d-1"));
        assertThat(body.get("kind").asString()).isEqualTo("credit-note");
        assertThat(body.get("due").isNull()).isTrue();
        assertThat(body.get("pricesIncludeTax").asBoolean()).isTrue();
        assertThat(body.get("lines").get(0).get("item").asString())
                .as("the counterpart")
                .isEqualTo("SHACK-8");
        assertThat(body.get("lines").get(0).get("amount").asDecimal()).isEqualByComparingTo("12.30");
        assertThat(body.get("lines").get(0).get("unitPrice").asDecimal()).isEqualByComparingTo("0.05");
        assertThat(body.get("lines").get(0).get("adjustment").asDecimal()).isEqualByComparingTo("-0.20");
        assertThat(body.get("lines").get(1).get("item").isNull()).isTrue();
        assertThat(body.get("lines").get(0).get("dimensions").get("DEPT").asString())
                .isEqualTo("SHOP");
        assertThat(body.get("lines").get(1).has("dimensions")).isFalse();
        assertThat(body.get("terms").asString()).isEqualTo("N30");
        assertThat(body.get("fields").get("berth").asString()).isEqualTo("N");
        assertThat(body.get("fields").get("hull-no").asString())
                .as("takes away what is there")
                .isEmpty();
        assertThat(body.get("lines").get(1).get("taxCode").isNull())
                .as("no tax on the rounding line")
                .isTrue();
    }

    @Test
    void whatTheCompanyAddedIsReadAndWhatIsNoneIsSaid() {
        answer(200, "[{\"code\":\"30D\",\"name\":\"Thirty\",\"days\":30,\"active\":true}]");
        List<CodedTerms> terms = new ArrayList<>();
        ledger().terms(terms::addAll);
        assertThat(terms).containsExactly(new CodedTerms("30D", "Thirty", PaymentTerms.days(30), true));
        answer(
                200,
                "[{\"code\":\"PIER\",\"title\":\"Pier\",\"type\":\"choice\",\"values\":[{\"code\":\"1\",\"title\":\"North\"}]}]");
        List<CustomField> fields = new ArrayList<>();
        ledger().fields(fields::addAll);
        assertThat(fields)
                .containsExactly(new CustomField("PIER", "Pier", FieldType.CHOICE, 0, Map.of("1", "North"), true));
        answer(200, "[{\"code\":\"30D\",\"days\":-1}]");
        assertThatThrownBy(() -> ledger().terms(page -> {})).hasMessageContaining("its terms of payment");
        answer(200, "[{\"code\":\"\",\"type\":\"text\"}]");
        assertThatThrownBy(() -> ledger().fields(page -> {})).hasMessageContaining("its fields");
    }

    /// What stands there keeps its number whoever gave it, and the version that was read goes along.
    @Test
    void aChangeIsPutInThePlaceOfWhatWasRead() {
        List<String> came = new ArrayList<>();
        answering = exchange -> {
            came.add(exchange.getRequestMethod() + " " + exchange.getRequestURI());
            came.add(new String(exchange.getRequestBody().readAllBytes(), StandardCharsets.UTF_8));
            send(exchange, 201, RECORD.replace("\"version\":1", "\"version\":5"));
        };
        Standing standing = new Standing("IN-7", 4, "LEDGER-88");
        Answer<LedgerRecord> answer = ledger().change(standing, document(), "IC-1", "hullwork:d-1", "key-2");
        assertThat(((Answer.Accepted<LedgerRecord>) answer).record().version()).isEqualTo(5);
        assertThat(last.getRequestHeaders().getFirst("Idempotency-Key")).isEqualTo("key-2");
        assertThat(came.getFirst()).isEqualTo("PUT /inkwell/api/companies/saltmere/documents/IN-7");
        assertThat(came.getLast()).isEqualTo(ledger().body(standing, document(), "IC-1", "hullwork:d-1"));
        JsonNode body = Http.JSON.readTree(came.getLast());
        assertThat(body.get("version").asInt()).isEqualTo(4);
        assertThat(body.get("number").asString()).isEqualTo("HC-1");
        assertThat(body.get("party").asString()).isEqualTo("IC-1");
        JsonNode numberedThere =
                Http.JSON.readTree(ledger().body(standing, numberedByTheLedger(), "IC-1", "hullwork:d-1"));
        assertThat(numberedThere.get("number").asString()).isEqualTo("LEDGER-88");
    }

    @Test
    void aStaleChangeIsRefusedAndALostOneIsLost() {
        Standing standing = new Standing("IN-7", 4, "HC-1");
        answer(409, "{\"code\":\"stale-version\",\"sentence\":\"Somebody was here.\"}");
        assertThat(ledger().change(standing, document(), "IC-1", "hullwork:d-1", "key-2"))
                .isInstanceOfSatisfying(
                        Answer.Refused.class, no -> assertThat(no.code()).isEqualTo("stale-version"));
        answer(502, "oops");
        assertThat(ledger().change(standing, document(), "IC-1", "hullwork:d-1", "key-2"))
                .isInstanceOf(Answer.Lost.class);
    }

    @Test
    void aBillSaysWhatItIsAndATaxCodeWhereTaxOnPurchasesGoes() {
        JsonNode body = Http.JSON.readTree(ledger().body(as(RecordKind.BILL, "TW-1"), "IC-9", "files:bill"));
        assertThat(body.get("kind").asString()).isEqualTo("bill");
        answer(200, """
                [{"code":"S23","name":"S","rate":23.0000,"category":"S","account":"2200","inputAccount":"1400","active":true},
                 {"code":"Z0","name":"Z","rate":0,"category":"Z","account":"2200","inputAccount":null,"active":true},
                 {"code":"RC","name":"R","rate":23,"category":"AE","bothSides":true,"deductible":40,"account":"2200","inputAccount":"1400","active":true}]""");
        List<String> accounts = new ArrayList<>();
        ledger().taxCodes(page ->
                page.forEach(code -> accounts.add(code.code() + " " + code.inputAccount() + " " + code.chargedRate())));
        assertThat(accounts).containsExactly("S23 1400 23", "Z0  0", "RC 1400 0");
    }

    @Test
    void aCompanyThatHasItsTaxDecidedHasTaxableAndNotInThePlaceOfCodes() {
        answer(200, "{\"plan\":[\"decides-tax\"]}");
        List<String> codes = new ArrayList<>();
        ledger().taxCodes(page -> page.forEach(code -> codes.add(code.code())));
        assertThat(codes).containsExactly("taxable", "not-taxable");
        LedgerItem item = LedgerItem.of("ROPE", "Rope", "4010", "taxable", true);
        answer(200, "{\"code\":\"ROPE\",\"name\":\"Rope\",\"account\":\"4010\",\"active\":true,\"version\":3}");
        assertThat(ledger().findItem("ROPE").orElseThrow().version()).isEqualTo("3");
        assertThat(ledger().create(item, "hullwork:item:ROPE", "key")).isInstanceOf(Answer.Accepted.class);
        RewritesItems.ItemThere there = new RewritesItems.ItemThere(item, "3");
        answer(409, "{\"code\":\"stale-version\",\"sentence\":\"It was changed.\"}");
        assertThat(ledger().change(there, item, "key-2")).isInstanceOf(Answer.Refused.class);
    }

    private static LedgerDocument numberedByTheLedger() {
        return as(RecordKind.CREDIT_NOTE, "");
    }

    private Answer<LedgerRecord> post() {
        return ledger().post(document(), "IC-1", "hullwork:d-1", "key-1");
    }

    private InkwellLedger ledger() {
        return new InkwellLedger(
                Somewhere.at("http://127.0.0.1:" + server.getAddress().getPort() + "/inkwell", "saltmere", patience),
                access);
    }

    private void answer(int status, String body) {
        answering = exchange -> send(exchange, status, body);
    }

    private static void send(HttpExchange exchange, int status, String body) throws IOException {
        byte[] bytes = body.getBytes(StandardCharsets.UTF_8);
        exchange.getResponseHeaders().add("Content-Type", "application/json");
        exchange.sendResponseHeaders(status, bytes.length);
        exchange.getResponseBody().write(bytes);
    }

    private static LedgerDocument document() {
        return as(RecordKind.CREDIT_NOTE, "HC-1");
    }

    private static LedgerDocument as(RecordKind kind, String number) {
        Money gross = Money.parse("EUR 12.30");
        Money nothing = Money.zero(CurrencyUnit.EUR);
        LedgerLine goods = new LedgerLine(
                "SHK-08",
                "SHACK-8",
                "Shackle",
                new BigDecimal("250"),
                new BigDecimal("0.05"),
                Money.parse("EUR -0.20"),
                gross,
                "4010",
                "S23",
                Map.of("DEPT", "SHOP"));
        LedgerLine rounding = new LedgerLine(
                "", "", "Rounding", BigDecimal.ONE, BigDecimal.ZERO, nothing, nothing, "6990", "", Map.of());
        return new LedgerDocument(
                kind,
                number,
                NumberSeries.OWN,
                LocalDate.of(2026, 11, 20),
                null,
                CurrencyUnit.EUR,
                ExchangeRate.same(CurrencyUnit.EUR, LocalDate.of(2026, 11, 20)),
                PriceMode.TAX_INCLUSIVE,
                "C-1",
                "IC-1",
                "1100",
                "HW-1",
                List.of(goods, rounding),
                "",
                "N30",
                Map.of("berth", "N", "hull-no", ""),
                false,
                false,
                Money.parse("EUR 10.00"),
                Money.parse("EUR 2.30"),
                gross);
    }
}
