package standins.desk;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.List;
import org.springframework.format.annotation.DateTimeFormat;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import standins.inkwell.Books.Draft;
import standins.inkwell.Books.DraftLine;
import standins.inkwell.Companies;
import standins.inkwell.Posting;

/// Documents that people enter in the books themselves, with one line each.
@Controller
@RequestMapping("/inkwell/books/{company}/documents")
class EnteringDesk {
    private static final int DAYS = 14;
    private final Posting posting;

    EnteringDesk(Posting posting) {
        this.posting = posting;
    }

    @PostMapping
    String enter(
            @RequestParam String kind,
            @RequestParam String number,
            @RequestParam String party,
            @RequestParam @DateTimeFormat(iso = DateTimeFormat.ISO.DATE) LocalDate date,
            @RequestParam(defaultValue = "") String item,
            @RequestParam String text,
            @RequestParam BigDecimal amount,
            @RequestParam(defaultValue = "4010") String account,
            @RequestParam(defaultValue = "") String taxCode,
            @RequestParam(defaultValue = "EUR") String currency) {
        DraftLine line = new DraftLine(
                item.isBlank() ? null : item.trim(),
                account.trim(),
                text.trim(),
                BigDecimal.ONE,
                amount,
                amount,
                taxCode.isBlank() ? null : taxCode.trim());
        String id = posting.post(new Draft(
                        number.trim(),
                        kind,
                        party.trim(),
                        date,
                        date.plusDays(DAYS),
                        currency.trim(),
                        false,
                        "1100",
                        null,
                        null,
                        List.of(line),
                        null))
                .id();
        return "redirect:/inkwell/books/" + Companies.open().id() + "/documents/" + id;
    }
}
