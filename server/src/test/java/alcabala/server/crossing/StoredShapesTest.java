package alcabala.server.crossing;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import alcabala.accounting.money.ExchangeRate;
import alcabala.accounting.party.Party;
import alcabala.accounting.posting.Cancellation;
import alcabala.accounting.posting.LedgerJournal;
import alcabala.accounting.posting.LedgerSettlement;
import alcabala.accounting.posting.LedgerSettlement.Deducted;
import alcabala.accounting.posting.LedgerSettlement.Part;
import alcabala.accounting.record.Origin;
import alcabala.accounting.record.RecordKind;
import alcabala.accounting.settlement.Allocation;
import alcabala.accounting.settlement.Banking;
import alcabala.accounting.settlement.Deduction;
import alcabala.accounting.settlement.Settlement;
import alcabala.server.record.Stored;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;
import org.junit.jupiter.api.Test;

/// What was stored of payments before is read as it was meant.
class StoredShapesTest {
    private static final LocalDate DAY = LocalDate.of(2026, 11, 20);
    private static final Money TEN = Money.parse("EUR 10.00");
    private static final Money CENT = Money.parse("EUR 0.01");
    private static final Money NOTHING = Money.parse("EUR 0.00");
    private static final Settlement SETTLEMENT = new Settlement(
            RecordKind.PAYMENT_IN,
            "P-1",
            Origin.SOURCE,
            DAY,
            "Saltmere",
            "",
            Party.named("C-1", "Pell Estuary Trust"),
            TEN,
            null,
            NOTHING,
            "48",
            "",
            "",
            List.of(Allocation.of(
                    RecordKind.INVOICE, "HW-1", TEN, List.of(new Deduction(Deduction.Kind.DIFFERENCE, CENT)))));
    private static final LedgerSettlement ENTRY = new LedgerSettlement(
            RecordKind.PAYMENT_IN,
            "P-1",
            DAY,
            CurrencyUnit.EUR,
            ExchangeRate.same(CurrencyUnit.EUR, DAY),
            "C-1",
            "CU-1",
            "1100",
            "1200",
            "48",
            "",
            "",
            TEN,
            NOTHING,
            "",
            "",
            List.of(new Part(
                    RecordKind.INVOICE,
                    "IN-1",
                    "HW-1",
                    TEN,
                    TEN,
                    TEN,
                    List.of(new Deducted("4090", "difference", "", CENT, CENT)))));

    private static String without(String content, String... fields) {
        String older = content;
        for (String field : fields) {
            older = older.replaceAll(",\"" + field + "\":(\"[^\"]*\"|\\{[^}]*})", "");
            assertThat(older).isNotEqualTo(content).doesNotContain("\"" + field + "\"");
        }
        return older;
    }

    @Test
    void allocationsSaidNotWhatTheirMoneyIsWorth() {
        String written = Stored.write(SETTLEMENT);
        assertThat(Stored.record(Stored.SHAPE + " payment-in " + written)).isEqualTo(SETTLEMENT);
        assertThat(Stored.record("3 payment-in " + without(written, "worth"))).isEqualTo(SETTLEMENT);
    }

    @Test
    void entriesHadOneCurrencyThenTwo() {
        String written = StoredEntry.write(ENTRY);
        assertThat(StoredEntry.read("payment-in", StoredEntry.SHAPE, written)).isEqualTo(ENTRY);
        assertThat(StoredEntry.read("payment-in", 3, without(written, "worth"))).isEqualTo(ENTRY);
        assertThat(StoredEntry.read("payment-in", 2, without(written, "worth", "base", "rate", "exchangeAccount")))
                .isEqualTo(ENTRY);
        assertThatThrownBy(() -> StoredEntry.read("payment-in", StoredEntry.SHAPE + 1, written))
                .hasMessageContaining("unknown shape");
    }

    @Test
    void bankingsAndTheirEntriesComeBackAsTheyWere() {
        Banking banking = new Banking(
                RecordKind.BANKING,
                "B1000-261120",
                DAY,
                "Saltmere",
                "1000",
                "Current account",
                "004 217",
                TEN,
                null,
                "",
                List.of(new Banking.Receipt(RecordKind.PAYMENT_IN, "P-1", "C-1", TEN)));
        assertThat(Stored.record(Stored.SHAPE + " banking " + Stored.write(banking)))
                .isEqualTo(banking);
        LedgerJournal journal = new LedgerJournal(
                RecordKind.BANKING,
                "B1000-261120",
                DAY,
                CurrencyUnit.EUR,
                ExchangeRate.same(CurrencyUnit.EUR, DAY),
                "004 217",
                "",
                TEN,
                List.of(
                        new LedgerJournal.Entry("1000", Map.of("SITE", "SALT"), "", TEN),
                        new LedgerJournal.Entry("1210", Map.of(), "", TEN.negated())));
        assertThat(StoredEntry.read("banking", StoredEntry.SHAPE, StoredEntry.write(journal)))
                .isEqualTo(journal);
        Cancellation taken = new Cancellation(journal);
        assertThat(StoredEntry.read("cancellation", StoredEntry.SHAPE, StoredEntry.write(taken)))
                .isEqualTo(taken);
    }

    @Test
    void soHadThoseThatTookThemBack() {
        Cancellation taken = new Cancellation(ENTRY);
        String written = StoredEntry.write(taken);
        assertThat(StoredEntry.kind(taken)).isEqualTo("cancellation");
        assertThat(StoredEntry.read("cancellation", 3, without(written, "worth")))
                .isEqualTo(taken);
        Cancellation later = new Cancellation(ENTRY, LocalDate.of(2026, 12, 1));
        assertThat(StoredEntry.read("cancellation", StoredEntry.SHAPE, StoredEntry.write(later)))
                .isEqualTo(later);
    }
}
