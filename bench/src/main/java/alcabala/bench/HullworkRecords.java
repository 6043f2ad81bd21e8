package alcabala.bench;

import java.math.BigDecimal;
import java.math.RoundingMode;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/// Invoices of five lines as Hullwork sends them; one in eight has a category nobody has mapped, one in ten is a draft.
final class HullworkRecords {
    private HullworkRecords() {}

    static List<JsonNode> make(JsonMapper json, int count, int from) {
        Random random = new Random(from + 1L);
        List<JsonNode> records = new ArrayList<>(count);
        for (int i = from; i < from + count; i++) {
            records.add(document(json, random, i));
        }
        return records;
    }

    private static JsonNode document(JsonMapper json, Random random, int i) {
        ObjectNode document = json.createObjectNode();
        ArrayNode lines = json.createArrayNode();
        BigDecimal net = BigDecimal.ZERO;
        BigDecimal vat = BigDecimal.ZERO;
        for (int n = 1; n <= 5; n++) {
            BigDecimal price = BigDecimal.valueOf(random.nextInt(20_000), 2);
            BigDecimal quantity = BigDecimal.valueOf(1 + random.nextInt(9));
            BigDecimal rate = new BigDecimal(random.nextBoolean() ? "23" : "13.5");
            BigDecimal amount = price.multiply(quantity);
            BigDecimal tax = amount.multiply(rate).movePointLeft(2).setScale(2, RoundingMode.HALF_UP);
            net = net.add(amount);
            vat = vat.add(tax);
            lines.addObject()
                    .put("no", n)
                    .put("kind", "GOODS")
                    .put("item", "IT-" + random.nextInt(500))
                    .put("text", "An item of the chandlery")
                    .put("category", i % 8 == 0 && n == 5 ? "unsorted" : "chandlery")
                    .put("quantity", quantity)
                    .put("unit", "C62")
                    .put("unitPrice", price)
                    .put("amount", amount)
                    .put("vatCode", rate.scale() == 0 ? "V23" : "V13")
                    .put("vatRate", rate)
                    .put("vatAmount", tax);
        }
        document.put("id", "b-" + i)
                .put("number", "HW-" + (1_000_000 + i))
                .put("type", i % 40 == 0 ? "CREDIT_NOTE" : "INVOICE")
                .put("status", i % 10 == 3 ? "DRAFT" : "APPROVED")
                .put("date", LocalDate.of(2026, 1, 1).plusDays(i % 300).toString())
                .put("due", LocalDate.of(2026, 2, 1).plusDays(i % 300).toString())
                .put("currency", "EUR")
                .put("site", "Saltmere")
                .put("pricesIncludeVat", false)
                .put("customer", "C-" + random.nextInt(2000))
                .put("discount", BigDecimal.ZERO)
                .put("net", net)
                .put("vat", vat)
                .put("gross", net.add(vat));
        document.set("lines", lines);
        return document;
    }
}
