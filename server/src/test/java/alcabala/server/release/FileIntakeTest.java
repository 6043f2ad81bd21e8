package alcabala.server.release;

import static org.assertj.core.api.Assertions.assertThat;

import alcabala.server.Api;
import alcabala.server.World;
import java.nio.charset.StandardCharsets;
import java.util.LinkedHashMap;
import java.util.Map;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

class FileIntakeTest {
    private static World world;
    private static Api ferro;

    @BeforeAll
    static void start() {
        world = World.inProcess();
        String token = world.api("ferro")
                .post("/api/session/tokens", Map.of())
                .json()
                .get("token")
                .asString();
        ferro = new Api(world.address()).withToken(token);
    }

    @AfterAll
    static void stop() {
        world.close();
    }

    @Test
    void aDryRunSaysEverythingAndStoresNothing() {
        JsonNode answer =
                ferro.xml("/api/intake?dryRun=true", file("CB-7101", "1034.24")).json();
        JsonNode document = answer.get("documents").get(0);
        assertThat(document.get("number").asString()).isEqualTo("CB-7101");
        assertThat(document.get("kind").asString()).isEqualTo("invoice");
        assertThat(document.get("net").asString()).isEqualTo("905.72");
        assertThat(document.get("tax").asString()).isEqualTo("128.52");
        assertThat(document.get("gross").asString()).isEqualTo("1034.24");
        assertThat(document.get("journal").toString())
                .isEqualTo("[{\"account\":\"1110\",\"debit\":\"1034.24\",\"credit\":\"0.00\"},"
                        + "{\"account\":\"4040\",\"debit\":\"0.00\",\"credit\":\"905.72\"},"
                        + "{\"account\":\"2200\",\"debit\":\"0.00\",\"credit\":\"128.52\"}]");
        assertThat(count("CB-7101")).isZero();
    }

    @Test
    void theSameFileTwiceIsSaidAndStoredOnce() {
        byte[] file = file("CB-7102", "1034.24");
        assertThat(ferro.xml("/api/intake?route=harbour", file)
                        .json()
                        .get("problems")
                        .isEmpty())
                .isTrue();
        JsonNode again = ferro.xml("/api/intake", file).json();
        assertThat(again.get("problems").get(0).get("code").asString()).isEqualTo("same-file");
        assertThat(count("CB-7102")).isEqualTo(1);
        assertThat(world.jdbc()
                        .sql(
                                "select encode(v.raw, 'escape') from record d join record_revision v on v.id = d.revision_id where d.number = 'CB-7102'")
                        .query(String.class)
                        .single())
                .as("kept as it came")
                .isEqualTo(new String(file, StandardCharsets.UTF_8));
    }

    @Test
    void wrongArithmeticIsTakenInWithBothFiguresAndACorrectedFileReplacesIt() {
        JsonNode taken = ferro.xml("/api/intake", file("CB-7103", "1044.24")).json();
        JsonNode finding = taken.get("documents").get(0).get("findings").get(0);
        assertThat(finding.get("severity").asString()).isEqualTo("blocks");
        assertThat(finding.get("sentence").asString()).contains("€1,044.24", "€1,034.24");
        assertThat(state("CB-7103")).isEqualTo("Blocked");
        ferro.xml("/api/intake", file("CB-7103", "1034.24"));
        assertThat(count("CB-7103")).isEqualTo(1);
        assertThat(state("CB-7103")).isEqualTo("Ready");
    }

    @Test
    void severalFilesAtOnceGoodAndBad() {
        Map<String, byte[]> files = new LinkedHashMap<>();
        String good = text("CB-7104", "1034.24");
        files.put("good.xml", good.getBytes(StandardCharsets.UTF_8));
        files.put("twin.xml", good.getBytes(StandardCharsets.UTF_8));
        files.put("cut.xml", good.substring(0, good.length() / 2).getBytes(StandardCharsets.UTF_8));
        files.put(
                "sly.xml",
                ("<!DOCTYPE x [<!ENTITY e SYSTEM \"file:///etc/passwd\">]>" + good.substring(good.indexOf("<Invoice")))
                        .getBytes(StandardCharsets.UTF_8));
        files.put("list.csv", "a;b;c".getBytes(StandardCharsets.UTF_8));
        JsonNode answer = ferro.multipart("/api/intake?route=harbour", files).json();
        assertThat(answer.get("problems").findValuesAsString("code"))
                .containsExactly("same-file", "truncated", "doctype", "not-xml");
        assertThat(answer.get("problems").get(1).get("where").asString()).startsWith("cut.xml, line ");
        assertThat(answer.toString()).doesNotContain("root:");
        assertThat(count("CB-7104")).isEqualTo(1);
    }

    @Test
    void whoseDocumentItIsDecidesWhatItIs() {
        String sale = text("TW-1", "1034.24");
        String bill = sale.replace("IE6388047V", "IE0000001X").replace("IE2018830C", "IE6388047V");
        JsonNode taken = ferro.xml("/api/intake", bill.getBytes(StandardCharsets.UTF_8))
                .json()
                .get("documents")
                .get(0);
        assertThat(taken.get("kind").asString()).isEqualTo("bill");
        assertThat(taken.get("journal").isEmpty()).isTrue();
        assertThat(taken.get("findings").findValuesAsString("cause")).containsExactly("does-not-cross:bill");
        assertThat(state("TW-1")).isEqualTo("Blocked");

        String strangers = text("TW-2", "1034.24")
                .replace("IE6388047V", "IE0000001X")
                .replace("Corvane Boatyards", "Someone Else");
        JsonNode other = ferro.xml("/api/intake?dryRun=true", strangers.getBytes(StandardCharsets.UTF_8))
                .json()
                .get("documents")
                .get(0);
        assertThat(other.get("kind").asString()).isEqualTo("invoice");
        assertThat(other.get("findings").findValuesAsString("cause")).containsExactly("not-a-party:IE0000001X");
        assertThat(other.get("journal").isEmpty()).isTrue();
    }

    @Test
    void aFileOverTwentyMegabytesIsAProblemAndARouteThatTakesNoFilesIsToldSo() {
        byte[] large = new byte[20 * 1024 * 1024 + 1];
        java.util.Arrays.fill(large, (byte) ' ');
        assertThat(ferro.xml("/api/intake", large)
                        .json()
                        .get("problems")
                        .get(0)
                        .get("code")
                        .asString())
                .isEqualTo("too-large");
        assertThat(ferro.xml("/api/intake?route=yard", new byte[] {1})
                        .json()
                        .get("code")
                        .asString())
                .isEqualTo("route-not-for-files");
        assertThat(ferro.xml("/api/intake?route=nowhere", new byte[] {1}).status())
                .isEqualTo(404);
    }

    private static int count(String number) {
        return world.jdbc()
                .sql("select count(*) from record where number = :number")
                .param("number", number)
                .query(Integer.class)
                .single();
    }

    private static String state(String number) {
        return world.jdbc()
                .sql("select state from record where number = :number")
                .param("number", number)
                .query(String.class)
                .single();
    }

    private static byte[] file(String number, String gross) {
        return text(number, gross).getBytes(StandardCharsets.UTF_8);
    }

    private static String text(String number, String gross) {
        try (var in = FileIntakeTest.class.getResourceAsStream("/demo/CB-7001.xml")) {
            return new String(in.readAllBytes(), StandardCharsets.UTF_8)
                    .replace("CB-7001", number)
                    .replace("1034.24", gross)
                    .replace("{issued}", "2026-11-02")
                    .replace("{due}", "2026-12-02");
        } catch (java.io.IOException e) {
            throw new java.io.UncheckedIOException(e);
        }
    }
}
