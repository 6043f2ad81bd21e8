package alcabala.accounting.batch;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.tuple;

import alcabala.accounting.batch.ControlTotals.Member;
import alcabala.accounting.batch.ListComparison.Kind;
import alcabala.accounting.batch.ListComparison.Line;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Random;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;
import org.junit.jupiter.api.Test;

class ComparingTest {
    @Test
    void aListThatAgreesHasNothingToSay() {
        ListComparison same = compare(
                List.of(invoice("HL-20417", 1230), invoice("HL-20418", 500)),
                listed(2, "HL-20418", 500),
                listed(3, "hl 20417", 1230));

        assertThat(same.agrees()).isTrue();
        assertThat(same.agreed()).isEqualTo(2);
        assertThat(same.difference()).isEqualTo(eur(0));
    }

    @Test
    void eachDifferenceIsALineAndTheyAddUpToTheDifferenceOfTheTotals() {
        ListComparison found = compare(
                List.of(invoice("A-1", 1000), invoice("A-2", 2000), invoice("A-3", 3000)),
                listed(2, "A-1", 1000),
                listed(3, "A-2", 2010),
                listed(4, "A-1", 1000),
                listed(5, "A-9", 77));

        assertThat(found.lines())
                .extracting(Line::kind, Line::number, Line::rows, Line::difference)
                .containsExactly(
                        tuple(Kind.AMOUNT_DIFFERS, "A-2", List.of(3), eur(10)),
                        tuple(Kind.LISTED_TWICE, "A-1", List.of(4), eur(1000)),
                        tuple(Kind.ONLY_LISTED, "A-9", List.of(5), eur(77)),
                        tuple(Kind.ONLY_IN_BATCH, "A-3", List.of(), eur(-3000)));
        assertThat(found.listed()).isEqualTo(eur(4087));
        assertThat(found.difference()).isEqualTo(eur(-1913));
    }

    @Test
    void aNumberIsFoundAsPeopleWriteItUnlessItCouldBeSeveral() {
        List<Member> members = List.of(invoice("INV-00417", 100), invoice("B-0000", 200), invoice("X 5", 300));

        assertThat(compare(members, listed(1, "417", 100), listed(2, "b 0", 200), listed(3, "x-005", 300))
                        .agrees())
                .isTrue();
        assertThat(compare(List.of(invoice("A-7", 100), invoice("B-7", 100)), listed(1, "7", 100))
                        .lines())
                .extracting(Line::kind)
                .containsExactly(Kind.ONLY_LISTED, Kind.ONLY_IN_BATCH, Kind.ONLY_IN_BATCH);
        assertThat(compare(List.of(invoice("A-7", 100)), listed(1, "C-7", 100)).lines())
                .as("another prefix is another document")
                .extracting(Line::kind)
                .containsExactly(Kind.ONLY_LISTED, Kind.ONLY_IN_BATCH);
    }

    @Test
    void aCreditNoteCountsNegativeHoweverItIsWritten() {
        List<Member> members = List.of(invoice("A-1", 1000), credit("C-1", 300));

        for (int written : new int[] {300, -300}) {
            ListComparison found = compare(members, listed(2, "A-1", 1000), listed(3, "C-1", written));
            assertThat(found.agrees()).isTrue();
            assertThat(found.listed()).isEqualTo(eur(700));
        }
        assertThat(compare(members, listed(2, "A-1", 1000), listed(3, "C-1", 290))
                        .difference())
                .isEqualTo(eur(10));
    }

    @Test
    void oneDocumentMayStandOnSeveralRowsAndOneNumberForSeveralDocuments() {
        assertThat(compare(List.of(invoice("A-1", 1000)), listed(2, "A-1", 400), listed(3, "A-1", 600))
                        .agrees())
                .isTrue();
        assertThat(compare(
                                List.of(invoice("S-1", 400), invoice("S-1", 600)),
                                listed(2, "S-1", 600),
                                listed(3, "S-1", 400))
                        .agrees())
                .isTrue();
        assertThat(compare(List.of(invoice("A-1", 1000)), listed(2, "A-1", 400), listed(3, "A-1", 601))
                        .lines())
                .extracting(Line::kind, Line::difference)
                .containsExactly(tuple(Kind.AMOUNT_DIFFERS, eur(-600)), tuple(Kind.LISTED_TWICE, eur(601)));
    }

    @Test
    void whateverTheListItsLinesExplainTheWholeDifference() {
        Random random = new Random(20417);
        for (int round = 0; round < 2000; round++) {
            List<Member> members = new ArrayList<>();
            List<ListEntry> entries = new ArrayList<>();
            for (int i = 0; i < random.nextInt(6); i++) {
                String number = "N-" + random.nextInt(4);
                int gross = random.nextInt(3) * 100;
                members.add(random.nextBoolean() ? invoice(number, gross) : credit(number, gross));
            }
            for (int i = 0; i < random.nextInt(6); i++) {
                entries.add(listed(i, "N-" + random.nextInt(5), (random.nextInt(5) - 2) * 100));
            }
            ListComparison found = Comparing.compare(CurrencyUnit.EUR, members, entries);
            assertThat(found.lines().stream().map(Line::difference).reduce(eur(0), Money::plus))
                    .isEqualTo(found.difference());
            long here = found.lines().stream()
                    .filter(line -> line.kind() == Kind.AMOUNT_DIFFERS || line.kind() == Kind.ONLY_IN_BATCH)
                    .count();
            assertThat(found.agreed() + here).as("each document once").isEqualTo(members.size());
        }
    }

    private static ListComparison compare(List<Member> members, ListEntry... entries) {
        return Comparing.compare(CurrencyUnit.EUR, members, Arrays.asList(entries));
    }

    private static ListEntry listed(int row, String number, long minor) {
        return new ListEntry(row, number, eur(minor));
    }

    private static Member invoice(String number, long minor) {
        return new Member(number, false, eur(minor), eur(0), eur(minor));
    }

    private static Member credit(String number, long minor) {
        return new Member(number, true, eur(minor), eur(0), eur(minor));
    }

    private static Money eur(long minor) {
        return Money.ofMinor(CurrencyUnit.EUR, minor);
    }
}
