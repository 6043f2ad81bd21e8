package standins.desk;

import java.math.BigDecimal;
import java.nio.charset.StandardCharsets;
import java.time.LocalDate;
import java.time.format.DateTimeFormatter;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import standins.copperplate.CopperplateImports;
import standins.copperplate.CopperplateStandings;
import standins.hullwork.HullworkDocument;
import standins.hullwork.HullworkPayments;
import standins.hullwork.HullworkRecords;

/// What stood on a day, as a file; and what was open at Port Ellery, entered by hand before there was anything between
/// the two: with a slip of the pen, and one left out.
@Controller
@RequestMapping("/copperplate")
class CopperplateStandingDesk {
    private static final DateTimeFormatter DAY = DateTimeFormatter.ofPattern("dd/MM/uuuu");
    private static final List<String> COLUMNS = List.of(
            "Day",
            "Account",
            "Balance",
            "Entry",
            "Type",
            "Number",
            "Date",
            "Due",
            "Party",
            "Name",
            "Currency",
            "Net",
            "Tax",
            "Gross",
            "Open",
            "Open in books",
            "Reference");
    private static final String SALES =
            "Delivery;Reference;Type;Number;Date;Due;Party;Party name;Currency;Rate;Prices;Tax code;Corrects;Account;"
                    + "Description;Quantity;Amount;Taxed\n";
    private static final BigDecimal SLIP = new BigDecimal("9.00");
    private static final int SLIPPED = 3;
    private static final int LEFT_OUT = 5;
    private final CopperplateStandings standings;
    private final CopperplateImports imports;
    private final HullworkRecords records;
    private final HullworkPayments payments;

    CopperplateStandingDesk(
            CopperplateStandings standings,
            CopperplateImports imports,
            HullworkRecords records,
            HullworkPayments payments) {
        this.standings = standings;
        this.imports = imports;
        this.records = records;
        this.payments = payments;
    }

    /// Accounts, then open entries, then a row that counts them: without it the file was cut off.
    @GetMapping("/standing.csv")
    ResponseEntity<byte[]> standing(@RequestParam LocalDate on) {
        List<List<String>> rows = new ArrayList<>();
        standings.accounts(on).forEach(each -> rows.add(account(on, each)));
        standings.open(on).forEach(each -> rows.add(entry(on, each)));
        rows.add(row(on, "end", String.valueOf(rows.size())));
        return DeskFile.of("standing-" + on, COLUMNS, rows, ";", "UTF-8");
    }

    private static List<String> account(LocalDate on, CopperplateStandings.Account of) {
        return row(on, of.account(), of.balance().toPlainString());
    }

    private static List<String> row(LocalDate on, String account, String balance) {
        List<String> cells = new ArrayList<>(List.of(on.format(DAY), account, balance));
        while (cells.size() < COLUMNS.size()) {
            cells.add("");
        }
        return cells;
    }

    private static List<String> entry(LocalDate on, CopperplateStandings.Open of) {
        return List.of(
                on.format(DAY),
                "",
                "",
                of.number(),
                of.kind(),
                of.document(),
                of.date().format(DAY),
                of.due() == null ? "" : of.due().format(DAY),
                of.party(),
                of.name(),
                of.currency(),
                of.net().toPlainString(),
                of.tax().toPlainString(),
                of.gross().toPlainString(),
                of.open().toPlainString(),
                of.openInBooks().toPlainString(),
                of.reference());
    }

    @PostMapping("/taken-over")
    String takeOver(@RequestParam LocalDate on) {
        List<HullworkDocument> open = records.all("document", HullworkDocument.class).stream()
                .filter(each -> each.site().equals("Port Ellery")
                        && each.type().equals("INVOICE")
                        && each.wasApproved()
                        && !each.date().isAfter(on)
                        && payments.settled(each.number()).compareTo(each.gross()) < 0)
                .sorted(Comparator.comparing(HullworkDocument::number))
                .toList();
        // Once is enough: an import would book them again.
        boolean entered = standings.open(on).stream()
                .anyMatch(there -> open.stream().anyMatch(each -> each.number().equals(there.document())));
        if (open.isEmpty() || entered) {
            return "redirect:/copperplate/register";
        }
        StringBuilder file = new StringBuilder(SALES);
        for (int place = 1; place <= open.size(); place++) {
            if (place != LEFT_OUT) {
                file.append(line(open.get(place - 1), place == SLIPPED ? SLIP : BigDecimal.ZERO));
            }
        }
        imports.take("by-hand.csv", file.toString().getBytes(StandardCharsets.UTF_8));
        return "redirect:/copperplate/register";
    }

    private String line(HullworkDocument of, BigDecimal slip) {
        Object name = records.find("customer", of.customer(), Map.class)
                .orElse(Map.of())
                .get("name");
        return String.join(
                ";",
                Stream.of(
                                "",
                                "by hand " + of.number(),
                                "invoice",
                                of.number(),
                                of.date().format(DAY),
                                of.due() == null ? "" : of.due().format(DAY),
                                "",
                                name,
                                of.currency(),
                                "1",
                                "gross",
                                "",
                                "",
                                "4100",
                                "Taken over",
                                "1",
                                of.gross().add(slip).toPlainString(),
                                "no\n")
                        .map(String::valueOf)
                        .toList());
    }
}
