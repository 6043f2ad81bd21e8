package alcabala.server.readiness;

import alcabala.accounting.readiness.Result.Verdict;
import alcabala.server.platform.Writing;
import alcabala.server.readiness.ReadinessApi.CheckJson;
import alcabala.server.readiness.ReadinessApi.ReadinessJson;
import alcabala.server.route.RouteRow;
import java.awt.Color;
import java.io.ByteArrayOutputStream;
import org.openpdf.text.Document;
import org.openpdf.text.Font;
import org.openpdf.text.PageSize;
import org.openpdf.text.Paragraph;
import org.openpdf.text.Phrase;
import org.openpdf.text.pdf.PdfPCell;
import org.openpdf.text.pdf.PdfPTable;
import org.openpdf.text.pdf.PdfWriter;

/// Readiness on one page of paper.
final class ReadinessReport {
    private static final Color INK = new Color(0x1c, 0x24, 0x30);
    private static final Color RULE = new Color(0xe4, 0xdc, 0xcb);
    private static final Font TITLE = new Font(Font.TIMES_ROMAN, 17, Font.BOLD, INK);
    private static final Font TEXT = new Font(Font.HELVETICA, 8, Font.NORMAL, INK);
    private static final Font STRONG = new Font(Font.HELVETICA, 8, Font.BOLD, INK);

    private ReadinessReport() {}

    static byte[] of(RouteRow route, ReadinessJson readiness) {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        try (Document page = new Document(PageSize.A4, 42, 42, 42, 42)) {
            PdfWriter.getInstance(page, out);
            page.addTitle("Readiness of " + route.source() + " to " + route.ledger());
            page.open();
            page.add(new Paragraph("Is " + route.source() + " ready to cross to " + route.ledger() + "?", TITLE));
            page.add(new Paragraph(
                    route.businessName() + ", " + route.site() + ", books in " + route.currency() + ". Judged on "
                            + Writing.now().moment(readiness.at()) + ". " + summary(readiness),
                    TEXT));
            PdfPTable table = new PdfPTable(new float[] {11, 27, 62});
            table.setWidthPercentage(100);
            table.setSpacingBefore(10);
            readiness.checks().forEach(check -> row(table, check));
            page.add(table);
        }
        return out.toByteArray();
    }

    private static String summary(ReadinessJson readiness) {
        long blocks = count(readiness, Verdict.BLOCKS);
        long warns = count(readiness, Verdict.WARNS);
        return blocks + " of " + readiness.checks().size() + " checks block, " + warns + " warn.";
    }

    private static long count(ReadinessJson readiness, Verdict verdict) {
        return readiness.checks().stream()
                .filter(check -> check.verdict() == verdict)
                .count();
    }

    private static void row(PdfPTable table, CheckJson check) {
        table.addCell(cell(new Phrase(word(check.verdict()), STRONG)));
        table.addCell(cell(new Phrase(check.title(), TEXT)));
        Phrase says = new Phrase(check.found(), TEXT);
        if (check.verdict() != Verdict.PASSES) {
            says.add(new Phrase(" " + check.otherwise() + " ", STRONG));
            says.add(new Phrase(check.remedy(), TEXT));
        }
        table.addCell(cell(says));
    }

    private static PdfPCell cell(Phrase phrase) {
        PdfPCell cell = new PdfPCell(phrase);
        cell.setBorder(PdfPCell.BOTTOM);
        cell.setBorderColor(RULE);
        cell.setPadding(4);
        return cell;
    }

    private static String word(Verdict verdict) {
        return switch (verdict) {
            case PASSES -> "passes";
            case WARNS -> "warns";
            case BLOCKS -> "blocks";
        };
    }
}
