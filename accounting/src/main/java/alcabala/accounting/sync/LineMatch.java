package alcabala.accounting.sync;

import alcabala.accounting.field.Half;
import java.util.ArrayDeque;
import java.util.Collections;
import java.util.Deque;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.SortedMap;
import java.util.TreeMap;
import java.util.function.UnaryOperator;

/// Which lines of the two sides are the same: by what they were linked as, then by item and position (synchronisation,
/// "What is one field"). Each is one field, named by its number among all that were ever linked on this record, which
/// it keeps while either side has it, wherever it stands by now.
public final class LineMatch {
    /// What makes a line the one that it was, the most telling first: all of it, all but its words, all but its amount,
    /// neither of them, its item or account, its amount, and its place among those that are left.
    private static final List<UnaryOperator<String>> ALIKE = List.of(
            UnaryOperator.identity(),
            Half::wordless,
            line -> withoutAmount(line) + words(line),
            LineMatch::withoutAmount,
            LineMatch::first,
            LineMatch::amount,
            text -> "among those that are left");

    /// A new line of one side is a new line of the other only where they name the same item or account.
    private static final List<UnaryOperator<String>> ALIKE_ON_BOTH = ALIKE.subList(0, 5);

    /// A record of both sides, its lines named as they are linked.
    ///
    /// @param was what either side had when both last agreed
    /// @param sent what the ledger would have of it
    /// @param places where the lines of either side stand now
    public record Matched(Both<Half> was, Both<Half> now, Optional<Half> sent, Places places) {}

    /// Where linked lines stand on either side, by their number, from 1.
    public record Places(Both<SortedMap<Integer, Integer>> numbers) {
        /// @param line the field of one
        /// @return empty where only one side has it, or the ledger's stands for several
        public Optional<Both<Integer>> find(String line) {
            Both<Integer> places = numbers.map(each -> each.get(Half.position(line)));
            return places.source() == null || places.ledger() == null ? Optional.empty() : Optional.of(places);
        }
    }

    private static final Half NOTHING = Half.builder().build();

    private LineMatch() {}

    /// Where lines of the ledger stand for several of the source they are fields of their own: only totals are
    /// compared.
    ///
    /// @param was lines named as they were linked
    /// @param now lines counted from 1 as they stand there
    /// @param sent what the ledger would have of it, lines as they would stand there; empty where that is not known
    /// @param summed whether they stand for several
    public static Matched match(Both<Half> was, Both<Half> now, Optional<Half> sent, boolean summed) {
        Both<SortedMap<Integer, Integer>> numbers = was.with(now, LineMatch::places);
        Half asThere = summed ? NOTHING : sent.orElse(NOTHING);
        addFresh(numbers, now, asThere.lines(), next(was));
        Both<Half> named = now.with(numbers, LineMatch::named);
        return new Matched(
                summed ? was.with(Side.LEDGER, was.ledger().summed()) : was,
                summed ? named.with(Side.LEDGER, named.ledger().summed()) : named,
                sent.map(half -> summed ? half.withLines(Map.of()) : named(half, numbers.source())),
                new Places(summed ? numbers.with(Side.LEDGER, Collections.emptySortedMap()) : numbers));
    }

    /// Both sides as they are, lines named as they are linked.
    ///
    /// @param was lines named as they were linked
    /// @param now lines counted from 1 as they stand there
    public static Both<Half> linked(Both<Half> was, Both<Half> now) {
        Both<SortedMap<Integer, Integer>> numbers = was.with(now, LineMatch::places);
        addFresh(numbers, now, Map.of(), next(was));
        return now.with(numbers, LineMatch::named);
    }

    /// Whether one side has something else than it had; where its lines stand is no matter.
    public static boolean differs(Half was, Half now) {
        return !was.differing(now).isEmpty() && !changes(was, now).isEmpty();
    }

    /// What one side has that it had not, by its fields; empty text for what it has no more. Lines that are new are
    /// counted on from those that it had.
    ///
    /// @param was lines named as they were linked
    /// @param now lines counted from 1 as they stand there
    public static SortedMap<String, String> changes(Half was, Half now) {
        SortedMap<Integer, Integer> numbers = places(was, now);
        int number = last(was);
        for (int place : fresh(now, numbers).keySet()) {
            numbers.put(++number, place);
        }
        Half named = named(now, numbers);
        SortedMap<String, String> changes = new TreeMap<>();
        was.differing(named).forEach(field -> changes.put(field, named.values().getOrDefault(field, "")));
        return changes;
    }

    /// Where the lines of one side stand now; what is gone is not in it, nor what is new.
    ///
    /// @param was lines named as they were linked
    /// @param now lines counted from 1 as they stand there
    public static SortedMap<Integer, Integer> places(Half was, Half now) {
        return pairs(was.lines(), now.lines(), ALIKE);
    }

    private static void addFresh(
            Both<SortedMap<Integer, Integer>> numbers, Both<Half> now, Map<Integer, String> asThere, int first) {
        Both<SortedMap<Integer, String>> fresh = now.with(numbers, LineMatch::fresh);
        SortedMap<Integer, String> told = new TreeMap<>(asThere);
        told.keySet().retainAll(fresh.source().keySet());
        SortedMap<Integer, Integer> same = pairs(told, fresh.ledger(), ALIKE_ON_BOTH);
        int number = first;
        for (int place : fresh.source().keySet()) {
            numbers.source().put(number, place);
            if (same.containsKey(place)) {
                numbers.ledger().put(number, same.get(place));
            }
            number++;
        }
        for (int place : fresh.ledger().keySet()) {
            if (!same.containsValue(place)) {
                numbers.ledger().put(number++, place);
            }
        }
    }

    private static SortedMap<Integer, String> fresh(Half now, SortedMap<Integer, Integer> numbers) {
        SortedMap<Integer, String> fresh = new TreeMap<>(now.lines());
        fresh.keySet().removeAll(numbers.values());
        return fresh;
    }

    /// Each of some with one of the others, in their order.
    private static SortedMap<Integer, Integer> pairs(
            SortedMap<Integer, String> some, SortedMap<Integer, String> others, List<UnaryOperator<String>> alike) {
        SortedMap<Integer, String> left = new TreeMap<>(some);
        SortedMap<Integer, String> free = new TreeMap<>(others);
        SortedMap<Integer, Integer> pairs = new TreeMap<>();
        for (UnaryOperator<String> key : alike) {
            Map<String, Deque<Integer>> byKey = new HashMap<>();
            free.forEach((number, text) -> byKey.computeIfAbsent(key.apply(text), each -> new ArrayDeque<>())
                    .add(number));
            left.forEach((number, text) -> Optional.ofNullable(byKey.get(key.apply(text)))
                    .map(Deque::poll)
                    .ifPresent(other -> pairs.put(number, other)));
            left.keySet().removeAll(pairs.keySet());
            free.keySet().removeAll(pairs.values());
        }
        return pairs;
    }

    private static Half named(Half now, SortedMap<Integer, Integer> numbers) {
        Map<Integer, String> lines = new HashMap<>();
        numbers.forEach((number, place) -> lines.put(number, now.lines().get(place)));
        return now.withLines(lines);
    }

    private static int next(Both<Half> was) {
        return 1 + Math.max(last(was.source()), last(was.ledger()));
    }

    private static int last(Half half) {
        return half.lines().isEmpty() ? 0 : half.lines().lastKey();
    }

    /// Without its dimensions and words: they are told behind the amount.
    private static String plain(String line) {
        String text = Half.wordless(line);
        int dimensions = text.indexOf(" {");
        return dimensions < 0 ? text : text.substring(0, dimensions);
    }

    private static String words(String line) {
        return line.substring(Half.wordless(line).length());
    }

    private static String amount(String text) {
        String plain = plain(text);
        return plain.substring(plain.lastIndexOf(' ') + 1);
    }

    private static String withoutAmount(String text) {
        String plain = plain(text);
        return plain.substring(0, Math.max(0, plain.lastIndexOf(' ')));
    }

    private static String first(String text) {
        return text.substring(0, Math.max(0, text.indexOf(' ')));
    }
}
