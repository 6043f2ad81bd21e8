package alcabala.server.trail;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import alcabala.server.Api;
import alcabala.server.Await;
import alcabala.server.World;
import java.sql.Connection;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import org.springframework.dao.DataAccessException;
import tools.jackson.databind.JsonNode;

/// Who did what: complete, by people who stay the same under another name, and not to be changed unseen.
class TrailTest {
    private static World world;

    @BeforeAll
    static void start() {
        world = World.inProcess();
    }

    @AfterAll
    static void stop() {
        world.close();
    }

    @Test
    void itHoldsSignInsFailuresAndWhatAdministratorsDoAndNamesPeopleById() {
        new Api(world.address()).signIn("ferro", "a wrong guess");
        world.api("ferro").delete("/api/session");
        Api admin = world.api("admin");
        admin.put("/api/people/slip/password", Map.of("password", "slip-corvane"));
        List<JsonNode> entries = admin.get("/api/trail").json().valueStream().toList();
        assertThat(entries)
                .extracting(entry -> entry.get("action").asString())
                .contains("sign-in-failed", "signed-in", "signed-out", "password-set");
        assertThat(entries)
                .filteredOn(entry -> entry.get("action").asString().equals("password-set"))
                .allSatisfy(entry -> assertThat(entry.get("signIn").asString()).isEqualTo("admin"));
        long person = world.jdbc()
                .sql("select person_id from trail where action = 'password-set' order by id desc limit 1")
                .query(Long.class)
                .single();
        assertThat(world.jdbc()
                        .sql("select sign_in from person where id = " + person)
                        .query(String.class)
                        .single())
                .isEqualTo("admin");
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "update trail set who = 'nobody'",
                "delete from trail",
                "truncate trail",
                "alter table trail disable trigger all",
                "drop table trail",
                "update trail_block set hash = ''",
                "delete from trail_block",
                "create table mine (a int)"
            })
    void theServersOwnRoleCanOnlyAddToIt(String sql) {
        assertThatThrownBy(() -> world.serverJdbc().sql(sql).update()).isInstanceOf(DataAccessException.class);
    }

    @Test
    void evenTheOwnerIsStoppedByMistakeAndFoundOutOnPurpose() {
        sealAll();
        assertThatThrownBy(() -> world.jdbc().sql("truncate trail").update()).hasMessageContaining("append");
        for (String tampering : List.of(
                "update trail set who = 'nobody' where id = 2",
                "delete from trail where id = 2",
                "delete from trail where id = 3; insert into trail overriding system value select 3, at, who, route_id, record_id, action, detail, person_id from trail where id = 1")) {
            assertThat(checkAfter(tampering)).as(tampering).isFalse();
        }
        assertThat(check(world.api("ferro")).get("ok").asBoolean()).isTrue();
    }

    @Test
    void aChainThatWasWrittenAnewIsFoundByAnAnchorKeptElsewhere() {
        sealAll();
        JsonNode anchor = world.api("voss").get("/api/trail/anchor").json();
        String asked = "select ok from trail_check(%d, '%s')"
                .formatted(anchor.get("block").asLong(), anchor.get("hash").asString());
        assertThat(world.jdbc().sql(asked).query(Boolean.class).single()).isTrue();
        assertThat(inRolledBack("""
                alter table trail disable trigger all; alter table trail_block disable trigger all;
                update trail set who = 'nobody' where id = 2;
                do $$ declare b trail_block; before bytea := ''; begin
                    for b in select * from trail_block order by id loop
                        before := trail_block_hash(before, b.from_id, b.to_id);
                        update trail_block set hash = before where id = b.id;
                    end loop;
                end $$;
                """, "select ok from trail_check()", asked)).containsExactly(true, false);
    }

    @Test
    void readinessSaysThatTheTrailIsBroken() {
        world.jdbc()
                .sql(
                        "delete from trail_checked; insert into trail_checked values (now(), false, 'an entry was changed')")
                .update();
        JsonNode trail = world.api("ferro")
                .get("/api/readiness?route=yard")
                .json()
                .get("checks")
                .valueStream()
                .filter(each -> each.get("check").asString().equals("TRAIL"))
                .findFirst()
                .orElseThrow();
        assertThat(trail.get("verdict").asString()).isEqualTo("BLOCKS");
        assertThat(trail.get("found").asString()).contains("an entry was changed");
        check(world.api("ferro"));
    }

    /// Whether the chain holds after this, which is then taken back.
    private static boolean checkAfter(String tampering) {
        return inRolledBack("alter table trail disable trigger all; " + tampering + ";", "select ok from trail_check()")
                .getFirst();
    }

    private static List<Boolean> inRolledBack(String change, String... questions) {
        try (Connection connection = world.superuser();
                Statement statement = connection.createStatement()) {
            connection.setAutoCommit(false);
            statement.execute(change);
            List<Boolean> answers = new ArrayList<>();
            for (String question : questions) {
                try (ResultSet row = statement.executeQuery(question)) {
                    row.next();
                    answers.add(row.getBoolean(1));
                }
            }
            connection.rollback();
            return answers;
        } catch (SQLException e) {
            throw new IllegalStateException(change, e);
        }
    }

    private static JsonNode check(Api api) {
        return api.post("/api/trail/check", Map.of()).json();
    }

    private static void sealAll() {
        Await.until(
                "all is sealed",
                () -> world.jdbc()
                        .sql("select coalesce((select max(to_id) from trail_block), 0) >= (select max(id) from trail)")
                        .query(Boolean.class)
                        .single());
    }
}
