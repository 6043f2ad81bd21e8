package alcabala.server.release;

import alcabala.accounting.finding.Finding;
import alcabala.server.compile.Compiled;
import alcabala.server.intake.FileIntake;
import alcabala.server.platform.Amounts;
import alcabala.server.platform.NotPossibleException;
import alcabala.server.platform.Problem;
import alcabala.server.platform.Sentence;
import alcabala.server.platform.Sentences;
import alcabala.server.route.RouteRow;
import alcabala.server.route.Routes;
import com.fasterxml.jackson.annotation.JsonUnwrapped;
import io.swagger.v3.oas.annotations.Hidden;
import io.swagger.v3.oas.annotations.media.Content;
import io.swagger.v3.oas.annotations.media.Schema;
import io.swagger.v3.oas.annotations.responses.ApiResponse;
import jakarta.servlet.http.HttpServletRequest;
import java.io.IOException;
import java.security.Principal;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.multipart.MultipartFile;
import org.springframework.web.multipart.MultipartHttpServletRequest;

/// UBL files in; the answer says what each would do on the books.
@RestController
@RequestMapping("/api/intake")
class IntakeApi {
    private static final long LIMIT = 20L * 1024 * 1024;
    private final FileIntake intake;
    private final Routes routes;

    record IntakeFinding(String severity, String cause, String sentence, List<Sentence.Part> parts) {
        static IntakeFinding of(Finding finding) {
            Sentence said = Sentences.of(finding);
            return new IntakeFinding(Compiled.severity(finding), finding.cause(), said.text(), said.parts());
        }
    }

    record IntakeJournalLine(String account, String debit, String credit) {}

    record IntakeDocument(
            String number,
            String kind,
            LocalDate issueDate,
            String currency,
            int lines,
            String net,
            String tax,
            String gross,
            List<IntakeFinding> findings,
            List<IntakeJournalLine> journal) {}

    record IntakeAnswer(List<IntakeDocument> documents, List<FileIntake.FileProblem> problems) {}

    /// An error with the problem of each file.
    record NothingTakenIn(@JsonUnwrapped Problem problem, List<FileIntake.FileProblem> problems) {}

    IntakeApi(FileIntake intake, Routes routes) {
        this.intake = intake;
        this.routes = routes;
    }

    @PostMapping(consumes = {MediaType.APPLICATION_XML_VALUE, MediaType.TEXT_XML_VALUE})
    @ApiResponse(content = @Content(schema = @Schema(implementation = IntakeAnswer.class)))
    ResponseEntity<?> takeOne(
            @RequestParam(required = false) String route,
            @RequestParam(defaultValue = "false") boolean dryRun,
            HttpServletRequest request,
            Principal who)
            throws IOException {
        byte[] body = request.getInputStream().readNBytes((int) LIMIT + 1);
        String name = request.getHeader("X-File-Name") == null ? "body" : request.getHeader("X-File-Name");
        return take(route, List.of(new FileIntake.File(name, MediaType.APPLICATION_XML_VALUE, body)), dryRun, who);
    }

    @Hidden
    @PostMapping(consumes = MediaType.MULTIPART_FORM_DATA_VALUE)
    ResponseEntity<?> takeSeveral(
            @RequestParam(required = false) String route,
            @RequestParam(defaultValue = "false") boolean dryRun,
            MultipartHttpServletRequest request,
            Principal who)
            throws IOException {
        List<FileIntake.File> files = new ArrayList<>();
        for (List<MultipartFile> named : request.getMultiFileMap().values()) {
            for (MultipartFile file : named) {
                String name = file.getOriginalFilename() == null ? file.getName() : file.getOriginalFilename();
                files.add(new FileIntake.File(name, MediaType.APPLICATION_XML_VALUE, file.getBytes()));
            }
        }
        if (files.isEmpty()) {
            throw NotPossibleException.invalid("no-file", "There is no file in the request.");
        }
        return take(route, files, dryRun, who);
    }

    private ResponseEntity<?> take(String code, List<FileIntake.File> files, boolean dryRun, Principal who) {
        RouteRow route = routes.forFiles(code);
        FileIntake.Result result = intake.take(route, files, dryRun, who.getName());
        if (result.taken().isEmpty()) {
            return unprocessable(result);
        }
        return ResponseEntity.ok(
                new IntakeAnswer(result.taken().stream().map(IntakeApi::json).toList(), result.problems()));
    }

    /// Nothing could be taken in: the problems stand beside the usual shape of an error.
    private static ResponseEntity<NothingTakenIn> unprocessable(FileIntake.Result result) {
        String first = result.problems().getFirst().sentence();
        Problem problem =
                Problem.of(HttpStatus.UNPROCESSABLE_CONTENT, "nothing-taken-in", "Nothing could be taken in. " + first);
        return ResponseEntity.unprocessableContent()
                .contentType(MediaType.APPLICATION_PROBLEM_JSON)
                .body(new NothingTakenIn(problem, result.problems()));
    }

    private static IntakeDocument json(FileIntake.Taken taken) {
        var document = taken.document();
        var compilation = taken.compilation();
        return new IntakeDocument(
                document.number(),
                document.kind().word(),
                document.issueDate(),
                document.currency().getCode(),
                document.lines().size(),
                Amounts.decimal(document.totals().net()),
                Amounts.decimal(document.totals().tax()),
                Amounts.decimal(document.totals().gross()),
                compilation.findings().stream().map(IntakeFinding::of).toList(),
                compilation.journal().stream()
                        .flatMap(journal -> journal.byAccount().lines().stream())
                        .map(line -> new IntakeJournalLine(
                                line.account(), Amounts.decimal(line.debit()), Amounts.decimal(line.credit())))
                        .toList());
    }
}
