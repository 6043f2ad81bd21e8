package standins.desk;

import java.math.BigDecimal;
import java.time.LocalDate;
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
import standins.hullwork.HullworkRecords;

@Controller
@RequestMapping("/hullwork")
class HullworkDesk {
    private final HullworkRecords records;
    private final HullworkDocuments documents;

    HullworkDesk(HullworkRecords records, HullworkDocuments documents) {
        this.records = records;
        this.documents = documents;
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
                .filter(d -> d.status().equals("APPROVED") && d.site().equals(site))
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

    @GetMapping("/items")
    String items(Model model) {
        model.addAttribute("items", records.all("item", Map.class));
        return "hullwork-items";
    }

    /// Documents keep the text they have; what the item is called counts from the next fetch on.
    @PostMapping("/items/{code}")
    String rename(@PathVariable String code, @RequestParam String text) {
        Map<String, Object> item = new TreeMap<>();
        Map<?, ?> before = records.find("item", code, Map.class).orElseThrow(() -> Refusal.notFound("item " + code));
        before.forEach((name, value) -> item.put(String.valueOf(name), value));
        item.put("text", text.trim());
        records.put("item", code, item);
        return "redirect:/hullwork/items";
    }

    @GetMapping("/documents/{id}")
    String detail(@PathVariable String id, Model model) {
        HullworkDocument document = documents.get(id);
        model.addAttribute("d", document);
        model.addAttribute(
                "customer",
                records.find("customer", document.customer(), Map.class).orElse(Map.of()));
        model.addAttribute("draft", document.status().equals("DRAFT"));
        model.addAttribute("void", document.status().equals("VOID"));
        return "hullwork-detail";
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

    @PostMapping("/documents/{id}/send")
    String send(@PathVariable String id) {
        documents.send(id, LocalDate.now());
        return "redirect:/hullwork/documents/" + id;
    }

    @PostMapping("/documents/{id}/pay")
    String pay(@PathVariable String id) {
        documents.pay(id, LocalDate.now());
        return "redirect:/hullwork/documents/" + id;
    }

    @PostMapping("/documents/{id}/void")
    String voidIt(@PathVariable String id) {
        documents.voidIt(id);
        return "redirect:/hullwork/documents/" + id;
    }

    @PostMapping("/documents/{id}/edit")
    String edit(
            @PathVariable String id,
            @RequestParam String number,
            @RequestParam @DateTimeFormat(iso = DateTimeFormat.ISO.DATE) LocalDate date,
            @RequestParam List<BigDecimal> quantity,
            @RequestParam List<BigDecimal> unitPrice) {
        documents.edit(id, number.trim(), date, quantity, unitPrice);
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
