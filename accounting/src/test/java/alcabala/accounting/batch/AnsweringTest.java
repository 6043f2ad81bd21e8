package alcabala.accounting.batch;

import static org.assertj.core.api.Assertions.assertThat;

import alcabala.accounting.batch.Answered.Given;
import alcabala.accounting.batch.Answered.Odd;
import alcabala.accounting.batch.Answered.Verdict;
import alcabala.accounting.batch.Answering.Telling;
import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collections;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.stream.Stream;
import org.joda.money.Money;
import org.junit.jupiter.api.Test;

/// A batch `B7.1` of yard:1 (1: 10.00), yard:2 (2: 20.00) and yard:3 (3: 30.00), and what the ledger says of it.
class AnsweringTest {
    private static final List<Given> BATCH = List.of(given(1, ""), given(2, ""), given(3, ""));

    private static Given given(int id, String number) {
        return new Given(id, "yard:" + id, Money.parse("CAD " + id + "0.00"), number, false, "");
    }

    /// `yard:1 E-1 10.00`, `yard:1 no`, `struck yard:1 E-1 10.00`, or `B8.1 yard:1 E-1 10.00` of another batch.
    private static AnswerLine line(String text) {
        List<String> words = new ArrayList<>(List.of(text.split(" ")));
        boolean struck = words.remove("struck");
        String delivery = words.getFirst().startsWith("B") ? words.removeFirst() : "B7.1";
        boolean accepted = !words.get(1).equals("no");
        return new AnswerLine(
                1,
                "",
                delivery,
                words.getFirst(),
                accepted,
                accepted ? words.get(1) : "",
                "",
                "CAD",
                accepted ? new BigDecimal(words.get(2)) : null,
                accepted ? "" : "closed",
                struck);
    }

    private static Answered answer(Telling telling, List<Given> batch, String... lines) {
        return Answering.answer(
                "B7.1",
                telling,
                batch,
                Stream.of(lines).map(AnsweringTest::line).toList(),
                Map.of("E-99", "HP-9"));
    }

    /// `1 accepted`, `2 refused`, `3 missing`, `1 differs`, each with what is odd as `UNKNOWN`.
    private static List<String> said(Answered answered) {
        List<String> said = new ArrayList<>();
        answered.verdicts()
                .forEach((id, verdict) -> said.add(id
                        + switch (verdict) {
                            case Verdict.Accepted yes ->
                                yes.isAsGiven(Money.parse("CAD " + id + "0.00")) ? " accepted" : " differs";
                            case Verdict.Refused no -> " refused";
                            case Verdict.Missing none -> " missing";
                        }));
        Collections.sort(said);
        answered.odd().forEach(odd -> said.add(odd.kind().name()));
        return said;
    }

    @Test
    void eachLineSettlesItsRecordAndWhatAWholeFileDoesNotNameIsMissing() {
        assertThat(said(answer(Telling.WHOLE, BATCH, "yard:1 E-1 10.00", "yard:2 no")))
                .containsExactly("1 accepted", "2 refused", "3 missing");
        assertThat(said(answer(Telling.PART, BATCH, "yard:1 E-1 10.00", "yard:2 no")))
                .containsExactly("1 accepted", "2 refused");
        assertThat(said(answer(Telling.REGISTER, BATCH, "yard:1 E-1 10.00"))).containsExactly("1 accepted");
    }

    @Test
    void anotherAmountIsThereButDifferent() {
        assertThat(said(answer(Telling.PART, BATCH, "yard:1 E-1 10.01"))).containsExactly("1 differs");
        assertThat(said(answer(Telling.PART, BATCH, "yard:1 E-1 10.000"))).containsExactly("1 accepted");
        assertThat(said(answer(Telling.PART, BATCH, "yard:1 E-1 10.001"))).containsExactly("AMOUNT");
    }

    @Test
    void aFileOfAnotherBatchSettlesNothingNotEvenWhatItDoesNotName() {
        assertThat(said(answer(Telling.WHOLE, BATCH, "B8.1 yard:1 E-1 10.00", "B8.1 yard:9 E-2 1.00")))
                .containsExactly("OTHER_DELIVERY", "OTHER_DELIVERY");
        assertThat(said(answer(Telling.WHOLE, BATCH, "yard:9 E-2 1.00"))).containsExactly("UNKNOWN");
        assertThat(said(answer(Telling.REGISTER, BATCH, "B8.1 yard:1 E-1 10.00", "yard:9 E-2 1.00")))
                .as("a register is full of such")
                .isEmpty();
    }

    @Test
    void aLineTwiceIsNoNewsAndAContradictionSettlesNothing() {
        assertThat(said(answer(Telling.PART, BATCH, "yard:1 E-1 10.00", "yard:1 E-1 10.00")))
                .containsExactly("1 accepted");
        assertThat(said(answer(Telling.PART, BATCH, "yard:1 E-1 10.00", "yard:1 no")))
                .containsExactly("CONTRADICTS");
        assertThat(said(answer(Telling.PART, BATCH, "yard:1 E-1 10.00", "yard:1 E-1 11.00")))
                .containsExactly("CONTRADICTS");
    }

    @Test
    void whatStandsThereTwiceIsFoundOutUnlessOneIsStruckOut() {
        assertThat(said(answer(Telling.REGISTER, BATCH, "yard:1 E-1 10.00", "yard:1 E-4 10.00")))
                .containsExactly("1 accepted", "TWICE");
        assertThat(said(answer(Telling.REGISTER, BATCH, "struck yard:1 E-1 10.00", "yard:1 E-4 10.00")))
                .containsExactly("1 accepted");
        assertThat(said(answer(Telling.REGISTER, BATCH, "struck yard:1 E-1 10.00")))
                .containsExactly("STRUCK");
        assertThat(said(answer(Telling.PART, List.of(given(1, "E-1")), "yard:1 E-4 10.00")))
                .containsExactly("TWICE");
        assertThat(said(answer(Telling.PART, List.of(given(1, "E-1")), "yard:1 E-1 10.00")))
                .containsExactly("1 accepted");
    }

    @Test
    void whatIsKnownToStandThereIsNeitherRefusedNorMissing() {
        List<Given> posted = List.of(given(1, "E-1"), given(2, ""));
        assertThat(said(answer(Telling.WHOLE, posted, "yard:1 no", "yard:2 E-2 20.00")))
                .containsExactly("2 accepted", "CONTRADICTS");
        assertThat(said(answer(Telling.WHOLE, posted, "yard:2 E-2 20.00"))).containsExactly("2 accepted");
    }

    @Test
    void whatWentAgainIsSettledByTheLaterBatchAlone() {
        List<Given> again = List.of(new Given(1, "yard:1", Money.parse("CAD 10.00"), "", true, ""), given(2, ""));
        assertThat(said(answer(Telling.WHOLE, again, "yard:1 E-1 10.00"))).containsExactly("2 missing", "WENT_AGAIN");
        assertThat(said(answer(Telling.WHOLE, again, "yard:1 no"))).containsExactly("2 missing");
        assertThat(said(answer(Telling.WHOLE, again, "yard:2 E-2 20.00"))).containsExactly("2 accepted");
    }

    @Test
    void aNumberThatIsSomethingElsesSettlesNothing() {
        assertThat(said(answer(Telling.PART, BATCH, "yard:1 E-1 10.00", "yard:2 E-1 20.00")))
                .containsExactly("1 accepted", "NUMBER_TAKEN");
        assertThat(said(answer(Telling.PART, BATCH, "yard:1 E-99 10.00", "yard:2 E-98 20.00")))
                .as("HP-9 stands there as E-99")
                .containsExactly("2 accepted", "NUMBER_TAKEN");
        assertThat(said(answer(Telling.PART, List.of(given(1, "E-1"), given(2, "")), "yard:2 E-1 20.00")))
                .containsExactly("NUMBER_TAKEN");
    }

    /// yard:1 takes the place of a former one, which yard:1-R takes back.
    @Test
    void whatTakesThePlaceOfAnotherIsSettledWithItsReversalOrNotAtAll() {
        List<Given> batch = List.of(new Given(1, "yard:1", Money.parse("CAD 10.00"), "", false, "yard:1-R"));
        assertThat(said(answer(Telling.WHOLE, batch, "yard:1-R E-8 10.00", "yard:1 E-9 10.00")))
                .containsExactly("1 accepted");
        assertThat(said(answer(Telling.WHOLE, batch, "yard:1-R no", "yard:1 no")))
                .containsExactly("1 refused");
        assertThat(said(answer(Telling.WHOLE, batch, "yard:1-R E-8 10.00", "yard:1 no")))
                .containsExactly("HALF");
        assertThat(said(answer(Telling.WHOLE, batch, "yard:1-R no", "yard:1 E-9 10.00")))
                .containsExactly("HALF");
        assertThat(said(answer(Telling.REGISTER, batch, "yard:1 E-9 10.00"))).containsExactly("HALF");
        assertThat(said(answer(Telling.REGISTER, batch))).isEmpty();
        assertThat(said(answer(Telling.PART, batch, "yard:1-R E-8 10.00")))
                .as("the other may be in what was cut off")
                .isEmpty();
        for (String[] lines : new String[][] {
            {"yard:1-R E-8 10.00", "yard:1-R no", "yard:1 E-9 10.00"},
            {"yard:1-R no", "yard:1 E-9 10.00", "yard:1-R E-8 10.00"}
        }) {
            assertThat(said(answer(Telling.WHOLE, batch, lines))).containsExactly("CONTRADICTS");
        }
        assertThat(said(answer(Telling.PART, batch, "yard:1-R E-8 10.00", "yard:1-R E-10 10.00", "yard:1 E-9 10.00")))
                .as("taken back twice")
                .containsExactly("1 accepted", "TWICE");
    }

    /// Whatever order the lines stand in, and however often.
    @Test
    void orderAndRepetitionMakeNoDifference() {
        Random random = new Random(20261128);
        for (int round = 0; round < 500; round++) {
            List<String> lines = new ArrayList<>();
            for (int id = 1; id <= 3; id++) {
                if (random.nextInt(4) > 0) {
                    String line = random.nextBoolean()
                            ? "yard:%d E-%d %d0.00".formatted(id, id, id)
                            : "yard:%d no".formatted(id);
                    lines.addAll(Collections.nCopies(1 + random.nextInt(3), line));
                }
            }
            List<String> first = said(answer(Telling.WHOLE, BATCH, lines.toArray(String[]::new)));
            Collections.shuffle(lines, random);
            assertThat(said(answer(Telling.WHOLE, BATCH, lines.toArray(String[]::new))))
                    .as("%s", Arrays.toString(lines.toArray()))
                    .isEqualTo(first);
        }
    }

    @Test
    void everyOddLineIsKeptWithItsKind() {
        assertThat(answer(Telling.PART, BATCH, "B8.2 yard:1 E-1 10.00").odd())
                .extracting(Odd::other)
                .containsExactly("B8.2");
    }
}
