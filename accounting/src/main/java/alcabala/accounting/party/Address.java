package alcabala.accounting.party;

/// A postal address; parts that are not known are empty.
///
/// @param country ISO 3166-1 alpha-2
public record Address(String street, String city, String postalZone, String country) {
    public static final Address NONE = new Address("", "", "", "");
}
