package alcabala.accounting.posting;

import static org.assertj.core.api.Assertions.assertThat;

import alcabala.accounting.RandomDocuments;
import alcabala.accounting.Samples;
import alcabala.accounting.document.Document;
import alcabala.accounting.document.PriceMode;
import alcabala.accounting.finding.Finding;
import alcabala.accounting.tax.TaxRounding;
import java.util.concurrent.atomic.AtomicInteger;
import org.joda.money.Money;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/// What holds for every document, on tens of thousands of seeded random ones.
class CompilerPropertiesTest {
    private static final int DOCUMENTS = 4000;

    @ParameterizedTest(name = "seed {0}")
    @ValueSource(longs = {1, 20261124, 314159, 271828, 987654321, 42, 7, 133705})
    void everyJournalBalancesAndTheControlAccountGetsExactlyTheGross(long seed) {
        RandomDocuments documents = new RandomDocuments(seed);
        AtomicInteger compiledClean = new AtomicInteger();
        for (int i = 0; i < DOCUMENTS; i++) {
            Document document = documents.next();
            Compilation compiled = compile(document, TaxRounding.PER_DOCUMENT);

            assertThat(compiled).as("same input, same result").isEqualTo(compile(document, TaxRounding.PER_DOCUMENT));
            compiled.journal()
                    .ifPresentOrElse(
                            journal -> {
                                compiledClean.incrementAndGet();
                                check(document, compiled.ledgerDocument().orElseThrow(), journal);
                            },
                            () -> assertThat(compiled.findings()).allMatch(Finding.TaxDiffers.class::isInstance));
        }
        assertThat(compiledClean.get()).as("most documents cross").isGreaterThan(DOCUMENTS * 9 / 10);
    }

    /// A ledger that rounds as the source does agrees with it whenever nothing is spread over lines.
    @ParameterizedTest(name = "seed {0}")
    @ValueSource(longs = {5, 55, 555})
    void theSameMethodGivesTheSameTax(long seed) {
        RandomDocuments documents = new RandomDocuments(seed);
        for (int i = 0; i < DOCUMENTS; i++) {
            Document document = documents.next();
            if (document.allowancesAndCharges().isEmpty()) {
                TaxComparison tax =
                        compile(document, TaxRounding.PER_LINE).tax().orElseThrow();
                assertThat(tax.ledger().tax()).isEqualTo(document.totals().tax());
                assertThat(tax.rounding().isZero()).isTrue();
            }
        }
    }

    private static void check(Document document, LedgerDocument sent, Journal journal) {
        Money gross = document.totals().gross();
        assertThat(journal.isBalanced()).as("balances: %s", document).isTrue();
        assertThat(sent.net().plus(sent.tax())).isEqualTo(gross);
        assertThat(sent.gross()).isEqualTo(gross);
        Money control = journal.lines().stream()
                .filter(line -> line.account().equals(document.kind().isSale() ? "1100" : "2100"))
                .map(line -> line.debit().minus(line.credit()))
                .findFirst()
                .orElse(Money.zero(document.currency()));
        assertThat(control)
                .isEqualTo(document.kind().isCredit() == document.kind().isSale() ? gross.negated() : gross);
        Money lines =
                sent.lines().stream().map(LedgerLine::amount).reduce(Money.zero(document.currency()), Money::plus);
        assertThat(lines).isEqualTo(document.priceMode() == PriceMode.NET ? sent.net() : gross);
    }

    private static Compilation compile(Document document, TaxRounding rounding) {
        var crosswalk = alcabala.accounting.crosswalk.Crosswalk.of(Samples.rows(), Samples.NOBODY);
        return new Compiler(crosswalk, Samples.ROUTE, Samples.ledger(document.currency(), rounding)).compile(document);
    }
}
