package alcabala.accounting.posting;

import static alcabala.accounting.Samples.V23;
import static alcabala.accounting.Samples.invoice;
import static alcabala.accounting.Samples.line;
import static org.assertj.core.api.Assertions.assertThat;

import alcabala.accounting.LineBuilder;
import alcabala.accounting.RandomDocuments;
import alcabala.accounting.Samples;
import alcabala.accounting.document.AllowanceCharge;
import alcabala.accounting.document.Document;
import alcabala.accounting.document.DocumentLine;
import alcabala.accounting.document.PriceMode;
import alcabala.accounting.record.RecordKind;
import alcabala.accounting.setting.Topic;
import java.math.BigDecimal;
import java.math.RoundingMode;
import java.util.List;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/// On every ledger line quantity × price + adjustment = amount, to the minor unit; the price is for one unit.
class PriceTest {
    private static final CurrencyUnit EUR = CurrencyUnit.EUR;

    private static LedgerLine sent(DocumentLine line) {
        return Samples.compiler(Samples.rows())
                .compile(invoice("HW-1", line))
                .ledgerDocument()
                .orElseThrow()
                .lines()
                .getFirst();
    }

    @ParameterizedTest(name = "{0} at {1} for {2} is {3}, goes as {0} × {4} {5}")
    @CsvSource({
        "250, 12.00, 100, 30.00, 0.12, 0.00",
        "250, 12.00, 1000, 3.00, 0.012, 0.00",
        "7, 10.00, 3, 23.33, 3.333, 0.00",
        "6, 10.00, 3, 20.00, 3.333, 0.00",
        "1, 10.00, 3, 3.33, 3.33, 0.00",
        "1000000, 1.00, 3, 333333.33, 0.33333333, 0.00",
        "7, 10.00, 3, 23.34, 3.333, 0.01",
        "3, 2.50, 1, 7.50, 2.50, 0.00",
        "99999999999, 1.00, 3, 33333333333.00, 0.333333333333, 0.03",
        "-2, 12.00, 100, -0.24, 0.12, 0.00"
    })
    void aPriceIsForItsBaseQuantity(
            String quantity, String price, String base, String amount, String goesAt, String adjustment) {
        LedgerLine sent = sent(LineBuilder.like(line(EUR, "chandlery", quantity, price, V23))
                .per(base)
                .amount(amount)
                .build());
        assertThat(sent.price()).isEqualTo(new BigDecimal(goesAt));
        assertThat(sent.adjustment()).isEqualTo(Money.parse("EUR " + adjustment));
        assertThat(sent.amount()).isEqualTo(Money.parse("EUR " + amount));
    }

    @Test
    void anAllowanceOfTheLineAndItsShareOfTheDocumentsAreItsAdjustment() {
        DocumentLine line = LineBuilder.like(line(EUR, "chandlery", "1", "5.00", V23))
                .adjusted("-30.00")
                .amount("-25.00")
                .build();
        assertThat(sent(line))
                .extracting(LedgerLine::price, LedgerLine::adjustment, LedgerLine::amount)
                .containsExactly(new BigDecimal("5.00"), Money.parse("EUR -30.00"), Money.parse("EUR -25.00"));

        DocumentLine full = line(EUR, "chandlery", "10", "10.00", V23);
        AllowanceCharge allowance = new AllowanceCharge(false, Money.parse("EUR 5.00"), "spring", V23);
        LedgerLine sent = Samples.compiler(Samples.rows())
                .compile(Samples.document(RecordKind.INVOICE, "HW-2", PriceMode.NET, List.of(full), List.of(allowance)))
                .ledgerDocument()
                .orElseThrow()
                .lines()
                .getFirst();
        assertThat(sent.price()).isEqualTo(new BigDecimal("10.00"));
        assertThat(sent.adjustment()).isEqualTo(Money.parse("EUR -5.00"));
    }

    @ParameterizedTest(name = "seed {0}, tax {1}, {2}")
    @CsvSource({"11, as-mapped, each-line", "12, off, each-line", "13, as-mapped, by-account"})
    void everyLineOfEveryDocumentAddsUp(long seed, String tax, String detail) {
        RandomDocuments documents = new RandomDocuments(seed);
        var settings = Samples.SETTINGS
                .with(Topic.SALES_TAX, tax)
                .with(Topic.PURCHASE_TAX, tax.equals("off") ? "in-cost" : "reclaimed")
                .with(Topic.LINE_DETAIL, detail);
        for (int i = 0; i < 4000; i++) {
            Document document = documents.next();
            Samples.compiler(Samples.rows(), document.currency(), settings)
                    .compile(document)
                    .ledgerDocument()
                    .ifPresent(sent -> sent.lines().forEach(PriceTest::assertAddsUp));
        }
    }

    private static void assertAddsUp(LedgerLine line) {
        int decimals = line.amount().getCurrencyUnit().getDecimalPlaces();
        BigDecimal product = line.quantity().multiply(line.price()).setScale(decimals, RoundingMode.HALF_UP);
        assertThat(product.add(line.adjustment().getAmount()))
                .as("%s", line)
                .isEqualByComparingTo(line.amount().getAmount());
    }

    @ParameterizedTest
    @ValueSource(strings = {"0", "0.00"})
    void aLineOfNoQuantityIsAllAdjustment(String none) {
        DocumentLine line = LineBuilder.like(line(EUR, "chandlery", none, "5.00", V23))
                .adjusted("7.00")
                .amount("7.00")
                .build();
        assertThat(sent(line).adjustment()).isEqualTo(Money.parse("EUR 7.00"));
    }
}
