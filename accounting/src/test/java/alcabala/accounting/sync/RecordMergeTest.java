package alcabala.accounting.sync;

import static org.assertj.core.api.Assertions.assertThat;

import alcabala.accounting.field.Half;
import java.math.BigDecimal;
import java.util.Optional;
import java.util.Set;
import org.junit.jupiter.api.Test;

class RecordMergeTest {
    private static Half half(String party, String gross, String line) {
        return Half.builder()
                .text(Half.PARTY, party)
                .number(Half.GROSS, new BigDecimal(gross))
                .line(1, "4010", "S", new BigDecimal(line))
                .build();
    }

    private static RecordMerge.Merged merge(Half source, Half ledger) {
        Half was = half("P-1", "10", "10");
        return RecordMerge.merge(new Both<>(source, ledger), new Baseline(new Both<>(was, was), Set.of()), new Alike());
    }

    @Test
    void whatTravelsIsWrittenAndTheRestIsLeft() {
        RecordMerge.Merged merged = merge(half("P-2", "10", "10"), half("P-1", "12", "12"));
        assertThat(merged.writes().ledger()).isEqualTo(java.util.Map.of(Half.PARTY, Optional.of("P-2")));
        assertThat(merged.writes().source())
                .as("and no total by itself")
                .isEqualTo(java.util.Map.of("line 1", Optional.of("4010 S 12")));
        assertThat(merged.baseline().of(Half.PARTY)).as("until it is answered").isEqualTo(new Both<>("P-1", "P-1"));
        assertThat(merged.isQuiet()).isFalse();
        assertThat(merge(half("P-1", "10", "10"), half("P-1", "10.00", "10")).isQuiet())
                .isTrue();
    }

    @Test
    void aTotalThatChangesByItselfIsDrift() {
        Verdict verdict =
                merge(half("P-1", "10", "10"), half("P-1", "11", "10")).fields().get(Half.GROSS);
        assertThat(verdict).isEqualTo(new Verdict.Drift(Case.DIRECTION_NONE, Set.of(Side.LEDGER), Verdict.Why.TOTAL));
        assertThat(merge(half("P-1", "11", "10"), half("P-1", "11", "10")).isQuiet())
                .as("on both sides alike")
                .isTrue();
    }

    /// Nothing is there is a value: what was emptied travels as such.
    @Test
    void anEmptiedFieldIsEmptiedThere() {
        RecordMerge.Merged merged = merge(half("", "10", "10"), half("P-1", "10", "10"));
        assertThat(merged.writes().ledger()).isEqualTo(java.util.Map.of(Half.PARTY, Optional.empty()));
        assertThat(merged.baseline().with(Half.PARTY, new Both<>(null, null)).of(Half.PARTY))
                .isEqualTo(new Both<>(null, null));
    }

    /// Nothing was ever agreed: what only one side has is filled there, and what differs is asked.
    @Test
    void twoThatHaveJustBeenLinkedAreAskedUntilTheyAgree() {
        Both<Half> now = new Both<>(half("P-1", "10", "10"), half("", "10", "12"));
        RecordMerge.Merged first = RecordMerge.merge(now, Baseline.none(now), new Alike());
        assertThat(first.writes().ledger()).isEqualTo(java.util.Map.of(Half.PARTY, Optional.of("P-1")));
        assertThat(first.fields().get(Half.PARTY).by()).isEqualTo(Case.SOURCE_TRAVELS);
        assertThat(first.fields().get("line 1")).isInstanceOf(Verdict.Conflict.class);
        assertThat(first.baseline().isSettled("line 1")).isFalse();
        RecordMerge.Merged again = RecordMerge.merge(now, first.baseline(), new Alike());
        assertThat(again.fields())
                .as("it is no less a conflict for having been seen")
                .isEqualTo(first.fields());
        Both<Half> filled = new Both<>(now.ledger(), now.source());
        assertThat(RecordMerge.merge(filled, Baseline.none(filled), new Alike())
                        .fields()
                        .get(Half.PARTY)
                        .by())
                .isEqualTo(Case.LEDGER_TRAVELS);
        Baseline agreed = first.baseline().with("line 1", new Both<>("4010 S 10", "4010 S 12"));
        assertThat(RecordMerge.merge(now, agreed, new Alike()).fields().get("line 1"))
                .as("left so by a person")
                .isEqualTo(new Verdict.Apart(Case.UNCHANGED_APART));
    }

    /// What has no counterpart there stays, with that reason; what was emptied needs none.
    @Test
    void whatCannotBeSaidThereDoesNotTravel() {
        Alike codes = new Alike() {
            @Override
            public Optional<String> translated(String field, String value, Side to) {
                return Optional.empty();
            }
        };
        Half was = half("P-1", "10", "10");
        Baseline baseline = new Baseline(new Both<>(was, was), Set.of());
        assertThat(RecordMerge.merge(new Both<>(half("P-2", "10", "10"), was), baseline, codes)
                        .fields()
                        .get(Half.PARTY))
                .isEqualTo(new Verdict.Drift(Case.SOURCE_TRAVELS, Set.of(Side.SOURCE), Verdict.Why.NOT_WRITABLE));
        assertThat(RecordMerge.merge(new Both<>(half("", "10", "10"), was), baseline, codes)
                        .writes()
                        .ledger())
                .containsEntry(Half.PARTY, Optional.empty());
    }
}
