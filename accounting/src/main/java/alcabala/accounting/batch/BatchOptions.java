package alcabala.accounting.batch;

import alcabala.accounting.setting.Carried;
import alcabala.accounting.setting.RouteSettings;
import alcabala.accounting.setting.Section;
import alcabala.accounting.setting.Setting;
import alcabala.accounting.setting.Shape;
import alcabala.accounting.setting.Topic;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.stream.Stream;

/// What a batch decides on top of its route: how its documents stand on the ledger (domain, section 6). What is booked
/// stays what the route says.
///
/// @param decided values by topic; a topic that is not here is as the route has it
public record BatchOptions(Map<Topic, String> decided) {
    public static final BatchOptions NONE = new BatchOptions(Map.of());

    public BatchOptions {
        decided = Map.copyOf(decided);
    }

    /// What can be decided for one batch.
    public static List<Topic> topics() {
        return Stream.of(Topic.values())
                .filter(topic -> topic.section() == Section.DOCUMENT)
                .toList();
    }

    /// Empty when a name is none of these topics, or a value is none of its words.
    ///
    /// @param words values by the names of topics
    public static Optional<BatchOptions> of(Map<String, String> words) {
        Map<Topic, String> decided = new EnumMap<>(Topic.class);
        for (Map.Entry<String, String> each : words.entrySet()) {
            Optional<Topic> topic = topics().stream()
                    .filter(known -> known.name().equals(each.getKey()) && takes(known, each.getValue()))
                    .findFirst();
            if (topic.isEmpty()) {
                return Optional.empty();
            }
            decided.put(topic.get(), each.getValue());
        }
        return Optional.of(new BatchOptions(decided));
    }

    private static boolean takes(Topic topic, String value) {
        return topic.concerns().stream()
                .map(of -> new Setting(topic, of).shape())
                .allMatch(shape ->
                        shape instanceof Shape.Choice choice && choice.words().contains(value));
    }

    public boolean isEmpty() {
        return decided.isEmpty();
    }

    /// The settings of a route with these on top.
    public RouteSettings on(RouteSettings route) {
        RouteSettings with = route;
        for (Map.Entry<Topic, String> each : decided.entrySet()) {
            for (Carried of : each.getKey().concerns()) {
                with = with.with(each.getKey(), of, each.getValue());
            }
        }
        return with;
    }

    /// Values by the names of topics, in the order of the names.
    public Map<String, String> words() {
        Map<String, String> words = new TreeMap<>();
        decided.forEach((topic, value) -> words.put(topic.name(), value));
        return words;
    }
}
