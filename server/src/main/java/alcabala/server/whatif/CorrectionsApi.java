package alcabala.server.whatif;

import alcabala.accounting.crosswalk.RowKind;
import alcabala.accounting.whatif.CorrectingJournal;
import alcabala.server.platform.Sentences;
import alcabala.server.reference.LedgerReference;
import alcabala.server.route.RouteRow;
import alcabala.server.route.Routes;
import alcabala.server.whatif.CorrectionStore.Row;
import alcabala.server.whatif.CorrectionStore.State;
import alcabala.server.whatif.WouldChange.JournalDraft;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.nio.charset.StandardCharsets;
import java.security.Principal;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import org.springframework.http.ContentDisposition;
import org.springframework.http.HttpHeaders;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

/// The drafts of correcting journals, and what became of them.
@RestController
@RequestMapping("/api/map/corrections")
class CorrectionsApi {
    private final Routes routes;
    private final CorrectionStore corrections;
    private final LedgerReference reference;

    /// @param rowVersion of the row that it was made with; 0 where that was taken away
    /// @param total from some accounts to others, a decimal in the currency
    /// @param ledgerNumber by which it was entered there
    record Correction(
            long id,
            RowKind kind,
            String code,
            int rowVersion,
            String currency,
            String total,
            String madeBy,
            Instant madeAt,
            State state,
            String ledgerNumber,
            String settledBy,
            Instant settledAt,
            List<JournalDraft> journals) {}

    /// @param expected the state that was seen
    record SettleCorrection(
            @NotNull State expected,
            @NotNull State state,
            @Size(max = 100) String ledgerNumber) {}

    CorrectionsApi(Routes routes, CorrectionStore corrections, LedgerReference reference) {
        this.routes = routes;
        this.corrections = corrections;
        this.reference = reference;
    }

    /// The newest 500.
    @GetMapping
    List<Correction> all(@RequestParam String route) {
        RouteRow found = routes.getLeading(route);
        List<Row> rows = corrections.all(found.id());
        Map<Long, List<CorrectingJournal>> journals =
                corrections.journals(rows.stream().map(Row::id).toList());
        Shown shown = new Shown(found.currency(), reference.accountNames(found.ledgerId()));
        return rows.stream()
                .map(row -> json(row, journals.getOrDefault(row.id(), List.of()), shown))
                .toList();
    }

    @PutMapping("/{id}")
    void settle(@PathVariable long id, @Valid @RequestBody SettleCorrection wanted, Principal who) {
        Row correction = corrections.get(id);
        routes.get(correction.routeId());
        String number =
                wanted.ledgerNumber() == null ? "" : wanted.ledgerNumber().strip();
        corrections.settle(correction, wanted.expected(), wanted.state(), number, who.getName());
    }

    /// Its journals as CSV.
    @GetMapping(value = "/{id}/file", produces = "text/csv")
    ResponseEntity<byte[]> file(@PathVariable long id) {
        Row correction = corrections.get(id);
        RouteRow route = routes.get(correction.routeId());
        String because = "Correction %d, %s %s".formatted(id, Sentences.word(correction.kind()), correction.code());
        byte[] written = JournalFile.write(
                correction,
                corrections.journals(List.of(id)).getOrDefault(id, List.of()),
                new Shown(correction.currency(), reference.accountNames(route.ledgerId())),
                because);
        return ResponseEntity.ok()
                .contentType(new MediaType("text", "csv", StandardCharsets.UTF_8))
                .header(
                        HttpHeaders.CONTENT_DISPOSITION,
                        ContentDisposition.attachment()
                                .filename("correction-" + id + ".csv")
                                .build()
                                .toString())
                .body(written);
    }

    private static Correction json(Row row, List<CorrectingJournal> journals, Shown shown) {
        return new Correction(
                row.id(),
                row.kind(),
                row.code(),
                row.rowVersion(),
                row.currency(),
                shown.amount(
                        journals.stream().mapToLong(CorrectingJournal::total).sum()),
                row.madeBy(),
                row.madeAt(),
                row.state(),
                row.ledgerNumber(),
                row.settledBy(),
                row.settledAt(),
                journals.stream().map(shown::journal).toList());
    }
}
