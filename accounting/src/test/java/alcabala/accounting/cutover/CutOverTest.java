package alcabala.accounting.cutover;

import static org.assertj.core.api.Assertions.assertThat;

import alcabala.accounting.cutover.Pair.Differs;
import alcabala.accounting.record.RecordKind;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import java.util.stream.IntStream;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

class CutOverTest {
    private static final LocalDate DAY = LocalDate.of(2026, 9, 30);
    private static final List<RecordKind> KINDS =
            List.of(RecordKind.INVOICE, RecordKind.CREDIT_NOTE, RecordKind.BILL, RecordKind.SUPPLIER_CREDIT);

    private static Money euro(String amount) {
        return Money.of(CurrencyUnit.EUR, new java.math.BigDecimal(amount));
    }

    private static OpenHere here(long id, String number, String party, String gross) {
        return here(id, number, party, gross, gross);
    }

    private static OpenHere here(long id, String number, String party, String gross, String open) {
        return new OpenHere(id, RecordKind.INVOICE, number, party, DAY, euro(gross), euro(open), euro(open), "");
    }

    private static OpenThere there(String id, String number, String party, String gross) {
        return there(id, number, party, gross, gross);
    }

    private static OpenThere there(String id, String number, String party, String gross, String open) {
        return new OpenThere(id, RecordKind.INVOICE, number, party, DAY, euro(gross), euro(open), euro(open));
    }

    /// A number as somebody typed it is the same number; party and amount have to be the same as well.
    @ParameterizedTest
    @CsvSource({
        "HW-0107, hw 107,   IC-1, IC-1, 10.00, 10.00, true",
        "HW-0107, HW-1070,  IC-1, IC-1, 10.00, 10.00, false",
        "HW-0107, HW-107,   IC-1, IC-2, 10.00, 10.00, false",
        "HW-0107, HW-107,   '',   IC-2, 10.00, 10.00, true",
        "HW-0107, HW-107,   IC-1, IC-1, 10.00, 10.01, false",
    })
    void whatIsCertain(
            String number, String typed, String party, String their, String gross, String theirs, boolean certain) {
        CutOver documents =
                CutOver.of(List.of(here(1, number, party, gross)), List.of(there("D-1", typed, their, theirs)));
        assertThat(documents.pairs())
                .singleElement()
                .satisfies(pair -> assertThat(pair.isCertain()).isEqualTo(certain));
    }

    @Test
    void aPaymentThatOneSideDoesNotHaveIsADifferenceAndNoDoubt() {
        Pair pair = CutOver.of(
                        List.of(here(1, "HW-1", "IC-1", "10.00", "4.00")),
                        List.of(there("D-1", "HW-1", "IC-1", "10.00")))
                .pairs()
                .getFirst();
        assertThat(pair.differs()).containsExactly(Differs.OPEN);
        assertThat(pair.isCertain()).isTrue();
    }

    @Test
    void withoutANumberTheSameAmountOfTheSamePartyMayBeIt() {
        CutOver documents = CutOver.of(
                List.of(here(1, "HW-1", "IC-1", "10.00"), here(2, "HW-2", "", "11.00")),
                List.of(there("D-1", "14", "IC-1", "10.00"), there("D-2", "15", "IC-2", "11.00")));
        assertThat(documents.pairs()).singleElement().satisfies(pair -> {
            assertThat(pair.here().id()).isEqualTo(1);
            assertThat(pair.isCertain()).isFalse();
        });
        assertThat(documents.onlyHere()).extracting(OpenHere::id).containsExactly(2L);
        assertThat(documents.onlyThere()).extracting(OpenThere::id).containsExactly("D-2");
    }

    /// Suppliers may use the same number; two that are equally good are both left.
    @Test
    void whatDiffersInTheLeastIsMeantAndOfEqualsNone() {
        OpenThere other = there("D-2", "1", "IC-2", "10.00");
        CutOver told =
                CutOver.of(List.of(here(1, "1", "IC-1", "10.00")), List.of(other, there("D-1", "1", "IC-1", "10.00")));
        assertThat(told.pairs()).extracting(pair -> pair.there().id()).containsExactly("D-1");
        assertThat(told.onlyThere()).containsExactly(other);
        CutOver equal = CutOver.of(
                List.of(here(1, "1", "IC-1", "10.00")),
                List.of(there("D-1", "1", "IC-1", "10.00"), there("D-2", "1", "IC-1", "10.00")));
        assertThat(equal.pairs()).isEmpty();
        assertThat(equal.onlyThere()).hasSize(2);
    }

    @ParameterizedTest
    @ValueSource(ints = {CutOver.MOST_ALIKE, CutOver.MOST_ALIKE + 1})
    void ofTooManyThatAreAlikeNoneIsTold(int alike) {
        List<OpenHere> here = IntStream.range(0, alike)
                .mapToObj(i -> new OpenHere(
                        i, RecordKind.INVOICE, "A" + i, "IC-1", DAY.minusDays(i), euro("9"), euro("9"), euro("9"), ""))
                .toList();
        List<OpenThere> there = IntStream.range(0, alike)
                .mapToObj(i -> new OpenThere(
                        "D" + i,
                        RecordKind.INVOICE,
                        "B" + i,
                        "IC-1",
                        DAY.minusDays(i),
                        euro("9"),
                        euro("9"),
                        euro("9")))
                .toList();
        assertThat(CutOver.of(here, there).pairs()).hasSize(alike == 30 ? 30 : 0);
    }

    @Test
    void whatIsLinkedStaysWhateverItLooksLike() {
        OpenHere linked =
                new OpenHere(1, RecordKind.INVOICE, "HW-1", "IC-1", DAY, euro("10"), euro("10"), euro("10"), "D-9");
        OpenHere goneThere =
                new OpenHere(2, RecordKind.INVOICE, "HW-2", "IC-1", DAY, euro("10"), euro("10"), euro("10"), "D-8");
        CutOver documents = CutOver.of(
                List.of(linked, goneThere),
                List.of(there("D-1", "HW-1", "IC-1", "10.00"), there("D-9", "X", "IC-7", "3.00")));
        assertThat(documents.pairs()).singleElement().satisfies(pair -> {
            assertThat(pair.there().id()).isEqualTo("D-9");
            assertThat(pair.isLinked()).isTrue();
        });
        assertThat(documents.onlyHere()).as("paid there by then").containsExactly(goneThere);
    }

    /// Whatever the documents: each is in one place, and all of the difference is explained.
    @ParameterizedTest
    @ValueSource(longs = {1, 2, 3, 20261128})
    void everyCentIsExplained(long seed) {
        Random random = new Random(seed);
        for (int round = 0; round < 200; round++) {
            List<OpenHere> here = new ArrayList<>();
            List<OpenThere> there = new ArrayList<>();
            for (int i = 0; i < random.nextInt(30); i++) {
                Money gross = Money.ofMinor(CurrencyUnit.EUR, 1 + random.nextInt(5) * 100L);
                Money open = gross.minus(Money.ofMinor(CurrencyUnit.EUR, random.nextInt(2)));
                RecordKind kind = KINDS.get(random.nextInt(4));
                String number = "N" + random.nextInt(12);
                String party = random.nextInt(4) == 0 ? "" : "P" + random.nextInt(3);
                LocalDate date = DAY.minusDays(random.nextInt(3));
                if (random.nextBoolean()) {
                    Money worth = random.nextInt(9) == 0 ? null : open;
                    here.add(new OpenHere(i, kind, number, party, date, gross, open, worth, ""));
                } else {
                    there.add(new OpenThere("D" + i, kind, number, "P" + random.nextInt(3), date, gross, open, open));
                }
            }
            CutOver documents = CutOver.of(here, there);
            assertThat(documents.pairs().size() + documents.onlyHere().size()).isEqualTo(here.size());
            assertThat(documents.pairs().size() + documents.onlyThere().size()).isEqualTo(there.size());
            assertThat(documents).as("the same again").isEqualTo(CutOver.of(here, there));
            for (boolean sales : new boolean[] {true, false}) {
                Money booked = Money.ofMinor(CurrencyUnit.EUR, random.nextInt(3_000));
                Balance balance = Balance.of(documents, sales, Money.ofMinor(CurrencyUnit.EUR, 250), booked);
                assertThat(balance.pairs()
                                .plus(balance.onlyHere())
                                .minus(balance.onlyThere())
                                .minus(balance.onAccount())
                                .minus(balance.beside()))
                        .isEqualTo(balance.difference());
                assertThat(balance.there()).isEqualTo(booked);
            }
        }
    }

    @Test
    void creditNotesCountNegativeAndWhatHasNoRateIsCounted() {
        OpenHere credit =
                new OpenHere(1, RecordKind.CREDIT_NOTE, "CN-1", "IC-1", DAY, euro("3"), euro("3"), euro("3"), "");
        Money dollars = Money.of(CurrencyUnit.USD, 5);
        OpenHere foreign = new OpenHere(2, RecordKind.INVOICE, "HW-9", "IC-1", DAY, dollars, dollars, null, "");
        CutOver documents = CutOver.of(List.of(credit, foreign, here(3, "HW-3", "", "10.00")), List.of());
        Balance balance = Balance.of(documents, true, euro("1"), euro("0"));
        assertThat(balance.onlyHere()).isEqualTo(euro("7"));
        assertThat(balance.here()).isEqualTo(euro("6"));
        assertThat(balance.withoutRate()).isOne();
        assertThat(Balance.of(documents, false, euro("0"), euro("0")).difference())
                .isEqualTo(euro("0"));
    }
}
