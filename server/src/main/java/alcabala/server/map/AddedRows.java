package alcabala.server.map;

import alcabala.accounting.crosswalk.Crosswalk;
import alcabala.accounting.crosswalk.CrosswalkRow;
import alcabala.accounting.crosswalk.RowKind;
import alcabala.accounting.custom.Conversion;
import alcabala.accounting.custom.CustomField;
import alcabala.accounting.custom.Direction;
import alcabala.accounting.matching.Names;
import alcabala.accounting.posting.CustomFields;
import alcabala.accounting.posting.StandardFields;
import alcabala.accounting.terms.CodedTerms;
import alcabala.server.map.Suggestions.Suggestion;
import alcabala.server.platform.AddedWords;
import alcabala.server.platform.Writing;
import alcabala.server.reference.AddedThere;
import alcabala.server.reference.SourceAdded;
import alcabala.server.reference.SourceAdded.TermsHere;
import alcabala.server.route.RouteRow;
import java.time.LocalDate;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.stream.Stream;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;

/// Terms of payment, fields of documents and choices in them, each with what stands for it there.
@Component
class AddedRows {
    private static final String DUE_DATE_GOES = "its due date";
    private static final String STAYS = "stays where it is";
    private static final double LIKE = 0.5;
    private final JdbcClient jdbc;
    private final SourceAdded source;
    private final AddedThere there;
    private final AddedOnLedger ledger;

    AddedRows(JdbcClient jdbc, SourceAdded source, AddedThere there, AddedOnLedger ledger) {
        this.jdbc = jdbc;
        this.source = source;
        this.there = there;
        this.ledger = ledger;
    }

    List<MapView.Row> terms(KindRows rows, RouteRow route) {
        List<CodedTerms> offered = there.terms(route.ledgerId()).stream()
                .filter(CodedTerms::active)
                .toList();
        return source.terms(route.sourceId()).stream()
                .map(each -> rows.row(
                        RowKind.TERMS,
                        each.code(),
                        each.name(),
                        each.rule() == null ? "" : AddedWords.terms(each.rule()),
                        DUE_DATE_GOES,
                        "terms-differ:",
                        suggestion(each, offered).orElse(null)))
                .toList();
    }

    /// What computes the same stands for it, whatever either is called; of one of the same name it is said where it
    /// does not.
    private static Optional<Suggestion> suggestion(TermsHere here, List<CodedTerms> offered) {
        if (here.rule() == null) {
            return Optional.empty();
        }
        List<CodedTerms> alike = offered.stream()
                .filter(each -> each.rule().computesLike(here.rule()))
                .sorted(Comparator.comparing((CodedTerms each) -> -likeness(each.name(), here.name())))
                .toList();
        return alike.stream()
                .findFirst()
                .map(each -> new Suggestion(
                        each.code(), "", each.name(), "due alike on every day of four years", alike.size() == 1))
                .or(() -> offered.stream()
                        .filter(each -> likeness(each.name(), here.name()) >= LIKE)
                        .max(Comparator.comparingDouble(each -> likeness(each.name(), here.name())))
                        .map(each -> new Suggestion(each.code(), "", each.name(), differing(here, each), false)));
    }

    private static String differing(TermsHere here, CodedTerms there) {
        Optional<LocalDate> day = here.rule().findDiffering(there.rule());
        return day.map(each -> "alike only in name: of %s due on %s, not %s"
                        .formatted(
                                Writing.now().day(each),
                                Writing.now().day(there.rule().due(each)),
                                Writing.now().day(here.rule().due(each))))
                .orElse("alike only in name: another discount");
    }

    List<MapView.Row> fields(KindRows rows, RouteRow route) {
        List<CustomField> offered = ledger.ledgerFields(route)
                .filter(CustomField::active)
                .filter(each -> !StandardFields.isStandard(each.code()))
                .toList();
        return Stream.concat(source.fields(route.sourceId()).stream(), StandardFields.all().stream())
                .map(each -> rows.row(
                        RowKind.FIELD,
                        each.code(),
                        each.name(),
                        StandardFields.isStandard(each.code()) ? "every document" : AddedWords.type(each),
                        STAYS,
                        "field-unconvertible:",
                        StandardFields.isStandard(each.code())
                                ? null
                                : suggestion(each, offered).orElse(null)))
                .toList();
    }

    private static Optional<Suggestion> suggestion(CustomField here, List<CustomField> offered) {
        return offered.stream()
                .filter(each -> Conversion.isPossible(here.type(), each.type()))
                .filter(each -> likeness(each.name(), here.name()) >= LIKE)
                .max(Comparator.comparingDouble(each -> likeness(each.name(), here.name())))
                .map(each -> {
                    boolean same = likeness(each.name(), here.name()) == 1;
                    return new Suggestion(
                            each.code(),
                            "",
                            each.name(),
                            (same ? "same name" : "similar name") + (each.type() == here.type() ? " and type" : ""),
                            same && each.type() == here.type());
                });
    }

    /// Those in fields whose values have to be looked up.
    List<MapView.Row> choices(KindRows rows, RouteRow route) {
        Map<String, CustomField> looked = new HashMap<>();
        rows.all(RowKind.FIELD).forEach(row -> looked(route, row).ifPresent(field -> looked.put(row.code(), field)));
        Map<String, String> told = told(route);
        rows.codes(RowKind.CHOICE).forEach(code -> told.putIfAbsent(code, choiceOf(code)));
        return told.entrySet().stream()
                .filter(each -> looked.containsKey(fieldOf(each.getKey())))
                .map(each -> {
                    CustomField field = looked.get(fieldOf(each.getKey()));
                    return rows.row(
                            RowKind.CHOICE,
                            each.getKey(),
                            each.getValue(),
                            "in " + field.name(),
                            "",
                            "choice-unmapped:",
                            suggestion(each.getValue(), field).orElse(null));
                })
                .toList();
    }

    /// The source's own choices, and texts that documents wait for.
    private Map<String, String> told(RouteRow route) {
        Map<String, String> told = new TreeMap<>();
        jdbc.sql("select code, name from source_choice where source_id = :id")
                .param("id", route.sourceId())
                .query(row -> {
                    told.put(row.getString("code"), row.getString("name"));
                });
        jdbc.sql("""
                select distinct f.subject from finding f join record d on d.id = f.record_id
                where d.route_id = :route and f.kind = 'choice-unmapped'""").param("route", route.id()).query(row -> {
            told.putIfAbsent(row.getString("subject"), choiceOf(row.getString("subject")));
        });
        return told;
    }

    private static String choiceOf(String code) {
        return code.substring(code.indexOf(Crosswalk.CHOICE_OF) + Crosswalk.CHOICE_OF.length());
    }

    private Optional<CustomField> looked(RouteRow route, CrosswalkRow row) {
        boolean goes = CustomFields.direction(row) == Direction.TO_LEDGER;
        return ledger.ledgerField(route, row.counterpart())
                .filter(field -> ledger.field(route, row.code())
                        .filter(here -> goes
                                ? Conversion.needsTable(here.type(), field.type())
                                : Conversion.needsTable(field.type(), here.type()))
                        .isPresent());
    }

    private static String fieldOf(String code) {
        return code.substring(0, code.indexOf(Crosswalk.CHOICE_OF));
    }

    private static Optional<Suggestion> suggestion(String name, CustomField field) {
        return field.choices().entrySet().stream()
                .filter(each -> likeness(each.getValue(), name) >= LIKE)
                .max(Comparator.comparingDouble(each -> likeness(each.getValue(), name)))
                .map(each -> {
                    boolean same = likeness(each.getValue(), name) == 1;
                    return new Suggestion(
                            each.getKey(), "", each.getValue(), same ? "same name" : "similar name", same);
                });
    }

    private static double likeness(String one, String other) {
        return Names.similarity(Names.normalise(one), Names.normalise(other));
    }
}
