package standins.inkwell;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import standins.inkwell.Books.Allocated;
import standins.inkwell.Books.Deducted;
import standins.inkwell.Books.Document;
import standins.inkwell.Books.Payment;
import standins.inkwell.Posting.Booked;

/// The journals of payments, in the currency of the books.
@Component
class PaymentJournals {
    private final JdbcClient jdbc;
    private final Masters masters;
    private final Posting posting;

    PaymentJournals(JdbcClient jdbc, Masters masters, Posting posting) {
        this.jdbc = jdbc;
        this.masters = masters;
        this.posting = posting;
    }

    /// Before what it settles is written on its documents.
    void book(Payment payment, PaymentKind kind) {
        if (isOwn(payment)) {
            bookOwn(payment, kind);
        } else {
            bookForeign(payment, kind);
        }
    }

    /// Whether nothing of it has to be converted.
    private static boolean isOwn(Payment payment) {
        return payment.currency().equals(Companies.open().currency())
                && payment.allocations().stream().allMatch(each -> each.worth() == null);
    }

    /// As if it had never been booked.
    void undo(Payment payment, PaymentKind kind) {
        release(payment, kind);
        jdbc.sql(
                        "delete from inkwell_journal_line where journal in (select id from inkwell_journal where payment = :id)")
                .param("id", payment.id())
                .update();
        jdbc.sql("delete from inkwell_journal where payment = :id")
                .param("id", payment.id())
                .update();
    }

    /// What it took off its documents in the currency of the books is open again.
    void release(Payment payment, PaymentKind kind) {
        jdbc.sql("""
                update inkwell_document d set base_paid = base_paid - :sign * a.relieved
                from (select document, sum(relieved) as relieved from inkwell_allocation where payment = :id group by document) a
                where d.id = a.document""").param("sign", kind.paid()).param("id", payment.id()).update();
    }

    /// The money, less what the bank took, against the party's account; what was deducted as well.
    private void bookOwn(Payment payment, PaymentKind kind) {
        Map<Booked, BigDecimal> sides = new LinkedHashMap<>();
        BigDecimal money = times(payment.amount(), kind.money());
        sides.merge(Booked.on(payment.account()), money.subtract(payment.charges()), BigDecimal::add);
        sides.merge(Booked.on(payment.controlAccount()), money.negate(), BigDecimal::add);
        if (payment.charges().signum() != 0) {
            sides.merge(Booked.on(payment.chargesAccount()), payment.charges(), BigDecimal::add);
        }
        for (Allocated each : payment.allocations()) {
            for (Deducted deducted : each.deductions()) {
                BigDecimal amount = times(deducted.amount(), kind.money());
                sides.merge(Booked.on(deducted.account()), amount, BigDecimal::add);
                sides.merge(Booked.on(payment.controlAccount()), amount.negate(), BigDecimal::add);
            }
        }
        posting.writeJournal("payment", payment.id(), payment.date(), "Payment " + payment.number(), sides);
    }

    /// The money at its own rate, the party's account relieved of what its documents were booked at; the rest is a
    /// difference in exchange.
    private void bookForeign(Payment payment, PaymentKind kind) {
        Conversion own = new Conversion(payment.exchangeRate());
        Map<Booked, BigDecimal> sides = new LinkedHashMap<>();
        BigDecimal money = own.of(payment.amount());
        BigDecimal relieved = own.of(payment.open());
        for (int i = 0; i < payment.allocations().size(); i++) {
            List<BigDecimal> parts = relieve(payment, i, kind);
            relieved = relieved.add(parts.getFirst());
            for (int j = 1; j < parts.size(); j++) {
                String account =
                        payment.allocations().get(i).deductions().get(j - 1).account();
                sides.merge(Booked.on(account), times(parts.get(j), kind.money()), BigDecimal::add);
                sides.merge(Booked.on(payment.controlAccount()), times(parts.get(j), -kind.money()), BigDecimal::add);
            }
        }
        sides.merge(Booked.on(payment.account()), times(money, kind.money()), BigDecimal::add);
        sides.merge(Booked.on(payment.controlAccount()), times(relieved, -kind.money()), BigDecimal::add);
        BigDecimal difference = times(relieved.subtract(money), kind.money());
        if (difference.signum() != 0) {
            masters.requireAccount(payment.exchangeAccount());
            sides.merge(Booked.on(payment.exchangeAccount()), difference, BigDecimal::add);
        }
        if (payment.charges().signum() != 0) {
            sides.merge(Booked.on(payment.chargesAccount()), own.of(payment.charges()), BigDecimal::add);
            sides.merge(Booked.on(payment.account()), own.of(payment.charges()).negate(), BigDecimal::add);
        }
        posting.writeJournal("payment", payment.id(), payment.date(), "Payment " + payment.number(), sides);
    }

    /// What one part takes off its document: for the money, then for each deduction.
    private List<BigDecimal> relieve(Payment payment, int at, PaymentKind kind) {
        Allocated allocated = payment.allocations().get(at);
        Document document = posting.get(allocated.document());
        Conversion conversion = new Conversion(document.exchangeRate());
        // Parts before this one are not written on the document yet.
        BigDecimal before = payment.allocations().subList(0, at).stream()
                .filter(each -> each.document().equals(allocated.document()))
                .map(Allocated::settled)
                .reduce(BigDecimal.ZERO, BigDecimal::add);
        boolean takes = kind.paid() > 0;
        BigDecimal open = (takes ? document.gross().subtract(document.paid()) : document.paid()).subtract(before);
        BigDecimal left = takes ? conversion.of(document.gross()).subtract(document.basePaid()) : document.basePaid();
        boolean own = document.currency().equals(Companies.open().currency());
        boolean rest = !own && allocated.settled().compareTo(open) == 0;
        // Of its own currency nothing is booked otherwise than it is settled.
        BigDecimal most = own ? allocated.settled() : left;
        BigDecimal relieved = rest ? left : conversion.of(allocated.settled()).min(most);
        jdbc.sql("update inkwell_allocation set relieved = :relieved where payment = :payment and no = :no")
                .param("relieved", relieved)
                .param("payment", payment.id())
                .param("no", at + 1)
                .update();
        jdbc.sql("update inkwell_document set base_paid = base_paid + :relieved where id = :id")
                .param("relieved", times(relieved, kind.paid()))
                .param("id", document.id())
                .update();
        List<BigDecimal> parts = new ArrayList<>(List.of(allocated.counted()));
        allocated.deductions().forEach(each -> parts.add(each.amount()));
        return conversion.shares(relieved, parts);
    }

    static BigDecimal times(BigDecimal amount, int sign) {
        return sign < 0 ? amount.negate() : amount;
    }
}
