package standins.hullwork;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Component;
import standins.Refusal;
import standins.hullwork.HullworkDocument.Line;

/// What people in the yard office do with a document.
@Component
public class HullworkDocuments {
    private final HullworkRecords records;

    HullworkDocuments(HullworkRecords records) {
        this.records = records;
    }

    public HullworkDocument get(String id) {
        return records.findDocument(id).orElseThrow(() -> Refusal.notFound("document " + id));
    }

    public HullworkDocument approve(String id) {
        HullworkDocument document = get(id);
        if (document.status().equals("VOID")) {
            throw new Refusal(HttpStatus.CONFLICT, "document-void", document.number() + " is void.");
        }
        return save(withStatus(document, "APPROVED"));
    }

    public HullworkDocument voidIt(String id) {
        return save(withStatus(get(id), "VOID"));
    }

    /// Changes the head and the first lines' quantities and prices; the sums follow.
    public HullworkDocument edit(
            String id, String number, LocalDate date, List<BigDecimal> quantities, List<BigDecimal> prices) {
        HullworkDocument d = get(id);
        boolean taken = records.all("document", HullworkDocument.class).stream()
                .anyMatch(other -> other.number().equals(number) && !other.id().equals(id));
        if (taken || number.isBlank()) {
            throw Refusal.unprocessable(
                    "number-taken", "The number " + number + " is empty or used by another document.");
        }
        List<Line> lines = new ArrayList<>();
        for (int i = 0; i < d.lines().size(); i++) {
            Line l = d.lines().get(i);
            BigDecimal quantity = i < quantities.size() ? quantities.get(i) : l.quantity();
            BigDecimal price = i < prices.size() ? prices.get(i) : l.unitPrice();
            lines.add(new Line(
                    l.no(),
                    l.kind(),
                    l.item(),
                    l.text(),
                    l.category(),
                    quantity,
                    l.unit(),
                    price,
                    l.amount(),
                    l.vatCode(),
                    l.vatRate(),
                    l.vatAmount()));
        }
        return save(HullworkArithmetic.total(new HullworkDocument(
                d.id(),
                number,
                d.type(),
                d.status(),
                date,
                d.due().isBefore(date) ? date : d.due(),
                d.currency(),
                d.pricesIncludeVat(),
                d.customer(),
                d.site(),
                d.workOrder(),
                d.corrects(),
                d.discount(),
                lines,
                d.net(),
                d.vat(),
                d.gross())));
    }

    private HullworkDocument save(HullworkDocument document) {
        records.put("document", document.id(), document);
        return document;
    }

    private static HullworkDocument withStatus(HullworkDocument d, String status) {
        return new HullworkDocument(
                d.id(),
                d.number(),
                d.type(),
                status,
                d.date(),
                d.due(),
                d.currency(),
                d.pricesIncludeVat(),
                d.customer(),
                d.site(),
                d.workOrder(),
                d.corrects(),
                d.discount(),
                d.lines(),
                d.net(),
                d.vat(),
                d.gross());
    }
}
