package alcabala.server.masters;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Instant;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import tools.jackson.databind.JsonNode;

/// Where nobody owns a field, whose change was later wins; and of what is asked about, each side says whose it was.
/// Inkwell
/// tells it of each field, Hullwork of a customer as a whole.
class LaterWinsTest extends PartiesOnBothDesks {
    @BeforeAll
    static void theLaterWins() {
        decide("PARTIES_WINNER", "latest");
    }

    @ParameterizedTest(name = "changed on Inkwell {0} seconds after the yard: {1}")
    @CsvSource({"90, ledger@late.example", "-90, yard@late.example"})
    void theLaterTravelsAndWhatItReplacedIsKept(int after, String wins) {
        bothAgreeOn("C-1003", "IC-1003", "agreed@late.example");
        atYard("C-1003", "email", "yard@late.example");
        onLedger("IC-1003", "email", "ledger@late.example");
        moveOnLedger("C-1003", "IC-1003", after);
        assertThat(run()).contains("1 party changed in " + (after > 0 ? "Hullwork" : "Inkwell"));
        assertThat(here("C-1003", "email")).isEqualTo(wins);
        assertThat(there("IC-1003", "email")).isEqualTo(wins);
        assertThat(trail("party-written", "C-1003")).contains("yard@late.example", "ledger@late.example");
        assertThat(run()).doesNotContain("part");
    }

    /// Clocks differ by some seconds, one that is ahead says what cannot be, and what both changed of a customer as a
    /// whole is told of none of its fields.
    @ParameterizedTest(name = "{0}: {1} seconds")
    @CsvSource({"a moment apart, 30, email", "in the future, 7200, email", "two fields of the yard, -600, phone"})
    void whatNobodyCanTellIsAsked(String what, int after, String other) {
        bothAgreeOn("C-1006", "IC-1006", "agreed@late.example");
        atYard("C-1006", "email", "yard@late.example");
        atYard("C-1006", other, "yard@late.example");
        onLedger("IC-1006", "email", "ledger@late.example");
        moveOnLedger("C-1006", "IC-1006", after);
        assertThat(run()).contains("1 party to be asked about");
        JsonNode held = cause("party:conflict:e-mail").get("masters").get(0);
        assertThat(held.get("sentence").asString())
                .isEqualTo("Both sides changed it, and nobody can tell which was later.");
        JsonNode mail = field(held, "e-mail");
        assertThat(mail.get("sourceChanged").get("by").asString()).isEqualTo("N. Cleat");
        assertThat(mail.get("ledgerChanged").get("by").asString()).isEqualTo("J. Quire");
        assertThat(answer("e-mail", "SOURCE", "", held).get("left").asInt()).isZero();
    }

    /// What we wrote ourselves is nobody’s later change.
    @Test
    void ourOwnWriteIsNoLaterChange() {
        bothAgreeOn("C-1011", "IC-1011", "agreed@late.example");
        world.standIns()
                .write("update hullwork_touched set program = true, by = 'the key of hullwork' where code = 'C-1011'");
        world.standIns()
                .write("update hullwork_record set body = jsonb_set(body, '{email}', '\"by@us.example\"'),"
                        + " seq = nextval('hullwork_seq') where type = 'customer' and id = 'C-1011'");
        onLedger("IC-1011", "email", "ledger@late.example");
        moveOnLedger("C-1011", "IC-1011", -600);
        assertThat(run()).contains("1 party to be asked about");
        JsonNode held = cause("party:conflict:e-mail").get("masters").get(0);
        assertThat(field(held, "e-mail").has("sourceChanged")).isFalse();
        assertThat(answer("e-mail", "LEDGER", "", held).get("left").asInt()).isZero();
    }

    /// A hundred can be asked about at once, and a side refuses more: the last of them is told of all the same.
    @ParameterizedTest
    @ValueSource(ints = {100, 101})
    void ofAllThatAreAskedAboutItIsToldWhoChangedThem(int count) {
        decide("ITEMS", "both");
        itemsOnBothSides(count);
        assertThat(run()).contains(count + " items to be asked about");
        JsonNode items = cause("item:conflict:name").get("masters");
        assertThat(items.valueStream())
                .hasSize(count)
                .allSatisfy(held -> assertThat(field(held, "name")
                                .path("ledgerChanged")
                                .path("by")
                                .asString(""))
                        .isEqualTo("J. Quire"));
        world.jdbc().sql("delete from master_link where code like 'ZZ-%'").update();
        world.jdbc().sql("delete from source_item where code like 'ZZ-%'").update();
        world.jdbc().sql("delete from ledger_item where code like 'ZZ-%'").update();
        world.standIns().write("delete from inkwell_saltmere.inkwell_touched where code like 'ZZ-%'");
        decide("ITEMS", "none");
    }

    /// Each named otherwise, and changed on the ledger as it says.
    private static void itemsOnBothSides(int count) {
        String codes = "generate_series(1, %d) i".formatted(count);
        world.jdbc().sql("""
                insert into source_item (source_id, code, name, category, kind, item_kind, unit)
                select r.source_id, 'ZZ-' || i, 'Yard ' || i, 'chandlery', 'GOODS', 'GOODS', 'C62'
                from route r, %s where r.code = 'yard'""".formatted(codes)).update();
        world.jdbc().sql("""
                insert into ledger_item (ledger_id, code, name, account, kind, unit, tax_code, told, active)
                select r.ledger_id, 'ZZ-' || i, 'Books ' || i, '4010', 'GOODS', 'C62', '', true, true
                from route r, %s where r.code = 'yard'""".formatted(codes)).update();
        world.standIns().write("""
                insert into inkwell_saltmere.inkwell_touched (type, code, field, at, by, program)
                select 'item', 'ZZ-' || i, 'name', now(), 'J. Quire', false from %s""".formatted(codes));
    }

    /// Without its answer nothing is decided; what another rule would do is said beforehand, by what was told last.
    @Test
    void asLongAsASideDoesNotSayWhenNothingIsDecided() {
        decide("PARTIES_WINNER", "ask");
        bothAgreeOn("C-1002", "IC-1002", "agreed@late.example");
        atYard("C-1002", "email", "yard@late.example");
        onLedger("IC-1002", "email", "ledger@late.example");
        moveOnLedger("C-1002", "IC-1002", 90);
        assertThat(run()).contains("1 party to be asked about");
        JsonNode would = ferro.get(
                        "/api/settings/crossing/masters?route=yard&kind=PARTIES&change=PARTIES_WINNER%20latest")
                .json();
        assertThat(would.get("now").get("conflicts").asInt()).isOne();
        assertThat(would.get("would").get("conflicts").asInt()).isZero();
        assertThat(would.get("would").get("overwritten").asInt()).isOne();

        decide("PARTIES_WINNER", "latest");
        world.standIns().write("alter table hullwork_touched rename to hullwork_touched_before");
        assertThat(run()).doesNotContain("changed in");
        world.standIns().write("alter table hullwork_touched_before rename to hullwork_touched");
        assertThat(run()).contains("1 party changed in Hullwork");
        assertThat(here("C-1002", "email")).isEqualTo("ledger@late.example");
    }

    private static void bothAgreeOn(String code, String id, String mail) {
        atYard(code, "email", mail);
        atYard(code, "phone", "1");
        onLedger(id, "email", mail);
        onLedger(id, "phone", "1");
        run();
        assertThat(asked(code)).isEmpty();
    }

    /// As if it had been changed at the yard an hour ago, and on the ledger so many seconds after that.
    private static void moveOnLedger(String code, String id, int seconds) {
        Instant yard = Instant.now().minusSeconds(3600);
        String move = "update %s set at = '%s' where code = '%s'";
        world.standIns().write(move.formatted("hullwork_touched", yard, code));
        world.standIns().write(move.formatted("inkwell_saltmere.inkwell_touched", yard.plusSeconds(seconds), id));
    }
}
