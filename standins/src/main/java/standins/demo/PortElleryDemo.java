package standins.demo;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import standins.demo.Catalogue.Ware;
import standins.hullwork.HullworkArithmetic;
import standins.hullwork.HullworkDocument;
import standins.hullwork.HullworkDocument.Line;
import standins.hullwork.HullworkDocument.Part;
import standins.hullwork.HullworkRecords;

/// The other harbour's documents: in its own currency, with a federal and a provincial tax on one line.
final class PortElleryDemo {
    private static final String SITE = "Port Ellery";
    private static final int DOCUMENTS = 24;
    private static final int FIRST_NUMBER = 30101;
    private static final Part FEDERAL = new Part("GST", new BigDecimal("5"));
    private static final Part PROVINCIAL = new Part("PST", new BigDecimal("7"));
    private static final List<String> WARES = List.of("SHK-08", "SND-80", "RIG-0042", "ENG-0310");
    private static final List<String> CLIENTS = List.of(
            "Tolliver Sound Charters",
            "M. Okonjo-Reyes",
            "Bracken Point Marina",
            "Skerry Line Ferries",
            "Anders Whitlock",
            "Gull Rock Sailing School");

    private final HullworkRecords records;
    private final LocalDate today;

    PortElleryDemo(HullworkRecords records, LocalDate today) {
        this.records = records;
        this.today = today;
    }

    void write() {
        records.put("site", SITE, Map.of("name", SITE));
        vatCode(FEDERAL, "Federal tax");
        vatCode(PROVINCIAL, "Provincial tax");
        for (int i = 0; i < CLIENTS.size(); i++) {
            customer(i);
        }
        for (int i = 0; i < DOCUMENTS; i++) {
            HullworkDocument document = HullworkArithmetic.total(document(i));
            records.put("document", document.id(), document);
        }
    }

    private void vatCode(Part tax, String text) {
        records.put(
                "vat-code", tax.code(), Map.of("code", tax.code(), "text", text, "rate", tax.rate(), "category", "S"));
    }

    private void customer(int i) {
        String code = "C-" + (2001 + i);
        Map<String, String> address = Map.of(
                "street", (14 + i * 6) + " Wharf Road", "city", SITE, "postalZone", "V0N 2P" + i, "country", "CA");
        records.put(
                "customer",
                code,
                Map.of(
                        "code",
                        code,
                        "name",
                        CLIENTS.get(i),
                        "taxIdentifier",
                        "",
                        "email",
                        "dock" + i + "@port-ellery.example",
                        "phone",
                        "+1 250 555 01" + (10 + i),
                        "billTo",
                        address,
                        "shipTo",
                        address));
    }

    private HullworkDocument document(int i) {
        int number = FIRST_NUMBER + i;
        LocalDate date = today.minusDays(80L * (DOCUMENTS - i) / DOCUMENTS);
        boolean draft = i >= DOCUMENTS - 3;
        return new HullworkDocument(
                "d-" + number,
                "HP-" + number,
                "INVOICE",
                draft ? "DRAFT" : "APPROVED",
                date,
                date.plusDays(30),
                "CAD",
                false,
                "C-" + (2001 + i % CLIENTS.size()),
                SITE,
                "WO-" + (9000 + i),
                "",
                draft ? null : date,
                draft ? null : date.plusDays(1),
                null,
                "",
                new BigDecimal("0.00"),
                lines(i),
                BigDecimal.ZERO,
                BigDecimal.ZERO,
                BigDecimal.ZERO);
    }

    /// Every ninth one has a line that only the federal tax is on.
    private static List<Line> lines(int i) {
        List<Line> lines = new ArrayList<>();
        for (int n = 0; n <= i % 3; n++) {
            Ware ware = Catalogue.ware(WARES.get((i + n) % WARES.size()));
            lines.add(line(ware, 1 + (i * 7 + n) % 5, List.of(FEDERAL, PROVINCIAL)));
        }
        if (i % 9 == 4) {
            lines.add(line(Catalogue.ware("STO-YRD"), 1, List.of(FEDERAL)));
        }
        return lines;
    }

    private static Line line(Ware ware, int quantity, List<Part> taxes) {
        String code = String.join("+", taxes.stream().map(Part::code).toList());
        BigDecimal rate = taxes.stream().map(Part::rate).reduce(BigDecimal.ZERO, BigDecimal::add);
        return new Line(
                0,
                ware.kind(),
                ware.code(),
                ware.text(),
                "",
                ware.category(),
                BigDecimal.valueOf(quantity),
                ware.unit(),
                ware.price(),
                BigDecimal.ZERO,
                code,
                rate,
                BigDecimal.ZERO,
                taxes);
    }
}
