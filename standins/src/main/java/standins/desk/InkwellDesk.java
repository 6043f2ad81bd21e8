package standins.desk;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.springframework.format.annotation.DateTimeFormat;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.ModelAttribute;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import standins.inkwell.Books;
import standins.inkwell.Books.Document;
import standins.inkwell.Books.Draft;
import standins.inkwell.Books.DraftLine;
import standins.inkwell.Companies;
import standins.inkwell.Company;
import standins.inkwell.Masters;
import standins.inkwell.Posting;

@Controller
@RequestMapping("/inkwell/books/{company}")
class InkwellDesk {
    private static final String BASE = "/inkwell/books/";
    private static final Map<String, String> SAYS = new LinkedHashMap<>();

    static {
        SAYS.put("applies-credits", "applies open credits to the oldest invoice by itself");
        SAYS.put("tracks-quantities", "tracks quantities and books the cost of what is sold");
        SAYS.put("purchase-orders", "has purchase orders");
        SAYS.put("dimensions", "has dimensions");
        SAYS.put("multi-currency", "keeps several currencies");
    }

    private final Masters masters;
    private final Posting posting;

    record Setting(String name, String says, boolean on) {}

    InkwellDesk(Masters masters, Posting posting) {
        this.masters = masters;
        this.posting = posting;
    }

    @ModelAttribute("base")
    String base() {
        return BASE + Companies.open().id();
    }

    @ModelAttribute("company")
    Company company() {
        return Companies.open();
    }

    @GetMapping
    String list(Model model) {
        model.addAttribute("documents", posting.latest(500));
        return "inkwell-list";
    }

    @GetMapping("/balances")
    String balances(Model model) {
        model.addAttribute("balances", posting.balances());
        return "inkwell-balances";
    }

    @GetMapping("/parties")
    String parties(Model model) {
        model.addAttribute("parties", masters.parties());
        model.addAttribute("items", masters.items());
        return "inkwell-parties";
    }

    @GetMapping("/documents/{id}")
    String detail(@PathVariable String id, Model model) {
        Document document = posting.get(id);
        BigDecimal open = document.gross().subtract(document.paid());
        model.addAttribute("d", document);
        model.addAttribute(
                "partyName", masters.findParty(document.party()).orElseThrow().name());
        model.addAttribute("open", open);
        boolean draft = document.status().equals("draft");
        model.addAttribute("draft", draft);
        model.addAttribute("payable", open.signum() > 0 && !draft);
        model.addAttribute("today", LocalDate.now());
        return "inkwell-detail";
    }

    @PostMapping("/documents/{id}/pay")
    String pay(
            @PathVariable String id,
            @RequestParam BigDecimal amount,
            @RequestParam @DateTimeFormat(iso = DateTimeFormat.ISO.DATE) LocalDate date) {
        posting.pay(new Books.Payment(id, date, amount, "1000"));
        return "redirect:" + base() + "/documents/" + id;
    }

    @PostMapping("/documents/{id}/final")
    String makeFinal(@PathVariable String id) {
        posting.makeFinal(id);
        return "redirect:" + base() + "/documents/" + id;
    }

    @PostMapping("/documents/{id}/edit")
    String edit(
            @PathVariable String id,
            @RequestParam int version,
            @RequestParam @DateTimeFormat(iso = DateTimeFormat.ISO.DATE) LocalDate due,
            @RequestParam List<BigDecimal> amount) {
        Document d = posting.get(id);
        List<DraftLine> lines = new ArrayList<>();
        for (int i = 0; i < d.lines().size(); i++) {
            lines.add(d.lines().get(i).at(amount.get(i)));
        }
        posting.change(id, Draft.of(d, Companies.open().currency()).changed(due, lines, version));
        return "redirect:" + base() + "/documents/" + id;
    }

    @GetMapping("/settings")
    String settings(Model model) {
        model.addAttribute("lockedThrough", masters.lockedThrough());
        model.addAttribute("timeZone", masters.company().timeZone());
        model.addAttribute(
                "settings",
                SAYS.entrySet().stream()
                        .map(each -> new Setting(each.getKey(), each.getValue(), masters.isOn(each.getKey())))
                        .toList());
        model.addAttribute("accounts", masters.accounts());
        model.addAttribute("taxCodes", masters.taxCodes());
        return "inkwell-settings";
    }

    @PostMapping("/settings/{name}")
    String set(@PathVariable String name, @RequestParam boolean on) {
        masters.set(name, on);
        return "redirect:" + base() + "/settings";
    }

    @PostMapping("/accounts/{code}")
    String change(
            @PathVariable String code,
            @RequestParam String name,
            @RequestParam String type,
            @RequestParam(defaultValue = "false") boolean active) {
        masters.change(code, name.trim(), type, active);
        return "redirect:" + base() + "/settings";
    }

    @PostMapping("/tax-codes/{code}")
    String change(
            @PathVariable String code,
            @RequestParam BigDecimal rate,
            @RequestParam(defaultValue = "false") boolean active) {
        masters.change(code, rate, active);
        return "redirect:" + base() + "/settings";
    }

    @PostMapping("/books")
    String otherBooks() {
        masters.beginBooks();
        return "redirect:" + base() + "/settings";
    }

    @PostMapping("/books/former")
    String formerBooks() {
        masters.putFormerBooksBack();
        return "redirect:" + base() + "/settings";
    }

    @PostMapping("/time-zone")
    String timeZone(@RequestParam String zone) {
        masters.setTimeZone(zone);
        return "redirect:" + base() + "/settings";
    }

    @PostMapping("/lock")
    String lock(@RequestParam @DateTimeFormat(iso = DateTimeFormat.ISO.DATE) LocalDate through) {
        masters.lockThrough(through);
        return "redirect:" + base() + "/settings";
    }
}
