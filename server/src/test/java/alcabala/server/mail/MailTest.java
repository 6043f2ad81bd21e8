package alcabala.server.mail;

import static org.assertj.core.api.Assertions.assertThat;

import alcabala.server.Api;
import alcabala.server.Await;
import alcabala.server.Ellery;
import alcabala.server.World;
import alcabala.server.Yard;
import jakarta.mail.SendFailedException;
import jakarta.mail.internet.AddressException;
import jakarta.mail.internet.InternetAddress;
import java.time.LocalDate;
import java.util.Collections;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.eclipse.angus.mail.smtp.SMTPAddressFailedException;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.NullSource;
import org.junit.jupiter.params.provider.ValueSource;
import tools.jackson.databind.JsonNode;

/// Whoever imports a batch is told of it through a mail server, with the files, once.
class MailTest {
    private static Map<String, Object> order(String... recipients) {
        return new HashMap<>(Map.of(
                "recipients",
                List.of(recipients),
                "subject",
                "{batch} for {ledger}",
                "body",
                "{records}, {gross}. Files: {files}",
                "keep",
                false));
    }

    private static Api.Response send(Api api, long batch, Map<String, Object> order) {
        return api.post("/api/batches/" + batch + "/mail", order);
    }

    private static JsonNode mails(Api api, long batch) {
        return api.get("/api/batches/" + batch + "/mail").json();
    }

    private static JsonNode settled(Api api, long batch) {
        Await.until(
                "the mail is sent, or given up",
                () -> !mails(api, batch)
                        .get("mails")
                        .get(0)
                        .get("outcome")
                        .asString()
                        .equals("queued"));
        return mails(api, batch).get("mails").get(0);
    }

    private static long posted(World world) {
        Yard yard = new Yard(world.api("admin"));
        long batch =
                yard.send(List.of(yard.documents("Ready").getFirst().get("id").asLong()));
        yard.awaitFinished(batch);
        return batch;
    }

    @Test
    void itGoesWithItsFilesAndIsRemembered() {
        try (World world = World.inProcess()) {
            Ellery ellery = new Ellery(world);
            Api api = ellery.api();
            long batch = ellery.export(2);
            JsonNode before = mails(api, batch);
            assertThat(before.get("possible").asBoolean()).isTrue();
            assertThat(before.get("subject").asString()).startsWith("{batch} for {ledger}");
            assertThat(before.get("words").get("records").asString()).isEqualTo("2 records");

            Map<String, Object> order = order("books@copperplate.example", "ferro@corvane.example");
            order.put("keep", true);
            Api.Response asked = send(api, batch, order);
            assertThat(asked.status()).as(asked.body()).isEqualTo(200);
            JsonNode sent = settled(api, batch);
            assertThat(sent.get("outcome").asString()).as(sent.toString()).isEqualTo("sent");
            assertThat(sent.get("subject").asString()).isEqualTo("Batch " + batch + " for Copperplate");
            assertThat(sent.get("files")).hasSize(2);

            JsonNode letter = world.standIns().letters().get(0);
            assertThat(letter.get("to").asString()).isEqualTo("books@copperplate.example, ferro@corvane.example");
            assertThat(letter.get("text").asString()).contains("2 records, CA$").contains("sales-B" + batch + ".1.csv");
            assertThat(letter.get("enclosed").findValuesAsString("name"))
                    .containsExactly("sales-B" + batch + ".1.csv", "batch-" + batch + ".pdf");
            assertThat(world.standIns().page("/post/" + letter.get("no").asInt() + "/0"))
                    .as("the very file")
                    .isEqualTo(ellery.file(batch));
            assertThat(world.jdbc()
                            .sql("select detail->>'message' from trail where action = 'mailed'")
                            .query(String.class)
                            .single())
                    .isEqualTo(letter.get("id").asString());
            assertThat(mails(api, batch).get("body").asString())
                    .as("kept for the next one")
                    .isEqualTo("{records}, {gross}. Files: {files}");
            whatIsOddIsRefused(api, batch);
            assertThat(world.standIns().letters()).hasSize(1);
        }
    }

    /// Worded for itself, with what is printed of it.
    @Test
    void whatWasSentInAPeriodIsToldToo() {
        try (World world = World.inProcess()) {
            long batch = posted(world);
            Api api = world.api("admin");
            String day = LocalDate.now().toString();
            String path = "/api/register/mail?route=yard&from=" + day + "&to=" + day;
            assertThat(api.get(path).json().get("subject").asString()).startsWith("Sent to {ledger} from {first day}");
            Map<String, Object> order = order("owner@corvane.example");
            order.put("subject", "{batch}");
            assertThat(api.post(path, order).json().get("sentence").asString())
                    .as("there is no batch in a period")
                    .startsWith("{batch} stands for nothing");
            order.putAll(Map.of("subject", "To {last day}", "body", "{files}", "keep", true));
            assertThat(api.post(path, order).status()).isEqualTo(200);
            Await.until(
                    "the mail is sent",
                    () -> api.get(path)
                            .json()
                            .get("mails")
                            .get(0)
                            .get("outcome")
                            .asString()
                            .equals("sent"));
            JsonNode letter = world.standIns().letters().get(0);
            assertThat(letter.get("enclosed").findValuesAsString("name"))
                    .containsExactly("sent-yard-" + day + "-" + day + ".pdf", "sent-yard-" + day + "-" + day + ".xlsx");
            assertThat(api.get(path).json().get("subject").asString()).isEqualTo("To {last day}");
            assertThat(mails(api, batch).get("subject").asString())
                    .as("a batch is worded as before")
                    .startsWith("{batch} for");
            assertThat(mails(api, batch).get("mails")).isEmpty();
            String turned = "/api/register/mail?route=yard&from=" + day + "&to="
                    + LocalDate.now().minusDays(1);
            assertThat(api.get(turned).status()).isEqualTo(422);
        }
    }

    private static void whatIsOddIsRefused(Api api, long batch) {
        for (String address : List.of(
                "books",
                "Books <books@copperplate.example>",
                "a b@c.example",
                "a@b.example, c@d.example",
                "a@b@c.example")) {
            Api.Response no = send(api, batch, order(address));
            assertThat(no.status()).as(address).isEqualTo(422);
            assertThat(no.json().get("code").asString()).as(address).isEqualTo("address-invalid");
        }
        assertThat(send(api, batch, order("a@b.example\r\nBcc: c@d.example")).status())
                .isIn(400, 422);
        Map<String, Object> twoLines = order("a@b.example");
        twoLines.put("subject", "one\r\nBcc: c@d.example");
        assertThat(send(api, batch, twoLines).status()).isIn(400, 422);
        Map<String, Object> unknown = order("a@b.example");
        unknown.put("body", "Dear {customer}");
        assertThat(send(api, batch, unknown).json().get("sentence").asString())
                .startsWith("{customer} stands for nothing.")
                .contains("{hash total}");
        Map<String, Object> many = order();
        many.put("recipients", Collections.nCopies(21, "a@b.example"));
        assertThat(send(api, batch, many).status()).isIn(400, 422);
        many.put("recipients", List.of());
        assertThat(send(api, batch, many).status()).isIn(400, 422);
    }

    @Test
    void aServerThatIsNotThereIsTriedAFewTimesAndThenItIsSaid() {
        try (World world = World.inProcess(
                "--alcabala.pause=1ms",
                "--alcabala.mail.port=1",
                "--alcabala.mail.domains=corvane.example, copperplate.example")) {
            Api api = world.api("ferro");
            long batch = posted(world);
            assertThat(send(api, batch, order("a@elsewhere.example"))
                            .json()
                            .get("code")
                            .asString())
                    .isEqualTo("address-not-allowed");
            assertThat(send(api, batch, order("a@Corvane.example")).status()).isEqualTo(200);
            JsonNode failed = settled(api, batch);
            assertThat(failed.get("outcome").asString()).isEqualTo("failed");
            assertThat(failed.get("sentence").asString()).startsWith("The mail server did not take it: ");
            assertThat(world.jdbc()
                            .sql("select attempts from mail")
                            .query(Integer.class)
                            .single())
                    .isEqualTo(8);
            assertThat(world.jdbc()
                            .sql("select count(*) from trail where action = 'mail-failed'")
                            .query(Integer.class)
                            .single())
                    .isEqualTo(1);
        }
    }

    @ParameterizedTest
    @CsvSource({"399,true", "400,false", "450,false", "499,false", "500,true", "550,true"})
    void whatIsTurnedAwayForNowIsTriedAgain(int code, boolean forGood) throws AddressException {
        SendFailedException no = new SendFailedException("Invalid Addresses");
        no.setNextException(
                new SMTPAddressFailedException(new InternetAddress("a@b.example"), "RCPT TO", code, "not now"));
        assertThat(Postman.isForGood(no)).isEqualTo(forGood);
    }

    @ParameterizedTest
    @NullSource
    @ValueSource(strings = {"", " "})
    void withoutAHostNothingLeaves(String host) {
        assertThat(new MailServer(host, 25, "from@b.example", "", "", true, "").isThere())
                .isFalse();
        assertThat(new MailServer("mail.b.example", 25, "from@b.example", "", "", true, "").isThere())
                .isTrue();
    }

    @ParameterizedTest
    @CsvSource({
        "'',a@b.example,true",
        "b.example,a@b.example,true",
        "b.example,a@ab.example,false",
        "'c.example, b.example',a@B.example,true"
    })
    void mailGoesWhereItMay(String domains, String address, boolean may) {
        assertThat(new MailServer("host", 25, "from@b.example", "", "", true, domains).mayGoTo(address))
                .isEqualTo(may);
    }
}
