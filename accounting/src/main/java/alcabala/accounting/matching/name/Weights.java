package alcabala.accounting.matching.name;

/// How much it says that two names share a word: the rarer among these parties, the more.
@FunctionalInterface
public interface Weights {
    /// Of what is not a word but a number or a generation.
    double OF_A_NUMBER = 6;

    /// Parties that are thought to be there beside those that are, so that in a small ledger not every word
    /// is rare.
    int PRIOR = 1500;

    double LEAST = 1.5;

    /// In bits: how much rarer than by chance it is that a party has this word.
    double of(Word word);

    /// @param has how many of the parties have the word
    static double of(Word word, int parties, int has) {
        return word.kind() == Word.Kind.WORD ? bits(parties, has, UsualWords.has(word)) : OF_A_NUMBER;
    }

    /// @param has how many of the parties have it
    /// @param isUsual whether many have it elsewhere
    static double bits(int parties, int has, boolean isUsual) {
        double usual = isUsual ? PRIOR / 25.0 : 0;
        return Math.max(LEAST, Math.log((parties + PRIOR) / (has + 1 + usual)) / Math.log(2));
    }
}
