package alcabala.formats.ubl;

import com.helger.xsds.ccts.cct.schemamodule.AmountType;
import java.math.BigDecimal;
import java.math.RoundingMode;
import org.joda.money.CurrencyUnit;
import org.joda.money.IllegalCurrencyException;
import org.joda.money.Money;

/// UBL amounts as money of the document's currency.
record Amounts(CurrencyUnit currency) {
    static Amounts in(String code) {
        try {
            return new Amounts(CurrencyUnit.of(code.trim()));
        } catch (IllegalCurrencyException e) {
            throw new UblMappingException("currency " + code + " is not an ISO 4217 code");
        }
    }

    Money zero() {
        return Money.zero(currency);
    }

    /// Zero when the file has no such amount.
    Money of(AmountType amount) {
        return of(amount, zero());
    }

    Money of(AmountType amount, Money otherwise) {
        return amount == null || amount.getValue() == null ? otherwise : of(amount.getValue());
    }

    Money of(BigDecimal value) {
        return Money.of(currency, value, RoundingMode.HALF_UP);
    }

    boolean isOwn(AmountType amount) {
        return amount != null
                && (amount.getCurrencyID() == null
                        || amount.getCurrencyID().trim().equals(currency.getCode()));
    }
}
