package alcabala.accounting.tax;

import java.util.List;
import org.joda.money.Money;

/// Tax of a document by one method, code by code, in the order in which the codes first appear.
///
/// @param lineNets each amount without tax, in the order given; they add up to `net`
public record TaxComputation(
        TaxRounding rounding, List<TaxBreakdown> groups, List<Money> lineNets, Money net, Money tax) {
    public Money gross() {
        return net.plus(tax);
    }
}
