package alcabala.server.register;

import alcabala.formats.print.PdfPages;
import alcabala.formats.print.Report;
import alcabala.formats.print.Sheets;
import alcabala.server.platform.WrittenForm;
import org.springframework.http.MediaType;

/// On what something is printed.
public enum Medium {
    PDF("pdf", MediaType.APPLICATION_PDF_VALUE),
    XLSX("xlsx", "application/vnd.openxmlformats-officedocument.spreadsheetml.sheet"),
    CSV("csv", "text/csv;charset=UTF-8");

    private final String ending;
    private final String type;

    Medium(String ending, String type) {
        this.ending = ending;
        this.type = type;
    }

    /// A file of it.
    public String named(String name) {
        return name + "." + ending;
    }

    /// As whoever is signed in writes figures and days.
    ///
    /// @param name of the file, without its ending
    public Printed print(Report report, String name) {
        byte[] bytes = switch (this) {
            case PDF -> PdfPages.of(report, WrittenForm.now());
            case XLSX -> Sheets.xlsx(report);
            case CSV -> Sheets.csv(report);
        };
        return new Printed(named(name), MediaType.parseMediaType(type), bytes);
    }
}
