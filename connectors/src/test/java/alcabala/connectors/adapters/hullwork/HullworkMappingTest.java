package alcabala.connectors.adapters.hullwork;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import alcabala.accounting.document.Document;
import alcabala.accounting.document.PriceMode;
import alcabala.accounting.document.TaxCategory;
import alcabala.accounting.party.Party;
import alcabala.accounting.record.Origin;
import alcabala.accounting.record.RecordKind;
import alcabala.accounting.setting.Milestone;
import alcabala.accounting.settlement.Allocation;
import alcabala.accounting.settlement.Settlement;
import alcabala.connectors.AnswerUnusableException;
import alcabala.connectors.http.Http;
import alcabala.connectors.source.SourceChange;
import alcabala.connectors.source.SourceLookup;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

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

    private static final String PAYMENT = """
            {"id":"HP-1001","number":"HW-P-1001","type":"PAYMENT","status":"RECORDED","date":"2026-11-24","customer":"C-1","site":"Saltmere",
             "currency":"EUR","amount":"50.00","charges":"0.00","means":"48","reference":"slip 7","note":"","returns":"","externalRef":"",
             "allocations":[{"document":"HW-9","money":"40.00","deductions":[{"kind":"DISCOUNT","amount":"1.20"}]}]}""";

    private static SourceChange.RecordChanged payment(String json) {
        return (SourceChange.RecordChanged)
                HullworkMapping.change("payment", Http.JSON.readTree(json)).orElseThrow();
    }

    @Test
    void aPaymentIsUnderstoodInFull() {
        SourceChange.RecordChanged changed = payment(PAYMENT);
        Settlement settlement = (Settlement) changed.record().apply(LOOKUP);
        assertThat(changed.id()).isEqualTo("HP-1001");
        assertThat(changed.milestones()).containsExactly(Milestone.APPROVED);
        assertThat(settlement.kind()).isEqualTo(RecordKind.PAYMENT_IN);
        assertThat(settlement.origin()).isEqualTo(Origin.SOURCE);
        assertThat(settlement.open()).hasToString("EUR 10.00");
        assertThat(settlement.allocations()).singleElement().satisfies(each -> {
            assertThat(each.names()).isEqualTo("invoice HW-9");
            assertThat(each.settled()).hasToString("EUR 41.20");
        });
        assertThat(payment(PAYMENT.replace("RECORDED", "VOID")).voided()).isTrue();
    }

    @ParameterizedTest
    @CsvSource({
        "PAYMENT, PAYMENT_IN, INVOICE",
        "REFUND, REFUND, CREDIT_NOTE",
        "RETURN, RETURNED_IN, INVOICE",
        "SUPPLIER_PAYMENT, PAYMENT_OUT, BILL",
        "SUPPLIER_REFUND, SUPPLIER_REFUND, SUPPLIER_CREDIT",
        "SUPPLIER_RETURN, RETURNED_OUT, BILL"
    })
    void eachOfItsKindsIsOneOfOurs(String type, RecordKind kind, RecordKind settles) {
        Settlement settlement = (Settlement) payment(PAYMENT.replace("\"PAYMENT\"", "\"" + type + "\""))
                .record()
                .apply(LOOKUP);
        assertThat(settlement.kind()).isEqualTo(kind);
        assertThat(settlement.allocations().getFirst().kind()).isEqualTo(settles);
        assertThat(HullworkPayments.type(kind)).isEqualTo(type);
    }

    @Test
    void whatWeRecordedThereIsKnownByOurNameForIt() {
        SourceChange.RecordChanged ours =
                payment(PAYMENT.replace("\"externalRef\":\"\"", "\"externalRef\":\"inkwell:PM-7\""));
        assertThat(ours.id()).isEqualTo("inkwell:PM-7");
        assertThat(((Settlement) ours.record().apply(LOOKUP)).origin()).isEqualTo(Origin.LEDGER);
    }

    @ParameterizedTest(name = "{0}: {1}")
    @CsvSource(
            quoteCharacter = '`',
            value = {
                "`{'currency':'USD','amount':'46.00'}`, USD 46.00 USD 47.20",
                "null, EUR 40.00 EUR 41.20",
                "`'46.00'`, EUR 40.00 EUR 41.20",
                "`{'currency':'EUR','amount':'40.00'}`, EUR 40.00 EUR 41.20",
                "`{'currency':'EUR','amount':'46.00'}`, payment HW-P-1001: EUR 40.00 goes to HW-9 and settles EUR 46.00 of it",
                "`{'currency':'USD','amount':'0.00'}`, payment HW-P-1001: EUR 40.00 goes to HW-9 and settles USD 0.00 of it",
                "`{'currency':'USD'}`, payment HW-P-1001: EUR 40.00 goes to HW-9 and settles USD 0.00 of it",
                "`{'currency':'USD','amount':'-1.00'}`, payment HW-P-1001: what is settled of HW-9 is negative",
                "`{'currency':'USD','amount':'46.001'}`, an amount of payment HW-P-1001 is finer than its currency allows",
                "`{'currency':'dollars','amount':'46.00'}`, payment HW-P-1001 cannot be understood",
                "`{'amount':'46.00'}`, payment HW-P-1001 cannot be understood"
            })
    void whatItIsWorthIsUnderstoodOrSetAside(String worth, String says) {
        String json = PAYMENT.replace(
                "\"money\":\"40.00\",", "\"money\":\"40.00\",\"worth\":" + worth.replace('\'', '"') + ",");
        assertThat(understood(payment(json))).isEqualTo(says);
    }

    private static String understood(SourceChange.RecordChanged changed) {
        try {
            Allocation allocation =
                    ((Settlement) changed.record().apply(LOOKUP)).allocations().getFirst();
            return allocation.worth() + " " + allocation.settled();
        } catch (AnswerUnusableException e) {
            return e.what();
        }
    }

    @ParameterizedTest(name = "{0} instead of {1}: {2}")
    @CsvSource({
        "50.00, -50.00, payment HW-P-1001: its amount is negative",
        "40.00, -0.01, payment HW-P-1001: what goes to HW-9 is negative",
        "50.00, 50.001, an amount of payment HW-P-1001 is finer than its currency allows",
        "PAYMENT, LOAN, payment HW-P-1001 cannot be understood",
        "DISCOUNT, GIFT, payment HW-P-1001 cannot be understood",
        "2026-11-24, soon, payment HW-P-1001 cannot be understood"
    })
    void whatCannotBeUsedIsSaidByName(String good, String bad, String says) {
        SourceChange.RecordChanged changed = payment(PAYMENT.replace("\"" + good + "\"", "\"" + bad + "\""));
        assertThatThrownBy(() -> changed.record().apply(LOOKUP))
                .isInstanceOfSatisfying(
                        AnswerUnusableException.class, e -> assertThat(e.what()).isEqualTo(says));
    }
}
