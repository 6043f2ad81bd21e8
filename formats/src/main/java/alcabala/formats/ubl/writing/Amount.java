package alcabala.formats.ubl.writing;

import com.helger.xsds.ccts.cct.schemamodule.AmountType;
import org.joda.money.Money;

/// Money as an element of its own.
final class Amount {
    private Amount() {}

    static <T extends AmountType> T of(Money money, T element) {
        element.setValue(money.getAmount());
        element.setCurrencyID(money.getCurrencyUnit().getCode());
        return element;
    }
}
