package standins.demo;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import org.springframework.jdbc.core.simple.JdbcClient;
import standins.hullwork.HullworkDocument;
import standins.hullwork.HullworkDocument.Field;
import standins.hullwork.HullworkField;
import standins.hullwork.HullworkField.Option;
import standins.hullwork.HullworkRecords;

/// Terms of payment and fields of their own, as the yard and its books each have them: some of the same name compute
/// something else, some alike are written another way.
final class AddedDemo {
    private static final int LONGEST = 40;
    private static final int LONGEST_LINK = 300;

    private AddedDemo() {}

    static void ofHullwork(HullworkRecords records) {
        terms(records, "T14", "14 days", Map.of("days", 14));
        terms(records, "N30", "Net 30", Map.of("days", 30));
        terms(records, "EOM", "End of month", Map.of("endOfMonth", true));
        terms(records, "M1", "One month", Map.of("months", 1));
        field(records, "hull-no", "Hull number", "text", List.of());
        field(records, "hours", "Engine hours", "number", List.of());
        field(records, "survey", "Next survey", "date", List.of());
        field(
                records,
                "berth",
                "Berth side",
                "choice",
                List.of(new Option("N", "North pier"), new Option("S", "South pier"), new Option("Y", "On the yard")));
        field(records, "order-no", "Customer's order", "text", List.of());
        field(records, "books-no", "Number in the books", "text", List.of());
        records.put("field", "pay-at", new HullworkField("pay-at", "Pay at", "text", LONGEST_LINK, List.of()));
    }

    private static void terms(HullworkRecords records, String code, String text, Map<String, Object> steps) {
        Map<String, Object> body = new TreeMap<>(steps);
        body.put("code", code);
        body.put("text", text);
        records.put("terms", code, body);
    }

    private static void field(HullworkRecords records, String code, String text, String type, List<Option> options) {
        records.put("field", code, new HullworkField(code, text, type, LONGEST, options));
    }

    /// What the yard's people filled in: not everything, and some of it as people do.
    static HullworkDocument filledIn(HullworkDocument document, int i, boolean business, LocalDate today) {
        List<Field> fields = new ArrayList<>();
        fields.add(new Field("hull-no", "text", "CB-" + (1400 + i * 7 % 90)));
        if (i % 3 == 0) {
            fields.add(new Field(
                    "hours", "number", BigDecimal.valueOf(1204L + i * 13L, 1).toPlainString()));
        }
        if (i % 4 == 1) {
            fields.add(new Field("survey", "date", today.plusDays(200L + i).toString()));
        }
        if (i % 5 != 0) {
            fields.add(new Field("berth", "choice", List.of("N", "S", "Y").get(i % 3)));
        }
        if (business && i % 2 == 0) {
            fields.add(new Field("order-no", "text", "PO " + (88_000 + i)));
        }
        return document.with(business ? "N30" : "T14", fields);
    }

    static void ofInkwell(JdbcClient jdbc) {
        jdbc.sql("""
                insert into inkwell_terms (code, name, days, end_of_month, months) values
                    ('14D', 'Fourteen days net', 14, false, 0), ('30D', 'Thirty days net', 30, false, 0),
                    ('30M', 'One month', 31, false, 0), ('EOM', 'To the end of the month', 0, true, 0)""").update();
        jdbc.sql("""
                insert into inkwell_field (code, title, type, max_length, choices, active) values
                    ('HULL', 'Hull', 'text', 12, '[]', true), ('HOURS', 'Engine hours', 'text', 20, '[]', true),
                    ('SURVEY', 'Survey due', 'date', 0, '[]', true), ('WEIGHT', 'Weight, kg', 'number', 0, '[]', true),
                    ('PIER', 'Pier', 'choice', 0, '[{"code":"1","title":"North"},{"code":"2","title":"South"},
                        {"code":"9","title":"Ashore"}]', true),
                    ('PO', 'Purchase order', 'text', 30, '[]', true), ('OLD', 'Ledger page', 'text', 10, '[]', false)""").update();
    }
}
