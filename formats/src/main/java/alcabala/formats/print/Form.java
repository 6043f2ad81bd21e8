package alcabala.formats.print;

import alcabala.formats.print.Report.Cell;
import java.math.BigDecimal;
import java.time.LocalDate;

/// How figures and days are written for whoever reads them.
public interface Form {
    /// Grouped, with the decimals that it has.
    String figure(BigDecimal amount);

    String day(LocalDate day);

    /// What stands in a cell, on paper.
    default String written(Cell cell) {
        return switch (cell) {
            case Cell.Text text -> text.text();
            case Cell.Amount amount -> figure(amount.amount());
            case Cell.Count count -> figure(BigDecimal.valueOf(count.count()));
            case Cell.Day day -> day(day.day());
        };
    }
}
