package alcabala.accounting.setting;

import alcabala.accounting.crosswalk.RecordType;
import alcabala.accounting.record.RecordKind;
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
    public boolean hasTaxInLines(RecordKind kind) {
        return kind.isSale() ? taxIsOff() : is(Setting.PURCHASE_TAX, "in-cost");
    }

    /// The records that the route carries.
    public Set<RecordType> carries() {
        return Stream.of(RecordKind.values())
                .filter(this::crosses)
                .map(RouteSettings::typeOf)
                .collect(Collectors.toCollection(() -> EnumSet.noneOf(RecordType.class)));
    }

    private static RecordType typeOf(RecordKind kind) {
        if (!kind.isDocument()) {
            return RecordType.SETTLEMENTS;
        }
        return kind.isSale() ? RecordType.SALES : RecordType.PURCHASES;
    }

    /// Whether records of a kind cross to the ledger at all.
    public boolean crosses(RecordKind kind) {
        String direction = get(Crossing.of(kind).direction());
        return direction.equals("to-ledger") || direction.equals("both");
    }

    /// Whether records of a kind that were made on the ledger come back.
    public boolean comesBack(RecordKind kind) {
        String direction = get(Crossing.of(kind).direction());
        return direction.equals("from-ledger") || direction.equals("both");
    }

    /// By how much a settlement may miss what it settles, either way; minor units.
    public long paymentDifference() {
        String most = get(Setting.PAYMENT_DIFFERENCE);
        return most.isEmpty() ? 0 : Long.parseLong(most);
    }

    public Trigger trigger(RecordKind kind) {
        return Trigger.of(get(Crossing.of(kind).trigger()));
    }

    /// Who wins when a document of a kind was changed on the ledger: `ask`, `source` or `ledger`.
    public String winner(RecordKind kind) {
        return Crossing.of(kind).winner().map(this::get).orElse("ask");
    }

    /// The first day whose documents of a kind cross.
    public Optional<LocalDate> findCutOff(RecordKind kind) {
        String day = get(Crossing.of(kind).cutOff());
        return day.isEmpty() ? Optional.empty() : Optional.of(LocalDate.parse(day));
    }

    /// The number at which the ledger begins to number sales of a kind; 1 when nobody decided.
    public long firstNumber(RecordKind kind) {
        String first = get(kind.isCredit() ? Setting.NEXT_CREDIT_NOTE : Setting.NEXT_INVOICE);
        return first.isEmpty() ? 1 : Long.parseLong(first);
    }
}
