package standins.inkwell;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.Collection;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.springframework.http.HttpStatus;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import standins.Refusal;
import standins.inkwell.Books.Allocated;
import standins.inkwell.Books.Deducted;
import standins.inkwell.Books.Document;
import standins.inkwell.Books.Payment;
import standins.inkwell.Books.PaymentDraft;

/// Payments: what each settles, and the open credits that are left.
@Component
public class Payments {
    private final JdbcClient jdbc;
    private final Masters masters;
    private final Posting posting;
    private final PaymentJournals journals;
    private final Voiding voiding;

    record Head(
            String id,
            int version,
            String kind,
            String number,
            String party,
            LocalDate date,
            String controlAccount,
            String account,
            String means,
            String reference,
            String note,
            String externalReference,
            BigDecimal amount,
            BigDecimal charges,
            String chargesAccount,
            String currency,
            BigDecimal rate,
            String exchangeAccount,
            boolean voided) {}

    record Part(int no, String document, String number, String kind, BigDecimal money, BigDecimal worth) {}

    Payments(JdbcClient jdbc, Masters masters, Posting posting, PaymentJournals journals, Voiding voiding) {
        this.voiding = voiding;
        this.jdbc = jdbc;
        this.masters = masters;
        this.posting = posting;
        this.journals = journals;
    }

    @Transactional
    public Payment post(PaymentDraft asked) {
        PaymentDraft draft = asked.complete();
        PaymentKind kind = PaymentKind.of(draft.kind());
        check(draft, kind);
        String id = "PM-"
                + jdbc.sql("select nextval('inkwell_id')").query(Long.class).single();
        jdbc.sql("""
                insert into inkwell_payment (id, kind, number, party, date, control_account, account, means, reference, note,
                    external_reference, amount, charges, charges_account, currency, rate, exchange_account)
                values (:id, :kind, :number, :party, :date, :control, :account, :means, :reference, :note, :external, :amount,
                    :charges, :chargesAccount, :currency, :rate, :exchange)""").params(values(id, draft)).update();
        enter(id, draft, kind);
        masters.changed("payment", id);
        return get(id);
    }

    /// In the place of one that stands: the same payment, a later version. What the former one settled is open first.
    @Transactional
    public Payment replace(String id, int version, PaymentDraft asked) {
        int present = jdbc.sql("select version from inkwell_payment where id = :id for update")
                .param("id", id)
                .query(Integer.class)
                .optional()
                .orElseThrow(() -> Refusal.notFound("payment " + id));
        Payment payment = get(id);
        requireStanding(payment);
        if (present != version) {
            throw Posting.stale("Payment " + payment.number());
        }
        masters.requireUnlocked(payment.date());
        PaymentDraft draft = asked.complete();
        if (!draft.kind().equals(payment.kind())) {
            throw Refusal.unprocessable("kind-unfit", "Payment " + payment.number() + " is a " + payment.kind() + ".");
        }
        undo(payment);
        PaymentKind kind = PaymentKind.of(draft.kind());
        check(draft, kind);
        jdbc.sql("delete from inkwell_deduction where payment = :id")
                .param("id", id)
                .update();
        jdbc.sql("delete from inkwell_allocation where payment = :id")
                .param("id", id)
                .update();
        jdbc.sql("""
                update inkwell_payment set number = :number, party = :party, date = :date, control_account = :control,
                    account = :account, means = :means, reference = :reference, note = :note, amount = :amount,
                    charges = :charges, charges_account = :chargesAccount, currency = :currency, rate = :rate,
                    exchange_account = :exchange
                where id = :id""").params(values(id, draft)).update();
        enter(id, draft, kind);
        return changed(id);
    }

    /// By the people at the desk.
    @Transactional
    public Payment change(String id, LocalDate date, String reference) {
        Payment payment = get(id);
        return replace(
                id,
                payment.version(),
                new PaymentDraft(
                        payment.kind(),
                        payment.number(),
                        payment.party(),
                        date,
                        payment.controlAccount(),
                        payment.account(),
                        payment.means(),
                        reference,
                        payment.note(),
                        payment.externalReference(),
                        payment.amount(),
                        payment.charges(),
                        payment.chargesAccount(),
                        payment.allocations(),
                        payment.currency(),
                        payment.exchangeRate(),
                        payment.exchangeAccount()));
    }

    private Map<String, Object> values(String id, PaymentDraft draft) {
        Map<String, Object> values = new HashMap<>();
        values.put("id", id);
        values.put("kind", draft.kind());
        values.put("number", draft.number().isBlank() ? id : draft.number());
        values.put("party", draft.party());
        values.put("date", draft.date());
        values.put("control", draft.controlAccount());
        values.put("account", draft.account());
        values.put("means", draft.means());
        values.put("reference", draft.reference());
        values.put("note", draft.note());
        values.put("external", draft.externalReference());
        values.put("amount", draft.amount());
        values.put("charges", draft.charges());
        values.put("chargesAccount", draft.chargesAccount());
        values.put("currency", draft.currency());
        values.put("rate", masters.rate(draft.currency(), draft.date(), draft.exchangeRate()));
        values.put("exchange", draft.exchangeAccount());
        return values;
    }

    private void enter(String id, PaymentDraft draft, PaymentKind kind) {
        writeAllocations(id, 0, draft.allocations());
        Payment payment = get(id);
        journals.book(payment, kind);
        settle(draft.allocations(), kind.paid());
    }

    /// The whole of one payment for one document, entered at the desk.
    ///
    /// @param currency of the money; null for that of the document
    /// @param worth what it settles, where that is another; else null
    public Payment pay(
            String document,
            BigDecimal amount,
            LocalDate date,
            String account,
            String means,
            String reference,
            String currency,
            BigDecimal worth) {
        Document paid = posting.get(document);
        return post(new PaymentDraft(
                PaymentKind.settling(Kind.of(paid.kind())).word(),
                null,
                paid.party(),
                date,
                paid.controlAccount(),
                account,
                means,
                reference,
                null,
                null,
                amount,
                null,
                null,
                List.of(new Allocated(document, null, null, amount, worth, null)),
                currency == null ? paid.currency() : currency,
                null,
                posting.exchangeAccount()));
    }

    /// Documents that an open credit could settle.
    public List<Document> settleable(Payment payment) {
        PaymentKind kind = PaymentKind.of(payment.kind());
        return posting.open(payment.party(), kind.settles());
    }

    /// Settles documents with what is still open of a payment.
    @Transactional
    public Payment allocate(String id, List<Allocated> more) {
        Payment payment = get(id);
        requireStanding(payment);
        if (!payment.currency().equals(Companies.open().currency())) {
            throw Refusal.unprocessable(
                    "foreign-credit",
                    "A credit in " + payment.currency() + " is applied by voiding it and entering it anew.");
        }
        masters.requireUnlocked(payment.date());
        List<Allocated> allocations = more.stream().map(Allocated::complete).toList();
        PaymentKind kind = PaymentKind.of(payment.kind());
        BigDecimal money = allocations.stream().map(Allocated::money).reduce(BigDecimal.ZERO, BigDecimal::add);
        requireAtMost(money, payment.open());
        allocations.forEach(each -> requireCurrency(each, payment.currency()));
        check(payment.party(), kind, allocations);
        writeAllocations(id, payment.allocations().size(), allocations);
        settle(allocations, kind.paid());
        return changed(id);
    }

    /// Its documents are open again.
    ///
    /// @param on the day of the opposite entry; null for its own, as if it had never been
    @Transactional
    public Payment voidIt(String id, LocalDate on) {
        Payment payment = get(id);
        requireStanding(payment);
        PaymentKind kind = PaymentKind.of(payment.kind());
        settle(payment.allocations(), -kind.paid());
        journals.release(payment, kind);
        voiding.takeBack(new Voiding.Entry("payment", id, "payment " + payment.number(), payment.date()), on);
        jdbc.sql("update inkwell_payment set voided = true where id = :id")
                .param("id", id)
                .update();
        return changed(id);
    }

    /// Its documents are open again, and it has no journal.
    private void undo(Payment payment) {
        PaymentKind kind = PaymentKind.of(payment.kind());
        settle(payment.allocations(), -kind.paid());
        journals.undo(payment, kind);
    }

    private Payment changed(String id) {
        jdbc.sql("update inkwell_payment set version = version + 1 where id = :id")
                .param("id", id)
                .update();
        masters.changed("payment", id);
        return get(id);
    }

    private static void requireStanding(Payment payment) {
        if (payment.status().equals("void")) {
            throw new Refusal(HttpStatus.CONFLICT, "payment-void", "Payment " + payment.number() + " is void.");
        }
    }

    private void check(PaymentDraft draft, PaymentKind kind) {
        if (draft.date() == null) {
            throw Refusal.unprocessable("date-missing", "A date is needed.");
        }
        masters.requireUnlocked(draft.date());
        requireAmount(draft.amount());
        Books.Party party = masters.findParty(draft.party())
                .orElseThrow(() -> Refusal.unprocessable("party-unknown", "There is no party " + draft.party() + "."));
        if (!party.active()) {
            throw Refusal.unprocessable("party-inactive", "Party " + party.name() + " is not active.");
        }
        String type = kind.settles().controlType();
        if (!masters.requireAccount(draft.controlAccount()).type().equals(type)) {
            throw Refusal.unprocessable(
                    "account-type", "Account " + draft.controlAccount() + " is not a " + type + "s account.");
        }
        masters.requireAccount(draft.account());
        if (draft.charges().signum() > 0) {
            masters.requireAccount(draft.chargesAccount());
        }
        BigDecimal money = draft.allocations().stream().map(Allocated::money).reduce(BigDecimal.ZERO, BigDecimal::add);
        requireAtMost(money, draft.amount());
        masters.rate(draft.currency(), draft.date(), draft.exchangeRate());
        draft.allocations().forEach(each -> requireCurrency(each, draft.currency()));
        check(draft.party(), kind, draft.allocations());
    }

    private void requireCurrency(Allocated allocated, String currency) {
        Document document = posting.get(allocated.document());
        boolean same = document.currency().equals(currency);
        if (!same && allocated.worth() == null) {
            throw Refusal.unprocessable(
                    "currency-differs", document.number() + " is in " + document.currency() + ", not in " + currency);
        }
        BigDecimal counted = allocated.counted();
        if (same && counted.compareTo(allocated.money()) != 0
                || counted.signum() != allocated.money().signum()) {
            throw Refusal.unprocessable(
                    "worth-unfit",
                    "%s %s cannot settle %s %s of %s."
                            .formatted(currency, allocated.money(), document.currency(), counted, document.number()));
        }
    }

    private static void requireAmount(BigDecimal amount) {
        if (amount == null
                || amount.signum() <= 0
                || amount.stripTrailingZeros().scale() > 2) {
            throw Refusal.unprocessable("amount-invalid", "A payment is more than nothing, with at most two decimals.");
        }
    }

    private static void requireAtMost(BigDecimal money, BigDecimal most) {
        if (money.compareTo(most) > 0) {
            throw Refusal.unprocessable(
                    "allocated-too-much",
                    "%s is more than the %s there is to settle with."
                            .formatted(money.toPlainString(), most.toPlainString()));
        }
    }

    private void check(String party, PaymentKind kind, List<Allocated> allocations) {
        Map<String, BigDecimal> settled = new LinkedHashMap<>();
        for (Allocated each : allocations) {
            if (each.settled().signum() == 0 && each.deductions().isEmpty()) {
                throw Refusal.unprocessable("settles-nothing", "A part of a payment settles something.");
            }
            each.deductions().forEach(deducted -> masters.requireAccount(deducted.account()));
            settled.merge(each.document(), each.settled(), BigDecimal::add);
        }
        lock(settled.keySet());
        settled.forEach((id, amount) -> check(posting.get(id), party, kind, amount));
    }

    /// Two payments for one document at a time must not both find it open.
    private void lock(Collection<String> documents) {
        jdbc.sql("select id from inkwell_document where id = any(:ids) order by id for update")
                .param("ids", documents.toArray(String[]::new))
                .query(String.class)
                .list();
    }

    private void check(Document document, String party, PaymentKind kind, BigDecimal amount) {
        if (document.status().equals("draft")) {
            throw Refusal.unprocessable("draft", document.number() + " is a draft; make it final first.");
        }
        if (document.status().equals("void")) {
            throw Refusal.unprocessable("document-void", document.number() + " is void.");
        }
        if (!masters.isOrIsBelow(document.party(), party)) {
            throw Refusal.unprocessable(
                    "party-differs", document.number() + " is made out to another party than the payment.");
        }
        if (Kind.of(document.kind()) != kind.settles()) {
            throw Refusal.unprocessable(
                    "kind-unfit",
                    "A " + kind.word() + " does not settle the " + document.kind() + " " + document.number());
        }
        BigDecimal most = kind.paid() > 0 ? document.gross().subtract(document.paid()) : document.paid();
        // Money may take nothing off its document, where it is what was kept back of it before.
        if (amount.signum() < 0 || amount.compareTo(most) > 0) {
            throw Refusal.unprocessable(
                    "settles-too-much",
                    "%s can take at most %s, not %s."
                            .formatted(document.number(), most.toPlainString(), amount.toPlainString()));
        }
    }

    private void writeAllocations(String id, int after, List<Allocated> allocations) {
        int no = after;
        for (Allocated each : allocations) {
            no++;
            jdbc.sql(
                            "insert into inkwell_allocation (payment, no, document, money, worth) values (:payment, :no, :document, :money, :worth)")
                    .param("payment", id)
                    .param("no", no)
                    .param("document", each.document())
                    .param("money", each.money())
                    .param("worth", each.worth(), java.sql.Types.NUMERIC)
                    .update();
            int place = 0;
            for (Deducted deducted : each.deductions()) {
                jdbc.sql("""
                        insert into inkwell_deduction (payment, no, place, account, text, tax_code, amount)
                        values (:payment, :no, :place, :account, :text, nullif(:code, ''), :amount)""")
                        .param("payment", id)
                        .param("no", no)
                        .param("place", ++place)
                        .param("account", deducted.account())
                        .param("text", deducted.text())
                        .param("code", deducted.taxCode() == null ? "" : deducted.taxCode())
                        .param("amount", deducted.amount())
                        .update();
            }
        }
    }

    private void settle(List<Allocated> allocations, int sign) {
        for (Allocated each : allocations) {
            jdbc.sql("update inkwell_document set paid = paid + :amount, version = version + 1 where id = :id")
                    .param("amount", PaymentJournals.times(each.settled(), sign))
                    .param("id", each.document())
                    .update();
            masters.tell("document", each.document());
        }
    }

    public Payment get(String id) {
        return find(id).orElseThrow(() -> Refusal.notFound("payment " + id));
    }

    public Optional<Payment> find(String id) {
        return jdbc.sql(HEAD + " where id = :id")
                .param("id", id)
                .query(Head.class)
                .optional()
                .map(this::payment);
    }

    public Optional<Payment> findByReference(String reference) {
        return jdbc.sql(HEAD + " where external_reference = :reference and not voided")
                .param("reference", reference)
                .query(Head.class)
                .optional()
                .map(this::payment);
    }

    /// Those that settle a document.
    public List<Payment> of(String document) {
        return jdbc
                .sql(
                        HEAD
                                + " where id in (select payment from inkwell_allocation where document = :document) order by date, id")
                .param("document", document)
                .query(Head.class)
                .list()
                .stream()
                .map(this::payment)
                .toList();
    }

    public List<Payment> latest(int limit) {
        return jdbc
                .sql(HEAD + " order by date desc, number desc limit :limit")
                .param("limit", limit)
                .query(Head.class)
                .list()
                .stream()
                .map(this::payment)
                .toList();
    }

    private Payment payment(Head head) {
        List<Allocated> allocations = jdbc.sql("""
                select a.no, a.document, d.number, d.kind, a.money, a.worth
                from inkwell_allocation a join inkwell_document d on d.id = a.document where a.payment = :id order by a.no""").param("id", head.id()).query(Part.class).list().stream()
                .map(part -> new Allocated(
                        part.document(),
                        part.number(),
                        part.kind(),
                        part.money(),
                        part.worth(),
                        deductions(head.id(), part.no())))
                .toList();
        BigDecimal money = allocations.stream().map(Allocated::money).reduce(BigDecimal.ZERO, BigDecimal::add);
        List<Books.JournalLine> journal = jdbc.sql("""
                select l.account, l.debit, l.credit from inkwell_journal j join inkwell_journal_line l on l.journal = j.id
                where j.payment = :id order by l.debit desc, l.account""")
                .param("id", head.id())
                .query((row, n) -> new Books.JournalLine(
                        row.getString("account"), row.getBigDecimal("debit"), row.getBigDecimal("credit"), Map.of()))
                .list();
        return new Payment(
                head.id(),
                head.version(),
                head.kind(),
                head.number(),
                head.party(),
                head.date(),
                head.controlAccount(),
                head.account(),
                head.means(),
                head.reference(),
                head.note(),
                head.externalReference(),
                head.amount(),
                head.charges(),
                head.chargesAccount(),
                head.currency().isEmpty() ? Companies.open().currency() : head.currency(),
                head.rate().stripTrailingZeros(),
                head.exchangeAccount(),
                head.voided() ? BigDecimal.ZERO.setScale(2) : head.amount().subtract(money),
                head.voided() ? "void" : "posted",
                allocations,
                journal);
    }

    private List<Deducted> deductions(String payment, int no) {
        return jdbc.sql("""
                select account, text, tax_code, amount from inkwell_deduction
                where payment = :payment and no = :no order by place""")
                .param("payment", payment)
                .param("no", no)
                .query(Deducted.class)
                .list();
    }

    private static final String HEAD = """
            select id, version, kind, number, party, date, control_account, account, means, reference, note,
                external_reference, amount, charges, charges_account, currency, rate, exchange_account, voided
            from inkwell_payment""";
}
