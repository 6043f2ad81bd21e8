package alcabala.server.connect;

import java.util.Locale;

/// The operational apps that can be connected by their key.
public enum App {
    HULLWORK("Hullwork"),
    STORELOFT("Storeloft"),
    REFITLINE("Refitline");

    private final String title;

    App(String title) {
        this.title = title;
    }

    public String title() {
        return title;
    }

    /// The word for it in the database and in addresses.
    String system() {
        return name().toLowerCase(Locale.ROOT);
    }
}
