package alcabala.server.send;

import static org.assertj.core.api.Assertions.assertThat;

import alcabala.server.Api;
import alcabala.server.World;
import alcabala.server.Yard;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import tools.jackson.databind.JsonNode;

/// Money between the yard's desk, Alcabala and Inkwell's desk, as the people at each of them see it.
public record YardMoney(World world, Yard yard) {
    public void fetch() {
        Api.Response answer = yard.api().post("/api/pull?route=yard", Map.of());
        assertThat(answer.status()).as(answer.body()).isEqualTo(200);
    }

    /// All payments that are ready, or were changed after they were posted.
    public long send() {
        Api.Response sent = Yard.trySend(yard.api(), Map.of("route", "yard", "payments", true));
        assertThat(sent.status()).as(sent.body()).isEqualTo(200);
        long batch = sent.json().get("id").asLong();
        yard.awaitFinished(batch);
        return batch;
    }

    public JsonNode detail(long id) {
        return yard.api().get("/api/documents/" + id).json();
    }

    public List<String> causes(long id) {
        return yard.api()
                .get("/api/documents/" + id + "/why")
                .json()
                .get("findings")
                .findValuesAsString("cause");
    }

    public String state(String number) {
        return yard.document(number).get("state").asString();
    }

    public String party(JsonNode row) {
        return world.jdbc()
                .sql("select party_code from record where id = :id")
                .param("id", row.get("id").asLong())
                .query(String.class)
                .single();
    }

    /// The payment that the yard recorded last.
    public String newest() {
        return world.jdbc()
                .sql(
                        "select number from record where kind = 'payment-in' and origin = 'source' order by id desc limit 1")
                .query(String.class)
                .single();
    }

    /// The document's page on Hullwork's desk.
    public String desk(JsonNode document) {
        String source = detail(document.get("id").asLong())
                .get("sides")
                .get("sourceDesk")
                .asString();
        return source.substring(source.indexOf("/hullwork"));
    }

    public void pay(JsonNode document, String amount, String means, String more) {
        world.standIns()
                .desk(
                        desk(document) + "/payments",
                        "amount=" + amount + "&date=" + LocalDate.now() + "&means=" + means + "&reference=slip7"
                                + more);
    }

    /// A payment's row on Hullwork's desk, for what is done to it there.
    public static String deskOf(String payment) {
        return "/hullwork/payments/HP-" + payment.substring("HW-P-".length());
    }

    /// What stands under an id on a page of a desk.
    public String shown(String page, String id) {
        Matcher figure = Pattern.compile("id=\"" + id + "\">([^<]*)<")
                .matcher(world.standIns().page(page));
        assertThat(figure.find()).isTrue();
        return figure.group(1);
    }

    public JsonNode there(JsonNode row) {
        return world.standIns().inkwell("/documents/" + row.get("ledgerRef").asString());
    }

    public JsonNode payment(String ref) {
        return world.standIns().inkwell("/payments/" + ref);
    }

    /// The journal of what went last.
    public List<String> lines(long record) {
        return world.jdbc().sql("""
                select account || ' ' || amount from posting_line where posting_id = (
                    select max(posting_id) from posting_record where record_id = :id) order by account""").param("id", record).query(String.class).list();
    }

    /// What was entered on Inkwell under a reference.
    public List<Long> entered(String reference) {
        return world.jdbc()
                .sql("""
                select d.id from record d join record_revision v on v.id = d.revision_id
                where d.origin = 'ledger' and v.content->>'reference' = :reference""")
                .param("reference", reference)
                .query(Long.class)
                .list();
    }

    public void awaitBack() {
        yard.awaitFinished(world.jdbc()
                .sql("select max(id) from batch where origin = 'ledger'")
                .query(Long.class)
                .single());
    }
}
