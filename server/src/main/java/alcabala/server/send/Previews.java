package alcabala.server.send;

import alcabala.accounting.batch.ControlTotals;
import alcabala.accounting.document.Document;
import alcabala.accounting.matching.PartyMatcher;
import alcabala.accounting.party.Party;
import alcabala.accounting.posting.BookingDay;
import alcabala.accounting.posting.Compilation;
import alcabala.accounting.posting.Compiler;
import alcabala.accounting.posting.LedgerLine;
import alcabala.accounting.posting.PutTogether;
import alcabala.accounting.record.Origin;
import alcabala.accounting.record.Record;
import alcabala.accounting.setting.RouteSettings;
import alcabala.formats.layout.Layout.Carries;
import alcabala.server.compile.Compilers;
import alcabala.server.compile.Compiling;
import alcabala.server.crossing.BatchDates;
import alcabala.server.crossing.Posting;
import alcabala.server.crossing.Postings;
import alcabala.server.files.Layouts;
import alcabala.server.items.ItemNaming;
import alcabala.server.items.NewItems;
import alcabala.server.merge.Together;
import alcabala.server.platform.NotPossibleException;
import alcabala.server.platform.Writing;
import alcabala.server.record.Stored;
import alcabala.server.reference.ItemsThere;
import alcabala.server.reference.LedgerReference;
import alcabala.server.route.RouteRow;
import alcabala.server.send.Candidates.Candidate;
import alcabala.server.send.Choice.Standing;
import alcabala.server.send.Preview.Alike;
import alcabala.server.send.Preview.Creation;
import alcabala.server.send.Preview.Prepared;
import java.time.Clock;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.LongFunction;
import java.util.stream.Collectors;
import org.joda.money.CurrencyUnit;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;

/// Says what sending documents will do, before it does anything.
@Component
class Previews {
    private static final int YEARS = 2;
    private final JdbcClient jdbc;
    private final Candidates candidates;
    private final Compilers compilers;
    private final LedgerReference reference;
    private final ItemsThere itemsThere;
    private final ItemNaming naming;
    private final NewItems newItems;
    private final BatchDates dates;
    private final Compiling compiling;
    private final Postings postings;
    private final Layouts layouts;
    private final Together together;
    private final Clock clock;

    private record Made(Posting posting, Optional<PutTogether.Outcome.Goes> together) {}

    Previews(
            JdbcClient jdbc,
            Candidates candidates,
            Compilers compilers,
            LedgerReference reference,
            ItemsThere itemsThere,
            ItemNaming naming,
            NewItems newItems,
            BatchDates dates,
            Compiling compiling,
            Postings postings,
            Layouts layouts,
            Together together,
            Clock clock) {
        this.jdbc = jdbc;
        this.candidates = candidates;
        this.compilers = compilers;
        this.reference = reference;
        this.itemsThere = itemsThere;
        this.naming = naming;
        this.newItems = newItems;
        this.dates = dates;
        this.compiling = compiling;
        this.postings = postings;
        this.layouts = layouts;
        this.together = together;
        this.clock = clock;
    }

    Preview of(RouteRow route, Choice choice) {
        List<Candidate> found = candidates.of(route, choice);
        requireOpen(route, choice.dated());
        Compiler compiler = compilers.of(route, choice.options());
        InPlace inPlace = inPlace(route, compiler, choice, found);
        List<Prepared> clean = prepare(route, compiler, found, inPlace, choice);
        requireOneSide(clean);
        Map<String, Alike> alike = alike(clean);
        List<Prepared> going = clean.stream()
                .filter(each -> !alike.containsKey(each.party().code())
                        || !each.posting().entry().bringsParty())
                .toList();
        Set<String> known = itemsThere.known(route.ledgerId(), needed(going).keySet());
        boolean itemsAreThere = itemsAreThere(route, going);
        Map<String, Creation> parties = new LinkedHashMap<>();
        Map<String, String> items = new LinkedHashMap<>();
        for (Prepared each : going) {
            if (each.posting().entry().bringsParty()) {
                Party party = each.party();
                parties.putIfAbsent(party.code(), new Creation(party.code(), party.name()));
            }
            if (itemsAreThere) {
                each.posting().entry().lines().forEach(line -> addItem(line, known, items));
            }
        }
        Set<Long> gone = going.stream().map(Prepared::id).collect(Collectors.toSet());
        List<Long> asked = choice.isNamed()
                ? choice.ids()
                : found.stream().map(Candidate::id).toList();
        return new Preview(
                going,
                totals(route, going),
                List.copyOf(parties.values()),
                List.copyOf(alike.values()),
                named(route, items),
                items.isEmpty() ? List.of() : newItems.collisions(route),
                (int) going.stream().filter(Prepared::stands).count(),
                asked.stream().filter(id -> !gone.contains(id)).toList(),
                inPlace.apart());
    }

    /// Into a file nothing goes in the place of something else.
    private InPlace inPlace(RouteRow route, Compiler compiler, Choice choice, List<Candidate> found) {
        List<Long> stand = found.stream()
                .filter(each -> each.stands() && !each.isFromLedger() && route.ledgerAnswers())
                .map(Candidate::id)
                .toList();
        RouteSettings decided = compiler.route().settings();
        return new InPlace(choice, decided, together.of(route, decided, stand));
    }

    /// A day that somebody gives is looked at beforehand: the ledger would refuse all of them for it.
    private void requireOpen(RouteRow route, LocalDate dated) {
        if (dated == null) {
            return;
        }
        LocalDate today = LocalDate.now(clock);
        if (dated.isBefore(today.minusYears(YEARS)) || dated.isAfter(today.plusYears(YEARS))) {
            throw NotPossibleException.invalid(
                    "day-unlikely",
                    "%s is more than %d years from today. Was another one meant?"
                            .formatted(Writing.now().day(dated), YEARS));
        }
        LocalDate locked = reference.lockedThrough(route.ledgerId());
        if (locked != null && !dated.isAfter(locked)) {
            throw NotPossibleException.invalid(
                    "period-locked",
                    "%s is locked through %s; give the batch a later day, or open the period there."
                            .formatted(route.ledger(), Writing.now().day(locked)));
        }
    }

    /// Into a file only the columns of its layout go.
    private boolean itemsAreThere(RouteRow route, List<Prepared> going) {
        return route.ledgerAnswers() || (!going.isEmpty() && layouts.namesItems(route.ledgerId(), carries(going)));
    }

    /// What a batch of them carries.
    static Carries carries(List<Prepared> documents) {
        return Carries.of(documents.getFirst().posting().entry().kind());
    }

    /// Those that compile clean now, and are not dated by their batch before the first day of their kind.
    private List<Prepared> prepare(
            RouteRow route, Compiler compiler, List<Candidate> candidates, InPlace inPlace, Choice choice) {
        Map<Long, Record> records = new HashMap<>();
        candidates.forEach(each -> records.put(each.id(), Stored.record(each.content())));
        Set<Long> stand =
                candidates.stream().filter(Candidate::stands).map(Candidate::id).collect(Collectors.toSet());
        LongFunction<Compilation> compile = compiling.inTurn(route, compiler, records, stand);
        List<Prepared> prepared = new ArrayList<>();
        for (Candidate candidate : candidates) {
            Record record = records.get(candidate.id());
            made(compiler, compile, candidate, record, inPlace, choice.dated())
                    .filter(made -> route.ledgerAnswers() || !candidate.stands() || standsAsGiven(candidate))
                    .ifPresent(made -> prepared.add(prepared(choice, candidate, record, made)));
        }
        return prepared;
    }

    /// Through a file something is taken back by what was given: where another amount stands by now, that would
    /// leave the difference.
    private boolean standsAsGiven(Candidate candidate) {
        return postings.findReversing(candidate.id())
                .map(former -> former.entry().gross().abs().getAmountMinorLong())
                .filter(given -> given.equals(candidate.ledgerGross()))
                .isPresent();
    }

    private static Prepared prepared(Choice choice, Candidate candidate, Record record, Made made) {
        return new Prepared(
                candidate.id(),
                candidate.sourceRef(),
                candidate.revision(),
                candidate.number(),
                candidate.stands(),
                Origin.valueOf(candidate.origin().toUpperCase(Locale.ROOT)),
                record.counterparty(),
                made.posting(),
                null,
                made.together().isPresent() ? choice.kept() : null,
                made.together().isPresent() && choice.standing() == Standing.RULED,
                choice.standing() == Standing.ASKED
                        ? made.together()
                                .map(PutTogether.Outcome.Goes::changedThere)
                                .orElse(Set.of())
                        : Set.of());
    }

    private Optional<Made> made(
            Compiler compiler,
            LongFunction<Compilation> compile,
            Candidate candidate,
            Record record,
            InPlace inPlace,
            LocalDate dated) {
        if (candidate.isTakenBack()) {
            return postings.findCancelling(candidate.id()).map(posting -> new Made(posting, Optional.empty()));
        }
        if (candidate.isFromLedger()) {
            return asCompiled(record, compile.apply(candidate.id()));
        }
        RouteSettings decided = compiler.route().settings();
        boolean early = record instanceof Document document
                && BookingDay.find(document, decided).isEmpty()
                && decided.findCutOff(document.kind())
                        .filter(LocalDate.now(clock)::isBefore)
                        .isPresent();
        if (early) {
            return Optional.empty();
        }
        Compilation compilation = compile.apply(candidate.id());
        Optional<PutTogether.Outcome> both = inPlace.find(candidate, record, compilation);
        return switch (both.orElse(null)) {
            case PutTogether.Outcome.Cannot cannot -> Optional.empty();
            case PutTogether.Outcome.Goes goes ->
                Optional.of(new Made(
                        Posting.of(record, dates.dated(decided, candidate.id(), goes.entry(), dated), goes.journal()),
                        Optional.of(goes)));
            case null ->
                compilation
                        .entry()
                        .map(entry -> Posting.of(
                                record,
                                dates.dated(decided, candidate.id(), entry, dated),
                                compilation.journal().orElseThrow()))
                        .map(posting -> new Made(posting, Optional.empty()));
        };
    }

    /// What was entered on the ledger keeps its day, and nothing of its source is kept beside it.
    private static Optional<Made> asCompiled(Record record, Compilation compilation) {
        return compilation
                .entry()
                .map(entry ->
                        new Made(Posting.of(record, entry, compilation.journal().orElseThrow()), Optional.empty()));
    }

    private static void requireOneSide(List<Prepared> documents) {
        long sides = documents.stream()
                .map(each -> List.of(
                        each.posting().entry().kind().isSale(),
                        each.posting().entry().kind().family(),
                        each.posting().entry().currency(),
                        each.origin()))
                .distinct()
                .count();
        if (sides > 1) {
            throw NotPossibleException.invalid(
                    "mixed-batch",
                    "Sales and purchases, documents, payments and bankings, several currencies, and what was entered on either side do not add up to one total. Choose one of them at a time, and send a batch of each.");
        }
    }

    private static ControlTotals totals(RouteRow route, List<Prepared> documents) {
        return ControlTotals.of(
                documents.isEmpty()
                        ? CurrencyUnit.of(route.currency())
                        : documents.getFirst().posting().entry().currency(),
                documents.stream().map(Prepared::member).toList());
    }

    /// Parties that the batch would create are looked at together: whoever resembles one before it is asked about
    /// first. Somebody who said that it is a new one has been asked.
    private Map<String, Alike> alike(List<Prepared> documents) {
        Map<String, Party> fresh = new LinkedHashMap<>();
        Map<String, Integer> counts = new HashMap<>();
        for (Prepared each : documents) {
            if (each.posting().entry().bringsParty()) {
                fresh.putIfAbsent(each.party().code(), each.party());
                counts.merge(each.party().code(), 1, Integer::sum);
            }
        }
        PartyMatcher matcher = new PartyMatcher(fresh.values());
        Set<String> said = saidToBeNew(documents, fresh.keySet());
        Set<String> created = new HashSet<>();
        Map<String, Alike> alike = new LinkedHashMap<>();
        for (Party party : fresh.values()) {
            Optional<Party> like = said.contains(party.code())
                    ? Optional.empty()
                    : matcher.all(party)
                            .map(alcabala.accounting.matching.Candidate::party)
                            .filter(other -> created.contains(other.code()))
                            .findFirst();
            like.ifPresentOrElse(
                    other -> alike.put(
                            party.code(),
                            new Alike(party.code(), party.name(), other.name(), counts.get(party.code()))),
                    () -> created.add(party.code()));
        }
        return alike;
    }

    private Set<String> saidToBeNew(List<Prepared> documents, Set<String> codes) {
        if (documents.isEmpty()) {
            return Set.of();
        }
        return Set.copyOf(jdbc.sql("""
                select c.code from crosswalk_row c join record d on d.route_id = c.route_id
                where d.id = :document and c.kind = 'PARTY' and c.purpose = 'COUNTERPART' and c.ended_at is null
                    and c.code = any(:codes)""")
                .param("document", documents.getFirst().id())
                .param("codes", codes.toArray(String[]::new))
                .query(String.class)
                .list());
    }

    /// Items that the ledger is not known to have, each with a line of it.
    private static Map<String, LedgerLine> needed(List<Prepared> documents) {
        Map<String, LedgerLine> needed = new LinkedHashMap<>();
        documents.stream()
                .flatMap(each -> each.posting().entry().lines().stream())
                .filter(line -> !line.item().isEmpty() && line.counterpart().isEmpty())
                .forEach(line -> needed.putIfAbsent(line.item(), line));
        return needed;
    }

    private static void addItem(LedgerLine line, Set<String> known, Map<String, String> items) {
        if (!line.item().isEmpty() && line.counterpart().isEmpty() && !known.contains(line.item())) {
            items.putIfAbsent(line.item(), line.description());
        }
    }

    private List<Creation> named(RouteRow route, Map<String, String> items) {
        return naming.names(route, items).entrySet().stream()
                .map(each -> new Creation(each.getKey(), each.getValue()))
                .toList();
    }
}
