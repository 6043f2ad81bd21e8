package alcabala.accounting.matching;

import alcabala.accounting.matching.identifier.Mail;
import alcabala.accounting.matching.identifier.Place;
import alcabala.accounting.matching.identifier.TaxIdentifier;
import alcabala.accounting.matching.identifier.Telephone;
import alcabala.accounting.matching.name.Letters;
import alcabala.accounting.matching.name.Word;
import alcabala.accounting.matching.name.Word.Kind;
import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;

/// By what a party is found among very many. Each key begins with a letter for what it is of.
final class ProfileKeys {
    private static final int LEAST_FIRST_LETTERS = 3;
    private static final int MOST_WORDS = 8;

    private ProfileKeys() {}

    static String tax(TaxIdentifier tax) {
        return "t" + tax.number();
    }

    static String mail(Mail mail) {
        return "m" + mail.key();
    }

    static String house(Mail mail) {
        return "h" + mail.house();
    }

    static String phone(Telephone phone) {
        return "p" + phone.key();
    }

    static String address(Place place) {
        return "a" + place.key();
    }

    static String town(Place place) {
        return "c" + place.townKey();
    }

    static String word(String sound) {
        return "w" + sound;
    }

    /// What may identify it.
    static Set<String> identifiers(Profile of) {
        Set<String> keys = new LinkedHashSet<>();
        if (!of.tax().isNone()) {
            keys.add(of.taxKey());
        }
        if (!of.mail().isNone()) {
            keys.add(of.mailKey());
        }
        if (of.mail().isOwnHouse()) {
            keys.add(of.houseKey());
        }
        if (!of.phone().isNone()) {
            keys.add(of.phoneKey());
        }
        of.places().stream()
                .filter(place -> !place.key().isEmpty())
                .map(ProfileKeys::address)
                .forEach(keys::add);
        return keys;
    }

    static Set<String> words(Profile of) {
        Set<String> sounds = new LinkedHashSet<>();
        of.name()
                .readings()
                .forEach(reading -> reading.stream()
                        .filter(word -> word.kind() != Kind.INITIAL)
                        .forEach(word -> sounds.add(word.sound())));
        return sounds;
    }

    /// Two words together, a word in a town, first letters: for words that by themselves many have.
    static Set<String> combined(Profile of) {
        Set<String> keys = new LinkedHashSet<>();
        of.name()
                .readings()
                .forEach(reading -> combine(reading.stream().limit(MOST_WORDS).toList(), of, keys));
        return keys;
    }

    private static void combine(List<Word> words, Profile of, Set<String> keys) {
        List<String> towns = new ArrayList<>();
        of.places().stream()
                .filter(place -> !place.town().isEmpty())
                .map(ProfileKeys::town)
                .distinct()
                .forEach(towns::add);
        for (int i = 0; i < words.size(); i++) {
            String one = words.get(i).sound();
            towns.forEach(town -> keys.add("u" + one + town));
            if (i + 1 < words.size()) {
                keys.add(word(Letters.sound(one + words.get(i + 1).sound())));
            }
            for (int j = 0; j < words.size(); j++) {
                String other = words.get(j).sound();
                if (i < j) {
                    String pair = one.compareTo(other) < 0 ? one + " " + other : other + " " + one;
                    keys.add("v" + pair);
                    towns.forEach(town -> keys.add("x" + pair + town));
                }
                if (i != j) {
                    keys.add("i" + one.charAt(0) + " " + other);
                }
            }
        }
        if (words.size() >= LEAST_FIRST_LETTERS) {
            StringBuilder letters = new StringBuilder();
            words.forEach(word -> letters.append(word.text().charAt(0)));
            keys.add(word(Letters.sound(letters.toString())));
        }
    }
}
