package alcabala.accounting.setting;

import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;

/// One decision about a route: a topic, for the kinds of record that it is decided for.
public record Setting(Topic topic, Carried of) {
    private static final List<Setting> ALL = Stream.of(Topic.values())
            .flatMap(topic -> topic.concerns().stream().map(of -> new Setting(topic, of)))
            .sorted(Comparator.comparing((Setting setting) -> setting.topic().section())
                    .thenComparing(Setting::of)
                    .thenComparing(Setting::topic))
            .toList();

    public Setting {
        if (!topic.concerns().contains(of)) {
            throw new IllegalArgumentException(topic + " is not decided for " + of);
        }
    }

    /// All there are, in the order in which they are decided: what concerns everything of a section, then kind by kind.
    public static List<Setting> all() {
        return ALL;
    }

    /// By its name, see [#name].
    public static Optional<Setting> find(String name) {
        return ALL.stream().filter(setting -> setting.name().equals(name)).findFirst();
    }

    /// `SALES_TAX`; of one for each kind `INVOICES_TRIGGER`, and `INVOICES` for which way they travel.
    public String name() {
        if (of == Carried.EVERYTHING) {
            return topic.name();
        }
        return topic == Topic.DIRECTION ? of.name() : of.name() + "_" + topic.name();
    }

    public Shape shape() {
        return topic.shape(of);
    }

    /// The value that holds until somebody decides.
    public String standard() {
        return topic.standard(of);
    }
}
