package alcabala.formats.ubl;

import alcabala.accounting.document.Limits;
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
            CurrencyUnit currency = CurrencyUnit.of(code.trim());
            if (currency.isPseudoCurrency()) {
                throw new UblMappingException(currency.getCode() + " is no currency");
            }
            return new Amounts(currency);
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
        within("an amount", value);
        return Money.of(currency, value, RoundingMode.HALF_UP);
    }

    /// Asked before anything is computed with it: a number may have a million digits.
    static BigDecimal within(String what, BigDecimal number) {
        if (Limits.isBeyond(number)) {
            throw new UblMappingException(what + " has more than " + Limits.WHOLE_DIGITS + " digits before or "
                    + Limits.DECIMALS + " after the point");
        }
        return number;
    }

    boolean isOwn(AmountType amount) {
        return amount != null
                && (amount.getCurrencyID() == null
                        || amount.getCurrencyID().trim().equals(currency.getCode()));
    }
}
