package alcabala.accounting.posting;

import java.math.BigDecimal;
import org.joda.money.Money;

/// The tax of one code that is booked on both sides.
///
/// @param rate in percent
/// @param net what was bought under the code
/// @param tax what is owed
/// @param deductible what of it is reclaimed
public record SelfAssessed(String code, BigDecimal rate, Money net, Money tax, Money deductible) {
    /// What of it may not be reclaimed.
    public Money cost() {
        return tax.minus(deductible);
    }
}
