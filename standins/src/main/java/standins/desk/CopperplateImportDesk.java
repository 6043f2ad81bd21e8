package standins.desk;

import java.io.IOException;
import java.math.BigDecimal;
import java.time.format.DateTimeFormatter;
import java.util.ArrayList;
import java.util.List;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.multipart.MultipartFile;
import standins.copperplate.CopperplateImports;
import standins.copperplate.CopperplateRegister;

/// Where files are put on the desk, and what came of them is written down.
@Controller
@RequestMapping("/copperplate")
class CopperplateImportDesk {
    private static final DateTimeFormatter DAY = DateTimeFormatter.ofPattern("dd/MM/uuuu");
    private static final List<String> ANSWER = List.of(
            "File",
            "Import",
            "Delivery",
            "Reference",
            "Outcome",
            "Entry",
            "Party",
            "Party created",
            "Currency",
            "Gross",
            "Reason");
    private static final List<String> REGISTER = List.of(
            "Entry",
            "Type",
            "Number",
            "Date",
            "Party",
            "Name",
            "Currency",
            "Net",
            "Tax",
            "Gross",
            "Delivery",
            "Reference",
            "Import",
            "Struck out");
    private final CopperplateImports imports;
    private final CopperplateRegister register;

    CopperplateImportDesk(CopperplateImports imports, CopperplateRegister register) {
        this.imports = imports;
        this.register = register;
    }

    @GetMapping("/imports")
    String imports(Model model) {
        model.addAttribute("imports", imports.all());
        model.addAttribute("strict", imports.isStrict());
        return "copperplate-imports";
    }

    @PostMapping("/imports")
    String take(@RequestParam MultipartFile file) throws IOException {
        return "redirect:/copperplate/imports/" + imports.take(file.getOriginalFilename(), file.getBytes());
    }

    @PostMapping("/imports/strict")
    String strict(@RequestParam(defaultValue = "false") boolean strict) {
        imports.strict(strict);
        return "redirect:/copperplate/imports";
    }

    @GetMapping("/imports/{id}")
    String outcome(@PathVariable int id, Model model) {
        model.addAttribute("import", imports.get(id));
        model.addAttribute("outcomes", imports.outcomes(id));
        return "copperplate-import";
    }

    /// What was accepted and what was not, with a row at the end that counts them: without it the file was cut off.
    @GetMapping("/imports/{id}/acceptance.csv")
    ResponseEntity<byte[]> acceptance(@PathVariable int id) {
        CopperplateImports.Imported of = imports.get(id);
        List<CopperplateImports.Outcome> outcomes = imports.outcomes(id);
        List<List<String>> rows = new ArrayList<>();
        for (CopperplateImports.Outcome each : outcomes) {
            rows.add(List.of(
                    of.file(),
                    String.valueOf(id),
                    each.delivery(),
                    each.reference(),
                    each.accepted() ? "accepted" : "refused",
                    each.entry(),
                    each.party(),
                    each.created() ? "yes" : "no",
                    each.currency(),
                    each.accepted() ? each.gross().toPlainString() : "",
                    each.reason()));
        }
        BigDecimal sum =
                outcomes.stream().map(CopperplateImports.Outcome::gross).reduce(BigDecimal.ZERO, BigDecimal::add);
        rows.add(List.of(
                of.file(),
                String.valueOf(id),
                "",
                String.valueOf(outcomes.size()),
                "end",
                "",
                "",
                "",
                "",
                sum.toPlainString(),
                ""));
        return DeskFile.of("acceptance-" + id, ANSWER, rows, ";", "UTF-8");
    }

    @GetMapping("/register")
    String register(Model model) {
        model.addAttribute("entries", register.all());
        return "copperplate-register";
    }

    @GetMapping("/register.csv")
    ResponseEntity<byte[]> registerFile() {
        List<List<String>> rows = register.all().stream()
                .map(each -> List.of(
                        each.number(),
                        each.kind(),
                        each.document(),
                        each.date().format(DAY),
                        each.party(),
                        each.name(),
                        each.currency(),
                        each.net().toPlainString(),
                        each.tax().toPlainString(),
                        each.gross().toPlainString(),
                        each.delivery(),
                        each.reference(),
                        String.valueOf(each.importId()),
                        each.struck() ? "yes" : "no"))
                .toList();
        return DeskFile.of("register", REGISTER, rows, ";", "UTF-8");
    }

    @PostMapping("/register/{number}/strike")
    String strike(@PathVariable String number) {
        register.strike(number);
        return "redirect:/copperplate/register";
    }

    @PostMapping("/register/{number}/correct")
    String correct(@PathVariable String number, @RequestParam BigDecimal amount) {
        register.correct(number, amount);
        return "redirect:/copperplate/register";
    }
}
