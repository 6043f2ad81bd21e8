package alcabala.server.map;

import alcabala.accounting.crosswalk.CrosswalkRow;
import alcabala.accounting.crosswalk.Meaning;
import alcabala.accounting.crosswalk.Purpose;
import alcabala.accounting.crosswalk.RowKind;
import alcabala.accounting.custom.CustomField;
import alcabala.accounting.ledger.LedgerAccount;
import alcabala.accounting.ledger.LedgerDimension;
import alcabala.accounting.ledger.LedgerTaxCode;
import alcabala.accounting.matching.Names;
import alcabala.accounting.party.Party;
import alcabala.accounting.posting.StandardFields;
import alcabala.accounting.terms.CodedTerms;
import alcabala.connectors.ledger.LedgerItem;
import alcabala.server.compile.Affected;
import alcabala.server.compile.CrosswalkStore;
import alcabala.server.compile.Released;
import alcabala.server.jobs.Works.Progress;
import alcabala.server.platform.AddedWords;
import alcabala.server.platform.Copy;
import alcabala.server.platform.NotPossibleException;
import alcabala.server.platform.SumJson;
import alcabala.server.record.Refs;
import alcabala.server.reference.AddedThere;
import alcabala.server.reference.ItemsThere;
import alcabala.server.reference.LedgerReference;
import alcabala.server.route.RouteRow;
import alcabala.server.route.Routes;
import alcabala.server.trail.Trail;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/// Moves a route to another ledger on purpose: what of its crosswalk carries over, what does not, and what that blocks.
/// What was posted stays with the ledger that has it.
@Component
class RouteMove {
    private final JdbcClient jdbc;
    private final Routes routes;
    private final CrosswalkStore store;
    private final LedgerReference reference;
    private final ItemsThere items;
    private final AddedThere added;
    private final Affected affected;
    private final Trail trail;

    /// A row that does not carry over.
    ///
    /// @param gross of the documents that use it and have not crossed, by currency
    record Left(String kind, String code, String pointsTo, String reason, int documents, List<SumJson> gross) {}

    /// @param waiting documents that have not crossed and will go to the new ledger
    /// @param posted documents that stay with the old one
    record Plan(
            String route,
            String from,
            String to,
            String toCompany,
            String currency,
            int carried,
            List<Left> left,
            int waiting,
            int posted) {}

    record Moved(int carried, int left, int blocked, String sentence) {}

    RouteMove(
            JdbcClient jdbc,
            Routes routes,
            CrosswalkStore store,
            LedgerReference reference,
            ItemsThere items,
            AddedThere added,
            Affected affected,
            Trail trail) {
        this.added = added;
        this.jdbc = jdbc;
        this.routes = routes;
        this.store = store;
        this.reference = reference;
        this.items = items;
        this.affected = affected;
        this.trail = trail;
    }

    Plan plan(RouteRow route, long toLedger) {
        record Target(String name, String companyName) {}
        Target target = jdbc.sql("select name, company_name from ledger where id = :id and connected")
                .param("id", toLedger)
                .query(Target.class)
                .optional()
                .orElseThrow(() -> NotPossibleException.missing("connected ledger " + toLedger));
        List<CrosswalkRow> rows = store.rows(route.id());
        Carrying carrying = new Carrying(route.ledgerId(), toLedger);
        List<Left> left = rows.stream()
                .flatMap(row -> carrying.whyNot(row).map(reason -> left(route, row, reason)).stream())
                .sorted(Comparator.comparingInt(Left::documents).reversed().thenComparing(Left::code))
                .toList();
        record Counts(int waiting, int posted) {}
        Counts counts =
                jdbc.sql("""
                select count(*) filter (where outcome is distinct from 'posted') as waiting,
                    count(*) filter (where outcome = 'posted') as posted from record where route_id = :id""").param("id", route.id()).query(Counts.class).single();
        return new Plan(
                route.code(),
                route.ledger(),
                target.name(),
                target.companyName(),
                route.currency(),
                rows.size() - left.size(),
                left,
                counts.waiting(),
                counts.posted());
    }

    private Left left(RouteRow route, CrosswalkRow row, String reason) {
        record Use(String currency, int documents, long gross) {}
        String sql = """
                select currency, count(*) as documents,
                    coalesce(sum(signed(kind, gross)) filter (where is_document(kind)), sum(signed(kind, gross)), 0) as gross
                from record where route_id = :route and outcome is distinct from 'posted'""";
        List<Use> uses = jdbc.sql((row.kind().concernsAll() ? sql : sql + used(row)) + " group by currency")
                .param("route", route.id())
                .param("ref", Copy.array(Set.of(Refs.of(row.kind(), row.code()))))
                .param("record", row.kind() == RowKind.LINE ? RowChecks.recordOf(row.code()) : 0)
                .query(Use.class)
                .list();
        return new Left(
                row.kind().name().toLowerCase(Locale.ROOT),
                row.code(),
                pointsTo(row.meaning()),
                reason,
                uses.stream().mapToInt(Use::documents).sum(),
                SumJson.of(uses.stream().collect(Collectors.toMap(Use::currency, Use::gross))));
    }

    private static String used(CrosswalkRow row) {
        return row.kind() == RowKind.LINE ? " and id = :record" : " and refs @> cast(:ref as text[])";
    }

    private static String pointsTo(Meaning meaning) {
        return Stream.concat(meaning.targets().values().stream(), meaning.dimensions().values().stream())
                .filter(target -> !target.isEmpty())
                .distinct()
                .collect(Collectors.joining(", "));
    }

    @Transactional
    public Moved move(RouteRow route, long toLedger, String who, Progress at) {
        routes.lock(route.id());
        routes.requireNothingOnItsWay(route);
        Plan plan = plan(route, toLedger);
        Carrying carrying = new Carrying(route.ledgerId(), toLedger);
        for (CrosswalkRow row : store.rows(route.id())) {
            if (carrying.whyNot(row).isPresent()) {
                store.remove(route.id(), row.kind(), row.code(), row.version(), who);
            }
        }
        routes.lead(route.id(), toLedger);
        trail.write(
                route.id(),
                null,
                who,
                "route-moved",
                Map.of(
                        "from",
                        plan.from(),
                        "to",
                        plan.to(),
                        "carried",
                        plan.carried(),
                        "left",
                        plan.left().size()));
        Released released = affected.compileAgain(route.id(), Set.of(), who, "move to " + plan.to(), at);
        return new Moved(
                plan.carried(),
                plan.left().size(),
                released.blockedAgain(),
                "%s now leads to %s: %d rows carried over, %d left behind, %d documents blocked by it"
                        .formatted(
                                route.source(),
                                plan.to(),
                                plan.carried(),
                                plan.left().size(),
                                released.blockedAgain()));
    }

    /// Compares what rows point to on the one ledger with what stands under the same code on the other.
    private final class Carrying {
        private final Map<String, LedgerAccount> accountsHere;
        private final Map<String, LedgerAccount> accountsThere;
        private final Map<String, LedgerTaxCode> taxHere;
        private final Map<String, LedgerTaxCode> taxThere;
        private final Map<String, Party> partiesHere;
        private final Map<String, Party> partiesThere;
        private final Map<String, LedgerItem> itemsThere;
        private final Map<String, CodedTerms> termsHere;
        private final Map<String, CodedTerms> termsThere;
        private final Map<String, CustomField> fieldsThere;
        private final Map<String, LedgerDimension> dimensionsThere;

        Carrying(long here, long there) {
            accountsHere = by(reference.accounts(here), LedgerAccount::code);
            accountsThere = by(reference.accounts(there), LedgerAccount::code);
            taxHere = by(reference.taxCodes(here), LedgerTaxCode::code);
            taxThere = by(reference.taxCodes(there), LedgerTaxCode::code);
            partiesHere = by(reference.parties(here), Party::code);
            partiesThere = by(reference.parties(there), Party::code);
            itemsThere = by(items.all(there), LedgerItem::code);
            termsHere = by(added.terms(here), CodedTerms::code);
            termsThere = by(added.terms(there), CodedTerms::code);
            fieldsThere = by(added.fields(there), CustomField::code);
            dimensionsThere = reference.dimensions(there);
        }

        private static <T> Map<String, T> by(List<T> rows, Function<T, String> code) {
            return rows.stream().collect(Collectors.toMap(code, Function.identity()));
        }

        /// Empty when the row carries over.
        Optional<String> whyNot(CrosswalkRow row) {
            List<String> reasons = new ArrayList<>();
            row.meaning().targets().forEach((purpose, target) -> {
                if (!target.isEmpty() && purpose.pointsThere()) {
                    (purpose == Purpose.COUNTERPART ? counterpart(row.kind(), target) : account(target))
                            .ifPresent(reasons::add);
                }
            });
            row.meaning()
                    .dimensions()
                    .forEach((dimension, value) -> dimension(dimension, value).ifPresent(reasons::add));
            return reasons.isEmpty() ? Optional.empty() : Optional.of(String.join("; ", reasons));
        }

        private Optional<String> counterpart(RowKind kind, String target) {
            return switch (kind) {
                case TAX -> tax(target);
                case PARTY -> party(target);
                case ITEM ->
                    itemsThere.containsKey(target) ? Optional.empty() : Optional.of("there is no item " + target);
                case TERMS -> terms(target);
                case FIELD -> field(target);
                // Goes with its field, and is found out where that has other choices.
                case CHOICE -> Optional.empty();
                case CATEGORY, PROJECT, SUPPLIER, SITE, LINE_KIND, ROLE, LINE, MEANS, PAYER -> Optional.empty();
            };
        }

        private Optional<String> terms(String code) {
            CodedTerms there = termsThere.get(code);
            CodedTerms here = termsHere.get(code);
            if (there == null || !there.active()) {
                return Optional.of("there are no active terms " + code);
            }
            return here == null || here.rule().computesLike(there.rule())
                    ? Optional.empty()
                    : Optional.of("terms %s are %s there, %s here"
                            .formatted(code, AddedWords.terms(there.rule()), AddedWords.terms(here.rule())));
        }

        private Optional<String> field(String code) {
            CustomField there = fieldsThere.get(code);
            return StandardFields.isStandard(code) || (there != null && there.active())
                    ? Optional.empty()
                    : Optional.of("there is no active field " + code);
        }

        private Optional<String> dimension(String dimension, String value) {
            LedgerDimension there = dimensionsThere.get(dimension);
            return there != null && there.values().contains(value)
                    ? Optional.empty()
                    : Optional.of("there is no " + value + " of the dimension " + dimension);
        }

        private Optional<String> account(String code) {
            LedgerAccount there = accountsThere.get(code);
            LedgerAccount here = accountsHere.get(code);
            if (there == null) {
                return Optional.of("there is no account " + code);
            }
            if (!there.active()) {
                return Optional.of("account " + code + " is not active there");
            }
            return here == null || here.type() == there.type()
                    ? Optional.empty()
                    : Optional.of("account %s is of type %s there, %s here"
                            .formatted(code, word(there.type()), word(here.type())));
        }

        private Optional<String> tax(String code) {
            LedgerTaxCode there = taxThere.get(code);
            LedgerTaxCode here = taxHere.get(code);
            if (there == null || !there.active()) {
                return Optional.of("there is no active tax code " + code);
            }
            boolean same =
                    here == null || (here.rate().compareTo(there.rate()) == 0 && here.category() == there.category());
            return same
                    ? Optional.empty()
                    : Optional.of("tax code %s is %s %% there, %s %% here"
                            .formatted(
                                    code,
                                    there.rate().toPlainString(),
                                    here.rate().toPlainString()));
        }

        /// The same id in another company is another party, unless its name or tax identifier says otherwise.
        private Optional<String> party(String code) {
            Party there = partiesThere.get(code);
            Party here = partiesHere.get(code);
            if (there == null) {
                return Optional.of("there is no party " + code);
            }
            boolean same = here != null
                    && (Names.normalise(here.name()).equals(Names.normalise(there.name()))
                            || (!here.taxIdentifier().isEmpty()
                                    && here.taxIdentifier().equals(there.taxIdentifier())));
            return same ? Optional.empty() : Optional.of("party " + code + " is " + there.name() + " there");
        }

        private static String word(Enum<?> type) {
            return type.name().toLowerCase(Locale.ROOT);
        }
    }
}
