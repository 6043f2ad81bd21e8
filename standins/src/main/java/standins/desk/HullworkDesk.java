package standins.desk;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import org.springframework.format.annotation.DateTimeFormat;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import standins.Refusal;
import standins.hullwork.HullworkDocument;
import standins.hullwork.HullworkDocuments;
import standins.hullwork.HullworkField;
import standins.hullwork.HullworkPayment;
import standins.hullwork.HullworkPayment.Less;
import standins.hullwork.HullworkPayment.Share;
import standins.hullwork.HullworkPayment.Worth;
import standins.hullwork.HullworkPayments;
import standins.hullwork.HullworkRecords;

@Controller
@RequestMapping("/hullwork")
class HullworkDesk {
    private final HullworkRecords records;
    private final HullworkDocuments documents;
    private final HullworkPayments payments;

    HullworkDesk(HullworkRecords records, HullworkDocuments documents, HullworkPayments payments) {
        this.records = records;
        this.documents = documents;
        this.payments = payments;
    }

    /// How a field of the yard's own stands on a document.
    record Added(HullworkField field, String value) {
        boolean isChoice() {
            return field.type().equals("choice");
        }
    }

    private List<Added> added(HullworkDocument document) {
        return records.all("field", HullworkField.class).stream()
                .map(field -> new Added(
                        field,
                        document.fields().stream()
                                .filter(each -> each.code().equals(field.code()))
                                .map(HullworkDocument.Field::value)
                                .findFirst()
                                .orElse("")))
                .toList();
    }

    /// Approved documents of one VAT code added up; credit notes count negative.
    record VatSum(String code, BigDecimal net, BigDecimal vat) {}

    @GetMapping
    String list(@RequestParam(defaultValue = "") String status, Model model) {
        List<HullworkDocument> all = records.all("document", HullworkDocument.class);
        model.addAttribute(
                "documents",
                all.stream()
                        .filter(d -> status.isEmpty() || d.status().equals(status))
                        .toList());
        model.addAttribute("count", all.size());
        return "hullwork-list";
    }

    @GetMapping("/sums")
    String sums(@RequestParam(defaultValue = "Saltmere") String site, Model model) {
        List<HullworkDocument> approved = records.all("document", HullworkDocument.class).stream()
                .filter(d -> d.wasApproved() && d.site().equals(site))
                .toList();
        model.addAttribute("site", site);
        model.addAttribute("sites", records.all("site", Map.class));
        Map<String, BigDecimal> vat = new TreeMap<>();
        approved.forEach(d ->
                d.lines().forEach(line -> vat.merge(line.vatCode(), signed(d, line.vatAmount()), BigDecimal::add)));
        model.addAttribute("count", approved.size());
        model.addAttribute("net", sum(approved, HullworkDocument::net));
        model.addAttribute("vat", sum(approved, HullworkDocument::vat));
        model.addAttribute("gross", sum(approved, HullworkDocument::gross));
        model.addAttribute("codes", vat.entrySet());
        return "hullwork-sums";
    }

    @GetMapping("/documents/{id}")
    String detail(@PathVariable String id, Model model) {
        HullworkDocument document = documents.get(id);
        model.addAttribute("d", document);
        model.addAttribute(
                "customer",
                records.find("customer", document.customer(), Map.class).orElse(Map.of()));
        BigDecimal settled = payments.settled(document.number());
        model.addAttribute("settled", settled);
        model.addAttribute("open", document.gross().subtract(settled));
        model.addAttribute("retained", payments.retained(document.number()));
        model.addAttribute("payments", payments.of(document.number()));
        model.addAttribute("added", added(document));
        model.addAttribute("draft", document.status().equals("DRAFT"));
        model.addAttribute("void", document.status().equals("VOID"));
        model.addAttribute("invoice", document.type().equals("INVOICE"));
        model.addAttribute("today", LocalDate.now());
        return "hullwork-detail";
    }

    @PostMapping("/documents/{id}/fields/{field}")
    String say(@PathVariable String id, @PathVariable String field, @RequestParam String value) {
        documents.say(id, field, value.trim());
        return "redirect:/hullwork/documents/" + id;
    }

    @PostMapping("/documents/{id}/approve")
    String approve(@PathVariable String id) {
        documents.approve(id);
        return "redirect:/hullwork/documents/" + id;
    }

    @PostMapping("/documents/{id}/finish")
    String finish(@PathVariable String id) {
        documents.finish(id, LocalDate.now());
        return "redirect:/hullwork/documents/" + id;
    }

    @PostMapping("/documents/{id}/ask-number")
    String askNumber(@PathVariable String id) {
        documents.askNumber(id);
        return "redirect:/hullwork/documents/" + id;
    }

    @PostMapping("/documents/{id}/send")
    String send(@PathVariable String id) {
        documents.send(id, LocalDate.now());
        return "redirect:/hullwork/documents/" + id;
    }

    @PostMapping("/documents/{id}/pay")
    String pay(@PathVariable String id) {
        HullworkDocument document = documents.get(id);
        BigDecimal open = document.gross().subtract(payments.settled(document.number()));
        String type = document.type().equals("CREDIT_NOTE") ? "REFUND" : "PAYMENT";
        payments.record(payment(type, document, LocalDate.now(), open, "10", "", List.of()));
        return "redirect:/hullwork/documents/" + id;
    }

    @GetMapping("/payments")
    String payments(Model model) {
        model.addAttribute("payments", payments.all());
        model.addAttribute("today", LocalDate.now());
        return "hullwork-payments";
    }

    /// One payment over several documents: their numbers and amounts, row by row; empty rows say nothing.
    @PostMapping("/payments")
    String record(
            @RequestParam String type,
            @RequestParam @DateTimeFormat(iso = DateTimeFormat.ISO.DATE) LocalDate date,
            @RequestParam String customer,
            @RequestParam(defaultValue = "Saltmere") String site,
            @RequestParam(defaultValue = "EUR") String currency,
            @RequestParam BigDecimal amount,
            @RequestParam String means,
            @RequestParam(defaultValue = "") String reference,
            @RequestParam(defaultValue = "") List<String> document,
            @RequestParam(defaultValue = "") List<String> money,
            @RequestParam(defaultValue = "") List<String> worth,
            @RequestParam(defaultValue = "") List<String> deduction,
            @RequestParam(defaultValue = "") List<String> deducted) {
        List<Share> shares = new ArrayList<>();
        for (int i = 0; i < document.size(); i++) {
            if (!document.get(i).isBlank()) {
                shares.add(new Share(
                        document.get(i).trim(),
                        number(money, i),
                        worth(document.get(i), at(worth, i)),
                        less(at(deduction, i), number(deducted, i))));
            }
        }
        payments.record(new HullworkPayment(
                "",
                "",
                type,
                "RECORDED",
                date,
                customer.trim(),
                site,
                currency,
                amount,
                BigDecimal.ZERO,
                means,
                reference.trim(),
                "",
                "",
                "",
                "",
                shares));
        return "redirect:/hullwork/payments";
    }

    /// A part of one document, or what is left of it with a deduction.
    @PostMapping("/documents/{id}/payments")
    String part(
            @PathVariable String id,
            @RequestParam BigDecimal amount,
            @RequestParam @DateTimeFormat(iso = DateTimeFormat.ISO.DATE) LocalDate date,
            @RequestParam String means,
            @RequestParam(defaultValue = "") String reference,
            @RequestParam(defaultValue = "") String deduction,
            @RequestParam(defaultValue = "") String deducted) {
        HullworkDocument document = documents.get(id);
        String type = document.type().equals("CREDIT_NOTE") ? "REFUND" : "PAYMENT";
        List<Less> less = less(deduction, number(List.of(deducted), 0));
        payments.record(payment(type, document, date, amount, means, reference.trim(), less));
        return "redirect:/hullwork/documents/" + id;
    }

    static HullworkPayment payment(
            String type,
            HullworkDocument document,
            LocalDate date,
            BigDecimal amount,
            String means,
            String reference,
            List<Less> less) {
        return new HullworkPayment(
                "",
                "",
                type,
                "RECORDED",
                date,
                document.customer(),
                document.site(),
                document.currency(),
                amount,
                BigDecimal.ZERO,
                means,
                reference,
                "",
                "",
                "",
                "",
                List.of(new Share(document.number(), amount, null, less)));
    }

    private static List<Less> less(String kind, BigDecimal amount) {
        if (kind.isBlank() || amount.signum() == 0) {
            return List.of();
        }
        return List.of(kind.equals("RELEASE") ? new Less("RETENTION", amount.negate()) : new Less(kind, amount));
    }

    private Worth worth(String document, String stated) {
        return stated.isBlank() ? null : payments.worth(document.trim(), new BigDecimal(stated.trim()));
    }

    private static String at(List<String> fields, int i) {
        return i < fields.size() ? fields.get(i).trim() : "";
    }

    private static BigDecimal number(List<String> fields, int i) {
        return at(fields, i).isEmpty() ? BigDecimal.ZERO : new BigDecimal(at(fields, i));
    }

    @PostMapping("/payments/{id}/void")
    String voidPayment(@PathVariable String id) {
        payments.voidIt(id);
        return "redirect:/hullwork/payments";
    }

    @PostMapping("/payments/{id}/apply")
    String apply(
            @PathVariable String id,
            @RequestParam String document,
            @RequestParam BigDecimal money,
            @RequestParam(defaultValue = "") String worth) {
        payments.apply(id, new Share(document.trim(), money, worth(document, worth), List.of()));
        return "redirect:/hullwork/payments";
    }

    @PostMapping("/payments/{id}/correct")
    String correct(@PathVariable String id, @RequestParam BigDecimal amount) {
        payments.correct(id, amount);
        return "redirect:/hullwork/payments";
    }

    @PostMapping("/payments/{id}/return")
    String takeBack(
            @PathVariable String id,
            @RequestParam @DateTimeFormat(iso = DateTimeFormat.ISO.DATE) LocalDate date,
            @RequestParam(defaultValue = "0.00") BigDecimal charges) {
        payments.takeBack(id, date, charges);
        return "redirect:/hullwork/payments";
    }

    @PostMapping("/documents/{id}/void")
    String voidIt(@PathVariable String id) {
        documents.voidIt(id);
        return "redirect:/hullwork/documents/" + id;
    }

    @PostMapping("/documents/{id}/delete")
    String delete(@PathVariable String id) {
        HullworkDocument document = documents.get(id);
        if (payments.settled(document.number()).signum() != 0) {
            throw Refusal.unprocessable("settled", document.number() + " is settled; it can be voided.");
        }
        documents.delete(id);
        return "redirect:/hullwork";
    }

    @PostMapping("/documents/{id}/restore")
    String restore(@PathVariable String id) {
        documents.restore(id);
        return "redirect:/hullwork/documents/" + id;
    }

    /// @return to the credit note
    @PostMapping("/documents/{id}/credit")
    String credit(@PathVariable String id, @RequestParam int line, @RequestParam BigDecimal quantity) {
        return "redirect:/hullwork/documents/"
                + documents.credit(id, line, quantity, LocalDate.now()).id();
    }

    @PostMapping("/documents/{id}/copy-line")
    String copyLine(
            @PathVariable String id,
            @RequestParam int line,
            @RequestParam BigDecimal quantity,
            @RequestParam BigDecimal unitPrice) {
        documents.copyLine(id, line, quantity, unitPrice);
        return "redirect:/hullwork/documents/" + id;
    }

    @PostMapping("/documents/{id}/strike-line")
    String strikeLine(@PathVariable String id, @RequestParam int line) {
        documents.strikeLine(id, line);
        return "redirect:/hullwork/documents/" + id;
    }

    @PostMapping("/documents/{id}/currency")
    String currency(
            @PathVariable String id, @RequestParam String currency, @RequestParam(defaultValue = "") String rate) {
        documents.inCurrency(id, currency.trim(), rate.isBlank() ? null : new BigDecimal(rate.trim()));
        return "redirect:/hullwork/documents/" + id;
    }

    @PostMapping("/documents/{id}/edit")
    String edit(
            @PathVariable String id,
            @RequestParam String number,
            @RequestParam @DateTimeFormat(iso = DateTimeFormat.ISO.DATE) LocalDate date,
            @RequestParam(required = false) @DateTimeFormat(iso = DateTimeFormat.ISO.DATE) LocalDate due,
            @RequestParam List<BigDecimal> quantity,
            @RequestParam List<BigDecimal> unitPrice) {
        documents.edit(id, number.trim(), date, due, quantity, unitPrice);
        return "redirect:/hullwork/documents/" + id;
    }

    private static BigDecimal sum(
            List<HullworkDocument> documents, java.util.function.Function<HullworkDocument, BigDecimal> figure) {
        return documents.stream().map(d -> signed(d, figure.apply(d))).reduce(BigDecimal.ZERO, BigDecimal::add);
    }

    private static BigDecimal signed(HullworkDocument document, BigDecimal amount) {
        return document.type().equals("CREDIT_NOTE") ? amount.negate() : amount;
    }
}
