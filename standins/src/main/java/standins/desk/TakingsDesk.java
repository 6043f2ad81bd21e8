package standins.desk;

import java.math.BigDecimal;
import java.math.RoundingMode;
import java.time.Clock;
import java.time.LocalDate;
import java.util.List;
import org.springframework.stereotype.Controller;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.web.bind.annotation.PostMapping;
import standins.hullwork.HullworkDocument;
import standins.hullwork.HullworkPayment;
import standins.hullwork.HullworkPayments;
import standins.hullwork.HullworkRecords;

/// What a week brings across the yard's counter, entered at once: cheques, cash and a card or two, for invoices that
/// are open.
@Controller
class TakingsDesk {
    private static final int RECEIPTS = 14;
    private static final int DAYS = 6;
    private static final BigDecimal MOST = new BigDecimal("1400");
    private static final BigDecimal CASH = new BigDecimal("0.35");
    private static final List<String> MEANS = List.of("20", "10", "20", "20", "10", "48", "20", "10");
    private final HullworkRecords records;
    private final HullworkPayments payments;
    private final Clock clock;

    TakingsDesk(HullworkRecords records, HullworkPayments payments, Clock clock) {
        this.records = records;
        this.payments = payments;
        this.clock = clock;
    }

    @PostMapping("/hullwork/payments/takings")
    @Transactional
    public String aWeek() {
        int place = 0;
        for (HullworkDocument document : records.all("document", HullworkDocument.class)) {
            if (place < RECEIPTS && takes(document)) {
                payments.record(payment(document, place++));
            }
        }
        return "redirect:/hullwork/payments";
    }

    private boolean takes(HullworkDocument document) {
        return document.type().equals("INVOICE")
                && document.wasApproved()
                && document.site().equals("Saltmere")
                && document.currency().equals("EUR")
                && document.gross().compareTo(MOST) < 0
                && payments.settled(document.number()).signum() == 0;
    }

    private HullworkPayment payment(HullworkDocument document, int place) {
        String means = MEANS.get(place % MEANS.size());
        boolean cash = means.equals("10");
        BigDecimal amount = cash ? document.gross().multiply(CASH).setScale(2, RoundingMode.HALF_UP) : document.gross();
        String reference = means.equals("20") ? "%06d".formatted(417 + 31 * place) : "";
        LocalDate day = LocalDate.now(clock).minusDays(DAYS - (long) place * DAYS / RECEIPTS);
        return HullworkDesk.payment("PAYMENT", document, day, amount, means, reference, List.of());
    }
}
