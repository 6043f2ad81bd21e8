package standins.touched;

import java.sql.Timestamp;
import java.time.Instant;
import java.util.Collection;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.springframework.jdbc.core.simple.JdbcClient;
import standins.Refusal;

/// When and by whom each field of the records of a system was last changed.
public final class Touches {
    private static final int MOST = 100;
    private final JdbcClient jdbc;
    private final String table;

    /// @param field empty for the record as a whole
    /// @param self whether it was the program that asks
    public record Touch(String code, String field, Instant at, String by, boolean self) {}

    /// @param table in which they are kept
    public Touches(JdbcClient jdbc, String table) {
        this.jdbc = jdbc;
        this.table = table;
    }

    /// What one of several is kept as.
    public static String type(Map<String, String> types, String records) {
        return Optional.ofNullable(types.get(records)).orElseThrow(() -> Refusal.notFound(records));
    }

    public void note(String type, String code, Collection<String> fields, Instant at, Hand hand) {
        for (String field : fields) {
            jdbc.sql("insert into " + table + """
                     (type, code, field, at, by, program) values (:type, :code, :field, :at, :by, :program)
                    on conflict (type, code, field) do update set at = excluded.at, by = excluded.by, program = excluded.program""")
                    .param("type", type)
                    .param("code", code)
                    .param("field", field)
                    .param("at", Timestamp.from(at))
                    .param("by", hand.by())
                    .param("program", hand.program())
                    .update();
        }
    }

    /// Of these, a hundred at most, as far as anybody touched them.
    public List<Touch> of(String type, List<String> codes, Hand asks) {
        if (codes.size() > MOST) {
            throw Refusal.unprocessable("too-many", "More than " + MOST + " cannot be asked about at once.");
        }
        return jdbc.sql("select code, field, at, by, program from " + table
                        + " where type = :type and code = any(:codes) order by code, field")
                .param("type", type)
                .param("codes", codes.toArray(String[]::new))
                .query((row, n) -> new Touch(
                        row.getString("code"),
                        row.getString("field"),
                        row.getTimestamp("at").toInstant(),
                        row.getString("by"),
                        row.getBoolean("program")
                                && asks.program()
                                && row.getString("by").equals(asks.by())))
                .list();
    }
}
