package alcabala.server.whatif;

import alcabala.accounting.whatif.Books;
import alcabala.accounting.whatif.OpenPeriods;
import alcabala.server.whatif.Concerned.One;
import alcabala.server.whatif.WouldChange.MonthMoved;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;

/// What moves, month by month.
final class Months {
    private static final int LISTED = 100;
    private final Map<LocalDate, Gathered> months = new TreeMap<>();
    private final Shown shown;

    Months(Shown shown) {
        this.shown = shown;
    }

    private static final class Gathered {
        private final List<WouldChange.MovedRecord> records = new ArrayList<>();
        private int documents;
        private Books moved = Books.NONE;
    }

    void add(LocalDate day, One one, Books moved) {
        Gathered month = months.computeIfAbsent(day.withDayOfMonth(1), first -> new Gathered());
        month.documents++;
        month.moved = month.moved.plus(moved);
        if (month.records.size() < LISTED) {
            month.records.add(
                    new WouldChange.MovedRecord(one.id(), one.number(), one.party(), shown.amount(Shown.total(moved))));
        }
    }

    /// @param periods of what was booked; empty for what was not
    List<MonthMoved> said(Optional<OpenPeriods> periods) {
        return months.entrySet().stream()
                .map(each -> {
                    LocalDate month = each.getKey();
                    LocalDate end = month.withDayOfMonth(month.lengthOfMonth());
                    Gathered gathered = each.getValue();
                    return new MonthMoved(
                            month,
                            gathered.documents,
                            shown.amount(Shown.total(gathered.moved)),
                            periods.filter(it -> it.isLocked(end)).isPresent(),
                            periods.map(it -> it.correctOn(month)).orElse(null),
                            List.copyOf(gathered.records));
                })
                .toList();
    }
}
