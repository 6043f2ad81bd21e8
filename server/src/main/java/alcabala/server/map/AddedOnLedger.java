package alcabala.server.map;

import alcabala.accounting.crosswalk.Crosswalk;
import alcabala.accounting.crosswalk.Meaning;
import alcabala.accounting.crosswalk.Purpose;
import alcabala.accounting.crosswalk.RowKind;
import alcabala.accounting.custom.Conversion;
import alcabala.accounting.custom.CustomField;
import alcabala.accounting.custom.Direction;
import alcabala.accounting.custom.FieldFormat;
import alcabala.accounting.custom.FieldType;
import alcabala.accounting.posting.StandardFields;
import alcabala.accounting.terms.CodedTerms;
import alcabala.server.compile.CrosswalkStore;
import alcabala.server.platform.AddedWords;
import alcabala.server.reference.AddedThere;
import alcabala.server.reference.SourceAdded;
import alcabala.server.route.RouteRow;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Stream;
import org.springframework.stereotype.Component;

/// What rows of terms of payment, of fields and of choices can point to.
@Component
class AddedOnLedger {
    private final AddedThere there;
    private final SourceAdded source;
    private final CrosswalkStore store;

    AddedOnLedger(AddedThere there, SourceAdded source, CrosswalkStore store) {
        this.there = there;
        this.source = source;
        this.store = store;
    }

    List<Option> terms(RouteRow route) {
        return there.terms(route.ledgerId()).stream()
                .filter(CodedTerms::active)
                .map(each -> option(RowKind.TERMS, each.code(), each.name(), AddedWords.terms(each.rule())))
                .toList();
    }

    List<Option> fields(RouteRow route, String code) {
        Optional<CustomField> here = field(route, code);
        return ledgerFields(route)
                .filter(CustomField::active)
                .filter(each ->
                        here.isEmpty() || Conversion.isPossible(here.get().type(), each.type()))
                .map(each -> option(RowKind.FIELD, each.code(), each.name(), note(route, each)))
                .toList();
    }

    private static String note(RouteRow route, CustomField field) {
        return StandardFields.findTold(field.code()).isPresent() ? "told to " + route.source() : AddedWords.type(field);
    }

    List<Option> choices(RouteRow route, String code) {
        return fieldOfChoice(route, code).stream()
                .flatMap(field -> field.choices().entrySet().stream())
                .map(choice -> option(RowKind.CHOICE, choice.getKey(), choice.getValue(), ""))
                .toList();
    }

    /// How the text of the one side writes what the other keeps.
    List<Option> formats(RouteRow route, String code, String there) {
        return formatted(route, code, there).stream()
                .flatMap(type -> FieldFormat.of(type).stream())
                .map(each -> word(Purpose.FORMAT, each.word(), each.sample()))
                .toList();
    }

    List<Option> directions() {
        return Arrays.stream(Direction.values())
                .map(each -> word(Purpose.DIRECTION, each.word(), AddedWords.direction(each)))
                .toList();
    }

    private Optional<FieldType> formatted(RouteRow route, String code, String there) {
        Optional<CustomField> ledger = ledgerField(route, there);
        return field(route, code).flatMap(here -> ledger.flatMap(it -> Conversion.formatted(here.type(), it.type())));
    }

    private static Option option(RowKind kind, String code, String name, String note) {
        return new Option(Meaning.of(kind, code, ""), code, name, note, "");
    }

    private static Option word(Purpose purpose, String word, String name) {
        return new Option(Meaning.NONE.with(purpose, word), word, name, "", "");
    }

    /// What such a word is called; empty for one that is none.
    static String named(Purpose purpose, String word) {
        return switch (purpose) {
            case FORMAT ->
                Arrays.stream(FieldFormat.values())
                        .filter(each -> each.word().equals(word))
                        .map(FieldFormat::sample)
                        .findFirst()
                        .orElse("");
            case DIRECTION -> Direction.find(word).map(AddedWords::direction).orElse("");
            default -> "";
        };
    }

    /// Of the source, also one that every document has.
    Optional<CustomField> field(RouteRow route, String code) {
        return StandardFields.all().stream()
                .filter(each -> each.code().equals(code))
                .findFirst()
                .or(() -> source.findField(route.sourceId(), code));
    }

    Stream<CustomField> ledgerFields(RouteRow route) {
        return Stream.of(there.fields(route.ledgerId()), StandardFields.ofLedger(), StandardFields.told())
                .flatMap(List::stream);
    }

    Optional<CustomField> ledgerField(RouteRow route, String code) {
        return ledgerFields(route).filter(each -> each.code().equals(code)).findFirst();
    }

    /// The field there whose choices a row of a choice can name.
    Optional<CustomField> fieldOfChoice(RouteRow route, String code) {
        int end = code.indexOf(Crosswalk.CHOICE_OF);
        return end < 0
                ? Optional.empty()
                : store.find(route.id(), RowKind.FIELD, code.substring(0, end))
                        .flatMap(row -> ledgerField(route, row.counterpart()));
    }

    /// What everything is called that rows of a kind can point to, also what is not in use any more.
    Map<String, String> names(RouteRow route, RowKind kind) {
        Map<String, String> names = new HashMap<>();
        switch (kind) {
            case TERMS -> there.terms(route.ledgerId()).forEach(each -> names.put(each.code(), each.name()));
            case FIELD -> ledgerFields(route).forEach(each -> names.put(each.code(), each.name()));
            // Of two fields with the same choice under other names, which is meant is seen from the row's own code.
            case CHOICE ->
                there.fields(route.ledgerId())
                        .forEach(field -> field.choices()
                                .forEach((code, name) ->
                                        names.merge(code, name, (one, other) -> one.equals(other) ? one : "")));
            default -> {}
        }
        return names;
    }
}
