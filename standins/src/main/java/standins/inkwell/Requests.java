package standins.inkwell;

import java.util.Map;
import java.util.Optional;
import java.util.function.Supplier;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import tools.jackson.databind.json.JsonMapper;

/// Honours Idempotency-Key: work and its answer are kept in one transaction, and the same key gets the same answer
/// again.
@Component
class Requests {
    private final JdbcClient jdbc;
    private final JsonMapper json;

    record Kept(int status, String body) {}

    Requests(JdbcClient jdbc, JsonMapper json) {
        this.jdbc = jdbc;
        this.json = json;
    }

    /// A request under a key that is being worked on waits for the other to end. A refusal keeps nothing.
    @Transactional
    public ResponseEntity<String> once(String key, Supplier<?> work) {
        if (key == null) {
            return answer(new Kept(201, json.writeValueAsString(work.get())));
        }
        jdbc.sql("select pg_advisory_xact_lock(hashtextextended(:key, 0))")
                .param("key", key)
                .query()
                .singleRow();
        Optional<Kept> kept = find(key);
        if (kept.isPresent()) {
            return answer(kept.get());
        }
        Kept fresh = new Kept(201, json.writeValueAsString(work.get()));
        jdbc.sql("insert into inkwell_request (key, status, body) values (:key, :status, :body)")
                .params(Map.of("key", key, "status", fresh.status(), "body", fresh.body()))
                .update();
        return answer(fresh);
    }

    Optional<Kept> find(String key) {
        return jdbc.sql("select status, body from inkwell_request where key = :key")
                .param("key", key)
                .query(Kept.class)
                .optional();
    }

    static ResponseEntity<String> answer(Kept kept) {
        return ResponseEntity.status(kept.status())
                .contentType(MediaType.APPLICATION_JSON)
                .body(kept.body());
    }
}
