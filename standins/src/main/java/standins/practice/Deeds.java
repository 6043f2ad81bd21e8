package standins.practice;

import java.math.BigDecimal;
import java.time.Clock;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.springframework.stereotype.Component;
import standins.Fault;
import standins.Faults;
import standins.Refusal;
import standins.consent.Consents;
import standins.hullwork.HullworkDocument;
import standins.hullwork.HullworkPayment;
import standins.hullwork.HullworkPayments;
import standins.hullwork.HullworkRecords;
import standins.inkwell.Books;
import standins.inkwell.Masters;
import standins.inkwell.Payments;
import standins.inkwell.Posting;
import standins.inkwell.Voiding;

/// Does them, through the same doors as the people of the business.
@Component
class Deeds {
    private static final int HOUR = 60;
    /// The switch is thrown back before what it was for is answered.
    private static final int ONE_ANSWER = 2;
    private static final BigDecimal MORE = new BigDecimal("12.50");
    private final YardDeeds yard;
    private final HullworkRecords records;
    private final HullworkPayments received;
    private final Masters masters;
    private final Posting posting;
    private final Payments payments;
    private final Voiding voiding;
    private final Consents consents;
    private final Faults faults;
    private final Clock clock;

    Deeds(
            YardDeeds yard,
            HullworkRecords records,
            HullworkPayments received,
            Masters masters,
            Posting posting,
            Payments payments,
            Voiding voiding,
            Consents consents,
            Faults faults,
            Clock clock) {
        this.yard = yard;
        this.records = records;
        this.received = received;
        this.masters = masters;
        this.posting = posting;
        this.payments = payments;
        this.voiding = voiding;
        this.consents = consents;
        this.faults = faults;
        this.clock = clock;
    }

    void happen(Deed deed, About about) {
        switch (deed) {
            case PARTY_RENAMED_TWICE -> rename(about);
            case ACCOUNT_SWITCHED_OFF -> switchOff(about.get("account"));
            case PERIOD_LOCKED -> masters.lockThrough(about.day());
            case ANSWER_LOST -> faults.set("inkwell", Fault.ANSWER_LOST_THEN_DOWN, 0);
            case NUMBER_TAKEN -> take(about.get("number"));
            case PAYMENT_RECORDED_TWICE -> payTwice(about);
            case LINE_EDITED -> edit(about.get("ledgerDocument"));
            case CONSENT_REVOKED -> consents.revokeAll();
            case CLOCK_AN_HOUR_OFF -> masters.setClockAhead(HOUR);
            case TAX_RATE_CHANGED -> changeRate(about.get("taxCode"));
            case DOCUMENT_DELETED -> voiding.deleteDocument(about.get("ledgerDocument"));
            case CUSTOMER_ENTERED_TWICE ->
                yard.enterAgain(about.get("customer"), about.get("document"), about.get("as"));
            case CHANGED_UNDER_US -> {
                yard.edit(about.get("document"));
                edit(about.get("ledgerDocument"));
            }
            case FEED_BEGUN_AGAIN -> records.beginAgain();
            case SOURCE_ANSWERS_RUBBISH -> faults.set("hullwork", Fault.HTML_PAGE, 1);
            case RECORDS_UNUSABLE -> faults.set("hullwork", Fault.BAD_RECORDS, ONE_ANSWER);
        }
    }

    private void rename(About about) {
        Books.Party party = masters.findParty(about.get("party")).orElseThrow(() -> Refusal.notFound("party"));
        yard.rename(about.get("customer"));
        masters.change(party.id(), Map.of("name", party.name() + " Group"));
    }

    private void switchOff(String code) {
        Books.Account account = masters.accounts().stream()
                .filter(each -> each.code().equals(code))
                .findFirst()
                .orElseThrow(() -> Refusal.notFound("account " + code));
        masters.change(code, account.name(), account.type(), false);
    }

    private void changeRate(String code) {
        Books.TaxCode tax = masters.taxCodes().stream()
                .filter(each -> each.code().equals(code))
                .findFirst()
                .orElseThrow(() -> Refusal.notFound("tax code " + code));
        masters.change(code, tax.rate().add(BigDecimal.ONE), tax.active());
    }

    /// Like the latest invoice that is there, by somebody who reads the number off the wrong pad.
    private void take(String number) {
        Books.Document like = posting.latest(500).stream()
                .filter(each -> each.kind().equals("invoice") && each.status().equals("final"))
                .findFirst()
                .orElseThrow(() -> Refusal.notFound("invoice"));
        LocalDate today = LocalDate.now(clock);
        Books.Draft draft = Books.Draft.of(like);
        posting.post(new Books.Draft(
                number,
                draft.kind(),
                draft.party(),
                today,
                today,
                draft.currency(),
                draft.pricesIncludeTax(),
                draft.controlAccount(),
                null,
                null,
                draft.lines(),
                null));
    }

    private void payTwice(About about) {
        HullworkDocument document =
                records.findDocument(about.get("document")).orElseThrow(() -> Refusal.notFound("document"));
        Books.Document there = posting.get(about.get("ledgerDocument"));
        LocalDate today = LocalDate.now(clock);
        BigDecimal open = there.gross().subtract(there.paid());
        received.record(new HullworkPayment(
                "",
                "",
                "PAYMENT",
                "RECORDED",
                today,
                document.customer(),
                document.site(),
                document.currency(),
                open,
                BigDecimal.ZERO,
                "30",
                "",
                "",
                "",
                "",
                "",
                List.of(new HullworkPayment.Share(document.number(), open, null, List.of()))));
        payments.pay(there.id(), open, today, "1000", "30", "", null, null);
    }

    private void edit(String id) {
        Books.Document document = posting.get(id);
        List<Books.DraftLine> lines = new ArrayList<>();
        for (Books.Line line : document.lines()) {
            lines.add(line.at(lines.isEmpty() ? line.amount().add(MORE) : line.amount()));
        }
        posting.change(id, Books.Draft.of(document).changed(document.due(), lines, document.version()));
    }
}
