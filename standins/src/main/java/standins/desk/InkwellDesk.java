package standins.desk;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import org.springframework.format.annotation.DateTimeFormat;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import standins.inkwell.Books;
import standins.inkwell.Books.Document;
import standins.inkwell.Books.Draft;
import standins.inkwell.Books.DraftLine;
import standins.inkwell.Masters;
import standins.inkwell.Posting;

@Controller
@RequestMapping("/inkwell")
class InkwellDesk {
    private final Masters masters;
    private final Posting posting;

    InkwellDesk(Masters masters, Posting posting) {
        this.masters = masters;
        this.posting = posting;
    }

    @GetMapping
    String list(Model model) {
        model.addAttribute("documents", posting.latest(500));
        model.addAttribute("lockedThrough", masters.lockedThrough());
        return "inkwell-list";
    }

    @GetMapping("/balances")
    String balances(Model model) {
        model.addAttribute("balances", posting.balances());
        return "inkwell-balances";
    }

    @GetMapping("/customers")
    String customers(Model model) {
        model.addAttribute("customers", masters.customers());
        model.addAttribute("items", masters.items());
        return "inkwell-customers";
    }

    @GetMapping("/documents/{id}")
    String detail(@PathVariable String id, Model model) {
        Document document = posting.get(id);
        BigDecimal open = document.gross().subtract(document.paid());
        model.addAttribute("d", document);
        model.addAttribute(
                "customerName",
                masters.findCustomer(document.customer()).orElseThrow().name());
        model.addAttribute("open", open);
        model.addAttribute("payable", open.signum() > 0);
        model.addAttribute("today", LocalDate.now());
        return "inkwell-detail";
    }

    @PostMapping("/documents/{id}/pay")
    String pay(
            @PathVariable String id,
            @RequestParam BigDecimal amount,
            @RequestParam @DateTimeFormat(iso = DateTimeFormat.ISO.DATE) LocalDate date) {
        posting.pay(new Books.Payment(id, date, amount, "1000"));
        return "redirect:/inkwell/documents/" + id;
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
            Books.Line line = d.lines().get(i);
            lines.add(new DraftLine(
                    line.item(),
                    line.account(),
                    line.text(),
                    line.quantity(),
                    line.unitPrice(),
                    amount.get(i),
                    line.taxCode()));
        }
        posting.change(
                id,
                new Draft(
                        d.number(),
                        d.kind(),
                        d.customer(),
                        d.date(),
                        due,
                        "EUR",
                        d.pricesIncludeTax(),
                        d.receivableAccount(),
                        d.externalReference(),
                        d.creditsNumber(),
                        lines,
                        version));
        return "redirect:/inkwell/documents/" + id;
    }

    @PostMapping("/lock")
    String lock(@RequestParam @DateTimeFormat(iso = DateTimeFormat.ISO.DATE) LocalDate through) {
        masters.lockThrough(through);
        return "redirect:/inkwell";
    }
}
