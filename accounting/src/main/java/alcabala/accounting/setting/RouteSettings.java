package alcabala.accounting.setting;

import alcabala.accounting.crosswalk.RecordType;
import alcabala.accounting.document.DocumentKind;
import java.time.LocalDate;
import java.util.EnumMap;
import java.util.EnumSet;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/// The decisions about one route at one moment. Immutable.
public final class RouteSettings {
    /// Nothing decided yet.
    public static final RouteSettings STANDARD = of(Map.of());

    private final Map<Setting, String> values = new EnumMap<>(Setting.class);

    private RouteSettings(Map<Setting, String> values) {
        this.values.putAll(values);
    }

    public static RouteSettings of(Map<Setting, String> values) {
        return new RouteSettings(values);
    }

    public String get(Setting setting) {
        return values.getOrDefault(setting, setting.standard());
    }

    public boolean is(Setting setting, String value) {
        return get(setting).equals(value);
    }

    /// The same with one decision changed.
    public RouteSettings with(Setting setting, String value) {
        RouteSettings changed = new RouteSettings(values);
        changed.values.put(setting, value);
        return changed;
    }

    /// Whether the tax of sales is switched off.
    public boolean taxIsOff() {
        return is(Setting.SALES_TAX, "off");
    }

    /// Whether lines of a kind cross with their tax in them.
    public boolean hasTaxInLines(DocumentKind kind) {
        return kind.isSale() ? taxIsOff() : is(Setting.PURCHASE_TAX, "in-cost");
    }

    /// The records that the route carries.
    public Set<RecordType> carries() {
        return Stream.of(DocumentKind.values())
                .filter(this::crosses)
                .map(kind -> kind.isSale() ? RecordType.SALES : RecordType.PURCHASES)
                .collect(Collectors.toCollection(() -> EnumSet.noneOf(RecordType.class)));
    }

    /// Whether documents of a kind cross at all.
    public boolean crosses(DocumentKind kind) {
        return is(Crossing.of(kind).direction(), "to-ledger");
    }

    public Trigger trigger(DocumentKind kind) {
        return Trigger.of(get(Crossing.of(kind).trigger()));
    }

    /// Who wins when a document of a kind was changed on the ledger: `ask`, `source` or `ledger`.
    public String winner(DocumentKind kind) {
        return get(Crossing.of(kind).winner());
    }

    /// The first day whose documents of a kind cross.
    public Optional<LocalDate> findCutOff(DocumentKind kind) {
        String day = get(Crossing.of(kind).cutOff());
        return day.isEmpty() ? Optional.empty() : Optional.of(LocalDate.parse(day));
    }

    /// The number at which the ledger begins to number sales of a kind; 1 when nobody decided.
    public long firstNumber(DocumentKind kind) {
        String first = get(kind.isCredit() ? Setting.NEXT_CREDIT_NOTE : Setting.NEXT_INVOICE);
        return first.isEmpty() ? 1 : Long.parseLong(first);
    }
}
