package alcabala.accounting.crosswalk;

import static org.assertj.core.api.Assertions.assertThat;

import alcabala.accounting.document.Tax;
import alcabala.accounting.document.TaxCategory;
import alcabala.accounting.document.TaxCombination;
import java.math.BigDecimal;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;

/// The crosswalk read from the ledger's side.
class TaxesBackTest {
    private static final TaxCombination V23 = tax("V23", "23");
    private static final TaxCombination OLD = tax("V21", "21");
    private static final TaxCombination ZERO = tax("V0", "0");
    private static final TaxCombination EXPORT = tax("VX", "0");

    private static final TaxesBack BACK = new TaxesBack(
            Map.of("S23", List.of(OLD, V23), "Z0", List.of(ZERO, EXPORT), "R13", List.of(V23)),
            Map.of("S23", new BigDecimal("23.00"), "Z0", BigDecimal.ZERO, "R13", new BigDecimal("13.5")));

    private static TaxCombination tax(String code, String rate) {
        return TaxCombination.of(Tax.of(code, rate, TaxCategory.S));
    }

    @Test
    void ofSeveralTaxesThatIsMeantWhichHasTheRateThatTheLedgerCharges() {
        assertThat(BACK.find("S23")).contains(V23);
    }

    @Test
    void ofSeveralAtOneRateNobodyKnowsWhichIsMeant() {
        assertThat(BACK.find("Z0")).isEmpty();
    }

    @Test
    void oneAtAnotherRateOrACodeThatNothingIsMappedToStandsForNothing() {
        assertThat(BACK.find("R13")).isEmpty();
        assertThat(BACK.find("E0")).isEmpty();
    }

    @Test
    void aLineWithoutTaxHasNone() {
        assertThat(BACK.find("")).contains(TaxCombination.NONE);
        assertThat(BACK.find(null)).contains(TaxCombination.NONE);
    }
}
