package alcabala.accounting.sync;

import static org.assertj.core.api.Assertions.assertThat;

import alcabala.accounting.field.Half;
import alcabala.accounting.field.MasterField;
import alcabala.accounting.item.ItemField;
import alcabala.accounting.ledger.NameRules;
import alcabala.accounting.party.PartyField;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class ItemSayingTest {
    private static final NameRules TEN = new NameRules(10, ":");

    @ParameterizedTest(name = "{0}, decided {1}: {2} is {3} there")
    @CsvSource({
        "R-1, '', Rope 8 mm, Rope 8 mm",
        "R-1, '', Rope 12 mm, Rope 12 mm",
        "R-1, '', Rope 12 mm., Rope 12 mm",
        "R-1, '', Rope: 8, Rope 8",
        "R-1, '', ':', R-1",
        "R-1, Line, Rope 8 mm, Line",
        "R-1, Line 123456, Rope 8 mm, Line 12345"
    })
    void aNameIsFittedOrTheOneThatWasDecided(String code, String named, String name, String there) {
        assertThat(new ItemSaying(code, named, TEN).said("name", name, Side.LEDGER))
                .contains(there);
    }

    @Test
    void aNameThatWasDecidedIsNoneOfTheSources() {
        assertThat(new ItemSaying("R-1", "Line", TEN).said("name", "Line 2", Side.SOURCE))
                .isEmpty();
        assertThat(new ItemSaying("R-1", "", TEN).said("name", "Line 2", Side.SOURCE))
                .contains("Line 2");
        assertThat(new ItemSaying("R-1", "Line", TEN).said("unit", "C62", Side.SOURCE))
                .contains("C62");
    }

    /// Cut is no change; a person's other name there is one, and cannot go back where the name was decided.
    @Test
    void aCutNameIsTheSameAndADecidedOneStaysWhereItWasChanged() {
        Both<Half> agreed = names("Rope of twelve", "Rope of tw");
        assertThat(verdict(agreed, agreed, "")).isInstanceOf(Verdict.Agreed.class);
        assertThat(verdict(agreed, names("Rope of twelve", "Rope"), "")).isInstanceOf(Verdict.Travels.class);
        assertThat(verdict(names("Rope", "Line"), names("Rope", "Cord"), "Line"))
                .isEqualTo(new Verdict.Drift(Case.LEDGER_TRAVELS, Set.of(Side.LEDGER), Verdict.Why.NOT_WRITABLE));
        assertThat(verdict(names("Rope", "Line"), names("Cord", "Line"), "Line"))
                .isInstanceOf(Verdict.Agreed.class);
    }

    @ParameterizedTest(name = "{0} takes {1}: {2}")
    @CsvSource({
        "NAME, Rope, true",
        "NAME, ' ', false",
        "UNIT, '', true",
        "UNIT, 1234567890123456789012345678901234567890, true",
        "UNIT, 12345678901234567890123456789012345678901, false",
        "KIND, LABOUR, true",
        "KIND, '', true",
        "KIND, labour, false"
    })
    void whatMayBeTyped(ItemField field, String value, boolean takes) {
        assertThat(field.takes(value)).isEqualTo(takes);
    }

    @Test
    void aKindThatASideDoesNotTellIsNoOther() {
        assertThat(ItemField.KIND.isSame("GOODS", null)).isTrue();
        assertThat(ItemField.KIND.isSame("GOODS", "LABOUR")).isFalse();
        assertThat(ItemField.UNIT.isSame("C62", null)).isFalse();
    }

    @Test
    void aPartyNeedsAName() {
        assertThat(PartyField.NAME.takes(" ")).isFalse();
        assertThat(PartyField.PHONE.takes("")).isTrue();
    }

    private static Verdict verdict(Both<Half> agreed, Both<Half> now, String named) {
        List<? extends MasterField> fields = List.of(ItemField.NAME);
        Map<String, Rule> rules = Map.of("name", new Rule(Direction.BOTH, Owner.NOBODY, Policy.ASK));
        MasterFields kind =
                new MasterFields(fields, rules, new Both<>(Map.of(), Map.of()), new ItemSaying("R-1", named, TEN));
        return RecordMerge.merge(now, new Baseline(agreed, Set.of()), kind)
                .fields()
                .get("name");
    }

    private static Both<Half> names(String source, String ledger) {
        return new Both<>(
                Half.builder().text("name", source).build(),
                Half.builder().text("name", ledger).build());
    }
}
