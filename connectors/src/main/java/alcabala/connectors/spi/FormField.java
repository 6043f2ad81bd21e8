package alcabala.connectors.spi;

/// A field of the form by which a connection of a kind is set up.
///
/// @param name in the answers
/// @param label as the person reads it
/// @param secret whether nobody may read it over her shoulder, or ever again; only the key may be
/// @param usual what stands in it to begin with; may be empty
public record FormField(String name, String label, boolean secret, String usual) {
    public static final String ADDRESS = "address";
    public static final String KEY = "key";

    public static FormField address() {
        return new FormField(ADDRESS, "Its address", false, "");
    }

    public static FormField key() {
        return new FormField(KEY, "Its key", true, "");
    }
}
