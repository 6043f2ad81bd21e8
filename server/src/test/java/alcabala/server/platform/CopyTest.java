package alcabala.server.platform;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import alcabala.server.World;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.dao.DataAccessResourceFailureException;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.jdbc.datasource.SingleConnectionDataSource;

/// What is copied into a table is what is read from it.
class CopyTest {
    private static final String[] ODD = {
        "\\", "\t", "\n", "\r", "\"", "'", "\\N", "\\.", "ü", "λ", "\uD83D\uDEA4", "a", " ", ",", "{", "}", "\u007f"
    };
    private SingleConnectionDataSource database;
    private JdbcClient jdbc;

    @BeforeEach
    void connect() {
        database = new SingleConnectionDataSource(World.url("postgres"), "postgres", World.password(), true);
        jdbc = JdbcClient.create(database);
        jdbc.sql("create temp table copied (no int primary key, said text, bytes bytea, words text[])")
                .update();
        jdbc.sql("create temp table noted (no int not null)").update();
    }

    @AfterEach
    void leave() {
        database.destroy();
    }

    @Test
    void whateverATextAndBytesHold() {
        Random random = new Random(20417);
        Copy copy = new Copy();
        List<String> texts = random.ints(500, 0, 12)
                .mapToObj(length -> random.ints(length, 0, ODD.length)
                        .mapToObj(place -> ODD[place])
                        .reduce("", String::concat))
                .toList();
        for (int i = 0; i < texts.size(); i++) {
            String text = texts.get(i);
            copy.value(i)
                    .value(text)
                    .value(text.getBytes(StandardCharsets.UTF_8))
                    .value(Copy.array(List.of(text, "x")))
                    .endRow();
        }
        copy.value(500).value(null).value(null).value(null).endRow();
        copy.value(501)
                .value("not\0kept")
                .value(new byte[] {0, 127, -128, -1})
                .value("{}")
                .endRow();
        copy.send(database, "copied (no, said, bytes, words)");
        assertThat(jdbc.sql("select said from copied where no < 500 order by no")
                        .query(String.class)
                        .list())
                .isEqualTo(texts);
        assertThat(jdbc.sql(
                                "select count(*) from copied where bytes = convert_to(said, 'UTF8') and words = array[said, 'x']")
                        .query(Integer.class)
                        .single())
                .isEqualTo(500);
        assertThat(jdbc.sql(
                                "select count(*) from copied where no = 500 and said is null and bytes is null and words is null")
                        .query(Integer.class)
                        .single())
                .isOne();
        assertThat(jdbc.sql("select said || ' ' || encode(bytes, 'hex') from copied where no = 501")
                        .query(String.class)
                        .single())
                .isEqualTo("notkept 007f80ff");
    }

    @Test
    void tablesAreSentInTurnAndTheFirstFailureIsTold() {
        try (CopyAhead ahead = CopyAhead.on(database)) {
            ahead.send(
                    new Copy().value(1).value("a").value(null).value(null).endRow(), "copied (no, said, bytes, words)");
            ahead.send(new Copy(), "noted (no)");
            ahead.send(new Copy().value(1).endRow(), "noted (no)");
        }
        assertThat(jdbc.sql("select (select count(*) from copied) + (select count(*) from noted)")
                        .query(Integer.class)
                        .single())
                .isEqualTo(2);
        CopyAhead ahead = CopyAhead.on(database);
        ahead.send(
                new Copy().value(1).value("again").value(null).value(null).endRow(), "copied (no, said, bytes, words)");
        assertThatThrownBy(ahead::close)
                .isInstanceOf(DataAccessResourceFailureException.class)
                .hasMessageContaining("copying into copied");
    }
}
