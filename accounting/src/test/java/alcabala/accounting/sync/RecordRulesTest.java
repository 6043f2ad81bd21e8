package alcabala.accounting.sync;

import static org.assertj.core.api.Assertions.assertThat;

import alcabala.accounting.field.Half;
import alcabala.accounting.record.RecordKind;
import alcabala.accounting.setting.Carried;
import alcabala.accounting.setting.RouteSettings;
import alcabala.accounting.setting.Topic;
import java.util.SortedSet;
import java.util.TreeSet;
import java.util.function.Function;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class RecordRulesTest {
    private static RouteSettings decided(String winner, String owner) {
        return RouteSettings.STANDARD
                .with(Topic.WINNER, Carried.INVOICES, winner)
                .with(Topic.OWNER_OF_LINES, Carried.INVOICES, owner);
    }

    @ParameterizedTest(name = "{2}: lines are {1}, else {0}")
    @CsvSource({
        "ask, source, line 3, SOURCE",
        "ask, source, summed line 1, SOURCE",
        "ask, source, gross, SOURCE",
        "ask, source, tax, SOURCE",
        "ask, source, due-date, NOBODY",
        "ask, nobody, line 3, NOBODY",
        "source, ledger, line 3, LEDGER",
        "source, ledger, due-date, SOURCE",
        "source, ledger, standing, SOURCE",
        "ledger, source, line 3, SOURCE",
        "ledger, nobody, party, LEDGER"
    })
    void whatWasChangedThereIsItsOwnersAndElseWhoWins(String winner, String owner, String field, Owner stands) {
        RouteSettings decided = decided(winner, owner);
        assertThat(RecordRules.stands(decided, RecordKind.INVOICE, field)).isEqualTo(stands);
        assertThat(RecordRules.stands(decided, RecordKind.BILL, field))
                .as("each kind is decided for itself")
                .isEqualTo(Owner.NOBODY);
        assertThat(RecordRules.stands(decided, RecordKind.PAYMENT_IN, field)).isEqualTo(Owner.NOBODY);
    }

    @Test
    void aKindHasOwnersOnceOneFieldHas() {
        assertThat(decided("source", "nobody").hasOwners(RecordKind.INVOICE)).isFalse();
        assertThat(decided("ask", "ledger").hasOwners(RecordKind.INVOICE)).isTrue();
        assertThat(decided("ask", "ledger").hasOwners(RecordKind.CREDIT_NOTE)).isFalse();
        assertThat(decided("ask", "ledger").hasOwners(RecordKind.PAYMENT_IN)).isFalse();
    }

    /// Due dates are the ledger's, lines the source's; of the rest a person is asked.
    @Test
    void whatIsTheSourcesGoesWhatIsTheLedgersStaysAndTheRestIsAsked() {
        Kept kept = new Kept(
                names("due-date", "issue-date", "line 1", "line 2"),
                names("due-date", "issue-date", "line 1"),
                names("line 3", "party"),
                names(),
                false);
        Function<String, Owner> stands =
                field -> Half.isLine(field) ? Owner.SOURCE : field.equals(Half.DUE_DATE) ? Owner.LEDGER : Owner.NOBODY;
        assertThat(kept.ruled(stands))
                .isEqualTo(new Kept(
                        names("due-date", "issue-date", "line 2"),
                        names("due-date", "issue-date"),
                        names("party"),
                        names(),
                        false));
        assertThat(kept.ruled(field -> Owner.LEDGER))
                .as("all that was changed there")
                .isEqualTo(new Kept(
                        names("due-date", "issue-date", "line 1", "line 2", "line 3", "party"),
                        names("due-date", "issue-date", "line 1", "line 3", "party"),
                        names(),
                        names(),
                        false));
    }

    private static SortedSet<String> names(String... names) {
        return Stream.of(names).collect(Collectors.toCollection(TreeSet::new));
    }
}
