package alcabala.server.masters;

import alcabala.accounting.party.PartyField;
import alcabala.accounting.setting.RouteSettings;
import alcabala.accounting.sync.Both;
import alcabala.accounting.sync.PartyFields;
import alcabala.accounting.sync.PartyRules;
import alcabala.accounting.sync.Rule;
import alcabala.connectors.ledger.RewritesParties;
import alcabala.connectors.spi.Connection;
import alcabala.server.connection.Ledgers;
import alcabala.server.connection.Sources;
import alcabala.server.route.RouteRow;
import java.util.EnumMap;
import java.util.EnumSet;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/// What holds of the fields of a route's parties at one moment: what is decided about each, and which of them either
/// side takes.
///
/// @param takes empty where a side cannot be told at all
record PartyRulesNow(RouteRow route, Map<PartyField, Rule> rules, Both<Set<PartyField>> takes) {
    /// Nobody has to be let in for it: what is asked and what would become of it can be read while access is lost.
    static PartyRulesNow of(RouteRow route, RouteSettings decided, Sources sources, Ledgers ledgers) {
        return new PartyRulesNow(
                route,
                PartyRules.of(decided),
                new Both<>(
                        route.fromFiles() ? Set.of() : takes(sources.described(route.sourceId())),
                        route.ledgerAnswers() ? takes(ledgers.described(route.ledgerId())) : Set.of()));
    }

    private static Set<PartyField> takes(Connection connection) {
        Optional<RewritesParties> found = connection.find(RewritesParties.class);
        return found.map(RewritesParties::takes).orElseGet(() -> EnumSet.noneOf(PartyField.class));
    }

    PartyFields of(PartyPair pair) {
        Map<PartyField, String> source = locked(takes.source(), route.source());
        Map<PartyField, String> ledger = locked(takes.ledger(), route.ledger());
        if (!pair.there()) {
            for (PartyField field : PartyField.values()) {
                ledger.put(field, "it is not active in " + route.ledger());
            }
        }
        return new PartyFields(rules, new Both<>(source, ledger));
    }

    private static Map<PartyField, String> locked(Set<PartyField> takes, String side) {
        Map<PartyField, String> locked = new EnumMap<>(PartyField.class);
        for (PartyField field : PartyField.values()) {
            if (!takes.contains(field)) {
                locked.put(field, side + " does not take it from elsewhere");
            }
        }
        return locked;
    }

    /// All of it as one text: what was merged under another is merged again.
    String text() {
        return rules + " " + takes;
    }
}
