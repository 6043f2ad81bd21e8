package standins.desk;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import org.springframework.stereotype.Controller;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import standins.hullwork.HullworkDocument;
import standins.hullwork.HullworkPayments;
import standins.hullwork.HullworkRecords;
import standins.inkwell.Books.Draft;
import standins.inkwell.Books.DraftLine;
import standins.inkwell.Books.Party;
import standins.inkwell.Companies;
import standins.inkwell.Masters;
import standins.inkwell.Posting;

/// What was open at the yard on a day, entered on Inkwell by hand as somebody did before there was anything between
/// the two: with a slip of the pen, one left out, and one that the yard knows nothing of.
@Controller
class TakenOverDesk {
    private static final BigDecimal SLIP = new BigDecimal("9.00");
    private static final int SLIPPED = 3;
    private static final int LEFT_OUT = 6;
    private final HullworkRecords records;
    private final HullworkPayments payments;
    private final Masters masters;
    private final Posting posting;

    TakenOverDesk(HullworkRecords records, HullworkPayments payments, Masters masters, Posting posting) {
        this.records = records;
        this.payments = payments;
        this.masters = masters;
        this.posting = posting;
    }

    @PostMapping("/inkwell/books/{company}/taken-over")
    @Transactional
    public String takeOver(@RequestParam LocalDate on) {
        List<HullworkDocument> open = records.all("document", HullworkDocument.class).stream()
                .filter(each -> isOpen(each, on))
                .sorted(Comparator.comparing(HullworkDocument::date).thenComparing(HullworkDocument::number))
                .toList();
        // It was entered before the period was locked.
        LocalDate locked = masters.company().lockedThrough();
        masters.lockThrough(open.isEmpty() ? locked : open.getFirst().date().minusDays(1));
        for (int place = 1; place <= open.size(); place++) {
            if (place != LEFT_OUT) {
                enter(open.get(place - 1), place == SLIPPED ? SLIP : BigDecimal.ZERO);
            }
        }
        if (!open.isEmpty()) {
            HullworkDocument last = open.getLast();
            invoice("OLD-" + on.getDayOfYear(), party(last.customer()), on, on, new BigDecimal("412.50"));
        }
        masters.lockThrough(locked);
        return "redirect:/inkwell/books/" + Companies.open().id();
    }

    private boolean isOpen(HullworkDocument document, LocalDate on) {
        return document.type().equals("INVOICE")
                && document.wasApproved()
                && document.site().equals("Saltmere")
                && document.currency().equals("EUR")
                && !document.date().isAfter(on)
                && payments.settled(document.number()).compareTo(document.gross()) < 0
                && posting.latest(10_000).stream()
                        .noneMatch(there -> there.number().equals(document.number()));
    }

    private void enter(HullworkDocument document, BigDecimal slip) {
        invoice(
                document.number(),
                party(document.customer()),
                document.date(),
                document.due(),
                document.gross().add(slip));
    }

    private void invoice(String number, String party, LocalDate date, LocalDate due, BigDecimal gross) {
        posting.post(new Draft(
                number,
                "invoice",
                party,
                date,
                due,
                "EUR",
                false,
                "1100",
                null,
                null,
                List.of(new DraftLine(null, "3000", "Taken over", BigDecimal.ONE, gross, gross, null)),
                null));
    }

    private String party(String customer) {
        Object name =
                records.find("customer", customer, Map.class).orElse(Map.of()).get("name");
        return masters.parties("", 100_000).stream()
                .filter(party -> party.name().equals(name))
                .map(Party::id)
                .findFirst()
                .orElseGet(() -> masters.add(new Party(
                                null,
                                String.valueOf(name),
                                "",
                                "",
                                "",
                                Map.of(),
                                Map.of(),
                                "",
                                List.of(),
                                null,
                                null,
                                true,
                                0))
                        .id());
    }
}
