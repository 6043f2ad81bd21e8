package alcabala.server.files;

import alcabala.connectors.Kept;
import alcabala.formats.layout.Written;
import alcabala.server.crossing.BatchHeads;
import alcabala.server.platform.NotPossibleException;
import alcabala.server.route.RouteRow;
import alcabala.server.route.Routes;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.security.Principal;
import java.util.List;
import org.springframework.http.ContentDisposition;
import org.springframework.http.HttpHeaders;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestPart;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.multipart.MultipartFile;

/// The files of a batch, and what its ledger answers to them.
@RestController
@RequestMapping("/api/batches/{id}")
class BatchFilesApi {
    private static final int LONGEST_NAME = 200;
    private final Routes routes;
    private final BatchHeads heads;
    private final BatchFiles files;
    private final Answers answers;

    /// @param gaps what invoices lack that EN 16931 asks for
    /// @param formulas texts that stand in the file as they are and that a spreadsheet would take for formulas
    record FilesJson(
            String delivery,
            List<BatchFiles.WrittenFile> files,
            List<Written.Formula> formulas,
            List<GapJson> gaps,
            List<Answers.AnswerJson> answers) {}

    /// What somebody says of documents after she has looked there.
    ///
    /// @param records none to withdraw all that nobody has answered for
    /// @param outcome `accepted` with the ledger's number, `refused` with why, or `withdrawn` with why
    record SettleJson(
            @NotNull @Size(max = 5000) List<@NotNull Long> records,
            @NotBlank String outcome,
            @Size(max = 100) String number,
            @Size(max = 300) String reason) {}

    record SettledJson(int documents) {}

    BatchFilesApi(Routes routes, BatchHeads heads, BatchFiles files, Answers answers) {
        this.routes = routes;
        this.heads = heads;
        this.files = files;
        this.answers = answers;
    }

    @GetMapping("/files")
    FilesJson list(@PathVariable long id) {
        routes.get(heads.routeOf(id));
        return new FilesJson(
                files.delivery(id), files.list(id), files.formulas(id), GapJson.of(files.gaps(id)), answers.list(id));
    }

    /// One file as it is, several as a ZIP; always the same bytes.
    @GetMapping("/files/download")
    ResponseEntity<byte[]> download(@PathVariable long id) {
        routes.get(heads.routeOf(id));
        return attachment(files.download(id));
    }

    /// Takes in what the ledger answered.
    @PostMapping(value = "/answers", consumes = MediaType.MULTIPART_FORM_DATA_VALUE)
    Answers.AnswerJson take(@PathVariable long id, @RequestPart("file") MultipartFile file, Principal who)
            throws IOException {
        RouteRow route = routes.get(heads.routeOf(id));
        String name = file.getOriginalFilename() == null ? "answer" : file.getOriginalFilename();
        return answers.take(
                route,
                id,
                Kept.text(name.substring(Math.max(0, name.length() - LONGEST_NAME))),
                file.getBytes(),
                who.getName());
    }

    @GetMapping("/answers/{answer}")
    ResponseEntity<byte[]> answer(@PathVariable long id, @PathVariable long answer) {
        routes.get(heads.routeOf(id));
        return attachment(answers.original(id, answer));
    }

    /// Settles by hand what no file settles.
    @PostMapping("/settle")
    SettledJson settle(@PathVariable long id, @Valid @RequestBody SettleJson said, Principal who) {
        RouteRow route = routes.get(heads.routeOf(id));
        String number = said.number() == null ? "" : said.number().strip();
        String reason = said.reason() == null ? "" : said.reason().strip();
        boolean accepted = said.outcome().equals("accepted");
        if (accepted ? number.isEmpty() : reason.isEmpty()) {
            throw NotPossibleException.invalid(
                    accepted ? "number-missing" : "reason-missing",
                    accepted
                            ? "Say under which number it stands there."
                            : "Say why, so that whoever looks at it later knows.");
        }
        int settled = switch (said.outcome()) {
            case "accepted", "refused" ->
                answers.settle(route, id, new Answers.Said(said.records(), accepted, number, reason), who.getName());
            case "withdrawn" -> answers.withdraw(route, id, said.records(), reason, who.getName());
            default ->
                throw NotPossibleException.invalid(
                        "outcome-unknown", "A document was accepted, refused or is withdrawn.");
        };
        return new SettledJson(settled);
    }

    private static ResponseEntity<byte[]> attachment(BatchFiles.Content content) {
        return ResponseEntity.ok()
                .contentType(MediaType.APPLICATION_OCTET_STREAM)
                .header(
                        HttpHeaders.CONTENT_DISPOSITION,
                        ContentDisposition.attachment()
                                .filename(content.name(), StandardCharsets.UTF_8)
                                .build()
                                .toString())
                .body(content.bytes());
    }
}
