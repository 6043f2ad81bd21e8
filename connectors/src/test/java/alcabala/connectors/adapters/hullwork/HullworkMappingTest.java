package alcabala.connectors.adapters.hullwork;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import alcabala.accounting.document.Document;
import alcabala.accounting.document.PriceMode;
import alcabala.accounting.document.TaxCategory;
import alcabala.accounting.party.Party;
import alcabala.accounting.record.RecordKind;
import alcabala.accounting.setting.Milestone;
import alcabala.connectors.AnswerUnusableException;
import alcabala.connectors.http.Http;
import alcabala.connectors.source.SourceChange;
import alcabala.connectors.source.SourceLookup;
import org.junit.jupiter.api.Test;

public class HullworkMappingTest {
    public static final SourceLookup LOOKUP = new SourceLookup() {
        @Override
        public Party business() {
            return Party.named("", "Pell Estuary Works");
        }

        @Override
        public String itemName(String code) {
            return code.isEmpty() ? "" : "Item " + code;
        }

        @Override
        public Party party(String code) {
            return Party.named(code, "Pell Estuary Trust");
        }

        @Override
        public TaxCategory taxCategory(String code, boolean taxed) {
            return code.equals("VEU") ? TaxCategory.AE : taxed ? TaxCategory.S : TaxCategory.Z;
        }
    };
    private static final String CREDIT_NOTE = """
            {"id":"d-1","number":"HC-1","type":"CREDIT_NOTE","status":"APPROVED","date":"2026-11-20","due":null,"currency":"EUR",
             "pricesIncludeVat":true,"customer":"C-1","corrects":"HW-9","discount":1.00,"net":9.00,"vat":2.00,"gross":11.00,
             "lines":[{"no":1,"kind":"LABOUR","item":"LAB-RIG","text":"Rigging","category":"labour","quantity":1.25,"unit":"HUR",
                       "unitPrice":9.60,"amount":12.00,"vatCode":"VEU","vatRate":0,"vatAmount":0}]}""";

    @Test
    void aCreditNoteWithADiscountIsUnderstoodInFull() {
        SourceChange.RecordChanged change = changed(CREDIT_NOTE);
        Document document = (Document) change.record().apply(LOOKUP);
        assertThat(change.milestones()).containsExactly(Milestone.APPROVED);
        assertThat(change.voided()).isFalse();
        assertThat(document.kind()).isEqualTo(RecordKind.CREDIT_NOTE);
        assertThat(document.priceMode()).isEqualTo(PriceMode.TAX_INCLUSIVE);
        assertThat(document.findDueDate()).isEmpty();
        assertThat(document.precedingNumber()).isEqualTo("HW-9");
        assertThat(document.counterparty().name()).isEqualTo("Pell Estuary Trust");
        assertThat(document.totals().lines()).hasToString("EUR 12.00");
        assertThat(document.allowancesAndCharges())
                .singleElement()
                .extracting(a -> a.amount().toString())
                .isEqualTo("EUR 1.00");
        assertThat(document.lines().getFirst().tax().taxes().getFirst().category())
                .isEqualTo(TaxCategory.AE);
    }

    @Test
    void statusSaysApprovedOrVoidAndUnknownTypesAreLeftOut() {
        assertThat(changed(CREDIT_NOTE.replace("APPROVED", "VOID")).voided()).isTrue();
        assertThat(changed(CREDIT_NOTE.replace("APPROVED", "DRAFT")).milestones())
                .isEmpty();
        assertThat(HullworkMapping.change("boat", Http.JSON.readTree("{}"))).isEmpty();
    }

    @Test
    void anAmountFinerThanTheCurrencyIsNotRoundedInSilence() {
        SourceChange.RecordChanged change = changed(CREDIT_NOTE.replace("\"gross\":11.00", "\"gross\":11.005"));
        assertThatThrownBy(() -> change.record().apply(LOOKUP))
                .isInstanceOfSatisfying(
                        AnswerUnusableException.class,
                        e -> assertThat(e.what())
                                .isEqualTo("an amount of document HC-1 is finer than its currency allows"));
    }

    private static SourceChange.RecordChanged changed(String json) {
        return (SourceChange.RecordChanged)
                HullworkMapping.change("document", Http.JSON.readTree(json)).orElseThrow();
    }
}
