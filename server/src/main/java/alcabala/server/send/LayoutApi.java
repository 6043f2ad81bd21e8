package alcabala.server.send;

import alcabala.formats.layout.Exported;
import alcabala.formats.layout.InvoiceFacts;
import alcabala.formats.layout.Layout;
import alcabala.formats.layout.Layout.Carries;
import alcabala.formats.layout.LayoutExample;
import alcabala.formats.layout.LayoutField;
import alcabala.formats.layout.LayoutWriter;
import alcabala.formats.layout.Written;
import alcabala.server.files.BatchFiles;
import alcabala.server.files.GapJson;
import alcabala.server.files.InvoiceFactsOf;
import alcabala.server.files.LayoutJson;
import alcabala.server.files.Layouts;
import alcabala.server.platform.NotPossibleException;
import alcabala.server.route.RouteRow;
import alcabala.server.route.Routes;
import jakarta.validation.Valid;
import jakarta.validation.constraints.Min;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.security.Principal;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.Stream;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RequestPart;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.multipart.MultipartFile;

/// How the files of a ledger look: its own layouts, those that somebody made, and each as it would come out.
@RestController
@RequestMapping("/api/layouts")
class LayoutApi {
    /// As if it were the first batch of all.
    private static final String SHOWN_AS = "B0.1";
    private static final int LARGEST_EXAMPLE = 5 * 1024 * 1024;
    private final Routes routes;
    private final Layouts layouts;
    private final LayoutSamples samples;
    private final InvoiceFactsOf facts;

    /// @param id null for one that the kind of the ledger brings along
    record KnownLayout(Long id, int version, LayoutJson layout) {}

    record LayoutFieldJson(LayoutField field, LayoutField.Scope scope, boolean takesArgument, boolean text) {}

    record LayoutsJson(List<KnownLayout> layouts, List<LayoutFieldJson> fields) {}

    /// @param id null for a new one
    record KeepJson(
            @NotBlank String route,
            Long id,
            @NotNull @Min(0) Integer expectedVersion,
            @NotNull @Valid LayoutJson layout) {}

    record KeptJson(long id) {}

    record ShowJson(@NotBlank String route, @NotNull @Valid LayoutJson layout) {}

    /// @param rows its first ones, cell by cell; none of what is no table
    /// @param text of the first record, where it is no table
    record ShownFile(String name, List<List<String>> rows, String text) {}

    /// @param records how many it is shown on
    /// @param gaps what these lack that the standard of the medium asks for
    record ShownLayout(int records, List<ShownFile> files, List<GapJson> gaps) {}

    record ExampleAsked(
            @NotBlank String route,
            @NotBlank @Size(max = 60) String name,
            @NotNull Carries carries) {}

    LayoutApi(Routes routes, Layouts layouts, LayoutSamples samples, InvoiceFactsOf facts) {
        this.routes = routes;
        this.layouts = layouts;
        this.samples = samples;
        this.facts = facts;
    }

    @GetMapping
    LayoutsJson list(@RequestParam String route) {
        return new LayoutsJson(
                layouts.of(routes.getLeading(route).ledgerId()).stream()
                        .map(known -> new KnownLayout(known.id(), known.version(), LayoutJson.of(known.layout())))
                        .toList(),
                Stream.of(LayoutField.values())
                        .map(field -> new LayoutFieldJson(
                                field, field.scope(), field.takesArgument(), field.shape() == LayoutField.Shape.TEXT))
                        .toList());
    }

    @PutMapping
    KeptJson keep(@Valid @RequestBody KeepJson kept, Principal who) {
        RouteRow route = routes.getLeading(kept.route());
        return new KeptJson(layouts.keep(
                route.ledgerId(),
                kept.id(),
                kept.expectedVersion(),
                kept.layout().layout(),
                who.getName()));
    }

    @DeleteMapping("/{id}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void drop(@PathVariable long id, @RequestParam String route) {
        layouts.drop(routes.getLeading(route).ledgerId(), id);
    }

    /// As it would come out, on what is ready, or went last; nothing is kept.
    @PostMapping("/shown")
    ShownLayout shown(@Valid @RequestBody ShowJson show) {
        Layout layout = show.layout().layout();
        RouteRow route = routes.getLeading(show.route());
        List<Exported> records = samples.of(route, layout.carries());
        return layout.medium().isTable() ? tables(layout, records) : invoices(route, layout, records);
    }

    private static ShownLayout tables(Layout layout, List<Exported> records) {
        List<List<List<String>>> rows = new LayoutWriter(layout).shown(records, SHOWN_AS);
        List<ShownFile> files = new ArrayList<>();
        for (int i = 0; i < layout.files().size(); i++) {
            files.add(new ShownFile(layout.files().get(i).name(), rows.get(i), ""));
        }
        return new ShownLayout(records.size(), files, List.of());
    }

    private ShownLayout invoices(RouteRow route, Layout layout, List<Exported> records) {
        InvoiceFacts known = facts.of(route, layout, records);
        List<Written.Gap> gaps =
                BatchFiles.written(layout, records, known, SHOWN_AS).gaps();
        String text = records.stream()
                .limit(1)
                .map(first -> BatchFiles.written(layout, List.of(first), known, SHOWN_AS))
                .map(written -> new String(written.files().getFirst().content(), StandardCharsets.UTF_8))
                .findFirst()
                .orElse("");
        ShownFile file = new ShownFile(layout.files().getFirst().name(), List.of(), text);
        return new ShownLayout(records.size(), List.of(file), GapJson.of(gaps));
    }

    /// Makes one after a file of the ledger's own; nothing is kept.
    @PostMapping(value = "/example", consumes = MediaType.MULTIPART_FORM_DATA_VALUE)
    LayoutJson example(@Valid @RequestPart("asked") ExampleAsked asked, @RequestPart("file") MultipartFile file)
            throws IOException {
        routes.getLeading(asked.route());
        if (file.getSize() > LARGEST_EXAMPLE) {
            throw NotPossibleException.invalid(
                    "file-unreadable", "An example of at most 5 MB is read; a few rows of it are enough.");
        }
        return LayoutExample.understand(asked.name().strip(), asked.carries(), file.getBytes())
                .map(LayoutJson::of)
                .orElseThrow(() -> NotPossibleException.invalid(
                        "file-unreadable",
                        "There is no table in this file: its first row should have the headings, in CSV or XLSX."));
    }
}
