package alcabala.connectors.adapters.copperplate;

import alcabala.accounting.document.TaxCategory;
import alcabala.accounting.ledger.AccountType;
import alcabala.accounting.ledger.LedgerAccount;
import alcabala.accounting.ledger.LedgerTaxCode;
import alcabala.accounting.party.Address;
import alcabala.accounting.party.Party;
import alcabala.accounting.terms.CodedTerms;
import alcabala.accounting.terms.PaymentTerms;
import alcabala.connectors.ledger.Listing;
import alcabala.formats.csv.CsvProblem;
import alcabala.formats.csv.CsvTable;
import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;

/// The lists that Copperplate writes into files. Which list a file holds is known by its columns, whatever its name and
/// whatever the order they stand in.
final class CopperplateLists {
    private static final Map<String, AccountType> CLASSES = Map.ofEntries(
            Map.entry("asset", AccountType.ASSET),
            Map.entry("bank", AccountType.BANK),
            Map.entry("receivable", AccountType.RECEIVABLE),
            Map.entry("stock", AccountType.STOCK),
            Map.entry("liability", AccountType.LIABILITY),
            Map.entry("payable", AccountType.PAYABLE),
            Map.entry("tax", AccountType.TAX),
            Map.entry("equity", AccountType.EQUITY),
            Map.entry("income", AccountType.REVENUE),
            Map.entry("cost", AccountType.COST),
            Map.entry("expense", AccountType.EXPENSE));

    /// The columns of each list, the key first.
    private enum Columns {
        ACCOUNTS("Account", "Title", "Class", "Open"),
        TAX_CODES("Tax code", "Title", "Percent", "Category", "Account", "Open"),
        PARTIES("Party", "Name", "Tax number", "E-mail", "Phone", "Street", "City", "Postal code", "Country", "Open"),
        TERMS("Terms", "Title", "Days", "Open");

        private final List<String> names;

        Columns(String... names) {
            this.names = List.of(names);
        }

        static Optional<Columns> of(List<String> found) {
            for (Columns each : values()) {
                if (found.containsAll(each.names)) {
                    return Optional.of(each);
                }
            }
            return Optional.empty();
        }
    }

    private final CsvTable table;
    private final Map<String, Integer> places = new HashMap<>();
    private final List<CsvProblem> problems = new ArrayList<>();

    private CopperplateLists(CsvTable table) {
        this.table = table;
        for (int i = 0; i < table.columns().size(); i++) {
            places.put(table.columns().get(i), i);
        }
    }

    static Listing read(byte[] content) {
        return switch (CsvTable.read(content)) {
            case CsvTable.Outcome.Unreadable no -> new Listing.Unusable(List.of(no.problem()));
            case CsvTable.Outcome.Read yes -> new CopperplateLists(yes.table()).listing();
        };
    }

    private Listing listing() {
        Optional<Columns> columns = Columns.of(table.columns());
        if (columns.isEmpty()) {
            return new Listing.Unusable(
                    List.of(new CsvProblem(CsvProblem.Code.COLUMNS, 1, "", String.join(", ", table.columns()))));
        }
        Listing listing = switch (columns.get()) {
            case ACCOUNTS -> new Listing.Accounts(rows("Account", this::account));
            case TAX_CODES -> new Listing.TaxCodes(rows("Tax code", this::taxCode));
            case PARTIES -> new Listing.Parties(rows("Party", this::party));
            case TERMS -> new Listing.Terms(rows("Terms", this::term));
        };
        return problems.isEmpty() ? listing : new Listing.Unusable(List.copyOf(problems));
    }

    private <T> List<T> rows(String key, Function<CsvTable.Row, T> mapping) {
        List<T> rows = new ArrayList<>(table.rows().size());
        Set<String> keys = new HashSet<>();
        for (CsvTable.Row row : table.rows()) {
            String code = cell(row, key);
            if (code.isEmpty() || !keys.add(code)) {
                wrong(row, key, code.isEmpty() ? "" : code + ", again");
            }
            rows.add(mapping.apply(row));
        }
        return rows;
    }

    private LedgerAccount account(CsvTable.Row row) {
        AccountType type = CLASSES.get(cell(row, "Class").toLowerCase(java.util.Locale.ROOT));
        if (type == null) {
            wrong(row, "Class");
        }
        return new LedgerAccount(cell(row, "Account"), cell(row, "Title"), type, open(row));
    }

    private LedgerTaxCode taxCode(CsvTable.Row row) {
        return new LedgerTaxCode(
                cell(row, "Tax code"),
                cell(row, "Title"),
                percent(row),
                category(row),
                cell(row, "Account"),
                "",
                open(row));
    }

    private Party party(CsvTable.Row row) {
        Address address =
                new Address(cell(row, "Street"), cell(row, "City"), cell(row, "Postal code"), cell(row, "Country"));
        return new Party(
                cell(row, "Party"),
                cell(row, "Name"),
                cell(row, "Tax number"),
                cell(row, "E-mail"),
                cell(row, "Phone"),
                address,
                address,
                open(row));
    }

    private CodedTerms term(CsvTable.Row row) {
        String days = cell(row, "Days");
        boolean known = days.matches("\\d{1,4}") && Integer.parseInt(days) <= PaymentTerms.MOST_DAYS;
        if (!known) {
            wrong(row, "Days");
        }
        PaymentTerms rule = PaymentTerms.days(known ? Integer.parseInt(days) : 0);
        return new CodedTerms(cell(row, "Terms"), cell(row, "Title"), rule, open(row));
    }

    /// With a point or a comma before the decimals.
    private BigDecimal percent(CsvTable.Row row) {
        String percent = cell(row, "Percent").replace(',', '.');
        if (percent.matches("\\d{1,3}(\\.\\d{1,4})?")) {
            return new BigDecimal(percent);
        }
        wrong(row, "Percent");
        return BigDecimal.ZERO;
    }

    private TaxCategory category(CsvTable.Row row) {
        try {
            return TaxCategory.valueOf(cell(row, "Category"));
        } catch (IllegalArgumentException e) {
            wrong(row, "Category");
            return TaxCategory.S;
        }
    }

    private boolean open(CsvTable.Row row) {
        String open = cell(row, "Open");
        if (!open.equals("yes") && !open.equals("no")) {
            wrong(row, "Open");
        }
        return open.equals("yes");
    }

    private String cell(CsvTable.Row row, String column) {
        return row.cells().get(places.get(column));
    }

    private void wrong(CsvTable.Row row, String column) {
        wrong(row, column, cell(row, column));
    }

    private void wrong(CsvTable.Row row, String column, String found) {
        problems.add(new CsvProblem(CsvProblem.Code.VALUE, row.line(), column, found));
    }
}
