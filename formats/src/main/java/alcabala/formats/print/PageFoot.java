package alcabala.formats.print;

import java.awt.Color;
import org.openpdf.text.Document;
import org.openpdf.text.pdf.BaseFont;
import org.openpdf.text.pdf.PdfContentByte;
import org.openpdf.text.pdf.PdfPageEventHelper;
import org.openpdf.text.pdf.PdfTemplate;
import org.openpdf.text.pdf.PdfWriter;

/// At the foot of each page: what it is of, when it was printed, and which of how many pages it is.
final class PageFoot extends PdfPageEventHelper {
    private static final float SIZE = 7.5f;
    private static final float ROOM = 30;
    /// What of a figure may stand below its line.
    private static final float BELOW = 3;
    private static final Color SOFT = new Color(0x5A, 0x55, 0x4C);
    private final String about;
    private final String printed;
    private final BaseFont font;
    private PdfTemplate pages;

    PageFoot(String about, String printed, Fonts fonts) {
        this.about = about;
        this.printed = printed;
        font = fonts.foot();
    }

    @Override
    public void onOpenDocument(PdfWriter writer, Document document) {
        pages = writer.getDirectContent().createTemplate(ROOM, SIZE * 2);
    }

    @Override
    public void onEndPage(PdfWriter writer, Document document) {
        PdfContentByte page = writer.getDirectContent();
        float y = document.bottomMargin() - 24;
        text(page, PdfContentByte.ALIGN_LEFT, about, document.left(), y);
        text(page, PdfContentByte.ALIGN_LEFT, printed, document.left(), y - SIZE - 2);
        text(page, PdfContentByte.ALIGN_RIGHT, "Page " + writer.getPageNumber() + " of", document.right() - 14, y);
        page.addTemplate(pages, document.right() - 12, y - BELOW);
    }

    /// Only now it is known how many there are.
    @Override
    public void onCloseDocument(PdfWriter writer, Document document) {
        text(pages, PdfContentByte.ALIGN_LEFT, String.valueOf(writer.getPageNumber() - 1), 0, BELOW);
    }

    private void text(PdfContentByte on, int side, String text, float x, float y) {
        on.beginText();
        on.setColorFill(SOFT);
        on.setFontAndSize(font, SIZE);
        on.showTextAligned(side, text, x, y, 0);
        on.endText();
    }
}
