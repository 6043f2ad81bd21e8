package alcabala.accounting.matching.name;

import java.util.Arrays;
import java.util.List;
import java.util.Set;
import java.util.function.Predicate;

/// How far two names say the same, word by word, in whatever order.
///
/// @param agrees what the words that are one weigh, in bits
/// @param differs what the words of either weigh that the other has not, in bits
/// @param explained whether no word is left on either side
/// @param toTheLetter whether the words are the same, and not only alike
/// @param forbidden whether they have different numbers, or are of different generations
public record NameComparison(
        double agrees, double differs, boolean explained, boolean toTheLetter, boolean sameForm, boolean forbidden) {
    public static final NameComparison NOTHING = new NameComparison(0, 0, false, false, true, false);

    /// A word that one has and the other has not says less against than the same word of both says for.
    private static final double DIFFERS = 0.6;

    private static final double JOINED = 0.95;
    private static final double OF_FIRST_LETTERS = 0.7;
    private static final int LEAST_LETTERS = 3;

    /// What is known of words beside how they are written.
    ///
    /// @param known whether several parties have a word, so that it is hardly a slip of another
    /// @param place whether a word names the town of both, which a name may have or not
    public record Knowledge(Weights weights, Predicate<Word> known, Predicate<Word> place) {}

    /// Of all ways to read both the one that says most.
    public static NameComparison of(ReadName one, ReadName other, Knowledge knowledge) {
        NameComparison best = NOTHING;
        boolean sameForm =
                one.form().isEmpty() || other.form().isEmpty() || one.form().equals(other.form());
        for (List<Word> here : one.readings()) {
            for (List<Word> there : other.readings()) {
                NameComparison each = new Alignment(here, there, knowledge).compare(sameForm);
                if (best == NOTHING || each.says() > best.says()) {
                    best = each;
                }
            }
        }
        return best;
    }

    /// What the name says on the whole, in bits; below 0 against.
    public double says() {
        return agrees - DIFFERS * differs;
    }

    /// Which words of two readings are one.
    private static final class Alignment {
        private final List<Word> here;
        private final List<Word> there;
        private final Knowledge knowledge;
        private final boolean[] hereTaken;
        private final boolean[] thereTaken;
        private double agrees;
        private boolean toTheLetter = true;

        Alignment(List<Word> here, List<Word> there, Knowledge knowledge) {
            this.here = here;
            this.there = there;
            this.knowledge = knowledge;
            hereTaken = new boolean[here.size()];
            thereTaken = new boolean[there.size()];
        }

        NameComparison compare(boolean sameForm) {
            same();
            joined(here, hereTaken, there, thereTaken);
            joined(there, thereTaken, here, hereTaken);
            alike();
            ofFirstLetters(here, hereTaken, there, thereTaken);
            ofFirstLetters(there, thereTaken, here, hereTaken);
            double differs = left(here, hereTaken) + left(there, thereTaken);
            boolean explained = all(hereTaken) && all(thereTaken);
            return new NameComparison(agrees, differs, explained, toTheLetter && explained, sameForm, isForbidden());
        }

        private void same() {
            for (int i = 0; i < here.size(); i++) {
                for (int j = 0; j < there.size() && !hereTaken[i]; j++) {
                    if (!thereTaken[j] && here.get(i).text().equals(there.get(j).text())) {
                        take(i, j, Likeness.SAME);
                    }
                }
            }
        }

        private void take(int i, int j, double likeness) {
            hereTaken[i] = true;
            thereTaken[j] = true;
            double weight = Math.min(
                    knowledge.weights().of(here.get(i)), knowledge.weights().of(there.get(j)));
            agrees += likeness * weight;
            toTheLetter &= likeness == Likeness.SAME;
        }

        /// Two words that stand one after the other are one on the other side.
        private void joined(List<Word> two, boolean[] twoTaken, List<Word> one, boolean[] oneTaken) {
            for (int i = 0; i + 1 < two.size(); i++) {
                for (int j = 0; j < one.size() && !twoTaken[i] && !twoTaken[i + 1]; j++) {
                    if (!oneTaken[j]
                            && isOf(
                                    one.get(j).text(),
                                    two.get(i).text(),
                                    two.get(i + 1).text())) {
                        twoTaken[i] = true;
                        twoTaken[i + 1] = true;
                        oneTaken[j] = true;
                        toTheLetter = false;
                        agrees += JOINED * knowledge.weights().of(one.get(j));
                    }
                }
            }
        }

        private static boolean isOf(String both, String first, String second) {
            return both.length() == first.length() + second.length() && both.startsWith(first) && both.endsWith(second);
        }

        /// The most alike first, so that none takes what another fits better.
        private void alike() {
            while (true) {
                double best = 0;
                int from = -1;
                int to = -1;
                for (int i = 0; i < here.size(); i++) {
                    for (int j = 0; j < there.size(); j++) {
                        double likeness = hereTaken[i] || thereTaken[j] ? 0 : likeness(here.get(i), there.get(j));
                        if (likeness > best) {
                            best = likeness;
                            from = i;
                            to = j;
                        }
                    }
                }
                if (from < 0) {
                    return;
                }
                take(from, to, best);
            }
        }

        private double likeness(Word one, Word other) {
            return Likeness.of(
                    one, other, knowledge.known().test(one) && knowledge.known().test(other));
        }

        /// One word of the first letters of those that are left on the other side.
        private void ofFirstLetters(List<Word> one, boolean[] oneTaken, List<Word> many, boolean[] manyTaken) {
            StringBuilder letters = new StringBuilder();
            for (int j = 0; j < many.size(); j++) {
                letters.append(manyTaken[j] ? "" : many.get(j).text().substring(0, 1));
            }
            if (letters.length() < LEAST_LETTERS) {
                return;
            }
            for (int i = 0; i < one.size(); i++) {
                if (!oneTaken[i] && one.get(i).text().contentEquals(letters)) {
                    oneTaken[i] = true;
                    Arrays.fill(manyTaken, true);
                    toTheLetter = false;
                    agrees += OF_FIRST_LETTERS * knowledge.weights().of(one.get(i));
                    return;
                }
            }
        }

        /// A place that both are in explains itself.
        private double left(List<Word> words, boolean[] taken) {
            double left = 0;
            for (int i = 0; i < words.size(); i++) {
                if (!taken[i] && knowledge.place().test(words.get(i))) {
                    taken[i] = true;
                    toTheLetter = false;
                }
                left += taken[i] ? 0 : knowledge.weights().of(words.get(i));
            }
            return left;
        }

        private boolean isForbidden() {
            return Set.of(Word.Kind.NUMBER, Word.Kind.GENERATION).stream()
                    .anyMatch(kind -> isLeft(here, hereTaken, kind) && isLeft(there, thereTaken, kind));
        }

        private static boolean isLeft(List<Word> words, boolean[] taken, Word.Kind kind) {
            for (int i = 0; i < words.size(); i++) {
                if (!taken[i] && words.get(i).kind() == kind) {
                    return true;
                }
            }
            return false;
        }

        private static boolean all(boolean[] taken) {
            for (boolean each : taken) {
                if (!each) {
                    return false;
                }
            }
            return true;
        }
    }
}
