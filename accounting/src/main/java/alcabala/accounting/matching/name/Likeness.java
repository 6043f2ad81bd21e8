package alcabala.accounting.matching.name;

import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/// How two words may be one: to the letter, by sound, with a slip, cut short.
final class Likeness {
    static final double SAME = 1;
    private static final double SOUND = 0.95;
    private static final double SLIP = 0.85;
    private static final double TWO_SLIPS = 0.7;
    private static final double USUAL_SHORT = 0.85;
    private static final double CUT = 0.75;
    private static final double INITIAL = 0.55;

    /// From here on a letter more or less is rather a slip than another word.
    private static final int LONG_ENOUGH_FOR_A_SLIP = 5;
    private static final int LONG_ENOUGH_FOR_TWO = 9;
    private static final int LONG_ENOUGH_CUT = 3;

    /// What people and firms write for short, each line for one word.
    private static final Map<String, Integer> SHORT = shortOnes(
            "brothers bros",
            "international intl int",
            "manufacturing mfg",
            "engineering eng engg",
            "services svcs svc serv service",
            "management mgmt",
            "associates assoc assocs association",
            "saint st",
            "company coy",
            "department dpt",
            "government govt",
            "national natl",
            "hospital hosp",
            "university univ",
            "limited ltd",
            "maritime mar marit",
            "builders bldrs",
            "building bldg",
            "supplies supp suppl supply",
            "equipment equip eqpt",
            "systems sys",
            "technology tech technologies",
            "transport trans transp",
            "distribution distr dist",
            "construction constr",
            "contractors contr",
            "electrical elec electr",
            "mechanical mech",
            "marine mrn",
            "boatyard bytd",
            "harbour hbr harbor",
            "centre ctr center",
            "group grp",
            "holdings hldgs",
            "industries inds ind",
            "properties props",
            "william bill will billy liam",
            "robert rob bob bobby",
            "elizabeth liz beth eliza betty",
            "margaret maggie peggy",
            "catherine kate katie cathy",
            "michael mick mike",
            "patrick pat paddy padraig",
            "thomas tom tommy",
            "james jim jimmy",
            "john jack johnny",
            "joseph joe",
            "anthony tony",
            "edward ed eddie ted",
            "richard rick dick",
            "alexander alex sandy aleksandr aleksander sasha",
            "andrew andy",
            "christopher chris",
            "daniel dan danny",
            "david dave",
            "stephen steve steven",
            "matthew matt",
            "nicholas nick nikos",
            "samuel sam",
            "susan sue",
            "theresa tess terry",
            "francis frank",
            "johann hans",
            "johannes jan",
            "georgios giorgos george",
            "ioannis giannis yiannis",
            "konstantinos kostas");

    private Likeness() {}

    private static Map<String, Integer> shortOnes(String... lines) {
        List<String> all = List.of(lines);
        return all.stream()
                .flatMap(line -> Stream.of(line.split(" ")).map(word -> Map.entry(word, all.indexOf(line))))
                .collect(Collectors.toMap(Map.Entry::getKey, Map.Entry::getValue, (first, again) -> first));
    }

    /// @param known whether both are words that several parties have: then a slip from one to the other is no
    /// slip
    /// @return 0 to 1; 0 for two that are not one
    static double of(Word one, Word other, boolean known) {
        if (one.text().equals(other.text())) {
            return SAME;
        }
        if (one.sets() || other.sets()) {
            return 0;
        }
        if (one.kind() == Word.Kind.INITIAL || other.kind() == Word.Kind.INITIAL) {
            return one.text().charAt(0) == other.text().charAt(0) ? INITIAL : 0;
        }
        if (one.sound().equals(other.sound())) {
            return SOUND;
        }
        Integer group = SHORT.get(one.text());
        if (group != null && group.equals(SHORT.get(other.text()))) {
            return USUAL_SHORT;
        }
        double slip = known ? 0 : slip(one, other);
        return slip > 0 ? slip : cut(one.text(), other.text());
    }

    private static double slip(Word one, Word other) {
        int shorter = Math.min(one.text().length(), other.text().length());
        if (shorter < LONG_ENOUGH_FOR_A_SLIP - 1
                || one.text().length() + other.text().length() < 2 * LONG_ENOUGH_FOR_A_SLIP - 1) {
            return 0;
        }
        int most = shorter >= LONG_ENOUGH_FOR_TWO ? 2 : 1;
        int slips = Math.min(
                Letters.slips(one.text(), other.text(), most), Letters.slips(one.sound(), other.sound(), most));
        return slips > most ? 0 : slips == 2 ? TWO_SLIPS : SLIP;
    }

    /// The beginning of a word, or what is left of it without vowels: `eng`, `bldrs`.
    private static double cut(String one, String other) {
        String shorter = one.length() < other.length() ? one : other;
        String longer = one.length() < other.length() ? other : one;
        if (shorter.length() < LONG_ENOUGH_CUT || longer.length() - shorter.length() < 2) {
            return 0;
        }
        if (longer.startsWith(shorter)) {
            return CUT;
        }
        return shorter.charAt(0) == longer.charAt(0)
                        && shorter.chars().noneMatch(c -> "aeiou".indexOf(c) >= 0)
                        && isLeftOf(shorter, longer)
                ? CUT
                : 0;
    }

    private static boolean isLeftOf(String shorter, String longer) {
        int place = 0;
        for (int i = 0; i < longer.length() && place < shorter.length(); i++) {
            place += longer.charAt(i) == shorter.charAt(place) ? 1 : 0;
        }
        return place == shorter.length();
    }
}
