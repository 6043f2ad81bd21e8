package alcabala.accounting.sync;

import alcabala.accounting.party.PartyField;
import alcabala.accounting.setting.Carried;
import alcabala.accounting.setting.RouteSettings;
import alcabala.accounting.setting.Topic;
import java.util.EnumMap;
import java.util.Locale;
import java.util.Map;

/// What a route has decided about each field of its parties.
public final class PartyRules {
    private PartyRules() {}

    public static Map<PartyField, Rule> of(RouteSettings decided) {
        Direction direction = Direction.valueOf(word(decided, Topic.DIRECTION));
        Policy policy = Policy.valueOf(word(decided, Topic.WINNER));
        Map<PartyField, Rule> rules = new EnumMap<>(PartyField.class);
        for (PartyField field : PartyField.values()) {
            rules.put(field, new Rule(direction, Owner.valueOf(word(decided, owner(field))), policy));
        }
        return rules;
    }

    /// By which it is decided whose a field is.
    public static Topic owner(PartyField field) {
        return switch (field) {
            case NAME -> Topic.OWNER_OF_NAME;
            case TAX_IDENTIFIER -> Topic.OWNER_OF_TAX_IDENTIFIER;
            case E_MAIL -> Topic.OWNER_OF_E_MAIL;
            case PHONE -> Topic.OWNER_OF_PHONE;
            case BILL_TO -> Topic.OWNER_OF_BILL_TO;
            case SHIP_TO -> Topic.OWNER_OF_SHIP_TO;
        };
    }

    private static String word(RouteSettings decided, Topic topic) {
        return decided.get(topic, Carried.PARTIES).toUpperCase(Locale.ROOT).replace('-', '_');
    }
}
