package alcabala.accounting;

import alcabala.accounting.document.AllowanceCharge;
import alcabala.accounting.document.Document;
import alcabala.accounting.document.DocumentLine;
import alcabala.accounting.document.PriceMode;
import alcabala.accounting.document.TaxCombination;
import alcabala.accounting.record.RecordKind;
import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;

/// Documents of every shape: mixed rates, allowances and charges, both price modes, three minor units, negative lines.
public final class RandomDocuments {
    private static final List<CurrencyUnit> CURRENCIES =
            List.of(CurrencyUnit.EUR, CurrencyUnit.JPY, CurrencyUnit.of("KWD"));
    private static final List<RecordKind> KINDS = List.of(
            RecordKind.INVOICE,
            RecordKind.INVOICE,
            RecordKind.INVOICE,
            RecordKind.CREDIT_NOTE,
            RecordKind.BILL,
            RecordKind.SUPPLIER_CREDIT);
    private static final List<TaxCombination> TAXES = List.of(Samples.V23, Samples.V13, Samples.V0);
    private final Random random;

    public RandomDocuments(long seed) {
        random = new Random(seed);
    }

    public Document next() {
        return next(CURRENCIES.get(random.nextInt(CURRENCIES.size())), 1 + random.nextInt(8));
    }

    public Document next(CurrencyUnit currency, int lineCount) {
        List<DocumentLine> lines = new ArrayList<>();
        for (int i = 0; i < lineCount; i++) {
            lines.add(line(currency));
        }
        RecordKind kind = KINDS.get(random.nextInt(KINDS.size()));
        PriceMode mode = random.nextInt(3) == 0 ? PriceMode.TAX_INCLUSIVE : PriceMode.NET;
        return Samples.document(kind, "R-" + random.nextInt(1_000_000), mode, lines, extras(currency, lines));
    }

    private DocumentLine line(CurrencyUnit currency) {
        String category = random.nextBoolean() ? "chandlery" : "labour";
        String quantity = BigDecimal.valueOf((random.nextInt(8) == 0 ? -1 : 1) * (1L + random.nextInt(4000)), 2)
                .toPlainString();
        String price = BigDecimal.valueOf(random.nextInt(2_000_000), currency.getDecimalPlaces())
                .toPlainString();
        return Samples.line(currency, category, quantity, price, TAXES.get(random.nextInt(TAXES.size())));
    }

    private List<AllowanceCharge> extras(CurrencyUnit currency, List<DocumentLine> lines) {
        List<AllowanceCharge> extras = new ArrayList<>();
        for (int i = random.nextInt(4); i > 1; i--) {
            boolean charge = random.nextBoolean();
            TaxCombination tax = charge || random.nextInt(4) == 0
                    ? TAXES.get(random.nextInt(TAXES.size()))
                    : lines.get(random.nextInt(lines.size())).tax();
            extras.add(new AllowanceCharge(charge, Money.ofMinor(currency, random.nextInt(5000)), "because", tax));
        }
        return extras;
    }
}
