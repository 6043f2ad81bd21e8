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
    private static final Rule NEVER_BY_ITSELF = new Rule(Direction.NONE, Owner.NOBODY, Policy.ASK);

    private MasterRules() {}

    /// By codes of fields.
    public static Map<String, Rule> of(RouteSettings decided, Carried kind, Collection<? extends MasterField> fields) {
        Map<String, Rule> rules = new TreeMap<>();
        for (MasterField field : fields) {
            rules.put(field.code(), field.isUse() ? NEVER_BY_ITSELF : rule(decided, kind, field));
        }
        return rules;
    }

    private static Rule rule(RouteSettings decided, Carried kind, MasterField field) {
        return new Rule(
                Direction.valueOf(word(decided, Topic.DIRECTION, kind)),
                Owner.valueOf(word(decided, Topic.ownerOf(field), kind)),
                Policy.valueOf(word(decided, Topic.WINNER, kind)));
    }

    private static String word(RouteSettings decided, Topic topic, Carried kind) {
        return decided.get(topic, kind).toUpperCase(Locale.ROOT).replace('-', '_');
    }
}
