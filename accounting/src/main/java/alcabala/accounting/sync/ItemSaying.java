package alcabala.accounting.sync;

import alcabala.accounting.item.ItemField;
import alcabala.accounting.ledger.NameRules;
import java.util.Optional;

/// An item has its source's name on the ledger, made fit for it, or the one that somebody decided: then neither side's
/// is a name for the other.
///
/// @param named the name that somebody decided; empty for none
public record ItemSaying(String code, String named, NameRules rules) implements Saying {
    @Override
    public Optional<String> said(String field, String value, Side to) {
        if (!field.equals(ItemField.NAME.code())) {
            return Optional.of(value);
        }
        if (to == Side.SOURCE) {
            return named.isEmpty() ? Optional.of(value) : Optional.empty();
        }
        String name = rules.fit(named.isEmpty() ? value : named);
        return Optional.of(name.isEmpty() ? code : name);
    }
}
