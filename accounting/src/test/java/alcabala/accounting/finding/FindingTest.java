package alcabala.accounting.finding;

import static org.assertj.core.api.Assertions.assertThat;

import alcabala.accounting.crosswalk.AccountRole;
import alcabala.accounting.custom.Conversion;
import alcabala.accounting.document.TaxCategory;
import alcabala.accounting.record.RecordKind;
import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;
import org.junit.jupiter.api.Test;

/// Causes are kept with documents, and documents are grouped by them.
class FindingTest {
    private static final Money EURO = Money.of(CurrencyUnit.EUR, 1);
    private static final LocalDate DAY = LocalDate.of(2026, 11, 20);

    private static Map<Finding, String> causes() {
        Map<Finding, String> causes = new LinkedHashMap<>();
        causes.put(new Finding.ItemUnmapped("I", "an item"), "item-unmapped:I");
        causes.put(new Finding.CategoryUnmapped("C"), "category-unmapped:C");
        causes.put(new Finding.SupplierUnmapped("S", "a supplier"), "supplier-unmapped:S");
        causes.put(new Finding.RoleUnset(AccountRole.ROUNDING), "role-unset:ROUNDING");
        causes.put(
                new Finding.AccountUnusable("4010", Finding.AccountUnusable.Reason.MISSING, AccountRole.SALES),
                "account-unusable:4010");
        causes.put(new Finding.TaxUnmapped("V", BigDecimal.ONE), "tax-unmapped:V");
        causes.put(new Finding.RateUnknown("USD", "CAD", DAY), "rate-unknown:USD " + DAY);
        causes.put(new Finding.CurrencyDiffers("invoice A-1", "USD", "CAD"), "currency-differs");
        causes.put(new Finding.DimensionUnusable("DEPT", "Department", "SHOP"), "dimension-unusable:DEPT SHOP");
        causes.put(
                new Finding.TaxCategoryDiffers("V", Set.of(TaxCategory.S), "Z0", TaxCategory.Z),
                "tax-category-differs:V");
        causes.put(new Finding.TaxNotCharged("V", TaxCategory.Z, BigDecimal.ONE), "tax-not-charged:V");
        causes.put(new Finding.TaxCodeUnusable("V", "S23"), "tax-code-unusable:S23");
        causes.put(new Finding.TaxRateDiffers("V", BigDecimal.ONE, "S23", BigDecimal.TEN), "tax-rate-differs:V");
        causes.put(new Finding.TaxDiffers(EURO, EURO, 1), "tax-differs");
        causes.put(new Finding.TaxDecidedOtherwise(EURO, EURO), "tax-decided-otherwise");
        causes.put(new Finding.PartyDoubtful("P", "a party", "L", "another"), "party-doubtful:P");
        causes.put(new Finding.PartyMissing("P", "a party"), "party-missing:P");
        causes.put(new Finding.SeveralTaxCodes(List.of("A", "B")), "several-tax-codes:A+B");
        causes.put(new Finding.BeforeCutOff(DAY, DAY), "before-cut-off");
        causes.put(new Finding.DoesNotCross(RecordKind.SUPPLIER_CREDIT), "does-not-cross:supplier-credit");
        causes.put(new Finding.Unrouted("Saltmere"), "unrouted:Saltmere");
        causes.put(new Finding.CurrencyUnavailable("SEK", "EUR"), "currency-unavailable:SEK");
        causes.put(
                new Finding.ArithmeticDiffers(Finding.ArithmeticDiffers.Figure.NET, "", EURO, EURO),
                "arithmetic-differs");
        causes.put(new Finding.NoLines(), "no-lines");
        causes.put(new Finding.TypeUnknown("999"), "type-unknown:999");
        causes.put(new Finding.CorrectsUnknown("HW-1"), "corrects-unknown:HW-1");
        causes.put(new Finding.Prepaid(EURO), "prepaid");
        causes.put(new Finding.NotAParty("S", "a seller", "B", "a buyer"), "not-a-party:S");
        causes.put(new Finding.WaitsFor(RecordKind.INVOICE, "HW-1"), "waits-for:invoice HW-1");
        causes.put(new Finding.MeansUnmapped("48", "EUR"), "means-unmapped:48 EUR");
        causes.put(new Finding.PayerDiffers("P", "a payer", "C", "a customer"), "payer-differs:P > C");
        causes.put(new Finding.SeveralParties(List.of("A", "B")), "several-parties");
        causes.put(new Finding.AllocatedTooMuch(EURO, EURO), "allocated-too-much");
        causes.put(new Finding.AllocationUnfit("bill HL-1"), "allocation-unfit");
        causes.put(new Finding.DifferenceTooLarge("invoice HW-1", EURO, EURO), "difference-too-large");
        causes.put(new Finding.StaysOpen("invoice HW-1", Finding.StaysOpen.Because.VOIDED, EURO), "stays-open");
        causes.put(
                new Finding.ReceiptUnfit("payment-in PM-1", Finding.ReceiptUnfit.Because.VOIDED),
                "receipt-unfit:payment-in PM-1");
        causes.put(new Finding.SubRecordsUnavailable("Inkwell"), "sub-records-unavailable:Inkwell");
        LocalDate day = LocalDate.of(2026, 11, 28);
        causes.put(new Finding.TermsUnusable("N30", "30D"), "terms-unusable:30D");
        causes.put(new Finding.TermsDiffer("N30", "30D", day, day), "terms-differ:N30");
        causes.put(new Finding.FieldUnusable("hull-no", "HULL"), "field-unusable:HULL");
        causes.put(new Finding.ChoiceUnmapped("berth", "N"), "choice-unmapped:berth > N");
        causes.put(
                new Finding.FieldUnconvertible("survey", "Survey", "soon", Conversion.Reason.NOT_IN_FORMAT),
                "field-unconvertible:survey");
        return causes;
    }

    @Test
    void eachHasItsCauseAndAllButFourBlock() {
        causes().forEach((finding, cause) -> {
            assertThat(finding.cause()).isEqualTo(cause);
            assertThat(finding.severity())
                    .isEqualTo(
                            finding instanceof Finding.Prepaid
                                            || finding instanceof Finding.TaxDecidedOtherwise
                                            || finding instanceof Finding.TermsDiffer
                                            || finding instanceof Finding.StaysOpen
                                    ? Severity.WARNS
                                    : Severity.BLOCKS);
        });
        assertThat(causes().keySet().stream().map(Object::getClass).collect(Collectors.toSet()))
                .as("none is forgotten here")
                .isEqualTo(Stream.of(Finding.class.getPermittedSubclasses()).collect(Collectors.toSet()));
    }
}
