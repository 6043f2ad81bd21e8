package alcabala.server.send;

import alcabala.formats.layout.Exported;
import alcabala.formats.layout.Layout;
import alcabala.formats.layout.Written;
import alcabala.server.crossing.FileDispatches;
import alcabala.server.crossing.Postings;
import alcabala.server.files.BatchFiles;
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
import java.util.stream.Collectors;
import org.springframework.stereotype.Component;

/// Writes a batch into files, for a ledger that takes those: within the transaction that makes the batch, so that what
/// is
/// written has left, and what has left is written.
@Component
class Exports {
    private final Postings postings;
    private final FileDispatches dispatches;
    private final Layouts layouts;
    private final BatchFiles files;
    private final Clock clock;

    Exports(Postings postings, FileDispatches dispatches, Layouts layouts, BatchFiles files, Clock clock) {
        this.postings = postings;
        this.dispatches = dispatches;
        this.layouts = layouts;
        this.files = files;
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
        Layout layout = layouts.choose(route.ledgerId(), Previews.carries(documents), layoutName);
        List<Long> frozen = postings.freeze(
                route,
                documents.stream()
                        .map(each -> new Postings.Made(each.id(), each.revision(), each.posting()))
                        .toList(),
                clock.instant());
        Map<String, Prepared> byReference = new LinkedHashMap<>();
        documents.forEach(each -> byReference.put(route.reference(each.sourceRef()), each));
        Written written = files.write(
                batch,
                layout,
                byReference.entrySet().stream()
                        .map(each -> exported(each.getKey(), each.getValue()))
                        .toList(),
                who);
        List<FileDispatches.Leaving> leaving = new ArrayList<>(documents.size());
        for (int i = 0; i < documents.size(); i++) {
            Prepared each = documents.get(i);
            Written.Place place = written.places().get(i);
            leaving.add(new FileDispatches.Leaving(
                    each.id(),
                    each.revision(),
                    frozen.get(i),
                    DocumentJson.write(Map.of("file", place.file(), "first", place.first(), "last", place.last()))));
        }
        if (!dispatches.leave(route, batch, leaving, Candidates.CAN_GO, who)) {
            throw NotPossibleException.conflict(
                    "changed-meanwhile", "A document of the batch changed meanwhile; look at the batch again.");
        }
    }

    static Exported exported(String reference, Prepared prepared) {
        return new Exported(
                prepared.posting().entry(),
                prepared.posting().journal(),
                reference,
                prepared.posting().partyName());
    }
}
