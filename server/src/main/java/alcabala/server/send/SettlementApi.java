package alcabala.server.send;

import alcabala.server.crossing.Gone;
import alcabala.server.platform.NotPossibleException;
import alcabala.server.record.Records;
import alcabala.server.route.RouteRow;
import alcabala.server.route.Routes;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.security.Principal;
import java.util.List;
import java.util.Set;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

/// A person says who wins where both sides of a document differ.
@RestController
@RequestMapping("/api/documents")
class SettlementApi {
    private final Records documents;
    private final Routes routes;
    private final Settlement settlement;
    private final Batches batches;
    private final Gone gone;

    /// Whose document it is to be on both sides.
    enum Winner {
        SOURCE,
        LEDGER,
        /// Each keeps what it changed itself.
        BOTH
    }

    /// @param ledgerVersion the version on the ledger that the person has seen
    /// @param ledgers with BOTH: of the fields that both changed, those that stay as the ledger has them
    record Settle(
            @NotNull Winner winner,
            int ledgerVersion,
            @Size(max = 500) Set<@NotNull @Size(max = 40) String> ledgers) {}

    /// @param batch in which it goes again; null when the ledger's stands
    record Settled(Long batch, String sentence) {}

    SettlementApi(Records documents, Routes routes, Settlement settlement, Batches batches, Gone gone) {
        this.documents = documents;
        this.routes = routes;
        this.settlement = settlement;
        this.batches = batches;
        this.gone = gone;
    }

    @PostMapping("/{id}/settlement")
    Settled settle(@PathVariable long id, @Valid @RequestBody Settle settle, Principal who) {
        Records.Row row = documents.get(id);
        RouteRow route = routes.get(row.routeId());
        if (!row.state().equals("Diverged")) {
            throw NotPossibleException.conflict(
                    "nothing-to-settle",
                    row.number() + " is " + row.state().toLowerCase(java.util.Locale.ROOT)
                            + "; there is nothing to settle.");
        }
        if (gone.isGone(id)) {
            throw NotPossibleException.conflict(
                    "gone", row.number() + " is not there any more on one side; say what becomes of it first.");
        }
        if (row.ledgerVersion() != settle.ledgerVersion()) {
            throw NotPossibleException.conflict(
                    "changed-meanwhile",
                    row.number() + " was changed in " + route.ledger() + " once more; look at it again.");
        }
        if (settle.winner() == Winner.LEDGER) {
            settlement.letStand(route.id(), id, who.getName());
            return new Settled(null, row.number() + " stands as " + route.ledger() + " has it");
        }
        if (!route.ledgerAnswers()) {
            throw NotPossibleException.invalid(
                    "ledger-of-files",
                    "%s takes files. Correct it there and take in its register, or let it stand; what its source changed goes with a further revision of its batch."
                            .formatted(route.ledger()));
        }
        boolean both = settle.winner() == Winner.BOTH;
        Choice named = Choice.named(List.of(id));
        Choice choice = both ? named.keeping(settle.ledgers()) : named.replacing();
        long batch = batches.send(route, Batches.Order.unseen(choice), who.getName());
        return new Settled(
                batch,
                both
                        ? "%s goes again with what each side changed".formatted(row.number())
                        : "%s goes again as %s has it".formatted(row.number(), route.source()));
    }
}
