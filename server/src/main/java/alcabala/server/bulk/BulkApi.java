package alcabala.server.bulk;

import alcabala.accounting.crosswalk.Meaning;
import alcabala.accounting.crosswalk.RowKind;
import alcabala.formats.sheet.SheetFile;
import alcabala.server.bulk.BulkStore.Bulk;
import alcabala.server.bulk.BulkStore.State;
import alcabala.server.jobs.Work;
import alcabala.server.jobs.Works;
import alcabala.server.jobs.Works.Kind;
import alcabala.server.map.RowWords;
import alcabala.server.platform.NotPossibleException;
import alcabala.server.platform.Sentences;
import alcabala.server.record.Hashes;
import alcabala.server.route.RouteRow;
import alcabala.server.route.Routes;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Pattern;
import jakarta.validation.constraints.Size;
import java.io.IOException;
import java.security.Principal;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.UUID;
import java.util.function.Supplier;
import java.util.stream.Stream;
import org.springframework.http.ContentDisposition;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RequestPart;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.multipart.MultipartFile;

/// Crosswalks as files, and many rows changed as one.
@RestController
@RequestMapping("/api/map/bulk")
class BulkApi {
    private static final MediaType XLSX =
            MediaType.parseMediaType("application/vnd.openxmlformats-officedocument.spreadsheetml.sheet");
    private final Routes routes;
    private final Bulks bulks;
    private final BulkStore store;
    private final RowWords words;
    private final Works works;

    record BulkDone(long id, String sentence) {}

    /// @param left codes whose rows were changed since, and stay as they are
    record BulkTakenBack(String sentence, List<String> left) {}

    record BulkChange(
            long id,
            RowKind kind,
            String fileName,
            int rows,
            State state,
            String doneBy,
            Instant doneAt,
            String undoneBy,
            Instant undoneAt) {}

    /// @param meaning left out to take the rows away
    record BulkCodes(
            @NotBlank String route,
            @NotNull RowKind kind,
            @NotNull @Size(min = 1, max = Bulks.MOST) Set<@NotBlank @Size(max = 200) String> codes,
            Meaning meaning) {}

    record BulkNames(
            @NotBlank String route,

            @NotNull @Size(min = 1, max = Bulks.MOST)
            Map<@NotBlank @Size(max = 200) String, @NotBlank @Size(max = 200) String> names) {}

    /// @param from the code of another route; left out for this one as it was
    /// @param moment when; left out for another route as it is
    record BulkRows(@NotBlank String route, @NotNull RowKind kind, String from, Instant moment) {}

    BulkApi(Routes routes, Bulks bulks, BulkStore store, RowWords words, Works works) {
        this.routes = routes;
        this.bulks = bulks;
        this.store = store;
        this.words = words;
        this.works = works;
    }

    /// Every code of one kind with what its row says, to be edited and brought back.
    @GetMapping("/file")
    ResponseEntity<byte[]> file(
            @RequestParam String route,
            @RequestParam RowKind kind,
            @RequestParam(defaultValue = "xlsx") @Pattern(regexp = "csv|xlsx") String format) {
        RouteRow found = routes.getLeading(route);
        requireTable(kind);
        Columns columns = bulks.columns(found, kind);
        List<List<String>> lines = bulks.lines(found, kind, columns);
        boolean csv = format.equals("csv");
        String name = "%s-%s.%s".formatted(found.code(), Sentences.word(kind).replace(' ', '-'), format);
        return ResponseEntity.ok()
                .contentType(csv ? MediaType.parseMediaType("text/csv;charset=UTF-8") : XLSX)
                .header(
                        HttpHeaders.CONTENT_DISPOSITION,
                        ContentDisposition.attachment().filename(name).build().toString())
                .body(
                        csv
                                ? SheetFile.csv(columns.heads(), lines)
                                : SheetFile.xlsx(Sentences.word(kind), columns.heads(), lines));
    }

    private static void requireTable(RowKind kind) {
        if (kind == RowKind.LINE) {
            throw NotPossibleException.invalid("no-table", "What is decided for single lines is no table of codes.");
        }
    }

    /// What a file would change; changes nothing yet.
    @PostMapping(value = "/file", consumes = MediaType.MULTIPART_FORM_DATA_VALUE)
    @ResponseStatus(HttpStatus.ACCEPTED)
    Work<BulkTried> tryFile(
            @RequestParam String route,
            @RequestParam RowKind kind,
            @RequestPart("file") MultipartFile file,
            Principal who)
            throws IOException {
        RouteRow found = routes.getLeading(route);
        byte[] content = file.getBytes();
        String name = file.getOriginalFilename() == null ? "file" : shortened(file.getOriginalFilename());
        return suppose(
                found,
                kind,
                who.getName(),
                () -> bulks.tryFile(found, kind, name, content, Hashes.sha256(content), who.getName()));
    }

    private static String shortened(String name) {
        return name.length() <= 200 ? name : name.substring(name.length() - 200);
    }

    /// What one answer for many codes would change; changes nothing yet.
    @PostMapping("/codes")
    @ResponseStatus(HttpStatus.ACCEPTED)
    Work<BulkTried> tryCodes(@Valid @RequestBody BulkCodes wanted, Principal who) {
        RouteRow found = routes.getLeading(wanted.route());
        Meaning meaning = wanted.meaning() == null ? Meaning.NONE : wanted.meaning();
        return suppose(
                found,
                wanted.kind(),
                who.getName(),
                () -> bulks.tryCodes(found, wanted.kind(), wanted.codes(), meaning, who.getName()));
    }

    /// What would change if items were named so on the ledger; changes nothing yet.
    @PostMapping("/names")
    @ResponseStatus(HttpStatus.ACCEPTED)
    Work<BulkTried> tryNames(@Valid @RequestBody BulkNames wanted, Principal who) {
        RouteRow found = routes.getLeading(wanted.route());
        return suppose(found, RowKind.ITEM, who.getName(), () -> bulks.tryNames(found, wanted.names(), who.getName()));
    }

    /// What would change if the rows were those of another route, or those of a moment before; changes nothing
    /// yet.
    @PostMapping("/rows")
    @ResponseStatus(HttpStatus.ACCEPTED)
    Work<BulkTried> tryRows(@Valid @RequestBody BulkRows wanted, Principal who) {
        RouteRow found = routes.getLeading(wanted.route());
        if ((wanted.from() == null) == (wanted.moment() == null)) {
            throw NotPossibleException.invalid("from-where", "Name another route or a moment, and not both.");
        }
        RouteRow from = wanted.from() == null ? null : routes.getLeading(wanted.from());
        return suppose(
                found,
                wanted.kind(),
                who.getName(),
                () -> from == null
                        ? bulks.tryThen(found, wanted.kind(), wanted.moment(), who.getName())
                        : bulks.tryRoute(found, wanted.kind(), from, who.getName()));
    }

    private Work<BulkTried> suppose(RouteRow route, RowKind kind, String who, Supplier<Bulks.Tried> attempt) {
        requireTable(kind);
        return works.start(Kind.SUPPOSING, route.code() + " " + UUID.randomUUID(), who, BulkTried.class, at -> {
            Bulks.Tried tried = attempt.get();
            List<Meaning> meanings = BulkTried.listed(tried).stream()
                    .flatMap(each -> Stream.of(each.before(), each.after()))
                    .filter(Objects::nonNull)
                    .distinct()
                    .toList();
            return BulkTried.of(tried, words.of(route, kind, meanings));
        });
    }

    /// Does what was tried.
    @PostMapping("/{id}/doing")
    @ResponseStatus(HttpStatus.ACCEPTED)
    Work<BulkDone> carryOut(@PathVariable long id, Principal who) {
        Bulk bulk = visible(id);
        return works.start(
                Kind.COMPILING,
                "doing bulk " + id,
                who.getName(),
                BulkDone.class,
                at -> new BulkDone(
                        id,
                        "%s changed, %s"
                                .formatted(
                                        rows(bulk.rows()),
                                        bulks.carryOut(bulk, who.getName(), at).wholeSentence())));
    }

    /// Takes back what was done, except for rows that somebody changed since.
    @PostMapping("/{id}/undoing")
    @ResponseStatus(HttpStatus.ACCEPTED)
    Work<BulkTakenBack> takeBack(@PathVariable long id, Principal who) {
        Bulk bulk = visible(id);
        return works.start(Kind.COMPILING, "undoing bulk " + id, who.getName(), BulkTakenBack.class, at -> {
            Bulks.TakenBack taken = bulks.takeBack(bulk, who.getName(), at);
            String left = taken.left().isEmpty()
                    ? ""
                    : "; %,d changed since stay as they are"
                            .formatted(taken.left().size());
            return new BulkTakenBack(
                    "%s as before, %s%s"
                            .formatted(rows(taken.rows()), taken.released().wholeSentence(), left),
                    taken.left().stream().limit(BulkTried.LISTED).toList());
        });
    }

    private static String rows(int count) {
        return count == 1 ? "1 row" : "%,d rows".formatted(count);
    }

    private Bulk visible(long id) {
        Bulk bulk = store.get(id);
        routes.get(bulk.routeId());
        return bulk;
    }

    /// What was done, the newest first; the last 200.
    @GetMapping
    List<BulkChange> all(@RequestParam String route) {
        return store.done(routes.getLeading(route).id()).stream()
                .map(each -> new BulkChange(
                        each.id(),
                        each.kind(),
                        each.fileName(),
                        each.rows(),
                        each.state(),
                        each.doneBy(),
                        each.doneAt(),
                        each.undoneBy(),
                        each.undoneAt()))
                .toList();
    }
}
