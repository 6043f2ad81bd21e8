package alcabala.server.register;

import alcabala.formats.print.Form;
import alcabala.formats.print.PdfPages;
import alcabala.formats.print.Report;
import alcabala.formats.print.Sheets;
import org.springframework.http.MediaType;

/// On what something is printed.
enum Medium {
    PDF("pdf", MediaType.APPLICATION_PDF_VALUE),
    XLSX("xlsx", "application/vnd.openxmlformats-officedocument.spreadsheetml.sheet"),
    CSV("csv", "text/csv;charset=UTF-8");

    private final String ending;
    private final String type;

    Medium(String ending, String type) {
        this.ending = ending;
        this.type = type;
    }

    byte[] print(Report report, Form form) {
        return switch (this) {
            case PDF -> PdfPages.of(report, form);
            case XLSX -> Sheets.xlsx(report);
            case CSV -> Sheets.csv(report);
        };
    }

    String ending() {
        return ending;
    }

    MediaType type() {
        return MediaType.parseMediaType(type);
    }
}
