package alcabala.server.readiness;

import alcabala.accounting.readiness.Check;
import alcabala.accounting.readiness.Result;
import alcabala.accounting.readiness.Result.Verdict;
import alcabala.server.jobs.Work;
import alcabala.server.jobs.Works;
import alcabala.server.jobs.Works.Kind;
import alcabala.server.platform.Amounts;
import alcabala.server.platform.WrittenForm;
import alcabala.server.route.RouteRow;
import alcabala.server.route.Routes;
import io.swagger.v3.oas.annotations.Hidden;
import java.security.Principal;
import java.time.Instant;
import java.util.List;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/// Readiness of a route, judged anew at each asking.
@RestController
@RequestMapping("/api/readiness")
class ReadinessApi {
    private final Routes routes;
    private final ReadinessRun run;
    private final Works works;

    /// @param amount gross of the documents concerned, in the ledger's currency
    record CheckJson(
            Check check,
            Verdict verdict,
            String title,
            String found,
            String otherwise,
            String remedy,
            String link,
            int documents,
            String amount) {
        static CheckJson of(Result result, ReadinessSentences sentences) {
            ReadinessSentences.Said said = sentences.say(result);
            return new CheckJson(
                    result.check(),
                    result.verdict(),
                    said.title(),
                    said.found(),
                    said.otherwise(),
                    said.remedy(),
                    said.link(),
                    result.documents(),
                    Amounts.decimal(result.amount()));
        }
    }

    record ReadinessJson(Instant at, List<CheckJson> checks) {}

    ReadinessApi(Routes routes, ReadinessRun run, Works works) {
        this.routes = routes;
        this.run = run;
        this.works = works;
    }

    /// The ledger is asked, so the answer is work that goes on.
    @GetMapping
    @ResponseStatus(HttpStatus.ACCEPTED)
    Work<ReadinessJson> judge(@RequestParam String route, Principal who) {
        RouteRow found = routes.getLeading(route);
        return works.start(Kind.READINESS, found.code(), who.getName(), ReadinessJson.class, at -> json(found));
    }

    /// One page for the accountant, of a judgement that was asked for.
    @Hidden
    @GetMapping("/{id}/report.pdf")
    ResponseEntity<byte[]> report(@PathVariable long id, @RequestParam String route) {
        RouteRow found = routes.getLeading(route);
        ReadinessJson judged = works.result(id, Kind.READINESS, found.code(), ReadinessJson.class);
        return ResponseEntity.ok()
                .contentType(MediaType.APPLICATION_PDF)
                .header(HttpHeaders.CONTENT_DISPOSITION, "inline; filename=\"readiness-" + found.code() + ".pdf\"")
                .body(ReadinessReport.of(found, judged, WrittenForm.now()));
    }

    private ReadinessJson json(RouteRow route) {
        ReadinessRun.Judged judged = run.judge(route);
        ReadinessSentences sentences = new ReadinessSentences(route);
        return new ReadinessJson(
                judged.at(),
                judged.results().stream()
                        .map(result -> CheckJson.of(result, sentences))
                        .toList());
    }
}
