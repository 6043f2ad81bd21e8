package standins.copperplate;

import java.util.List;
import java.util.Map;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import standins.Refusal;

/// Its lists, each with the columns it writes into a file.
@Component
public class CopperplateBooks {
    private static final Map<String, Listing> LISTINGS = Map.of(
            "accounts",
            new Listing(
                    "copperplate_account",
                    "code",
                    List.of("Account", "Title", "Class", "Open"),
                    "code, title, class, case when open then 'yes' else 'no' end"),
            "tax-codes",
            new Listing(
                    "copperplate_tax",
                    "code",
                    List.of("Tax code", "Title", "Percent", "Category", "Account", "Open"),
                    "code, title, trim_scale(percent)::text, letter, account, case when open then 'yes' else 'no' end"),
            "parties",
            new Listing(
                    "copperplate_party",
                    "number",
                    List.of(
                            "Party",
                            "Name",
                            "Tax number",
                            "E-mail",
                            "Phone",
                            "Street",
                            "City",
                            "Postal code",
                            "Country",
                            "Open"),
                    "number, name, tax_number, mail, phone, street, city, postal_code, country,"
                            + " case when open then 'yes' else 'no' end"),
            "terms",
            new Listing(
                    "copperplate_term",
                    "code",
                    List.of("Terms", "Title", "Days", "Open"),
                    "code, title, days::text, case when open then 'yes' else 'no' end"));

    private final JdbcClient jdbc;

    private record Listing(String table, String key, List<String> columns, String values) {}

    CopperplateBooks(JdbcClient jdbc) {
        this.jdbc = jdbc;
    }

    public static List<String> names() {
        return List.of("accounts", "tax-codes", "parties", "terms");
    }

    public List<String> columns(String name) {
        return listing(name).columns();
    }

    public List<List<String>> rows(String name) {
        Listing listing = listing(name);
        int width = listing.columns().size();
        return jdbc.sql("select " + listing.values() + " from " + listing.table() + " order by " + listing.key())
                .query((row, n) -> {
                    String[] cells = new String[width];
                    for (int i = 0; i < width; i++) {
                        cells[i] = row.getString(i + 1);
                    }
                    return List.of(cells);
                })
                .list();
    }

    public void open(String name, String key, boolean open) {
        Listing listing = listing(name);
        int rows = jdbc.sql("update " + listing.table() + " set open = :open where " + listing.key() + " = :key")
                .params(Map.of("open", open, "key", key))
                .update();
        if (rows == 0) {
            throw Refusal.notFound(name + " " + key);
        }
    }

    private static Listing listing(String name) {
        Listing listing = LISTINGS.get(name);
        if (listing == null) {
            throw Refusal.notFound("list " + name);
        }
        return listing;
    }
}
