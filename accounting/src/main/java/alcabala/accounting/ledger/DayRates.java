package alcabala.accounting.ledger;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.Map;
import java.util.NavigableMap;
import java.util.Optional;
import java.util.TreeMap;
import java.util.stream.Collectors;
import org.joda.money.CurrencyUnit;

/// The rates that a ledger keeps, in its base currency for one unit of another; each holds until the next.
public record DayRates(Map<CurrencyUnit, NavigableMap<LocalDate, BigDecimal>> rates) {
    public static final DayRates NONE = new DayRates(Map.of());

    public DayRates {
        rates = rates.entrySet().stream()
                .collect(Collectors.toUnmodifiableMap(Map.Entry::getKey, each -> new TreeMap<>(each.getValue())));
    }

    /// The day from which the rate of a day holds, with the rate; empty before the first.
    public Optional<Map.Entry<LocalDate, BigDecimal>> find(CurrencyUnit currency, LocalDate day) {
        return Optional.ofNullable(rates.get(currency)).map(days -> days.floorEntry(day));
    }
}
