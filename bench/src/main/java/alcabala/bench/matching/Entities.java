package alcabala.bench.matching;

import java.util.Locale;
import java.util.Random;

/// Makes entities of every difficulty.
final class Entities {
    private static final String[] COUNTRIES = {"IE", "GB", "DE", "FR", "NL", "ES"};
    private static final String[] OPEN_HOUSES = {"gmail.com", "outlook.com", "yahoo.com", "eircom.net"};
    private static final String[] STREETS = {"Quay", "Road", "Street", "Lane", "Wharf", "Avenue", "Terrace"};
    private static final String[] BOXES = {"info", "office", "accounts", "sales", "hello"};
    private final Random random;
    private final Words words;

    Entities(Random random, Words words) {
        this.random = random;
        this.words = words;
    }

    Entity any() {
        return random.nextInt(10) < 3 ? person() : firm();
    }

    Entity person() {
        String given = words.given();
        String surname = words.often(words.surnames);
        String country = country();
        String mail = (given + "." + surname + "@" + words.any(OPEN_HOUSES)).toLowerCase(Locale.ROOT);
        return new Entity(
                Entity.Kind.PLAIN,
                true,
                given + " " + surname,
                "",
                random.nextInt(5) == 0 ? tax(country) : "",
                country,
                mail,
                phone(),
                street(),
                town(),
                zone());
    }

    Entity firm() {
        String brand = words.often(words.brands);
        String country = country();
        String name = switch (random.nextInt(6)) {
            case 0 -> brand + " " + words.often(words.brands) + " " + words.any(Words.TRADES);
            case 1 -> words.often(words.surnames) + " & " + words.often(words.surnames);
            case 2 -> town() + " " + words.any(Words.TRADES) + " " + words.any(Words.BODIES);
            case 3 -> brand + " " + words.any(Words.TRADES) + " " + words.any(Words.TRADES);
            case 4 -> words.given() + " " + words.often(words.surnames) + " " + words.any(Words.TRADES);
            default -> brand + " " + words.any(Words.TRADES);
        };
        String house = (brand + "-" + random.nextInt(900) + ".example").toLowerCase(Locale.ROOT);
        String mail = words.any(BOXES) + "@"
                + (random.nextInt(6) == 0 ? words.any(OPEN_HOUSES).replace("@", "") : house);
        return new Entity(
                Entity.Kind.PLAIN,
                false,
                name,
                words.any(Words.FORMS),
                tax(country),
                country,
                mail.contains("gmail") || mail.contains("outlook") || mail.contains("yahoo") || mail.contains("eircom")
                        ? brand.toLowerCase(Locale.ROOT) + random.nextInt(99) + mail.substring(mail.indexOf('@'))
                        : mail,
                phone(),
                street(),
                town(),
                zone());
    }

    String country() {
        return random.nextInt(10) < 6 ? "IE" : words.any(COUNTRIES);
    }

    /// Half of the Irish ones have the right check letter; nobody checked the others.
    String tax(String country) {
        return switch (country) {
            case "IE" -> irish();
            case "FR" -> "FR" + digits(11);
            case "NL" -> "NL" + digits(9) + "B0" + (1 + random.nextInt(9));
            case "ES" -> "ES" + "ABHX".charAt(random.nextInt(4)) + digits(8);
            default -> country + digits(9);
        };
    }

    private String irish() {
        String digits = digits(7);
        int sum = 0;
        for (int i = 0; i < 7; i++) {
            sum += (digits.charAt(i) - '0') * (8 - i);
        }
        return "IE" + digits + "WABCDEFGHIJKLMNOPQRSTUV".charAt(random.nextBoolean() ? sum % 23 : random.nextInt(23));
    }

    String digits(int count) {
        StringBuilder digits = new StringBuilder().append((char) ('1' + random.nextInt(9)));
        while (digits.length() < count) {
            digits.append((char) ('0' + random.nextInt(10)));
        }
        return digits.toString();
    }

    String phone() {
        return "+353 " + (20 + random.nextInt(79)) + " " + digits(3) + " " + digits(4);
    }

    String street() {
        return (1 + random.nextInt(120)) + " " + words.often(words.surnames) + " " + words.any(STREETS);
    }

    String town() {
        return words.often(words.towns);
    }

    String zone() {
        return "" + (char) ('A' + random.nextInt(20)) + (10 + random.nextInt(89)) + " " + digits(2)
                + (char) ('A' + random.nextInt(20)) + random.nextInt(10);
    }
}
