package alcabala.server.whatif;

import alcabala.accounting.whatif.Books;
import alcabala.accounting.whatif.CorrectingJournal;
import alcabala.server.platform.Amounts;
import alcabala.server.whatif.WouldChange.AccountSums;
import alcabala.server.whatif.WouldChange.JournalDraft;
import alcabala.server.whatif.WouldChange.JournalDraftLine;
import java.util.Comparator;
import java.util.List;
import java.util.Map;

/// Writes amounts in base currency, and accounts with their names.
record Shown(String currency, Map<String, String> names) {
    private static final Comparator<CorrectingJournal.Line> DEBITS_FIRST = Comparator.comparing(
                    (CorrectingJournal.Line line) -> line.amount() < 0)
            .thenComparing(line -> line.place().account());

    String amount(long minor) {
        return Amounts.decimal(currency, minor);
    }

    String name(String account) {
        return names.getOrDefault(account, "");
    }

    /// What moves from some accounts to others.
    static long total(Books moved) {
        return moved.byAccount().values().stream()
                .mapToLong(Long::longValue)
                .filter(amount -> amount > 0)
                .sum();
    }

    /// Of the accounts that something moves on, in order of their codes.
    List<AccountSums> accounts(Books moved, Books before) {
        Map<String, Long> sums = before.byAccount();
        return moved.byAccount().entrySet().stream()
                .sorted(Map.Entry.comparingByKey())
                .map(each -> {
                    long was = sums.getOrDefault(each.getKey(), 0L);
                    return new AccountSums(
                            each.getKey(), name(each.getKey()), amount(was), amount(was + each.getValue()));
                })
                .toList();
    }

    JournalDraft journal(CorrectingJournal journal) {
        return new JournalDraft(
                journal.day(),
                journal.records(),
                journal.late(),
                amount(journal.total()),
                journal.lines().stream().sorted(DEBITS_FIRST).map(this::line).toList());
    }

    private JournalDraftLine line(CorrectingJournal.Line line) {
        String account = line.place().account();
        return new JournalDraftLine(
                account,
                name(account),
                line.place().dimensions(),
                line.amount() > 0 ? amount(line.amount()) : "",
                line.amount() < 0 ? amount(-line.amount()) : "");
    }
}
