package alcabala.server.send;

import alcabala.connectors.ledger.LedgerRecord;
import java.math.BigDecimal;
import java.util.Objects;
import java.util.stream.Collectors;

/// What both sides last agreed on, held against what the ledger has.
final class Agreement {
    private Agreement() {}

    /// Payments aside, whether anything differs.
    static boolean isBroken(LedgerRecord baseline, LedgerRecord now) {
        return !baseline.number().equals(now.number())
                || !baseline.party().equals(now.party())
                || !Objects.equals(baseline.date(), now.date())
                || !Objects.equals(baseline.due(), now.due())
                || !amounts(baseline).equals(amounts(now));
    }

    private static String amounts(LedgerRecord record) {
        return record.lines().stream()
                        .map(line -> line.account() + " " + line.taxCode() + " " + plain(line.amount()))
                        .collect(Collectors.joining(";"))
                + "|" + plain(record.gross());
    }

    private static String plain(BigDecimal amount) {
        return amount.stripTrailingZeros().toPlainString();
    }
}
