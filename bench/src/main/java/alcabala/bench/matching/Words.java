package alcabala.bench.matching;

import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Random;
import java.util.Set;

/// Invented words: of people, of firms, of towns. A few are frequent and most are rare, as in life.
final class Words {
    private static final String[] BEGIN =
            "b br c ch cl d dr f fl g gr h k kl l m n p pr r s sh sk st t tr v w y z".split(" ");
    private static final String[] MIDDLE = "a e i o u ai ea ee oo ou ia io".split(" ");
    private static final String[] END = "ck d l ll m n nd ng r rd rn s st t th x".split(" ");
    static final String[] TRADES = """
            Marine Boatyard Yachts Sails Rigging Chandlery Moorings Charters Fisheries Engineering Electrical Services
            Supplies Logistics Haulage Timber Paints Plumbing Consulting Catering Hotel Foods Motors Design Print
            Construction Property Trading Group Holdings Diving Surveyors Salvage Coatings Hydraulics""".split("\\s+");
    static final String[] FORMS = {"Ltd", "Limited", "Ltd.", "GmbH", "S.A.", "SARL", "B.V.", "PLC", "LLC", ""};
    static final String[] BODIES = {"Club", "Trust", "Association", "College", "Council", "Society"};
    private static final String[] GIVEN = """
            Mary John Anna Michael Elena Patrick Sofia Nikos Ivan Marta Liam Aoife Hanna Peter Olga Karl Ines Tomas Ruth
            Declan Maeve Stefan Yusuf Leila Bruno Clara Dimitri Katya Jonas Signe Paul Margaret William Robert Elizabeth
            Susan Thomas James Catherine Andrew Daniel Alexander""".split("\\s+");

    final List<String> surnames;
    final List<String> brands;
    final List<String> towns;
    private final Random random;

    Words(Random random) {
        this.random = random;
        surnames = invented(4000, 2, 3);
        brands = invented(9000, 2, 3);
        towns = invented(260, 2, 2);
    }

    private List<String> invented(int count, int least, int most) {
        Set<String> words = new LinkedHashSet<>();
        while (words.size() < count) {
            StringBuilder word = new StringBuilder();
            for (int i = 0, of = least + random.nextInt(most - least + 1); i < of; i++) {
                word.append(BEGIN[random.nextInt(BEGIN.length)]).append(MIDDLE[random.nextInt(MIDDLE.length)]);
            }
            word.append(END[random.nextInt(END.length)]);
            words.add(word.substring(0, 1).toUpperCase(Locale.ROOT) + word.substring(1));
        }
        return new ArrayList<>(words);
    }

    /// The first of them far oftener than the last.
    String often(List<String> words) {
        double place = random.nextDouble();
        return words.get((int) (words.size() * place * place * place));
    }

    String any(String[] words) {
        return words[random.nextInt(words.length)];
    }

    String given() {
        return any(GIVEN);
    }
}
