package standins.inkwell;

import java.util.List;

/// A company that keeps its books on Inkwell.
///
/// @param id part of every address of its books, and of the name of its schema
/// @param taxRounding `per-document` or `per-line`
public record Company(String id, String name, String currency, String taxRounding) {
    public static final Company SALTMERE =
            new Company("saltmere", "Corvane Boatyards, Saltmere", "EUR", "per-document");
    public static final Company CHARTER = new Company("charter", "Corvane Charter", "EUR", "per-document");
    public static final Company TRAINING = new Company("training", "Corvane Sail Training Trust", "EUR", "per-line");
    public static final List<Company> ALL = List.of(SALTMERE, CHARTER, TRAINING);

    String schema() {
        return "inkwell_" + id;
    }
}
