package standins.demo;

import java.util.List;
import java.util.Map;
import org.springframework.jdbc.core.simple.JdbcClient;
import standins.apps.AppRecords;

/// The chandlery, the project office, and the lists of the other harbour's ledger.
final class AppsDemo {
    private final AppRecords records;
    private final JdbcClient jdbc;

    AppsDemo(AppRecords records, JdbcClient jdbc) {
        this.records = records;
        this.jdbc = jdbc;
    }

    void write() {
        storeloft();
        refitline();
        copperplate();
    }

    private void storeloft() {
        for (String branch : List.of("Saltmere", "Port Ellery")) {
            records.put("storeloft", "branch", branch, Map.of("label", branch));
        }
        for (String row : """
                ST-100|Counter sales|buyer||counter@corvane.example
                ST-101|Harbour Inn|buyer|IE4410927D|cellar@harbour-inn.example
                ST-102|Oyster Quay Angling Club|buyer||club@oyster-quay.example
                ST-900|Drake Chandlery Supply|vendor|IE7718204F|orders@drake-supply.example
                ST-901|Larch & Linden Paints|vendor|IE3390518H|sales@larch-linden.example""".lines().toList()) {
            String[] cell = row.strip().split("\\|", -1);
            records.put(
                    "storeloft",
                    "account",
                    cell[0],
                    Map.of("title", cell[1], "role", cell[2], "vatNumber", cell[3], "mail", cell[4]));
        }
        for (String row :
                List.of("rope|Rope and line", "deck|Deck fittings", "safety|Safety gear", "books|Charts and books")) {
            String[] cell = row.split("\\|");
            records.put("storeloft", "group", cell[0], Map.of("label", cell[1]));
        }
        for (String row : """
                RP-08|Braided line 8 mm|rope
                RP-12|Mooring line 12 mm|rope
                DK-31|Deck cleat 150 mm|deck
                DK-44|Fairlead, pair|deck
                SF-02|Life jacket 150 N|safety
                SF-09|Flare pack, coastal|safety
                BK-17|Harbour chart Saltmere|books""".lines().toList()) {
            String[] cell = row.strip().split("\\|");
            records.put("storeloft", "article", cell[0], Map.of("label", cell[1], "group", cell[2]));
        }
    }

    private void refitline() {
        for (String yard : List.of("Saltmere", "Port Ellery")) {
            records.put("refitline", "yard", yard, Map.of("name", yard));
        }
        for (String row : """
                RL-1|Pell Estuary Trust|client|IE2018830C
                RL-2|Halvard Brandt|client|
                RL-51|Sable Point Joinery|supplier|IE5528146K
                RL-52|Tern Rigging Works|supplier|IE6610932L""".lines().toList()) {
            String[] cell = row.strip().split("\\|", -1);
            records.put("refitline", "company", cell[0], Map.of("name", cell[1], "part", cell[2], "taxId", cell[3]));
        }
        for (String row : List.of(
                "survey|Survey and design",
                "structure|Hull and structure",
                "systems|Systems",
                "finish|Joinery and finish")) {
            String[] cell = row.split("\\|");
            records.put("refitline", "phase", cell[0], Map.of("name", cell[1]));
        }
        for (String row : """
                CC-10|Naval architect, hour|hours|survey
                CC-20|Shipwright, hour|hours|structure
                CC-21|Laminate materials|materials|structure
                CC-30|Electrician, hour|hours|systems
                CC-90|Travel at cost|cost|survey""".lines().toList()) {
            String[] cell = row.strip().split("\\|");
            records.put(
                    "refitline", "cost-code", cell[0], Map.of("name", cell[1], "nature", cell[2], "phase", cell[3]));
        }
    }

    private void copperplate() {
        insert("copperplate_account (code, title, class)", """
                1010|Tarn & Holm Port Ellery|bank
                1020|Cash and cheques in the safe|asset
                1200|Accounts receivable|receivable
                1500|Stock of parts|stock
                2000|Accounts payable|payable
                2310|GST and PST collected|tax
                2400|Customer deposits|liability
                4100|Sales of parts|income
                4200|Yard labour|income
                4300|Haul-out and storage|income
                4600|Freight charged|income
                4900|Reductions of price|income
                5100|Cost of parts|cost
                6100|Rounding and small differences|expense
                6400|Travel|expense
                3900|Owner’s equity|equity""");
        insert("copperplate_tax (code, title, percent, letter, account)", """
                BOTH|GST and PST together|12|S|2310
                FED|GST only|5|S|2310
                NIL|No tax|0|Z|""");
        insert("copperplate_party (number, name, tax_number, mail, phone, street, city, postal_code, country)", """
                P-301|Tolliver Sound Charters|||+1 250 555 0110|14 Wharf Road|Port Ellery|V0N 2P0|CA
                P-302|Bracken Pt. Marina|||+1 250 555 0112|26 Wharf Road|Port Ellery|V0N 2P2|CA
                P-303|Café Écluse|||+1 250 555 0190|3 Lock Street|Port Ellery|V0N 2P9|CA""");
        insert("copperplate_term (code, title, days)", """
                N30|30 days net|30
                N14|14 days net|14
                COD|On delivery|0""");
    }

    private void insert(String into, String rows) {
        for (String row : rows.lines().toList()) {
            List<String> cells = List.of(row.strip().split("\\|", -1));
            String values = String.join(
                    ", ",
                    cells.stream()
                            .map(cell ->
                                    cell.matches("\\d+") && into.matches(".*(percent|days).*") ? "?::numeric" : "?")
                            .toList());
            jdbc.sql("insert into " + into + " values (" + values + ")")
                    .params(cells)
                    .update();
        }
    }
}
