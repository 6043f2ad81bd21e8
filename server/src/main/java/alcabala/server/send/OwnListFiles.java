package alcabala.server.send;

import alcabala.accounting.batch.Comparing;
import alcabala.accounting.batch.ControlTotals.Member;
import alcabala.accounting.batch.ListComparison;
import alcabala.formats.grid.Grid;
import alcabala.formats.grid.GridFile;
import alcabala.formats.ownlist.OwnList;
import alcabala.formats.ownlist.OwnLists;
import alcabala.server.platform.FileSentences;
import alcabala.server.platform.NotPossibleException;
import alcabala.server.route.RouteRow;
import java.util.List;
import java.util.Optional;
import org.joda.money.CurrencyUnit;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/// Reads a list of somebody's own from her file, and holds it against a batch.
@Component
class OwnListFiles {
    /// A list is kept with the batch that went by it.
    static final int LARGEST = 5 * 1024 * 1024;

    private final OwnListStore store;

    /// @param id by which a batch can go with it; empty as long as it is not understood
    /// @param compared empty likewise
    record Reading(GridFile file, Grid sheet, OwnList list, Optional<Long> id, Optional<ListComparison> compared) {}

    OwnListFiles(OwnListStore store) {
        this.store = store;
    }

    /// @param sheet its name; empty for the one that has the most of the batch's documents
    /// @throws NotPossibleException when the file cannot be read at all, with why
    @Transactional
    public Reading read(
            RouteRow route, Preview preview, String name, byte[] content, String sheet, OwnList.Said said, String who) {
        if (content.length > LARGEST) {
            throw NotPossibleException.invalid(
                    "file-unreadable", "A list of at most 5 MB is read; this has %d bytes.".formatted(content.length));
        }
        GridFile file = switch (GridFile.read(content)) {
            case GridFile.Outcome.Read read -> read.file();
            case GridFile.Outcome.Unreadable no ->
                throw NotPossibleException.invalid("file-unreadable", FileSentences.of(no.problem()));
        };
        CurrencyUnit currency = preview.totals().gross().getCurrencyUnit();
        List<Member> members = preview.members();
        Grid grid = sheet.isEmpty() ? OwnLists.likeliest(file.sheets(), members) : named(file, sheet);
        OwnList list = OwnLists.understand(grid, currency, members, said);
        if (!list.problems().isEmpty()) {
            return new Reading(file, grid, list, Optional.empty(), Optional.empty());
        }
        long id = store.add(route, name, content, new OwnListStore.Kept(currency.getCode(), list.entries()), who);
        return new Reading(
                file, grid, list, Optional.of(id), Optional.of(Comparing.compare(currency, members, list.entries())));
    }

    private static Grid named(GridFile file, String sheet) {
        return file.sheets().stream()
                .filter(each -> each.name().equals(sheet))
                .findFirst()
                .orElseThrow(() -> NotPossibleException.missing("sheet " + sheet));
    }

    /// A list that was read before, with what the batch is now.
    ListComparison compare(RouteRow route, long id, Preview preview) {
        OwnListStore.Kept kept = store.get(route, id);
        CurrencyUnit currency = preview.totals().gross().getCurrencyUnit();
        if (!kept.currency().equals(currency.getCode())) {
            throw NotPossibleException.invalid(
                    "list-currency",
                    "The list was read for a batch in %s, this one is in %s."
                            .formatted(kept.currency(), currency.getCode()));
        }
        return Comparing.compare(currency, preview.members(), kept.entries());
    }
}
