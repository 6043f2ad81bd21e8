package standins.demo;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.stream.Collectors;
import standins.demo.Catalogue.Client;
import standins.demo.Catalogue.Ware;
import standins.hullwork.HullworkArithmetic;
import standins.hullwork.HullworkDocument;
import standins.hullwork.HullworkDocument.Line;
import standins.hullwork.HullworkRecords;

/// Three months of the yard's documents, relative to today, the same ones every time.
final class HullworkDemo {
    private static final int DOCUMENTS = 150;
    private static final int WAITING = 14;
    private static final int FIRST_NUMBER = 20301;
    private static final Map<String, BigDecimal> RATES = Map.of(
            "V23", new BigDecimal("23"), "V13", new BigDecimal("13.5"), "V0", BigDecimal.ZERO, "VEU", BigDecimal.ZERO);

    private final HullworkRecords records;
    private final LocalDate today;
    private final Random random = new Random(20301);

    HullworkDemo(HullworkRecords records, LocalDate today) {
        this.records = records;
        this.today = today;
    }

    void write() {
        vatCode("V23", "Standard rate", "S");
        vatCode("V13", "Reduced rate", "S");
        vatCode("V0", "Zero rate", "Z");
        vatCode("VEU", "Reverse charge, other member states", "AE");
        categories();
        AddedDemo.ofHullwork(records);
        Catalogue.WARES.forEach(ware -> records.put(
                "item",
                ware.code(),
                Map.of(
                        "code", ware.code(),
                        "text", ware.text(),
                        "category", ware.category(),
                        "kind", ware.itemKind(),
                        "unit", ware.unit(),
                        "price", ware.price())));
        records.put("site", "Saltmere", Map.of("name", "Saltmere"));
        Catalogue.CLIENTS.forEach(this::customer);
        for (int i = 0; i < DOCUMENTS; i++) {
            HullworkDocument document = HullworkArithmetic.total(document(i));
            boolean business = !client(document.customer()).taxIdentifier().isEmpty();
            document = AddedDemo.filledIn(document, i, business, today);
            records.put("document", document.id(), document);
        }
        new PortElleryDemo(records, today).write();
    }

    private void vatCode(String code, String text, String letter) {
        records.put("vat-code", code, Map.of("code", code, "text", text, "rate", RATES.get(code), "category", letter));
    }

    private void categories() {
        Map<String, String> names = new LinkedHashMap<>();
        names.put("chandlery", "Chandlery");
        names.put("electrics", "Electrical parts");
        names.put("engine-parts", "Engine parts");
        names.put("paint", "Paint and coatings");
        names.put("rigging-labour", "Rigging labour");
        names.put("engine-labour", "Engine and electrical labour");
        names.put("hull-labour", "Hull labour");
        names.put("haul-out", "Haul-out and launch");
        names.put("storage", "Winter storage");
        names.put("berths", "Berths");
        names.put("books", "Charts and books");
        names.put("carriage", "Carriage");
        names.forEach((code, name) -> records.put("category", code, Map.of("code", code, "name", name)));
    }

    private void customer(Client client) {
        String mail = client.name().toLowerCase(java.util.Locale.ROOT).replaceAll("[^a-z]+", ".");
        Map<String, String> billTo = Map.of(
                "street",
                client.street(),
                "city",
                client.city(),
                "postalZone",
                client.zone(),
                "country",
                client.country());
        Map<String, String> shipTo = client.taxIdentifier().isEmpty()
                ? billTo
                : Map.of(
                        "street",
                        "Berth " + (10 + random.nextInt(80)),
                        "city",
                        "Saltmere",
                        "postalZone",
                        "SM1 1",
                        "country",
                        "IE");
        Map<String, Object> body = new LinkedHashMap<>();
        body.put("code", client.code());
        body.put("name", client.name());
        body.put("taxIdentifier", client.taxIdentifier());
        body.put("email", "office@" + mail + ".example");
        body.put("phone", "+353 55 " + (100000 + random.nextInt(899999)));
        body.put("billTo", billTo);
        body.put("shipTo", shipTo);
        if (!client.taxIdentifier().isEmpty()) {
            body.put(
                    "contacts",
                    List.of(
                            Map.of(
                                    "name",
                                    "Accounts desk",
                                    "role",
                                    "accounts",
                                    "email",
                                    "accounts@" + mail + ".example"),
                            Map.of(
                                    "name",
                                    "Duty officer",
                                    "role",
                                    "works",
                                    "phone",
                                    "+353 55 200" + client.code().substring(2))));
        }
        records.put("customer", client.code(), body);
    }

    private static Client client(String code) {
        return Catalogue.CLIENTS.stream()
                .filter(each -> each.code().equals(code))
                .findFirst()
                .orElseThrow();
    }

    private HullworkDocument document(int i) {
        int number = FIRST_NUMBER + i;
        LocalDate date = i == 0 ? today.minusDays(96) : today.minusDays(88L * (DOCUMENTS - i) / DOCUMENTS);
        boolean credit = i > 20 && i % 37 == 5;
        boolean abroad = i > 0 && i % 16 == 9;
        Client client = client(i, abroad);
        List<Line> lines = i == 71 ? roundingLines() : lines(i, credit, abroad);
        String status = i >= DOCUMENTS - WAITING ? "DRAFT" : "APPROVED";
        return new HullworkDocument(
                "d-" + number,
                (credit ? "HC-" : "HW-") + number,
                credit ? "CREDIT_NOTE" : "INVOICE",
                status,
                date,
                date.plusDays(client.taxIdentifier().isEmpty() ? 14 : 30),
                "EUR",
                i % 13 == 7 && !abroad,
                client.code(),
                "Saltmere",
                "WO-" + (7000 + i),
                workDone(lines),
                status.equals("DRAFT") && i % 2 == 0 ? null : date.minusDays(i % 5),
                status.equals("DRAFT") ? null : date.plusDays(1),
                null,
                credit ? "HW-" + (number - 6) : "",
                i % 19 == 11 ? new BigDecimal("15.00") : new BigDecimal("0.00"),
                lines,
                BigDecimal.ZERO,
                BigDecimal.ZERO,
                BigDecimal.ZERO);
    }

    private static String workDone(List<Line> lines) {
        return lines.stream()
                .filter(line -> line.kind().equals("LABOUR"))
                .map(line -> line.text() + ", " + line.quantity().toPlainString() + " hours")
                .collect(Collectors.joining("; "));
    }

    private Client client(int i, boolean abroad) {
        if (abroad) {
            return Catalogue.CLIENTS.get(i % 32 == 9 ? 6 : 20);
        }
        if (i % 29 == 3) {
            return Catalogue.CLIENTS.getFirst();
        }
        int pick = 1 + random.nextInt(Catalogue.CLIENTS.size() - 1);
        return Catalogue.CLIENTS.get(pick == 6 || pick == 20 ? pick + 1 : pick);
    }

    /// The example of three times 0.33, where the yard's tax by line and the ledger's by document differ by a cent.
    private List<Line> roundingLines() {
        Ware filler = Catalogue.ware("SND-80");
        List<Line> lines = new ArrayList<>();
        for (int i = 0; i < 3; i++) {
            lines.add(line(filler, "Sanding disc, single", BigDecimal.ONE, new BigDecimal("0.33"), "V23"));
        }
        return lines;
    }

    private List<Line> lines(int i, boolean credit, boolean abroad) {
        List<Line> lines = new ArrayList<>();
        int count = credit ? 1 : 1 + random.nextInt(5);
        for (int n = 0; n < count; n++) {
            lines.add(line(anyWare(), abroad));
        }
        if (!credit && i > 0 && i % 8 == 4) {
            lines.add(line(Catalogue.ware("RIG-0042"), abroad));
        }
        if (!credit && i % 12 == 6) {
            lines.add(line(Catalogue.ware("ENG-0310"), abroad));
        }
        if (!credit && i % 11 == 2) {
            lines.add(line(Catalogue.ware(i % 2 == 0 ? "STO-YRD" : "STO-HAL"), abroad));
        }
        return lines;
    }

    private Ware anyWare() {
        Ware ware = Catalogue.WARES.get(random.nextInt(Catalogue.WARES.size()));
        boolean trouble = ware.category().isEmpty() || ware.category().equals("storage");
        return trouble ? anyWare() : ware;
    }

    private Line line(Ware ware, boolean abroad) {
        BigDecimal quantity = ware.kind().equals("LABOUR")
                ? BigDecimal.valueOf(25L * (1 + random.nextInt(24)), 2)
                : BigDecimal.valueOf(1 + random.nextInt(ware.price().intValue() > 60 ? 3 : 12));
        return line(ware, ware.text(), quantity, ware.price(), abroad ? "VEU" : ware.vat());
    }

    private static Line line(Ware ware, String text, BigDecimal quantity, BigDecimal price, String vat) {
        return new Line(
                0,
                ware.kind(),
                ware.code(),
                text,
                ware.kind().equals("LABOUR") ? "done on the hard" : "",
                ware.category(),
                quantity,
                ware.unit(),
                price,
                BigDecimal.ZERO,
                vat,
                RATES.get(vat),
                BigDecimal.ZERO,
                List.of());
    }
}
