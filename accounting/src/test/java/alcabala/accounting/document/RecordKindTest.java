package alcabala.accounting.document;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import alcabala.accounting.Changed;
import alcabala.accounting.Samples;
import alcabala.accounting.party.Business;
import alcabala.accounting.party.Party;
import alcabala.accounting.record.Family;
import alcabala.accounting.record.RecordKind;
import alcabala.accounting.setting.Carried;
import java.time.LocalDate;
import java.util.Set;
import java.util.stream.Stream;
import org.joda.money.CurrencyUnit;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/// What a document is, and whose.
class RecordKindTest {
    private static final Document INVOICE =
            Samples.invoice("HW-1", Samples.line(CurrencyUnit.EUR, "chandlery", "1", "10.00", Samples.V23));

    @ParameterizedTest
    @CsvSource({
        "INVOICE, invoice, 1, true, INVOICE, BILL",
        "CREDIT_NOTE, credit-note, -1, true, CREDIT_NOTE, SUPPLIER_CREDIT",
        "BILL, bill, 1, false, INVOICE, BILL",
        "SUPPLIER_CREDIT, supplier-credit, -1, false, CREDIT_NOTE, SUPPLIER_CREDIT"
    })
    void seenFromEitherSide(RecordKind kind, String word, int sign, boolean sale, RecordKind sold, RecordKind bought) {
        assertThat(kind.word()).isEqualTo(word);
        assertThat(RecordKind.of(word)).isEqualTo(kind);
        assertThat(kind.sign()).isEqualTo(sign);
        assertThat(kind.isSale()).isEqualTo(sale);
        Document document = Changed.in(INVOICE, "kind", kind);
        assertThat(document.seenBy(Ownership.SELLER).kind()).isEqualTo(sold);
        assertThat(document.seenBy(Ownership.BUYER).kind()).isEqualTo(bought);
        assertThat(document.seenBy(Ownership.NEITHER).kind()).isEqualTo(sold);
    }

    @ParameterizedTest
    @CsvSource({
        "PAYMENT_IN, payment-in, 1, true, INVOICE",
        "REFUND, refund, -1, true, CREDIT_NOTE",
        "RETURNED_IN, returned-in, -1, true, INVOICE",
        "PAYMENT_OUT, payment-out, 1, false, BILL",
        "SUPPLIER_REFUND, supplier-refund, -1, false, SUPPLIER_CREDIT",
        "RETURNED_OUT, returned-out, -1, false, BILL"
    })
    void eachSettlementSettlesOneKindOfDocument(
            RecordKind kind, String word, int sign, boolean sale, RecordKind document) {
        assertThat(kind.word()).isEqualTo(word);
        assertThat(kind.sign()).isEqualTo(sign);
        assertThat(kind.isSale()).isEqualTo(sale);
        assertThat(kind.isReturn()).isEqualTo(word.startsWith("returned"));
        assertThat(Stream.of(RecordKind.values()).filter(kind::settles)).containsExactly(document);
        assertThat(document.settles(kind)).isFalse();
    }

    /// Whether money comes in with it, and whose it is.
    @ParameterizedTest
    @CsvSource({
        "PAYMENT_IN, true, true",
        "REFUND, false, true",
        "RETURNED_IN, false, true",
        "PAYMENT_OUT, false, true",
        "SUPPLIER_REFUND, true, true",
        "RETURNED_OUT, true, true",
        "BANKING, true, false"
    })
    void moneyComesInOrGoesOut(RecordKind kind, boolean brings, boolean hasParty) {
        assertThat(kind.bringsMoney()).isEqualTo(brings);
        assertThat(kind.hasParty()).isEqualTo(hasParty);
        assertThat(kind.isSettlement()).isEqualTo(hasParty);
        assertThat(kind.isDocument()).isFalse();
        assertThat(RecordKind.of(kind.word())).isEqualTo(kind);
        assertThat(Carried.of(kind).kinds()).contains(kind);
    }

    @Test
    void aBankingSettlesNothingAndIsTakenBackAsWhatItIs() {
        assertThat(RecordKind.values()).noneMatch(RecordKind.BANKING::settles);
        assertThat(RecordKind.values()).noneMatch(kind -> kind.settles(RecordKind.BANKING));
        assertThat(RecordKind.BANKING.family()).isEqualTo(Family.TRANSFER);
        assertThat(RecordKind.BANKING.isReturn()).isFalse();
        assertThatThrownBy(RecordKind.BANKING::opposite).isInstanceOf(IllegalArgumentException.class);
    }

    @Test
    void theSellerWinsWhenTheBusinessIsOnBothSides() {
        Business seller = new Business("Corvane Boatyards", Set.of(), Set.of());
        Business buyer = new Business("Pell Estuary Trust", Set.of(), Set.of());
        assertThat(Ownership.of(INVOICE, seller)).isEqualTo(Ownership.SELLER);
        assertThat(Ownership.of(INVOICE, buyer)).isEqualTo(Ownership.BUYER);
        assertThat(Ownership.of(INVOICE, new Business("Tern Marine", Set.of(), Set.of())))
                .isEqualTo(Ownership.NEITHER);
        assertThat(Ownership.of(Changed.in(INVOICE, "buyer", INVOICE.seller()), seller))
                .isEqualTo(Ownership.SELLER);
    }

    @ParameterizedTest(name = "{0}, {1}, {2}: {3}")
    @CsvSource({
        "X-1, CORVANE  BOATYARDS., '', true",
        "X-1, Corvane Boatyard, '', false",
        "X-1, Tern Marine, ie 6388-047v, true",
        "X-1, Corvane Boatyards, IE1111111A, false",
        "OLD, Tern Marine, IE1111111A, true"
    })
    void theBusinessIsKnownByWhatSomebodySaidThenByItsNumberThenByItsName(
            String code, String name, String taxIdentifier, boolean is) {
        Business business = new Business("Corvane Boatyards", Set.of("IE6388047V"), Set.of("OLD"));
        Party party = Changed.in(Party.named(code, name), "taxIdentifier", taxIdentifier);
        assertThat(business.is(party)).isEqualTo(is);
    }

    @Test
    void theDayItIsDueMayBeUnknown() {
        assertThat(INVOICE.findDueDate()).contains(LocalDate.of(2026, 12, 20));
        assertThat(Changed.in(INVOICE, "dueDate", null).findDueDate()).isEmpty();
    }
}
