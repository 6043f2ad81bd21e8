package alcabala.server.masters;

import alcabala.accounting.field.MasterField;
import alcabala.accounting.setting.RouteSettings;
import alcabala.accounting.sync.Both;
import alcabala.accounting.sync.LastChanges;
import alcabala.accounting.sync.MasterFields;
import alcabala.accounting.sync.MasterRules;
import alcabala.accounting.sync.Policy;
import alcabala.accounting.sync.Rule;
import alcabala.server.connection.Ledgers;
import alcabala.server.connection.Sources;
import alcabala.server.route.RouteRow;
import java.time.Instant;
import java.util.HashMap;
import java.util.Map;
import java.util.Set;

/// What holds of the fields of a kind of master on a route at one moment: what is decided about each, which of them
/// either side takes, and what the ledger asks of them.
///
/// @param takes codes of fields; none where a side cannot be told at all
record MasterRulesNow(
        RouteRow route, Master master, Map<String, Rule> rules, Both<Set<String>> takes, Master.Sayings sayings) {
    /// Nobody has to be let in for it: what is asked and what would become of it can be read while access is lost.
    static MasterRulesNow of(RouteRow route, Master master, RouteSettings decided, Sources sources, Ledgers ledgers) {
        return new MasterRulesNow(
                route,
                master,
                MasterRules.of(decided, master.carried(), master.fields()),
                new Both<>(
                        route.fromFiles() ? Set.of() : master.takes(sources.described(route.sourceId())),
                        route.ledgerAnswers() ? master.takes(ledgers.described(route.ledgerId())) : Set.of()),
                master.sayings(route));
    }

    MasterFields of(MasterPair pair) {
        Map<String, String> source = locked(takes.source(), route.source());
        Map<String, String> ledger = locked(takes.ledger(), route.ledger());
        if (!pair.there()) {
            master.fields().stream()
                    .filter(field -> pair.gone() || !field.isUse())
                    .forEach(field -> ledger.put(field.code(), "it is not active in " + route.ledger()));
        }
        return new MasterFields(
                master.fields(), rules, new Both<>(source, ledger), sayings.of().apply(pair.code(), pair.named()));
    }

    /// The same once both sides said when it was changed there.
    MasterFields of(MasterPair pair, Both<LastChanges> told, Instant now) {
        return of(pair).changedAt(
                        told.with(pair.baseline().changed(pair.values()), (each, changed) -> each.times(changed, now)));
    }

    /// Whether it is asked when a field was changed, where nobody owns it.
    boolean laterWins() {
        return rules.values().stream().anyMatch(rule -> rule.policy() == Policy.LATEST);
    }

    private Map<String, String> locked(Set<String> takes, String side) {
        Map<String, String> locked = new HashMap<>();
        for (MasterField field : master.fields()) {
            if (!takes.contains(field.code())) {
                locked.put(field.code(), side + " does not take it from elsewhere");
            }
        }
        return locked;
    }

    /// All of it as one text: what was merged under another is merged again.
    String text() {
        return rules + " " + takes.map(codes -> codes.stream().sorted().toList()) + " " + sayings.asked();
    }
}
