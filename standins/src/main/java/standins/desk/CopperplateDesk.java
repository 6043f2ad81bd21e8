package standins.desk;

import java.util.List;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import standins.copperplate.CopperplateBooks;

@Controller
@RequestMapping("/copperplate")
class CopperplateDesk {
    private final CopperplateBooks books;

    record Row(String key, List<String> cells, boolean open) {}

    record Shown(String name, List<String> columns, List<Row> rows) {}

    CopperplateDesk(CopperplateBooks books) {
        this.books = books;
    }

    @GetMapping
    String lists(Model model) {
        model.addAttribute(
                "lists", CopperplateBooks.names().stream().map(this::shown).toList());
        return "copperplate";
    }

    private Shown shown(String name) {
        return new Shown(
                name,
                books.columns(name),
                books.rows(name).stream()
                        .map(cells ->
                                new Row(cells.getFirst(), cells, cells.getLast().equals("yes")))
                        .toList());
    }

    /// A list as a file, written the way the person at the desk asks for.
    @GetMapping("/export/{name}.csv")
    ResponseEntity<byte[]> export(
            @PathVariable String name,
            @RequestParam(defaultValue = ";") String separator,
            @RequestParam(defaultValue = "UTF-8") String encoding) {
        return DeskFile.of(name, books.columns(name), books.rows(name), separator, encoding);
    }

    @PostMapping("/{name}/open")
    String open(
            @PathVariable String name, @RequestParam String key, @RequestParam(defaultValue = "false") boolean open) {
        books.open(name, key, open);
        return "redirect:/copperplate";
    }
}
