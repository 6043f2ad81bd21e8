package alcabala.accounting.matching.identifier;

import alcabala.accounting.matching.evidence.Agreement;
import alcabala.accounting.matching.name.Letters;
import alcabala.accounting.party.Address;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import java.util.regex.Pattern;
import java.util.stream.Collectors;

/// A postal address as it is compared. Parts that are not known are empty.
///
/// @param street its words by sound, those that say what kind of street it is left out
/// @param numbers those of the house
/// @param town its words by sound
/// @param zone the post code without spaces
/// @param country ISO 3166-1 alpha-2
/// @param townKey the town as one word
/// @param key one house, by which it is found; empty when it does not say which
public record Place(
        Set<String> street,
        Set<String> numbers,
        List<String> town,
        String zone,
        String country,
        String townKey,
        String key) {
    private static final Pattern NO_PART = Pattern.compile("[^A-Z0-9]");
    private static final Set<String> KINDS = Set.of(
            "street", "str", "st", "road", "rd", "avenue", "ave", "av", "lane", "ln", "drive", "dr", "square", "sq",
            "place", "pl", "rue", "strasse", "via", "calle", "unit", "suite", "apt", "flat", "the", "de", "la", "no");
    private static final Map<String, String> SHORT =
            Map.of("st", "saint", "mt", "mount", "co", "county", "nth", "north", "sth", "south", "hbr", "harbour");
    private static final double MOST_OF_IT = 0.6;

    public static Place of(Address address) {
        Set<String> street = new TreeSet<>();
        Set<String> numbers = new TreeSet<>();
        for (String word : Letters.plain(address.street()).split(" ")) {
            if (word.chars().anyMatch(Character::isDigit)) {
                numbers.add(word);
            } else if (!word.isEmpty() && !KINDS.contains(word)) {
                street.add(Letters.sound(SHORT.getOrDefault(word, word).replaceFirst("(strasse|str)$", "")));
            }
        }
        List<String> town = words(address.city());
        String zone =
                NO_PART.matcher(address.postalZone().toUpperCase(Locale.ROOT)).replaceAll("");
        String townKey = String.join("", town);
        boolean tells = !street.isEmpty() && (!town.isEmpty() || !zone.isEmpty());
        String key = tells
                ? String.join(" ", street) + "/" + String.join(" ", numbers) + "/" + (town.isEmpty() ? zone : townKey)
                : "";
        return new Place(street, numbers, town, zone, TaxIdentifier.country(address.country()), townKey, key);
    }

    private static List<String> words(String town) {
        return Arrays.stream(Letters.plain(town).split(" "))
                .filter(word -> !word.isEmpty())
                .map(word -> Letters.sound(SHORT.getOrDefault(word, word)))
                .collect(Collectors.toCollection(ArrayList::new));
    }

    public boolean isNone() {
        return street.isEmpty() && town.isEmpty() && zone.isEmpty();
    }

    /// The same house, the same town, another house in it, or a town that the other is not in.
    public Agreement with(Place other) {
        if (isNone() || other.isNone()) {
            return Agreement.SILENT;
        }
        if (!country.isEmpty() && !other.country.isEmpty() && !country.equals(other.country)) {
            return Agreement.CONTRADICTS;
        }
        boolean sameZone = !zone.isEmpty() && zone.equals(other.zone);
        Agreement towns = towns(other);
        if (towns == Agreement.CONTRADICTS && !sameZone) {
            return Agreement.CONTRADICTS;
        }
        boolean near = sameZone || towns == Agreement.SAME;
        if (!near) {
            return Agreement.SILENT;
        }
        if (street.isEmpty() || other.street.isEmpty()) {
            return Agreement.PARTLY;
        }
        return sameStreet(other) ? Agreement.SAME : sameZone ? Agreement.PARTLY : Agreement.OTHER;
    }

    private Agreement towns(Place other) {
        if (town.isEmpty() || other.town.isEmpty()) {
            return Agreement.SILENT;
        }
        boolean same = townKey.equals(other.townKey)
                || town.containsAll(other.town)
                || other.town.containsAll(town)
                || alike(townKey, other.townKey);
        return same ? Agreement.SAME : Agreement.CONTRADICTS;
    }

    private boolean sameStreet(Place other) {
        boolean sameNumber =
                numbers.isEmpty() || other.numbers.isEmpty() || numbers.stream().anyMatch(other.numbers::contains);
        long common = street.stream()
                .filter(word -> other.street.stream().anyMatch(each -> alike(word, each)))
                .count();
        return sameNumber && common >= MOST_OF_IT * Math.max(street.size(), other.street.size());
    }

    private static boolean alike(String one, String other) {
        return one.equals(other) || (Math.min(one.length(), other.length()) >= 5 && Letters.slips(one, other, 1) == 1);
    }
}
