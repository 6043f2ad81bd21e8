package alcabala.accounting.whatif;

import static alcabala.accounting.Samples.V13;
import static alcabala.accounting.Samples.V23;
import static alcabala.accounting.Samples.invoice;
import static alcabala.accounting.Samples.line;
import static alcabala.accounting.Samples.row;
import static org.assertj.core.api.Assertions.assertThat;
import static org.joda.money.CurrencyUnit.EUR;

import alcabala.accounting.LineBuilder;
import alcabala.accounting.Samples;
import alcabala.accounting.crosswalk.AccountRole;
import alcabala.accounting.crosswalk.CrosswalkRow;
import alcabala.accounting.crosswalk.RowKind;
import alcabala.accounting.document.Document;
import alcabala.accounting.posting.Compilation;
import alcabala.accounting.posting.PostingKey;
import alcabala.accounting.settlement.Targets;
import alcabala.accounting.whatif.Effect.Kind;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;

/// What a change of one row does to a document, and to what was booked of it.
class EffectTest {
    private static final Document TWO_LINES = invoice(
            "HW-1",
            line(EUR, "chandlery", "3", "20.00", V23),
            LineBuilder.like(line(EUR, "labour", "1", "62.00", V13)).build());
    private static final CrosswalkRow ELSEWHERE = row(RowKind.CATEGORY, "chandlery", "", "4020");

    @Test
    void anotherAccountMovesItsLinesAndNothingElse() {
        Effect effect = Effect.between(compile(), compile(ELSEWHERE));
        assertThat(effect.kind()).isEqualTo(Kind.BOOKS);
        assertThat(effect.moved().byAccount())
                .containsExactlyInAnyOrderEntriesOf(Map.of("4010", 60_00L, "4020", -60_00L));
        assertThat(effect.moved().byTaxCode())
                .as("by code of tax nothing moves")
                .isEmpty();
    }

    @Test
    void aRowThatNoLineAsksChangesNothing() {
        assertThat(Effect.between(compile(), compile(row(RowKind.CATEGORY, "paint", "", "4020"))))
                .isEqualTo(new Effect(Kind.NOTHING, Books.NONE));
    }

    @Test
    void anotherItemOnTheSameAccountLeavesTheBooks() {
        Document shackles = invoice(
                "HW-2",
                LineBuilder.like(line(EUR, "chandlery", "1", "5.00", V23))
                        .item("SHK-08")
                        .build());
        CrosswalkRow other = row(RowKind.ITEM, "SHK-08", "SHACKLE-8MM", "4015");
        assertThat(Effect.between(compile(shackles), compile(shackles, other)).kind())
                .isEqualTo(Kind.ENTRY);
    }

    @Test
    void whatNoEntryByHandPutsRightIsTold() {
        assertThat(Effect.between(compile(), compile(row(RowKind.TAX, "V13", "S23", "")))
                        .kind())
                .as("another rate is a finding")
                .isEqualTo(Kind.BLOCKS);
        assertThat(Effect.between(compile(), compile(row(RowKind.PARTY, "C-1", "1044", "")))
                        .kind())
                .isEqualTo(Kind.PARTY);
        Document untaxed = invoice("HW-3", line(EUR, "chandlery", "1", "5.00", Samples.V0));
        assertThat(Effect.between(compile(untaxed), compile(untaxed, row(RowKind.TAX, "V0", "X0", "")))
                        .kind())
                .as("zero-rated and exempt are two things, and that is a finding")
                .isEqualTo(Kind.BLOCKS);
        assertThat(List.of(Kind.values()).stream().filter(Kind::isCorrectable)).containsExactly(Kind.BOOKS);
    }

    /// The tax is the same, the return of it is not.
    @Test
    void anotherTaxCodeOfTheSameRateIsNoMatterOfAccounts() {
        Books one = new Books(Map.of(new PostingKey("4010", "S23", Map.of()), -60_00L));
        Books other = new Books(Map.of(new PostingKey("4010", "S23-SERVICES", Map.of()), -60_00L));
        assertThat(other.minus(one).byAccount()).isEmpty();
        assertThat(other.minus(one).byTaxCode())
                .containsExactlyInAnyOrderEntriesOf(Map.of("S23", 60_00L, "S23-SERVICES", -60_00L));
    }

    @Test
    void aRowThatWasMissingReleases() {
        List<CrosswalkRow> without = rowsWith();
        without.removeIf(each -> each.code().equals("chandlery"));
        Compilation blocked = Samples.compiler(without).compile(TWO_LINES, "1", Targets.NONE);
        assertThat(Effect.between(blocked, compile()).kind()).isEqualTo(Kind.RELEASES);
        assertThat(Effect.between(compile(), blocked).kind()).isEqualTo(Kind.BLOCKS);
        assertThat(Effect.between(blocked, blocked).kind()).isEqualTo(Kind.NOTHING);
        CrosswalkRow noTax = row(RowKind.TAX, "V13", "GONE", "");
        assertThat(Effect.between(compile(noTax), compile(noTax, ELSEWHERE)))
                .as("what something else holds up goes elsewhere later")
                .isEqualTo(new Effect(Kind.LATER, Books.NONE));
    }

    @Test
    void whatWasBookedUnderAFormerRowIsMovedFromThere() {
        Compilation first = compile();
        Compilation now = compile(ELSEWHERE);
        Compilation would = compile(row(RowKind.CATEGORY, "chandlery", "", "4015"));
        Booked underFirst = new Booked(Effect.books(first), List.of(now, first));
        assertThat(underFirst.under(would).orElseThrow().moved().byAccount())
                .containsExactlyInAnyOrderEntriesOf(Map.of("4010", 60_00L, "4015", -60_00L));
        assertThat(underFirst.under(first).orElseThrow().kind())
                .as("back to what it was")
                .isEqualTo(Kind.NOTHING);
        Booked underNow = new Booked(Effect.books(now), List.of(now, first));
        assertThat(underNow.under(would).orElseThrow().moved().byAccount()).containsKeys("4020", "4015");
    }

    @Test
    void whatSomebodyBookedOtherwiseIsLeftToAPerson() {
        Compilation now = compile();
        Compilation would = compile(ELSEWHERE);
        Books moved = Effect.between(now, would).moved();
        Books corrected = Effect.books(now).plus(moved);
        assertThat(new Booked(corrected, List.of(now)).under(would)).isEmpty();
        assertThat(new Booked(corrected, List.of(would))
                        .under(now)
                        .orElseThrow()
                        .moved())
                .as("what was put right once is moved from where it is")
                .isEqualTo(Books.NONE.minus(moved));
    }

    private static Compilation compile(CrosswalkRow... changed) {
        return compile(TWO_LINES, changed);
    }

    private static Compilation compile(Document document, CrosswalkRow... changed) {
        return Samples.compiler(rowsWith(changed)).compile(document, "1", Targets.NONE);
    }

    private static List<CrosswalkRow> rowsWith(CrosswalkRow... changed) {
        List<CrosswalkRow> rows = new ArrayList<>(Samples.rows());
        rows.add(row(AccountRole.OUTPUT_TAX, "2200"));
        for (CrosswalkRow row : changed) {
            rows.removeIf(each -> each.kind() == row.kind() && each.code().equals(row.code()));
            rows.add(row);
        }
        return rows;
    }
}
