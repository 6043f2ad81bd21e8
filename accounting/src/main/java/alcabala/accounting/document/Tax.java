package alcabala.accounting.document;

import java.math.BigDecimal;

/// One tax on a line.
///
/// @param code the source's own word for it, such as `V23`
/// @param rate in percent, trailing zeros stripped so that 23 and 23.00 are the same tax
/// @param compound computed on the amount including the taxes listed before it
public record Tax(String code, BigDecimal rate, TaxCategory category, boolean compound) {
    public Tax {
        rate = rate.signum() == 0 ? BigDecimal.ZERO : rate.stripTrailingZeros();
    }

    public static Tax of(String code, String rate, TaxCategory category) {
        return new Tax(code, new BigDecimal(rate), category, false);
    }
}
