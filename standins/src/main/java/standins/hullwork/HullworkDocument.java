package standins.hullwork;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.List;

/// An invoice or credit note as Hullwork writes it; amounts are decimal strings.
public record HullworkDocument(
        String id,
        String number,
        String type,
        String status,
        LocalDate date,
        LocalDate due,
        String currency,
        boolean pricesIncludeVat,
        String customer,
        String site,
        String workOrder,
        String corrects,
        BigDecimal discount,
        List<Line> lines,
        BigDecimal net,
        BigDecimal vat,
        BigDecimal gross) {

    /// @param amount after the line, before the discount of the whole document
    public record Line(
            int no,
            String kind,
            String item,
            String text,
            String category,
            BigDecimal quantity,
            String unit,
            BigDecimal unitPrice,
            BigDecimal amount,
            String vatCode,
            BigDecimal vatRate,
            BigDecimal vatAmount) {}
}
