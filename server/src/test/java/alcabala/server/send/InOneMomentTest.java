package alcabala.server.send;

import static org.assertj.core.api.Assertions.assertThat;

import alcabala.connectors.ledger.LedgerRecord;
import alcabala.server.Await;
import alcabala.server.crossing.LedgerNews;
import alcabala.server.route.Routes;
import java.time.LocalDate;
import java.util.List;
import java.util.concurrent.CompletableFuture;
import org.junit.jupiter.api.Test;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.transaction.support.TransactionTemplate;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ObjectNode;

/// What the ledger tells of a document, in the very moment in which a change of ours that was on its way comes back.
class InOneMomentTest extends OnBothSides {
    private static final String COMES_BACK = "update record set outcome = 'posted' where id = :id";

    /// The feed tells of it while what came of the change is being noted.
    ///
    /// @param noted what is noted of it
    private static void tell(Posted posted, LocalDate due, List<String> noted) {
        JdbcClient jdbc = world.bean(JdbcClient.class);
        jdbc.sql("update record set outcome = 'sending' where id = :id")
                .param("id", posted.id())
                .update();
        CompletableFuture<Void> told = world.bean(TransactionTemplate.class).execute(status -> {
            jdbc.sql("select id from record where id = :id for update")
                    .param("id", posted.id())
                    .query(Long.class)
                    .single();
            CompletableFuture<Void> telling = CompletableFuture.runAsync(() -> look(there(posted, due)));
            Await.until("the feed waits for what is noted", InOneMomentTest::somebodyWaits);
            noted.forEach(change -> jdbc.sql(change)
                    .param("id", posted.id())
                    .param("due", due.toString())
                    .update());
            return telling;
        });
        told.join();
    }

    private static boolean somebodyWaits() {
        return world.jdbc().sql("""
                        select count(*) from pg_stat_activity
                        where datname = current_database() and wait_event_type = 'Lock'""").query(Integer.class).single() > 0;
    }

    private static void look(LedgerRecord there) {
        world.bean(LedgerNews.class).look(world.bean(Routes.class).get("yard"), List.of(there), List.of(), "M. Ferro");
    }

    private static LedgerRecord there(Posted posted, LocalDate due) {
        JsonMapper json = world.bean(JsonMapper.class);
        ObjectNode now = (ObjectNode) json.readTree(world.jdbc()
                .sql("select ledger_now::text from link where record_id = :id")
                .param("id", posted.id())
                .query(String.class)
                .single());
        now.put("due", due.toString()).put("version", now.get("version").asInt() + 1);
        return json.treeToValue(now, LedgerRecord.class);
    }

    private static LocalDate later(Posted posted) {
        return LocalDate.parse(onLedger(posted).get("due").asString()).plusDays(5);
    }

    @Test
    void ourOwnWriteIsNobodysEdit() {
        Posted posted = post();
        tell(posted, later(posted), List.of(COMES_BACK, """
                        update link set ledger_half = jsonb_set(ledger_half, '{due-date}', to_jsonb(cast(:due as text)))
                        where record_id = :id"""));
        assertThat(state(posted)).isEqualTo("Posted");
        assertThat(told(posted, "edited-on-ledger", "changed")).isEmpty();
    }

    @Test
    void anEditIsOneOnceTheChangeDidNotGetThere() {
        Posted posted = post();
        LocalDate due = later(posted);
        tell(posted, due, List.of(COMES_BACK));
        assertThat(state(posted)).isEqualTo("Diverged");
        assertThat(told(posted, "edited-on-ledger", "changed")).containsExactly("{\"due-date\":\"" + due + "\"}");
    }
}
