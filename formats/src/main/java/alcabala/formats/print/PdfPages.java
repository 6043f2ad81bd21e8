package alcabala.formats.print;

import alcabala.formats.print.Report.Cell;
import alcabala.formats.print.Report.Column;
import alcabala.formats.print.Report.Fact;
import alcabala.formats.print.Report.Table;
import java.awt.Color;
import java.io.ByteArrayOutputStream;
import java.util.List;
import org.openpdf.text.Document;
import org.openpdf.text.Element;
import org.openpdf.text.Font;
import org.openpdf.text.PageSize;
import org.openpdf.text.Paragraph;
import org.openpdf.text.Phrase;
import org.openpdf.text.Rectangle;
import org.openpdf.text.pdf.PdfPCell;
import org.openpdf.text.pdf.PdfPTable;
import org.openpdf.text.pdf.PdfWriter;

/// A report as PDF, A4: upright, or across where a table is too wide for that.
public final class PdfPages {
    private static final float MARGIN = 42;
    private static final float FOOT = 54;
    private static final int WIDEST_UPRIGHT = 7;
    /// A heading with the head of its table and two rows.
    private static final float HEADING = 90;
    private static final int FEW = 4;
    private static final float NARROW = 62;
    /// So many rows are laid out at once; what is laid out is let go.
    private static final int AT_ONCE = 200;
    private static final Color LINE = new Color(0xDC, 0xD2, 0xC0);
    private static final Color STRONG = new Color(0x1B, 0x24, 0x30);
    private final Form form;
    private final Fonts fonts;
    private final Document document;
    private final PdfWriter writer;

    private PdfPages(Form form, Fonts fonts, Document document, PdfWriter writer) {
        this.form = form;
        this.fonts = fonts;
        this.document = document;
        this.writer = writer;
    }

    /// @return the bytes of a PDF whose texts can be searched and copied
    public static byte[] of(Report report, Form form) {
        boolean across =
                report.tables().stream().anyMatch(table -> table.columns().size() > WIDEST_UPRIGHT);
        ByteArrayOutputStream bytes = new ByteArrayOutputStream();
        Fonts fonts = new Fonts();
        try (Document document =
                new Document(across ? PageSize.A4.rotate() : PageSize.A4, MARGIN, MARGIN, MARGIN, FOOT)) {
            PdfWriter writer = PdfWriter.getInstance(document, bytes);
            writer.setPageEvent(new PageFoot(report.title() + ", " + report.about(), report.printed(), fonts));
            document.addTitle(report.title());
            document.addCreator("Alcabala");
            document.open();
            new PdfPages(form, fonts, document, writer).write(report);
        }
        return bytes.toByteArray();
    }

    private void write(Report report) {
        document.add(new Paragraph(22, report.title(), fonts.title()));
        document.add(new Paragraph(15, report.about(), fonts.soft()));
        facts(report.facts());
        report.tables().stream().filter(table -> !table.isEmpty()).forEach(this::table);
    }

    private void facts(List<Fact> facts) {
        PdfPTable table = new PdfPTable(new float[] {1, 2, 1, 2});
        table.setWidthPercentage(100);
        table.setSpacingBefore(10);
        for (Fact fact : facts) {
            table.addCell(plain(fact.name(), fonts.soft()));
            table.addCell(plain(fact.value(), fonts.body()));
        }
        table.getDefaultCell().setBorder(Rectangle.NO_BORDER);
        table.completeRow();
        document.add(table);
    }

    private static PdfPCell plain(String text, Font font) {
        PdfPCell cell = new PdfPCell(new Phrase(text, font));
        cell.setBorder(Rectangle.NO_BORDER);
        cell.setPadding(2);
        cell.setPaddingLeft(0);
        return cell;
    }

    private void table(Table content) {
        if (writer.getVerticalPosition(true) < FOOT + HEADING) {
            document.newPage();
        }
        Paragraph title = new Paragraph(14, content.title(), fonts.section());
        title.setSpacingBefore(16);
        title.setSpacingAfter(6);
        document.add(title);
        PdfPTable table = new PdfPTable(weights(content.columns()));
        table.setHorizontalAlignment(Element.ALIGN_LEFT);
        table.setWidthPercentage(width(content));
        table.setHeaderRows(1);
        table.setComplete(false);
        for (Column column : content.columns()) {
            table.addCell(cell(column.name(), column.figure(), fonts.head(), STRONG, 0.8f));
        }
        int laid = 0;
        for (List<Cell> row : content.rows()) {
            row(table, content.columns(), row, fonts.body(), Rectangle.BOTTOM);
            if (++laid % AT_ONCE == 0) {
                document.add(table);
            }
        }
        if (!content.total().isEmpty()) {
            row(table, content.columns(), content.total(), fonts.bold(), Rectangle.TOP);
        }
        table.setComplete(true);
        document.add(table);
    }

    /// Figures that belong together stand where the eye finds them together.
    private float width(Table content) {
        boolean across =
                document.getPageSize().getWidth() > document.getPageSize().getHeight();
        return across && content.columns().size() <= FEW ? NARROW : 100;
    }

    private static float[] weights(List<Column> columns) {
        float[] weights = new float[columns.size()];
        for (int i = 0; i < weights.length; i++) {
            weights[i] = columns.get(i).weight();
        }
        return weights;
    }

    private void row(PdfPTable table, List<Column> columns, List<Cell> row, Font font, int side) {
        for (int i = 0; i < row.size(); i++) {
            PdfPCell cell = cell(form.written(row.get(i)), columns.get(i).figure(), font, LINE, 0.5f);
            cell.setBorder(side);
            if (side == Rectangle.TOP) {
                cell.setBorderColor(STRONG);
                cell.setBorderWidth(1);
            }
            table.addCell(cell);
        }
    }

    private static PdfPCell cell(String text, boolean figure, Font font, Color line, float width) {
        PdfPCell cell = new PdfPCell(new Phrase(text, font));
        cell.setHorizontalAlignment(figure ? Element.ALIGN_RIGHT : Element.ALIGN_LEFT);
        cell.setBorder(Rectangle.BOTTOM);
        cell.setBorderColor(line);
        cell.setBorderWidth(width);
        cell.setPaddingTop(2);
        cell.setPaddingBottom(4);
        cell.setPaddingLeft(figure ? 4 : 0);
        cell.setPaddingRight(figure ? 10 : 6);
        return cell;
    }
}
