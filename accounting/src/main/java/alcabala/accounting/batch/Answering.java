package alcabala.accounting.batch;

import alcabala.accounting.batch.Answered.Given;
import alcabala.accounting.batch.Answered.Odd;
import alcabala.accounting.batch.Answered.Verdict;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.joda.money.Money;

/// Settles the records of a batch by what a ledger says in a file. The same file twice settles nothing anew; a line
/// that
/// says what another said is no news; what contradicts itself settles nothing and is shown.
public final class Answering {
    private final String delivery;
    private final Telling telling;
    private final Map<String, String> taken;
    private final Map<String, Given> given = new HashMap<>();
    private final Map<String, Given> reversals = new HashMap<>();
    private final Map<Long, AnswerLine> takenBack = new HashMap<>();
    private final Map<Long, Verdict> verdicts = new LinkedHashMap<>();
    private final Map<Long, AnswerLine> first = new HashMap<>();
    /// Those of whose taking back two lines say different things.
    private final Set<Long> unclear = new HashSet<>();
    private final List<Odd> odd = new ArrayList<>();
    private int named;

    /// What kind of file a ledger's lines are from.
    public enum Telling {
        /// Everything that became of one import.
        WHOLE,
        /// A part of that: the file was cut off.
        PART,
        /// What stands there, whoever entered it; it may have been written before the import.
        REGISTER
    }

    private Answering(String delivery, Telling telling, List<Given> records, Map<String, String> taken) {
        this.delivery = delivery;
        this.taken = new HashMap<>(taken);
        this.telling = telling;
        for (Given record : records) {
            given.put(record.reference(), record);
            if (!record.number().isEmpty()) {
                this.taken.put(record.number(), record.reference());
            }
            if (!record.reversal().isEmpty()) {
                reversals.put(record.reversal(), record);
            }
        }
    }

    /// A record that no line names is missing where the file tells of everything that became of its import.
    ///
    /// @param delivery the batch and revision whose file it was
    /// @param taken numbers of the ledger that are known to be those of other records, with what these are called
    public static Answered answer(
            String delivery, Telling telling, List<Given> records, List<AnswerLine> lines, Map<String, String> taken) {
        Answering answering = new Answering(delivery, telling, records, taken);
        // What was struck out there says something only where nothing else stands.
        lines.stream().filter(line -> !line.struck()).forEach(answering::take);
        lines.stream().filter(AnswerLine::struck).forEach(answering::take);
        if (telling == Telling.WHOLE && !answering.first.isEmpty()) {
            answering.missing(records);
        }
        answering.reversals.values().forEach(answering::combine);
        return new Answered(Map.copyOf(answering.verdicts), List.copyOf(answering.odd), answering.named);
    }

    private void take(AnswerLine line) {
        Given record = given.get(line.reference());
        boolean other = !line.delivery().isEmpty() && !line.delivery().equals(delivery);
        named += !other && (record != null || reversals.containsKey(line.reference())) ? 1 : 0;
        if (!other && reversals.containsKey(line.reference())) {
            takeBack(reversals.get(line.reference()), line);
        } else if (other || record == null) {
            // A register is full of what is none of this batch.
            if (telling != Telling.REGISTER) {
                odd(other ? Odd.Kind.OTHER_DELIVERY : Odd.Kind.UNKNOWN, line, other ? line.delivery() : "");
            }
        } else if (first.containsKey(record.id())) {
            again(record, line, first.get(record.id()));
        } else {
            first.put(record.id(), line);
            settle(record, line);
        }
    }

    private void takeBack(Given record, AnswerLine line) {
        AnswerLine before = takenBack.putIfAbsent(record.id(), line);
        if (before == null || line.says(before) || line.struck()) {
            return;
        }
        if (line.accepted() && before.accepted()) {
            odd(line.number().equals(before.number()) ? Odd.Kind.CONTRADICTS : Odd.Kind.TWICE, line, before.number());
        } else {
            unclear.add(record.id());
            odd(Odd.Kind.CONTRADICTS, line, String.valueOf(before.line()));
        }
    }

    private void again(Given record, AnswerLine line, AnswerLine before) {
        if (line.says(before)) {
            return;
        }
        boolean twice = line.accepted() && before.accepted() && !line.number().equals(before.number());
        if (!twice) {
            verdicts.remove(record.id());
            odd(Odd.Kind.CONTRADICTS, line, String.valueOf(before.line()));
        } else if (!line.struck()) {
            odd(Odd.Kind.TWICE, line, before.number());
        }
    }

    private void settle(Given record, AnswerLine line) {
        if (!line.accepted()) {
            refuse(record, line);
        } else if (line.struck()) {
            odd(Odd.Kind.STRUCK, line, "");
        } else if (record.wentAgain()) {
            odd(Odd.Kind.WENT_AGAIN, line, "");
        } else if (!record.number().isEmpty() && !record.number().equals(line.number())) {
            odd(Odd.Kind.TWICE, line, record.number());
        } else if (!taken.getOrDefault(line.number(), record.reference()).equals(record.reference())) {
            odd(Odd.Kind.NUMBER_TAKEN, line, taken.get(line.number()));
        } else {
            taken.put(line.number(), record.reference());
            gross(record, line)
                    .ifPresentOrElse(
                            gross -> verdicts.put(record.id(), new Verdict.Accepted(line, gross)),
                            () -> odd(Odd.Kind.AMOUNT, line, record.gross().toString()));
        }
    }

    private void refuse(Given record, AnswerLine line) {
        if (!record.number().isEmpty()) {
            odd(Odd.Kind.CONTRADICTS, line, record.number());
        } else if (!record.wentAgain()) {
            verdicts.put(record.id(), new Verdict.Refused(line));
        }
    }

    /// What takes the place of another stands for it only once that one is taken back; until both are known it is open.
    private void combine(Given record) {
        AnswerLine back = takenBack.get(record.id());
        Verdict verdict = verdicts.get(record.id());
        if (!record.number().isEmpty()) {
            return;
        }
        if (unclear.contains(record.id())) {
            verdicts.remove(record.id());
            return;
        }
        boolean stands = verdict instanceof Verdict.Accepted;
        boolean isBack = back != null && back.accepted() && !back.struck();
        boolean isNot = back != null && !back.accepted();
        if (stands && isBack
                || verdict instanceof Verdict.Refused && isNot
                || verdict instanceof Verdict.Missing && back == null) {
            return;
        }
        verdicts.remove(record.id());
        boolean told = telling != Telling.PART || back != null && verdict != null;
        if (told && stands != isBack) {
            AnswerLine accepted = isBack ? back : ((Verdict.Accepted) verdict).line();
            odd(Odd.Kind.HALF, accepted, accepted.number());
        }
    }

    private static Optional<Money> gross(Given record, AnswerLine line) {
        boolean fits = line.gross() != null
                && line.currency().equals(record.gross().getCurrencyUnit().getCode())
                && line.gross().stripTrailingZeros().scale()
                        <= record.gross().getCurrencyUnit().getDecimalPlaces();
        return fits
                ? Optional.of(
                        Money.of(record.gross().getCurrencyUnit(), line.gross().stripTrailingZeros()))
                : Optional.empty();
    }

    private void missing(List<Given> records) {
        for (Given record : records) {
            if (!first.containsKey(record.id()) && record.number().isEmpty() && !record.wentAgain()) {
                verdicts.put(record.id(), new Verdict.Missing());
            }
        }
    }

    private void odd(Odd.Kind kind, AnswerLine line, String other) {
        odd.add(new Odd(kind, line, other));
    }
}
