package alcabala.server.send;

import alcabala.accounting.posting.Cancellation;
import alcabala.formats.layout.Exported;
import alcabala.formats.layout.Layout;
import alcabala.formats.layout.LayoutField;
import alcabala.formats.layout.Written;
import alcabala.server.crossing.FileDispatches;
import alcabala.server.crossing.Posting;
import alcabala.server.crossing.Postings;
import alcabala.server.files.BatchFiles;
import alcabala.server.files.InvoiceFactsOf;
import alcabala.server.files.Layouts;
import alcabala.server.platform.DocumentJson;
import alcabala.server.platform.NotPossibleException;
import alcabala.server.route.RouteRow;
import alcabala.server.send.Preview.Creation;
import alcabala.server.send.Preview.Prepared;
import java.time.Clock;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.joda.money.Money;
import org.springframework.stereotype.Component;

/// Writes a batch into files, for a ledger that takes those: within the transaction that makes the batch, so that
/// what is written has left, and what has left is written.
@Component
class Exports {
    private final Postings postings;
    private final FileDispatches dispatches;
    private final Layouts layouts;
    private final BatchFiles files;
    private final InvoiceFactsOf facts;
    private final Clock clock;

    Exports(
            Postings postings,
            FileDispatches dispatches,
            Layouts layouts,
            BatchFiles files,
            InvoiceFactsOf facts,
            Clock clock) {
        this.postings = postings;
        this.dispatches = dispatches;
        this.layouts = layouts;
        this.files = files;
        this.facts = facts;
        this.clock = clock;
    }

    /// Such a ledger creates without a word what it does not know: each has been seen, and is allowed by name.
    void requireAllowed(RouteRow route, Preview preview, Set<String> allowed) {
        List<String> unseen = preview.parties().stream()
                .filter(each -> !allowed.contains(each.code()))
                .map(Creation::name)
                .toList();
        if (!unseen.isEmpty()) {
            throw NotPossibleException.conflict(
                    "creates-silently",
                    "%s does not know %s and would create %s without asking. Map %s, or allow it by name; nothing was written."
                            .formatted(
                                    route.ledger(),
                                    named(unseen),
                                    unseen.size() == 1 ? "it" : "them",
                                    unseen.size() == 1 ? "it" : "each"));
        }
    }

    private static String named(List<String> names) {
        String first = names.stream().limit(3).collect(Collectors.joining(", "));
        return names.size() > 3 ? first + " and " + (names.size() - 3) + " more" : first;
    }

    void write(RouteRow route, long batch, List<Prepared> documents, String layoutName, String who) {
        write(route, batch, documents, layoutName, Candidates.CAN_GO, who);
    }

    /// @param canGo a condition on `record d`
    void write(RouteRow route, long batch, List<Prepared> documents, String layoutName, String canGo, String who) {
        Layout layout = layouts.choose(route.ledgerId(), Previews.carries(documents), layoutName);
        List<Long> frozen = postings.freeze(
                route,
                documents.stream()
                        .map(each -> new Postings.Made(each.id(), each.revision(), each.posting()))
                        .toList(),
                clock.instant());
        String delivery = files.delivery(batch);
        Set<Long> before =
                dispatches.takenBack(documents.stream().map(Prepared::id).toList());
        List<Row> rows = documents.stream()
                .map(each -> row(route, delivery, each, before.contains(each.id())))
                .toList();
        List<Exported> records =
                rows.stream().flatMap(row -> row.exported().stream()).toList();
        Written written = files.write(batch, layout, records, facts.of(route, layout, records), who);
        Map<String, Written.Place> places =
                written.places().stream().collect(Collectors.toMap(Written.Place::reference, Function.identity()));
        List<FileDispatches.Leaving> leaving = new ArrayList<>(documents.size());
        for (int i = 0; i < documents.size(); i++) {
            Prepared each = documents.get(i);
            leaving.add(new FileDispatches.Leaving(
                    each.id(),
                    each.revision(),
                    frozen.get(i),
                    each.undoes(),
                    DocumentJson.write(request(layout, rows.get(i), places))));
        }
        if (!dispatches.leave(route, batch, leaving, canGo, who)) {
            throw NotPossibleException.conflict(
                    "changed-meanwhile", "A document of the batch changed meanwhile; look at the batch again.");
        }
    }

    /// What of one record goes into the file.
    ///
    /// @param reversal our name for what takes back what stands there; empty where nothing does
    private record Row(String reference, String reversal, List<Exported> exported) {}

    /// What stands there is taken back first, and what takes its place has a name of its own, so that the register of
    /// the ledger tells them apart.
    ///
    /// @param before whether it stood there once and was taken back
    private Row row(RouteRow route, String delivery, Prepared prepared, boolean before) {
        String first = route.reference(prepared.sourceRef());
        String again = first + "/" + delivery;
        if (!prepared.stands()) {
            String name = before ? again : first;
            return new Row(name, "", List.of(exported(name, prepared)));
        }
        if (prepared.posting().entry() instanceof Cancellation) {
            return new Row(again, "", List.of(exported(again, prepared)));
        }
        String reversal = again + "-R";
        Posting former = postings.findReversing(prepared.id())
                .orElseThrow(() -> new IllegalStateException("what stands there was found before: " + prepared.id()));
        Exported back = new Exported(former.entry(), former.journal(), reversal, former.partyName());
        return new Row(again, reversal, List.of(back, exported(again, prepared)));
    }

    /// The ledger answers with what it books: of rows of bookings, the sum of one side.
    private static Money control(Layout layout, Row row) {
        Exported of = row.exported().getLast();
        boolean bookings = layout.files().getFirst().per() == LayoutField.Scope.BOOKING;
        return bookings ? of.journal().debit() : of.entry().gross();
    }

    private static Map<String, Object> request(Layout layout, Row row, Map<String, Written.Place> places) {
        Written.Place place = places.get(row.reference());
        Map<String, Object> request = new LinkedHashMap<>();
        request.put("file", place.file());
        request.put("first", place.first());
        request.put("last", place.last());
        request.put("reference", row.reference());
        request.put("control", control(layout, row).getAmount().toPlainString());
        if (!row.reversal().isEmpty()) {
            request.put("reversal", row.reversal());
        }
        return request;
    }

    static Exported exported(String reference, Prepared prepared) {
        return new Exported(
                prepared.posting().entry() instanceof Cancellation taken
                        ? taken.asEntry()
                        : prepared.posting().entry(),
                prepared.posting().journal(),
                reference,
                prepared.posting().partyName());
    }
}
