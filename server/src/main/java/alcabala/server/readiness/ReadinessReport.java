package alcabala.server.readiness;

import alcabala.accounting.readiness.Result.Verdict;
import alcabala.formats.print.Form;
import alcabala.formats.print.PdfPages;
import alcabala.formats.print.Report;
import alcabala.formats.print.Report.Cell;
import alcabala.formats.print.Report.Column;
import alcabala.formats.print.Report.Fact;
import alcabala.formats.print.Report.Table;
import alcabala.server.platform.Writing;
import alcabala.server.readiness.ReadinessApi.CheckJson;
import alcabala.server.readiness.ReadinessApi.ReadinessJson;
import alcabala.server.route.RouteRow;
import java.util.List;

/// Readiness on paper.
final class ReadinessReport {
    private ReadinessReport() {}

    static byte[] of(RouteRow route, ReadinessJson readiness, Form form) {
        List<List<Cell>> rows =
                readiness.checks().stream().map(ReadinessReport::row).toList();
        return PdfPages.of(
                new Report(
                        "Is " + route.source() + " ready to cross to " + route.ledger() + "?",
                        route.businessName() + ", " + route.site() + ", books in " + route.currency(),
                        List.of(
                                new Fact("Checks", summary(readiness)),
                                new Fact("Judged", Writing.now().moment(readiness.at()))),
                        List.of(new Table(
                                "Checks",
                                List.of(
                                        Column.text("Verdict", 11),
                                        Column.text("Check", 27),
                                        Column.text("What was found, and what to do", 62)),
                                rows,
                                List.of())),
                        "Judged on " + Writing.now().moment(readiness.at())),
                form);
    }

    private static String summary(ReadinessJson readiness) {
        long blocks = count(readiness, Verdict.BLOCKS);
        long warns = count(readiness, Verdict.WARNS);
        return blocks + " of " + readiness.checks().size() + " block, " + warns + " warn";
    }

    private static long count(ReadinessJson readiness, Verdict verdict) {
        return readiness.checks().stream()
                .filter(check -> check.verdict() == verdict)
                .count();
    }

    private static List<Cell> row(CheckJson check) {
        String says = check.verdict() == Verdict.PASSES
                ? check.found()
                : check.found() + " " + check.otherwise() + " " + check.remedy();
        return List.of(Cell.of(word(check.verdict())), Cell.of(check.title()), Cell.of(says));
    }

    private static String word(Verdict verdict) {
        return switch (verdict) {
            case PASSES -> "passes";
            case WARNS -> "warns";
            case BLOCKS -> "blocks";
        };
    }
}
