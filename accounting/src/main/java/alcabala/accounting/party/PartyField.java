package alcabala.accounting.party;

import alcabala.accounting.field.MasterField;
import alcabala.accounting.field.Use;
import java.util.Arrays;
import java.util.Locale;
import java.util.function.BiFunction;
import java.util.function.Function;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/// A field of a party as it is compared and written: what is only right together, such as an address, is one.
public enum PartyField implements MasterField {
    NAME(Party::name, Party::withName),
    TAX_IDENTIFIER(Party::taxIdentifier, Party::withTaxIdentifier) {
        @Override
        String plain(String value) {
            return value.replaceAll("[\\s.,-]", "").toUpperCase(Locale.ROOT);
        }
    },
    E_MAIL(Party::email, Party::withEmail) {
        @Override
        String plain(String value) {
            return value.toLowerCase(Locale.ROOT);
        }
    },
    PHONE(Party::phone, Party::withPhone) {
        @Override
        String plain(String value) {
            return value.replaceAll("[\\s()./-]", "");
        }
    },
    BILL_TO(party -> text(party.billTo()), (party, value) -> party.withBillTo(address(value))),
    SHIP_TO(party -> text(party.shipTo()), (party, value) -> party.withShipTo(address(value))),
    /// Terms of payment, each side by its own code.
    TERMS(Party::terms, Party::withTerms),
    IN_USE(party -> Use.of(party.active()), (party, value) -> party.withActive(Use.isActive(value)));

    private static final String BETWEEN = " | ";
    private final Function<Party, String> value;
    private final BiFunction<Party, String, Party> with;

    PartyField(Function<Party, String> value, BiFunction<Party, String, Party> with) {
        this.value = value;
        this.with = with;
    }

    @Override
    public String code() {
        return name().toLowerCase(Locale.ROOT).replace('_', '-');
    }

    /// What a party has in it; empty where it has nothing. Of an address street, city, postal zone and country with
    /// ` | ` between them.
    public String of(Party party) {
        return value.apply(party);
    }

    /// The same party with another value; null or empty takes away what is there.
    public Party with(Party party, String other) {
        return with.apply(party, other == null ? "" : other);
    }

    /// One without a name cannot be kept.
    @Override
    public boolean takes(String value) {
        return this != NAME || !value.isBlank();
    }

    @Override
    public boolean isUse() {
        return this == IN_USE;
    }

    @Override
    public boolean isSame(String one, String other) {
        return isUse() ? Use.isSame(one, other) : normal(one).equals(normal(other));
    }

    private String normal(String said) {
        return said == null ? "" : plain(said.strip().replaceAll("\\s+", " "));
    }

    String plain(String said) {
        return said;
    }

    private static String text(Address address) {
        Stream<String> parts = Stream.of(address.street(), address.city(), address.postalZone(), address.country());
        String text = parts.map(part -> part.replace('|', '/').strip()).collect(Collectors.joining(BETWEEN));
        return text.replace("|", "").isBlank() ? "" : text;
    }

    /// Parts that are not told are empty.
    private static Address address(String text) {
        String[] parts = Arrays.copyOf(text.split("\\|", 4), 4);
        return new Address(part(parts[0]), part(parts[1]), part(parts[2]), part(parts[3]));
    }

    private static String part(String text) {
        return text == null ? "" : text.strip();
    }
}
