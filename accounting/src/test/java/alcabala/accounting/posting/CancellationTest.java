package alcabala.accounting.posting;

import static alcabala.accounting.Samples.V23;
import static alcabala.accounting.Samples.line;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.joda.money.CurrencyUnit.EUR;

import alcabala.accounting.Samples;
import alcabala.accounting.document.PriceMode;
import alcabala.accounting.record.RecordKind;
import java.time.LocalDate;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;

/// A document is taken back by what counts against it, on its own day or on another.
class CancellationTest {
    private static final LocalDate LATER = LocalDate.of(2030, 1, 1);

    private static LedgerDocument sent(RecordKind kind) {
        return Samples.compiler(Samples.rows())
                .compile(Samples.document(
                        kind, "HW-1", PriceMode.NET, List.of(line(EUR, "chandlery", "2", "10.00", V23)), List.of()))
                .ledgerDocument()
                .orElseThrow();
    }

    @ParameterizedTest
    @EnumSource(names = {"INVOICE", "CREDIT_NOTE"})
    void itsSumsCountAgainstWhatItTakesBack(RecordKind kind) {
        LedgerDocument sent = sent(kind);
        Cancellation taken = new Cancellation(sent);
        assertThat(taken.net().plus(sent.net()).isZero()).isTrue();
        assertThat(taken.tax().plus(sent.tax()).isZero()).isTrue();
        assertThat(taken.gross().plus(sent.gross()).isZero()).isTrue();
        assertThat(taken.kind()).isEqualTo(kind);
        assertThat(taken.date()).isEqualTo(sent.date());
        assertThat(new Cancellation(sent, LATER).date()).isEqualTo(LATER);
    }

    @ParameterizedTest
    @EnumSource(names = {"INVOICE", "CREDIT_NOTE"})
    void whereNothingIsTakenBackInItsPlaceItIsTheOpposite(RecordKind kind) {
        LedgerDocument sent = sent(kind).madeOutTo("IC-7");
        LedgerDocument opposite = (LedgerDocument) new Cancellation(sent, LATER).asEntry();
        assertThat(opposite.kind()).isEqualTo(kind.opposite());
        assertThat(opposite.number()).isEqualTo("HW-1-R");
        assertThat(opposite.precedingNumber()).isEqualTo("HW-1");
        assertThat(opposite.date()).isEqualTo(LATER);
        assertThat(opposite.partyCounterpart()).isEqualTo("IC-7");
        assertThat(opposite.hasSumsOf(sent)).isTrue();
        assertThat(opposite.lines()).isEqualTo(sent.lines());
    }

    @Test
    void onlyDocumentsHaveAnOpposite() {
        assertThatThrownBy(RecordKind.PAYMENT_IN::opposite).hasMessageContaining("payment-in");
    }
}
