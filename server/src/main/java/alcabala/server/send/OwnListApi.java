package alcabala.server.send;

import alcabala.accounting.batch.ListComparison;
import alcabala.formats.grid.Grid;
import alcabala.formats.ownlist.DecimalSign;
import alcabala.formats.ownlist.OwnList;
import alcabala.server.crossing.BatchHeads;
import alcabala.server.platform.Amounts;
import alcabala.server.route.RouteRow;
import alcabala.server.route.Routes;
import jakarta.validation.Valid;
import jakarta.validation.constraints.Max;
import jakarta.validation.constraints.Min;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.security.Principal;
import java.util.List;
import java.util.stream.IntStream;
import org.springframework.http.ContentDisposition;
import org.springframework.http.HttpHeaders;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestPart;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.multipart.MultipartFile;

/// A list of somebody's own beside the batch that she is about to send.
@RestController
@RequestMapping("/api/batches")
class OwnListApi {
    private static final int LISTED = 500;
    private static final int LONGEST_NAME = 200;
    private final Routes routes;
    private final Previews previews;
    private final OwnListFiles files;
    private final OwnListStore store;
    private final BatchHeads heads;

    /// How the list is to be read; what is null is recognised.
    ///
    /// @param sheet its name; empty for the one that has the most of the batch's documents
    /// @param hidden whether what is out of sight counts too
    record OwnListAsked(
            @NotNull @Valid SendApi.ChoiceJson choice,
            @Size(max = 100) String sheet,
            @Min(0) @Max(199) Integer numbers,
            @Min(0) @Max(199) Integer amounts,
            DecimalSign sign,
            Boolean hidden) {
        OwnList.Said said() {
            return new OwnList.Said(numbers, amounts, sign, !Boolean.FALSE.equals(hidden));
        }
    }

    /// @param head its letter, and what stands above it
    record OwnColumn(int place, String head) {}

    /// @param rows of the list
    record OwnLine(
            ListComparison.Kind kind,
            String number,
            List<Integer> rows,
            String listed,
            String batch,
            String difference) {}

    /// @param row 0 where the whole list is meant
    record OwnProblem(OwnList.Problem.Kind kind, int row, String sentence) {}

    /// @param id by which the batch can go with it; null as long as there are problems
    /// @param encoding that had to be guessed; empty where it is certain
    /// @param numbers the column of the numbers of documents, -1 where none was recognised
    /// @param less the column whose amounts count negative where the former has none, -1 for none
    /// @param lines the first 500 that do not agree
    /// @param differing how many there are
    record OwnListRead(
            Long id,
            List<String> sheets,
            String sheet,
            String encoding,
            List<OwnColumn> columns,
            int numbers,
            int amounts,
            int less,
            DecimalSign sign,
            int hiddenRows,
            int rows,
            int totalRows,
            String listed,
            String batch,
            String difference,
            int agreed,
            int differing,
            List<OwnLine> lines,
            List<OwnProblem> problems) {}

    OwnListApi(Routes routes, Previews previews, OwnListFiles files, OwnListStore store, BatchHeads heads) {
        this.store = store;
        this.heads = heads;
        this.routes = routes;
        this.previews = previews;
        this.files = files;
    }

    /// Reads it and compares it line by line; nothing is sent.
    @PostMapping(value = "/own-list", consumes = MediaType.MULTIPART_FORM_DATA_VALUE)
    OwnListRead read(
            @Valid @RequestPart("asked") OwnListAsked asked, @RequestPart("file") MultipartFile file, Principal who)
            throws IOException {
        RouteRow route = routes.getLeading(asked.choice().route());
        Preview preview = previews.of(route, asked.choice().asChoice());
        String name = file.getOriginalFilename() == null ? "list" : file.getOriginalFilename();
        OwnListFiles.Reading reading = files.read(
                route,
                preview,
                name.substring(Math.max(0, name.length() - LONGEST_NAME)),
                file.getBytes(),
                asked.sheet() == null ? "" : asked.sheet(),
                asked.said(),
                who.getName());
        return json(preview, reading);
    }

    /// The list that a batch went by, as it was brought.
    @GetMapping("/{id}/own-list")
    ResponseEntity<byte[]> original(@PathVariable long id) {
        routes.get(heads.routeOf(id));
        OwnListStore.Original original = store.original(id);
        return ResponseEntity.ok()
                .contentType(MediaType.APPLICATION_OCTET_STREAM)
                .header(
                        HttpHeaders.CONTENT_DISPOSITION,
                        ContentDisposition.attachment()
                                .filename(original.fileName(), StandardCharsets.UTF_8)
                                .build()
                                .toString())
                .body(original.content());
    }

    private static OwnListRead json(Preview preview, OwnListFiles.Reading reading) {
        OwnList list = reading.list();
        List<ListComparison.Line> lines =
                reading.compared().map(ListComparison::lines).orElse(List.of());
        return new OwnListRead(
                reading.id().orElse(null),
                reading.file().sheets().stream().map(Grid::name).toList(),
                reading.sheet().name(),
                reading.file().encoding(),
                columns(reading),
                list.numbers(),
                list.amounts(),
                list.less(),
                list.sign(),
                list.hiddenRows(),
                list.entries().size(),
                list.totals().size(),
                reading.compared().map(each -> Amounts.decimal(each.listed())).orElse(""),
                Amounts.decimal(preview.totals().gross()),
                reading.compared()
                        .map(each -> Amounts.decimal(each.difference()))
                        .orElse(""),
                reading.compared().map(ListComparison::agreed).orElse(0),
                lines.size(),
                lines.stream().limit(LISTED).map(OwnListApi::line).toList(),
                list.problems().stream()
                        .map(problem ->
                                new OwnProblem(problem.kind(), problem.row(), OwnListSentences.of(problem, list)))
                        .toList());
    }

    private static OwnLine line(ListComparison.Line line) {
        return new OwnLine(
                line.kind(),
                line.number(),
                line.rows(),
                Amounts.decimal(line.listed()),
                Amounts.decimal(line.batch()),
                Amounts.decimal(line.difference()));
    }

    private static List<OwnColumn> columns(OwnListFiles.Reading reading) {
        return IntStream.range(0, reading.list().columns().size())
                .mapToObj(place -> new OwnColumn(place, OwnListSentences.column(reading.list(), place)))
                .toList();
    }
}
