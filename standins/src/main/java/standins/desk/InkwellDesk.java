package standins.desk;

import java.math.BigDecimal;
import java.time.Clock;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import org.springframework.format.annotation.DateTimeFormat;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.util.MultiValueMap;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.ModelAttribute;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import standins.inkwell.Added;
import standins.inkwell.Books;
import standins.inkwell.Books.Document;
import standins.inkwell.Books.Draft;
import standins.inkwell.Books.DraftLine;
import standins.inkwell.Companies;
import standins.inkwell.Company;
import standins.inkwell.Entries;
import standins.inkwell.Entry;
import standins.inkwell.Items;
import standins.inkwell.Masters;
import standins.inkwell.OpenItems;
import standins.inkwell.Payments;
import standins.inkwell.Posting;
import standins.inkwell.Voiding;

@Controller
@RequestMapping("/inkwell/books/{company}")
class InkwellDesk {
    private static final int DAY = 24 * 60;
    private static final String BASE = "/inkwell/books/";
    private static final Map<String, String> SAYS = new LinkedHashMap<>();

    static {
        SAYS.put("applies-credits", "applies open credits to the oldest invoice by itself");
        SAYS.put("tracks-quantities", "tracks quantities and books the cost of what is sold");
        SAYS.put("purchase-orders", "has purchase orders");
        SAYS.put("dimensions", "has dimensions");
        SAYS.put("multi-currency", "keeps several currencies");
        SAYS.put("sub-parties", "has customers below others");
        SAYS.put("decides-tax", "decides tax itself, by the place of the other party; lines are taxable or not");
    }

    private final Masters masters;
    private final Items items;
    private final Posting posting;
    private final Payments payments;
    private final Entries entries;
    private final Voiding voiding;
    private final Added added;
    private final OpenItems openItems;
    private final Clock clock;

    record Setting(String name, String says, boolean on) {}

    InkwellDesk(
            Masters masters,
            Items items,
            Posting posting,
            Payments payments,
            Entries entries,
            Voiding voiding,
            Added added,
            OpenItems openItems,
            Clock clock) {
        this.openItems = openItems;
        this.clock = clock;
        this.entries = entries;
        this.voiding = voiding;
        this.added = added;
        this.masters = masters;
        this.items = items;
        this.posting = posting;
        this.payments = payments;
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
        model.addAttribute("today", LocalDate.now(clock));
        return "inkwell-list";
    }

    @GetMapping("/balances")
    String balances(@RequestParam(required = false) LocalDate on, Model model) {
        model.addAttribute("balances", openItems.balances(on));
        model.addAttribute("on", on == null ? LocalDate.now(clock) : on);
        return "inkwell-balances";
    }

    @GetMapping("/parties")
    String parties(Model model) {
        model.addAttribute(
                "parties", masters.parties().stream().map(InkwellDesk::row).toList());
        model.addAttribute("items", items.all());
        return "inkwell-parties";
    }

    private static Map<String, Object> row(Books.Party party) {
        Map<String, Object> row = new HashMap<>();
        row.put("id", party.id());
        row.put("name", party.name());
        row.put("taxIdentifier", party.taxIdentifier());
        row.put("email", party.email());
        row.put("phone", party.phone());
        row.put("billTo", party.billTo());
        row.put("shipTo", party.shipTo());
        row.put("terms", party.terms());
        row.put("contacts", party.contacts());
        row.put("parent", Objects.toString(party.parent(), ""));
        row.put("externalReference", Objects.toString(party.externalReference(), ""));
        row.put("active", party.active());
        return AddressForm.row(row);
    }

    @PostMapping("/parties")
    String enter(@RequestParam Map<String, String> given) {
        masters.add(AddressForm.fields(given));
        return "redirect:" + base() + "/parties";
    }

    @PostMapping("/items")
    String enterItem(@RequestParam Map<String, String> given) {
        items.add(given);
        return "redirect:" + base() + "/parties";
    }

    /// What is not given stays.
    @PostMapping("/parties/{id}")
    String change(@PathVariable String id, @RequestParam Map<String, String> given) {
        masters.change(id, AddressForm.fields(given));
        return "redirect:" + base() + "/parties";
    }

    /// What is not given stays.
    @PostMapping("/items/{code}")
    String changeItem(@PathVariable String code, @RequestParam Map<String, String> given) {
        items.change(code, given);
        return "redirect:" + base() + "/parties";
    }

    @GetMapping("/documents/{id}")
    String detail(@PathVariable String id, Model model) {
        Document document = posting.get(id);
        BigDecimal open = document.gross().subtract(document.paid());
        model.addAttribute("d", document);
        model.addAttribute(
                "partyName", masters.findParty(document.party()).orElseThrow().name());
        model.addAttribute("open", open);
        model.addAttribute("added", added.shown(document.fields()));
        boolean draft = document.status().equals("draft");
        model.addAttribute("draft", draft);
        boolean standing = !document.status().equals("void");
        model.addAttribute("standing", standing);
        model.addAttribute("payable", open.signum() > 0 && !draft && standing);
        model.addAttribute("payments", payments.of(id));
        model.addAttribute("accounts", moneyAccounts());
        model.addAttribute("today", LocalDate.now());
        return "inkwell-detail";
    }

    /// Where its link to pay leads: what its customer sees.
    @GetMapping("/pay/{id}")
    String payPage(@PathVariable String id, Model model) {
        Document document = posting.get(id);
        BigDecimal open = document.gross().subtract(document.paid());
        model.addAttribute("d", document);
        model.addAttribute("open", open);
        model.addAttribute("payable", open.signum() > 0 && document.status().equals("final"));
        model.addAttribute("today", LocalDate.now(clock));
        return "inkwell-pay";
    }

    @PostMapping("/documents/{id}/pay")
    String pay(
            @PathVariable String id,
            @RequestParam BigDecimal amount,
            @RequestParam @DateTimeFormat(iso = DateTimeFormat.ISO.DATE) LocalDate date,
            @RequestParam(defaultValue = "1000") String account,
            @RequestParam(defaultValue = "30") String means,
            @RequestParam(defaultValue = "") String reference,
            @RequestParam(defaultValue = "") String currency,
            @RequestParam(required = false) BigDecimal worth) {
        payments.pay(id, amount, date, account, means, reference.trim(), currency.isBlank() ? null : currency, worth);
        return "redirect:" + base() + "/documents/" + id;
    }

    private List<Books.Account> moneyAccounts() {
        return masters.accounts().stream()
                .filter(account -> account.active()
                        && (account.type().equals("bank") || account.type().equals("asset")))
                .toList();
    }

    @GetMapping("/payments")
    String payments(Model model) {
        model.addAttribute("payments", payments.latest(500));
        return "inkwell-payments";
    }

    @GetMapping("/payments/{id}")
    String payment(@PathVariable String id, Model model) {
        Books.Payment payment = payments.get(id);
        model.addAttribute("p", payment);
        model.addAttribute(
                "partyName", masters.findParty(payment.party()).orElseThrow().name());
        model.addAttribute("standing", payment.status().equals("posted"));
        model.addAttribute("credit", payment.open().signum() > 0);
        model.addAttribute("documents", payments.settleable(payment));
        return "inkwell-payment";
    }

    @PostMapping("/payments/{id}/allocate")
    String allocate(@PathVariable String id, @RequestParam String document, @RequestParam BigDecimal money) {
        payments.allocate(id, List.of(new Books.Allocated(document, null, null, money, null, null)));
        return "redirect:" + base() + "/payments/" + id;
    }

    @PostMapping("/payments/{id}/edit")
    String change(
            @PathVariable String id,
            @RequestParam @DateTimeFormat(iso = DateTimeFormat.ISO.DATE) LocalDate date,
            @RequestParam String reference) {
        payments.change(id, date, reference.strip());
        return "redirect:" + base() + "/payments/" + id;
    }

    @PostMapping("/payments/{id}/void")
    String voidPayment(@PathVariable String id) {
        payments.voidIt(id, null);
        return "redirect:" + base() + "/payments/" + id;
    }

    @GetMapping("/journals")
    String entries(Model model) {
        model.addAttribute("entries", entries.latest(500));
        return "inkwell-entries";
    }

    @GetMapping("/journals/{id}")
    String entry(@PathVariable String id, Model model) {
        Entry entry = entries.get(id);
        model.addAttribute("e", entry);
        model.addAttribute("standing", entry.status().equals("posted"));
        return "inkwell-entry";
    }

    @PostMapping("/journals/{id}/void")
    String voidEntry(@PathVariable String id) {
        entries.voidIt(id, null, null);
        return "redirect:" + base() + "/journals/" + id;
    }

    @PostMapping("/documents/{id}/delete")
    String deleteDocument(@PathVariable String id) {
        voiding.deleteDocument(id);
        return "redirect:" + base();
    }

    @PostMapping("/documents/{id}/void")
    String voidDocument(@PathVariable String id) {
        voiding.voidDocument(id, null, null);
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
            @RequestParam List<BigDecimal> amount,
            @RequestParam(required = false) String terms,
            @RequestParam(required = false) String note,
            @RequestParam(required = false) List<String> account,
            @RequestParam MultiValueMap<String, String> all) {
        // Not a list of parameters: a text with a comma would be taken for two.
        List<String> texts = all.get("text");
        Document d = posting.get(id);
        List<DraftLine> lines = new ArrayList<>();
        for (int i = 0; i < d.lines().size(); i++) {
            DraftLine line = d.lines().get(i).at(amount.get(i));
            DraftLine booked = account == null ? line : line.on(account.get(i).trim());
            lines.add(texts == null ? booked : booked.saying(texts.get(i).strip()));
        }
        Map<String, String> fields = new LinkedHashMap<>();
        added.fields().stream()
                .filter(field -> all.containsKey("field-" + field.code()))
                .forEach(field -> fields.put(field.code(), all.getFirst("field-" + field.code())));
        Draft changed = Draft.of(d).changed(due, lines, fields, version);
        Draft noted = note == null ? changed : changed.noted(note.strip());
        posting.change(id, terms == null ? noted : noted.termed(terms.isBlank() ? null : terms.strip()));
        return "redirect:" + base() + "/documents/" + id;
    }

    @GetMapping("/settings")
    String settings(Model model) {
        model.addAttribute("lockedThrough", masters.lockedThrough());
        model.addAttribute("clockAhead", masters.clockAhead());
        model.addAttribute("timeZone", masters.company().timeZone());
        model.addAttribute(
                "settings",
                SAYS.entrySet().stream()
                        .map(each -> new Setting(each.getKey(), each.getValue(), masters.isOn(each.getKey())))
                        .toList());
        model.addAttribute("accounts", masters.accounts());
        model.addAttribute("taxCodes", masters.taxCodes());
        model.addAttribute("dimensions", masters.allDimensions());
        model.addAttribute("terms", added.terms());
        model.addAttribute("fields", added.fields());
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

    @PostMapping("/dimensions/{dimension}/{value}")
    String changeDimension(
            @PathVariable String dimension,
            @PathVariable String value,
            @RequestParam(defaultValue = "false") boolean active) {
        masters.change(dimension, value, active);
        return "redirect:" + base() + "/settings";
    }

    @PostMapping("/fields/{field}")
    String changeField(@PathVariable String field, @RequestParam(defaultValue = "false") boolean active) {
        added.setActive(field, active);
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

    @PostMapping("/clock")
    String clock(@RequestParam int ahead) {
        masters.setClockAhead(Math.clamp(ahead, -DAY, DAY));
        return "redirect:" + base() + "/settings";
    }

    @PostMapping("/lock")
    String lock(@RequestParam @DateTimeFormat(iso = DateTimeFormat.ISO.DATE) LocalDate through) {
        masters.lockThrough(through);
        return "redirect:" + base() + "/settings";
    }
}
