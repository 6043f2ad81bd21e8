package alcabala.server.clear;

import alcabala.accounting.settlement.Banking;
import alcabala.server.platform.Amounts;
import alcabala.server.platform.Writing;
import alcabala.server.register.Medium;
import alcabala.server.register.Printed;
import alcabala.server.route.RouteRow;
import java.util.LinkedHashMap;
import java.util.Map;
import org.springframework.stereotype.Component;

/// A banking on paper, for whoever hands it on.
@Component
public class BankingPrints {
    private final BankingStore store;
    private final BankingRows rows;
    private final BankingReports reports;

    /// @param fileName without its ending
    /// @param words what is said of it in a letter, by what it is
    public record PrintedBanking(long routeId, String fileName, Map<String, String> words) {}

    BankingPrints(BankingStore store, BankingRows rows, BankingReports reports) {
        this.store = store;
        this.rows = rows;
        this.reports = reports;
    }

    public PrintedBanking of(long id) {
        BankingRow row = store.get(id);
        Banking banking = rows.of(row).banking();
        int receipts = banking.receipts().size();
        Map<String, String> words = new LinkedHashMap<>();
        words.put("banking", "Banking " + banking.number());
        words.put("day", Writing.now().day(banking.date()));
        words.put("receipts", receipts == 1 ? "1 receipt" : receipts + " receipts");
        words.put("amount", Amounts.shown(banking.amount()));
        words.put("bank", (banking.account() + " " + banking.bank()).strip());
        words.put("slip", banking.slip().isEmpty() ? "without a number" : banking.slip());
        return new PrintedBanking(row.routeId(), nameOf(row), words);
    }

    public Printed print(RouteRow route, long id, String who) {
        return print(route, store.get(id), Medium.PDF, who);
    }

    Printed print(RouteRow route, BankingRow row, Medium as, String who) {
        return as.print(reports.ofOne(route, row, who), nameOf(row));
    }

    private static String nameOf(BankingRow row) {
        return "banking-" + row.bankedOn();
    }
}
