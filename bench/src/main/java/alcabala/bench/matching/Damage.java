package alcabala.bench.matching;

import alcabala.accounting.party.Address;
import alcabala.accounting.party.Party;
import java.util.Locale;
import java.util.Random;

/// What becomes of an entity when somebody types it in: other ways to write the same, slips, gaps, what is
/// out of date.
final class Damage {
    private static final String[] FILLERS = {
        "EXEMPT", "N/A", "0000000", "IE0000000", "none", "999999999", "123456789", "PENDING"
    };
    private final Random random;
    private final Entities entities;

    Damage(Random random, Entities entities) {
        this.random = random;
        this.entities = entities;
    }

    private boolean once(int in) {
        return random.nextInt(in) == 0;
    }

    Party written(String code, Entity entity) {
        boolean moved = entity.kind() == Entity.Kind.MOVED ? random.nextBoolean() : once(60);
        String town = moved ? entities.town() : entity.town();
        String street = moved ? entities.street() : entity.street();
        Address bill = once(7)
                ? Address.NONE
                : new Address(
                        once(8) ? "" : street(street),
                        once(12) ? "" : slip(town, 30),
                        once(3) ? "" : moved ? entities.zone() : entity.zone(),
                        once(3) ? "" : entity.country());
        String mail = once(8) ? "" : once(12) ? "old" + random.nextInt(99) + "@" + house(entity.mail()) : entity.mail();
        return new Party(
                code,
                name(entity),
                tax(entity),
                once(4) ? "" : once(2) ? mail : mail.toUpperCase(Locale.ROOT),
                once(4) ? "" : phone(once(10) ? entities.phone() : entity.phone()),
                bill,
                once(4) ? bill : Address.NONE,
                true);
    }

    private static String house(String mail) {
        return mail.substring(mail.indexOf('@') + 1);
    }

    private String street(String street) {
        return once(2)
                ? street
                : street.replace("Street", "St.")
                        .replace("Road", "Rd")
                        .replace("Avenue", "Ave")
                        .replace("Lane", "Ln");
    }

    private String phone(String phone) {
        String slipped = once(25) ? phone.substring(0, phone.length() - 1) + random.nextInt(10) : phone;
        return switch (random.nextInt(5)) {
            case 0 -> slipped.replace("+353 ", "0");
            case 1 -> slipped.replace("+", "00").replace(" ", "");
            case 2 -> slipped.replace("+353 ", "(0").replaceFirst(" ", ") ");
            case 3 -> slipped.replace(" ", "-") + " ext 12";
            default -> slipped;
        };
    }

    private String tax(Entity entity) {
        String tax = entity.tax();
        if (entity.kind() == Entity.Kind.FILLER || tax.isEmpty()) {
            return once(2) ? FILLERS[random.nextInt(FILLERS.length)] : "";
        }
        if (once(4)) {
            return "";
        }
        String slipped = once(30) ? swapped(tax) : tax;
        return switch (random.nextInt(6)) {
            case 0 -> slipped.substring(2);
            case 1 -> slipped.substring(0, 2) + " " + slipped.substring(2, 5) + " " + slipped.substring(5);
            case 2 -> slipped.toLowerCase(Locale.ROOT);
            case 3 -> "VAT " + slipped.substring(0, 2) + "-" + slipped.substring(2);
            case 4 -> slipped.substring(2, 5) + "." + slipped.substring(5);
            default -> slipped;
        };
    }

    private String swapped(String text) {
        int at = 3 + random.nextInt(text.length() - 5);
        return text.substring(0, at) + text.charAt(at + 1) + text.charAt(at) + text.substring(at + 2);
    }

    private String name(Entity entity) {
        String name = entity.name();
        boolean here = random.nextBoolean();
        String[] parts = name.split(" ");
        String last = parts[parts.length - 1];
        name = switch (entity.kind()) {
            case OTHER_SCRIPT -> here ? name : once(2) ? Scripts.greek(name) : Scripts.cyrillic(name);
            case UMLAUT -> here ? name.replace("ü", "ue").replace("ö", "oe").replace("ä", "ae") : name;
            case TRADING_AS -> here ? name : name.substring(name.indexOf(" t/a ") + 5);
            case FORMER_NAME -> here ? name : name.replaceFirst(" \\S+ née ", " ");
            case INITIALS -> here ? name : parts[0].charAt(0) + ". " + last;
            case DEPARTMENT -> here ? name : name + (once(2) ? ", Accounts Dept" : " (Accounts Payable)");
            case WORD_ORDER ->
                here
                        ? name
                        : last
                                + (entity.person() ? ", " : " ")
                                + name.substring(0, name.length() - last.length())
                                        .strip();
            case ABBREVIATED -> here ? name : abbreviated(name);
            default -> name;
        };
        String form = entity.form().isEmpty() || once(3) ? entity.form() : other(entity.form());
        name = slip(name, 12);
        name = once(40) ? name.replaceFirst(" ", "") : name;
        name = once(5) ? name.toUpperCase(Locale.ROOT) : once(9) ? name.replace(" & ", " and ") : name;
        return form.isEmpty() || once(5) ? name : name + (once(6) ? ", " : " ") + form;
    }

    private String abbreviated(String name) {
        return name.replace("Services", "Svcs")
                .replace("Engineering", "Eng.")
                .replace("Construction", "Constr.")
                .replace("Electrical", "Elec")
                .replace("Supplies", "Supp")
                .replace("Logistics", "Log.")
                .replace("Boatyard", "Boat Yard")
                .replace("Association", "Assoc.")
                .replace("Marine", "Mar.")
                .replace("Holdings", "Hldgs")
                .replace("Consulting", "Cons");
    }

    private static String other(String form) {
        return switch (form) {
            case "Ltd", "Ltd." -> "Limited";
            case "Limited" -> "Ltd";
            case "GmbH" -> "G.m.b.H.";
            case "S.A." -> "SA";
            case "SARL" -> "S.A.R.L.";
            case "B.V." -> "BV";
            case "LLC" -> "L.L.C.";
            default -> form.toUpperCase(Locale.ROOT);
        };
    }

    /// One letter wrong, left out, twice, or exchanged.
    private String slip(String text, int in) {
        if (!once(in) || text.length() < 5) {
            return text;
        }
        int at = 1 + random.nextInt(text.length() - 3);
        String letter = String.valueOf((char) ('a' + random.nextInt(26)));
        return switch (random.nextInt(4)) {
            case 0 -> text.substring(0, at) + text.substring(at + 1);
            case 1 -> text.substring(0, at) + letter + text.substring(at);
            case 2 -> text.substring(0, at) + letter + text.substring(at + 1);
            default -> text.substring(0, at) + text.charAt(at + 1) + text.charAt(at) + text.substring(at + 2);
        };
    }
}
