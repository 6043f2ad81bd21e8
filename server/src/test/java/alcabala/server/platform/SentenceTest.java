package alcabala.server.platform;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import alcabala.accounting.crosswalk.AccountRole;
import alcabala.accounting.finding.Finding;
import alcabala.accounting.record.RecordKind;
import alcabala.server.platform.Sentence.Part;
import alcabala.server.platform.Sentence.Place;
import java.math.BigDecimal;
import java.util.List;
import org.junit.jupiter.api.Test;

class SentenceTest {
    @Test
    void aSentenceLeadsFromEachCodeInItToItsPlace() {
        Sentence rate = Sentences.of(
                new Finding.TaxRateDiffers("VAT23", new BigDecimal("23.00"), "IK21", new BigDecimal("21")));

        assertThat(rate.text()).isEqualTo("Tax VAT23 is 23 %, but code IK21 of the ledger is 21 %.");
        assertThat(rate.parts())
                .containsExactly(
                        Part.plain("Tax "),
                        new Part("VAT23", Place.CROSSWALK, "TAX", "VAT23"),
                        Part.plain(" is 23 %, but code "),
                        new Part("IK21", Place.REFERENCE, "TAX_CODE", "IK21"),
                        Part.plain(" of the ledger is 21 %."));
    }

    @Test
    void whatWaitsLeadsToWhatItWaitsForAndARoleToItsRow() {
        assertThat(Sentences.of(new Finding.WaitsFor(RecordKind.CREDIT_NOTE, "B-7 %s")))
                .extracting(Sentence::text, said -> said.parts().get(1))
                .containsExactly(
                        "It waits for credit note B-7 %s, which is not on the ledger yet.", Part.record("B-7 %s"));
        assertThat(Sentences.of(new Finding.AllocationUnfit("bill HL-20417")).parts())
                .contains(new Part("bill HL-20417", Place.RECORD, "", "HL-20417"));
        for (Finding.ReceiptUnfit.Because because : Finding.ReceiptUnfit.Because.values()) {
            Sentence unfit = Sentences.of(new Finding.ReceiptUnfit("payment-in HW-P-1", because));
            assertThat(unfit.text()).startsWith("Its payment in HW-P-1 ").endsWith("open the banking and correct it.");
            assertThat(unfit.parts()).contains(Part.record("HW-P-1"));
        }
        assertThat(Sentences.of(new Finding.RoleUnset(AccountRole.RECEIVABLES_CONTROL))
                        .parts())
                .contains(new Part("receivables control", Place.CROSSWALK, "ROLE", "RECEIVABLES_CONTROL"));
    }

    @Test
    void whatIsKeptOfAFormerVersionIsSaidWithoutAPlace() {
        assertThat(KeptFindings.sentence("item-unmapped", "{\"told\": \"Item X has no account.\"}")
                        .parts())
                .isEqualTo(List.of(Part.plain("Item X has no account.")));
    }

    @Test
    void moreIsNotSaidThanThereIsRoomFor() {
        assertThatThrownBy(() -> Sentence.of("Only %s.", "one", "two")).isInstanceOf(IllegalArgumentException.class);
        assertThatThrownBy(() -> Sentence.of("%s and %s.", "one")).isInstanceOf(IllegalArgumentException.class);
    }
}
