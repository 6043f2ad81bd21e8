package alcabala.accounting.sync;

import alcabala.accounting.field.MasterField;
import alcabala.accounting.setting.Carried;
import alcabala.accounting.setting.RouteSettings;
import alcabala.accounting.setting.Topic;
import java.util.Collection;
import java.util.Locale;
import java.util.Map;
import java.util.TreeMap;

/// What a route has decided about each field of a kind of master.
public final class MasterRules {
    private MasterRules() {}

    /// By codes of fields.
    public static Map<String, Rule> of(RouteSettings decided, Carried kind, Collection<? extends MasterField> fields) {
        Direction direction = Direction.valueOf(word(decided, Topic.DIRECTION, kind));
        Policy policy = Policy.valueOf(word(decided, Topic.WINNER, kind));
        Map<String, Rule> rules = new TreeMap<>();
        for (MasterField field : fields) {
            Owner owner = Owner.valueOf(word(decided, Topic.ownerOf(field), kind));
            rules.put(field.code(), new Rule(direction, owner, policy));
        }
        return rules;
    }

    private static String word(RouteSettings decided, Topic topic, Carried kind) {
        return decided.get(topic, kind).toUpperCase(Locale.ROOT).replace('-', '_');
    }
}
