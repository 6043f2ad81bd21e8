package alcabala.server.map;

import alcabala.accounting.crosswalk.CrosswalkRow;
import alcabala.accounting.crosswalk.Meaning;
import alcabala.accounting.crosswalk.Purpose;
import alcabala.accounting.crosswalk.RowKind;
import alcabala.accounting.custom.Conversion;
import alcabala.accounting.custom.CustomField;
import alcabala.accounting.custom.Direction;
import alcabala.accounting.custom.FieldFormat;
import alcabala.accounting.custom.FieldType;
import alcabala.accounting.posting.CustomFields;
import alcabala.accounting.posting.StandardFields;
import alcabala.accounting.terms.CodedTerms;
import alcabala.connectors.source.WritesFields;
import alcabala.connectors.spi.Side;
import alcabala.server.compile.CrosswalkStore;
import alcabala.server.connection.Kinds;
import alcabala.server.platform.AddedWords;
import alcabala.server.platform.NotPossibleException;
import alcabala.server.reference.AddedThere;
import alcabala.server.route.RouteRow;
import java.util.List;
import java.util.Optional;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;

/// What rows of terms of payment, of fields and of choices may say.
@Component
class AddedChecks {
    private final AddedOnLedger ledger;
    private final AddedThere there;
    private final CrosswalkStore store;
    private final Kinds kinds;
    private final JdbcClient jdbc;

    AddedChecks(AddedOnLedger ledger, AddedThere there, CrosswalkStore store, Kinds kinds, JdbcClient jdbc) {
        this.kinds = kinds;
        this.jdbc = jdbc;
        this.ledger = ledger;
        this.there = there;
        this.store = store;
    }

    /// @throws NotPossibleException with what is wrong
    void check(RouteRow route, RowKind kind, String code, Meaning asked) {
        String target = asked.targets().getOrDefault(Purpose.COUNTERPART, "");
        switch (kind) {
            case TERMS -> checkTerms(route, target);
            case FIELD -> checkField(route, code, target, asked);
            case CHOICE -> checkChoice(route, code, target);
            default -> {}
        }
    }

    private void checkTerms(RouteRow route, String target) {
        boolean active = there.terms(route.ledgerId()).stream()
                .filter(CodedTerms::active)
                .anyMatch(each -> each.code().equals(target));
        if (!active) {
            throw missing(route, "active terms " + target);
        }
    }

    private void checkField(RouteRow route, String code, String target, Meaning asked) {
        CustomField here = ledger.field(route, code)
                .orElseThrow(
                        () -> NotPossibleException.invalid("field-unknown", "The source has no field " + code + "."));
        CustomField into = ledger.ledgerFields(route)
                .filter(each -> each.active() && each.code().equals(target))
                .findFirst()
                .orElseThrow(() -> missing(route, "active field " + target));
        boolean told = StandardFields.findTold(target).isPresent();
        Direction direction = direction(asked, told);
        boolean possible = direction == Direction.TO_LEDGER
                ? Conversion.isPossible(here.type(), into.type())
                : Conversion.isPossible(into.type(), here.type());
        // A table is made of the choices of the one side, or of what documents say in a field of their own.
        boolean tabled = direction == Direction.TO_LEDGER
                ? !Conversion.needsTable(here.type(), into.type()) || !StandardFields.isStandard(code)
                : !Conversion.needsTable(into.type(), here.type()) || into.type() == FieldType.CHOICE;
        if (!possible || !tabled) {
            throw NotPossibleException.invalid(
                    "field-unfit",
                    "%s (%s) cannot become %s (%s)."
                            .formatted(here.name(), AddedWords.type(here), into.name(), AddedWords.type(into)));
        }
        if (told && direction == Direction.TO_LEDGER) {
            throw NotPossibleException.invalid(
                    "field-one-way",
                    "%s is what %s tells: nothing goes into it.".formatted(into.name(), route.ledger()));
        }
        boolean comesBack = told || !StandardFields.isStandard(target);
        if (direction == Direction.TO_SOURCE && (StandardFields.isStandard(code) || !comesBack)) {
            throw NotPossibleException.invalid(
                    "field-unfit",
                    "Only what a business added itself, and what its ledger makes of a document, goes back into a field of the source.");
        }
        if (direction == Direction.TO_SOURCE && !canBeTold(route)) {
            throw NotPossibleException.invalid(
                    "field-one-way", route.source() + " cannot be told what a document says in a field.");
        }
        checkFormat(asked, here, into);
        if (direction == Direction.TO_LEDGER) {
            requireAlone(route, code, target);
        }
    }

    private boolean canBeTold(RouteRow route) {
        String system = jdbc.sql("select system from source where id = :id")
                .param("id", route.sourceId())
                .query(String.class)
                .single();
        return List.of(kinds.codes(Side.SOURCE, WritesFields.class)).contains(system);
    }

    /// @param told whether only the ledger says it
    private static Direction direction(Meaning asked, boolean told) {
        Direction standard = told ? Direction.TO_SOURCE : Direction.TO_LEDGER;
        String word = asked.targets().getOrDefault(Purpose.DIRECTION, standard.word());
        return Direction.find(word)
                .orElseThrow(() -> NotPossibleException.invalid(
                        "direction-unknown", "Values go to-ledger or to-source, not “" + word + "”."));
    }

    private static void checkFormat(Meaning asked, CustomField here, CustomField into) {
        String word = asked.targets().getOrDefault(Purpose.FORMAT, "");
        boolean known = Conversion.formatted(here.type(), into.type())
                .flatMap(type -> FieldFormat.find(type, word))
                .isPresent();
        if (!word.isEmpty() && !known) {
            throw NotPossibleException.invalid(
                    "format-unfit",
                    "“%s” does not say how %s is written as %s."
                            .formatted(word, AddedWords.type(here), AddedWords.type(into)));
        }
    }

    private void requireAlone(RouteRow route, String code, String target) {
        Optional<String> other = store.rows(route.id(), List.of(RowKind.FIELD)).stream()
                .filter(row -> !row.code().equals(code) && row.counterpart().equals(target))
                .filter(row -> CustomFields.direction(row) == Direction.TO_LEDGER)
                .map(CrosswalkRow::code)
                .findFirst();
        other.ifPresent(it -> {
            throw NotPossibleException.invalid(
                    "field-taken", "Field %s goes into %s already; only one can.".formatted(it, target));
        });
    }

    private void checkChoice(RouteRow route, String code, String target) {
        CustomField field = ledger.fieldOfChoice(route, code)
                .orElseThrow(() -> NotPossibleException.invalid(
                        "choice-invalid",
                        "A choice is named by its field, such as berth > N, once that goes into one of the ledger; "
                                + code + " is none."));
        if (!field.choices().containsKey(target)) {
            throw missing(route, "choice " + target + " in " + field.name());
        }
    }

    private static NotPossibleException missing(RouteRow route, String what) {
        return NotPossibleException.invalid("not-on-ledger", route.ledger() + " has no " + what + ".");
    }
}
