package standins.demo;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import org.springframework.jdbc.core.simple.JdbcClient;
import standins.inkwell.Books.Allocated;
import standins.inkwell.Books.Draft;
import standins.inkwell.Books.DraftLine;
import standins.inkwell.Books.PaymentDraft;
import standins.inkwell.Company;
import standins.inkwell.Masters;
import standins.inkwell.Payments;
import standins.inkwell.Posting;

/// The ledgers as they stood before Alcabala. Saltmere: its chart, some parties and items, and one old invoice in the
/// way. The other two companies have charts of their own, partly under the same codes.
final class InkwellDemo {
    private final JdbcClient jdbc;
    private final Masters masters;
    private final Posting posting;
    private final Payments payments;
    private final LocalDate today;

    InkwellDemo(JdbcClient jdbc, Masters masters, Posting posting, Payments payments, LocalDate today) {
        this.jdbc = jdbc;
        this.masters = masters;
        this.posting = posting;
        this.payments = payments;
        this.today = today;
    }

    void write(Company company) {
        masters.beginBooks();
        switch (company.id()) {
            case "saltmere" -> {
                write(ACCOUNTS, TAX_CODES, PARTIES, ITEMS);
                dimensions();
                AddedDemo.ofInkwell(jdbc);
                rates();
                oldInvoice();
                masters.lockThrough(today.minusDays(92));
            }
            case "charter" -> write(CHARTER_ACCOUNTS, CHARTER_TAX_CODES, CHARTER_PARTIES, "");
            default -> write(TRAINING_ACCOUNTS, TRAINING_TAX_CODES, "", "");
        }
    }

    private void write(String accounts, String taxCodes, String parties, String items) {
        for (String[] part : rows(accounts)) {
            jdbc.sql("insert into inkwell_account (code, name, type, active) values (:code, :name, :type, :active)")
                    .params(Map.of("code", part[0], "name", part[1], "type", part[2], "active", part.length == 3))
                    .update();
        }
        for (String[] part : rows(taxCodes)) {
            jdbc.sql("""
                    insert into inkwell_tax_code (code, name, rate, category, account, input_account, both_sides, deductible)
                    values (:code, :name, :rate, :category, :account, nullif(:input, ''), :both, :deductible)""")
                    .params(Map.of(
                            "code",
                            part[0],
                            "name",
                            part[1],
                            "rate",
                            new BigDecimal(part[2]),
                            "category",
                            part[3],
                            "account",
                            part[4],
                            "input",
                            part.length > 5 ? part[5] : "",
                            "both",
                            part.length > 6,
                            "deductible",
                            part.length > 6 ? new BigDecimal(part[7]) : new BigDecimal("100")))
                    .update();
        }
        for (String[] part : rows(parties)) {
            jdbc.sql("insert into inkwell_party (id, name, tax_identifier, email) values (:id, :name, :tax, :email)")
                    .params(Map.of("id", part[0], "name", part[1], "tax", part[2], "email", part[3]))
                    .update();
        }
        for (String[] part : rows(items)) {
            jdbc.sql("insert into inkwell_item (code, name, account, tax_code) values (:code, :name, :account, 'S23')")
                    .params(Map.of("code", part[0], "name", part[1], "account", part[2]))
                    .update();
        }
    }

    /// Three months of what a dollar was worth, of either kind; each holds until the next working day's.
    private void rates() {
        for (LocalDate day = today.minusDays(100); !day.isAfter(today); day = day.plusDays(1)) {
            if (day.getDayOfWeek().getValue() < 6) {
                int turn = day.getDayOfYear() % 17;
                rate("CAD", day, new BigDecimal("0.6600").add(BigDecimal.valueOf(turn, 4)));
                rate("USD", day, new BigDecimal("0.9100").add(BigDecimal.valueOf(3L * turn, 4)));
            }
        }
    }

    private void rate(String currency, LocalDate day, BigDecimal rate) {
        jdbc.sql("insert into inkwell_rate (currency, day, rate) values (:currency, :day, :rate)")
                .params(Map.of("currency", currency, "day", day, "rate", rate))
                .update();
    }

    private void dimensions() {
        for (String[] part : rows(DIMENSIONS)) {
            jdbc.sql("""
                    insert into inkwell_dimension (code, name, value, title, active)
                    values (:code, :name, :value, :title, :active)""")
                    .params(Map.of(
                            "code",
                            part[0],
                            "name",
                            part[1],
                            "value",
                            part[2],
                            "title",
                            part[3],
                            "active",
                            part.length == 4))
                    .update();
        }
    }

    private static List<String[]> rows(String table) {
        return table.lines().map(row -> row.split("\\|", -1)).toList();
    }

    /// Entered by hand long ago under a number the yard has now reached; paid, so that nothing of it is open.
    private void oldInvoice() {
        LocalDate date = today.minusDays(300);
        String id = posting.post(new Draft(
                        "HW-20388",
                        "invoice",
                        "IC-1008",
                        date,
                        date.plusDays(14),
                        "EUR",
                        false,
                        "1100",
                        null,
                        null,
                        List.of(new DraftLine(
                                null,
                                "4090",
                                "Sale of an old trailer",
                                BigDecimal.ONE,
                                new BigDecimal("318.20"),
                                new BigDecimal("318.20"),
                                "E0")),
                        null))
                .id();
        payments.post(new PaymentDraft(
                "payment-in",
                null,
                "IC-1008",
                date.plusDays(9),
                "1100",
                "1000",
                "30",
                "",
                "",
                null,
                new BigDecimal("318.20"),
                null,
                null,
                List.of(new Allocated(id, null, null, new BigDecimal("318.20"), null, null))));
    }

    private static final String ACCOUNTS = """
            1000|Tarn & Holm current account|bank
            1100|Receivables control|receivable
            1110|Receivables from files|receivable
            1210|Cash and cheques not yet banked|asset
            1250|Card clearing|asset
            1300|Stock of parts|stock
            1400|Input tax|tax
            1450|Tax withheld by customers|asset
            1460|Retentions held by customers|asset
            2100|Payables control|payable
            2200|Output tax|tax
            2300|Customer deposits|liability
            2360|Retentions held for suppliers|liability
            3000|Capital|equity
            4010|Chandlery sales|revenue
            4012|Rigging parts|revenue
            4015|Paint and coatings|revenue
            4018|Engine and electrical parts|revenue
            4020|Repair labour|revenue
            4025|Engine and electrical labour|revenue
            4030|Haul-out and launch|revenue
            4035|Winter storage|revenue
            4040|Berths and moorings|revenue
            4060|Charts and books|revenue
            4080|Carriage recharged|revenue
            4090|Other income|revenue
            4190|Price reductions|revenue
            4900|Sales before 2020|revenue|inactive
            5010|Cost of parts|cost
            5100|Purchases of goods for resale|cost
            6050|Yard and workshop expenses|expense
            6100|Bank charges|expense
            6120|Payment differences|expense
            6130|Cash over and short|expense
            6150|Bad debts|expense
            6900|Exchange differences|expense
            6990|Rounding differences|expense""";
    private static final String TAX_CODES = """
            S23|Standard 23 %|23|S|2200|1400
            R13|Reduced 13.5 %|13.5|S|2200|1400
            Z0|Zero-rated|0|Z|2200|1400
            E0|Exempt|0|E|2200|1400
            RC0|Reverse charge, other member states|0|AE|2200|1400
            RC23|Reverse charge 23 %, purchases|23|AE|2200|1400|both-sides|100
            RC23H|Reverse charge 23 %, half reclaimed|23|AE|2200|1400|both-sides|50""";
    private static final String DIMENSIONS = """
            DEPT|Department|ENG|Engines and electrics
            DEPT|Department|HULL|Hull and paint
            DEPT|Department|LOFT|Sail loft, closed|inactive
            DEPT|Department|RIG|Rigging
            DEPT|Department|SHOP|Chandlery
            SITE|Site|ELL|Port Ellery
            SITE|Site|SALT|Saltmere""";
    private static final String PARTIES = """
            IC-1001|Ostrander and Daughter Ltd||
            IC-1002|Pell Estuary Trust|IE7710243F|office@pell.estuary.trust.example
            IC-1003|Quillan Marine Rescue|IE3390816D|
            IC-1006|Dunmere Pilots|IE6140932H|
            IC-1008|Harbour trailer sales (old)||
            IC-1011|Beacon Yacht Club|IE5573008W|office@beacon.yacht.club.example
            IC-1040|Merrow Bay Council|IE2018830C|
            IC-1052|Ostrander & Daughters|IE6433435F|yard@ostrander.example""";
    private static final String ITEMS = """
            RIG-06|Swage terminal 6mm|4012
            SHACK-8|Shackle, 8 mm|4010
            STRAIN-1|Strainer, raw water|4018""";
    private static final String CHARTER_ACCOUNTS = """
            1000|Current account|bank
            1100|Receivables control|receivable
            2200|Output tax|tax
            2300|Charter deposits|liability
            3000|Capital|equity
            4010|Charter income|revenue
            4020|Skipper and crew|revenue
            4030|Insurance held for owners|liability
            4040|Berths and moorings|revenue
            4080|Carriage recharged|revenue
            4190|Price reductions|revenue
            6990|Rounding differences|expense""";
    private static final String CHARTER_TAX_CODES = """
            S23|Standard 23 %|23|S|2200
            R13|Reduced 9 %, passenger trips|9|S|2200
            Z0|Zero-rated|0|Z|2200""";
    private static final String CHARTER_PARTIES = """
            IC-1001|Wherry and Sons||
            IC-1002|Pell Estuary Trust|IE7710243F|office@pell.estuary.trust.example""";
    private static final String TRAINING_ACCOUNTS = """
            100|Bank|bank
            200|Debtors|receivable
            300|Tax owed|tax
            400|Course fees|revenue
            410|Donations|revenue
            490|Cent differences|expense""";
    private static final String TRAINING_TAX_CODES = """
            A|Courses, exempt|0|E|300
            B|Goods at 23 %|23|S|300""";
}
