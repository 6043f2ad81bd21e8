package alcabala.server.readiness;

import alcabala.accounting.readiness.Check;
import alcabala.accounting.readiness.Result;
import alcabala.accounting.readiness.Result.Verdict;
import alcabala.server.connect.RouteRow;
import alcabala.server.connect.Routes;
import alcabala.server.platform.Amounts;
import io.swagger.v3.oas.annotations.Hidden;
import java.time.Instant;
import java.util.List;
import org.springframework.http.HttpHeaders;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

/// Readiness of a route, judged anew at each asking.
@RestController
@RequestMapping("/api/readiness")
class ReadinessApi {
    private final Routes routes;
    private final ReadinessRun run;

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

    ReadinessApi(Routes routes, ReadinessRun run) {
        this.routes = routes;
        this.run = run;
    }

    @GetMapping
    ReadinessJson judge(@RequestParam String route) {
        return json(routes.getLeading(route));
    }

    /// One page for the accountant.
    @Hidden
    @GetMapping("/report.pdf")
    ResponseEntity<byte[]> report(@RequestParam String route) {
        RouteRow found = routes.getLeading(route);
        return ResponseEntity.ok()
                .contentType(MediaType.APPLICATION_PDF)
                .header(HttpHeaders.CONTENT_DISPOSITION, "inline; filename=\"readiness-" + found.code() + ".pdf\"")
                .body(ReadinessReport.of(found, json(found)));
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
