package alcabala.accounting.whatif;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;

/// A journal that moves what was booked to where it belongs.
///
/// @param lines one for each place; they add up to zero
/// @param late how many of the records were booked in a month that is locked by now
public record CorrectingJournal(LocalDate day, List<Line> lines, int records, int late) {
    /// @param amount minor units of base currency, positive is debit
    public record Line(Place place, long amount) {}

    /// One record that was booked otherwise than it should be.
    ///
    /// @param booked the day that it was booked on
    public record Corrected(LocalDate booked, Books moved) {}

    /// One for each open period, in order of days. Lines of a place that come to nothing are left out, and a
    /// journal without lines with them.
    public static List<CorrectingJournal> of(List<Corrected> records, OpenPeriods periods) {
        Map<LocalDate, List<Corrected>> byDay = new TreeMap<>();
        records.forEach(each -> byDay.computeIfAbsent(periods.correctOn(each.booked()), day -> new ArrayList<>())
                .add(each));
        List<CorrectingJournal> journals = new ArrayList<>();
        byDay.forEach((day, together) -> {
            List<Line> lines = lines(together);
            if (!lines.isEmpty()) {
                int late = (int) together.stream()
                        .filter(each -> periods.isLocked(
                                each.booked().withDayOfMonth(each.booked().lengthOfMonth())))
                        .count();
                journals.add(new CorrectingJournal(day, lines, together.size(), late));
            }
        });
        return journals;
    }

    private static List<Line> lines(List<Corrected> together) {
        Map<Place, Long> sums = new LinkedHashMap<>();
        together.forEach(
                each -> each.moved().byPlace().forEach((place, amount) -> sums.merge(place, amount, Math::addExact)));
        return sums.entrySet().stream()
                .filter(each -> each.getValue() != 0)
                .map(each -> new Line(each.getKey(), each.getValue()))
                .toList();
    }

    /// What it takes from some accounts to put on others.
    public long total() {
        return lines.stream()
                .mapToLong(Line::amount)
                .filter(amount -> amount > 0)
                .sum();
    }
}
