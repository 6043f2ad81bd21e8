package alcabala.accounting.setting;

import alcabala.accounting.crosswalk.RecordType;
import alcabala.accounting.record.RecordKind;
import java.time.LocalDate;
import java.util.EnumSet;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/// The decisions about one route at one moment. Immutable.
public final class RouteSettings {
    private static final int KINDS = Carried.values().length;
    /// Nothing decided yet.
    public static final RouteSettings STANDARD = of(Map.of());

    /// For each topic, for each of what it is decided for; asked for each line that is compiled.
    private final String[] values;

    private RouteSettings(String[] values) {
        this.values = values;
    }

    public static RouteSettings of(Map<Setting, String> decided) {
        String[] values = new String[Topic.values().length * KINDS];
        Setting.all().forEach(setting -> values[place(setting.topic(), setting.of())] = setting.standard());
        decided.forEach((setting, value) -> values[place(setting.topic(), setting.of())] = value);
        return new RouteSettings(values);
    }

    private static int place(Topic topic, Carried of) {
        return topic.ordinal() * KINDS + of.ordinal();
    }

    public String get(Setting setting) {
        return get(setting.topic(), setting.of());
    }

    /// Of what is decided once for the whole route.
    public String get(Topic topic) {
        return get(topic, Carried.EVERYTHING);
    }

    public String get(Topic topic, Carried of) {
        return values[place(topic, of)];
    }

    /// What holds for a kind, whether it was decided for it or for everything.

    public String get(Topic topic, RecordKind kind) {
        Carried of = Carried.of(kind);
        String own = get(topic, of);
        return topic.isApart(of) && own.isEmpty() ? get(topic) : own;
    }

    public boolean is(Topic topic, String value) {
        return get(topic).equals(value);
    }

    public boolean is(Topic topic, RecordKind kind, String value) {
        return get(topic, kind).equals(value);
    }

    public boolean is(Topic topic, Carried of, String value) {
        return get(topic, of).equals(value);
    }

    /// The same with one decision changed.
    public RouteSettings with(Topic topic, Carried of, String value) {
        return with(new Setting(topic, of), value);
    }

    public RouteSettings with(Topic topic, String value) {
        return with(topic, Carried.EVERYTHING, value);
    }

    public RouteSettings with(Setting setting, String value) {
        String[] changed = values.clone();
        changed[place(setting.topic(), setting.of())] = value;
        return new RouteSettings(changed);
    }

    /// Whether the tax of any sales is switched off.
    public boolean taxIsOff() {
        return Stream.of(RecordKind.values())
                .filter(kind -> kind.isDocument() && kind.isSale())
                .anyMatch(this::hasTaxInLines);
    }

    /// Whether lines of a kind cross with their tax in them.
    public boolean hasTaxInLines(RecordKind kind) {
        return kind.isDocument()
                && (kind.isSale() ? is(Topic.SALES_TAX, kind, "off") : is(Topic.PURCHASE_TAX, kind, "in-cost"));
    }

    /// The records that the route carries.
    public Set<RecordType> carries() {
        return Stream.of(RecordKind.values())
                .filter(this::crosses)
                .map(RouteSettings::typeOf)
                .collect(Collectors.toCollection(() -> EnumSet.noneOf(RecordType.class)));
    }

    private static RecordType typeOf(RecordKind kind) {
        return switch (kind.family()) {
            case DOCUMENT -> kind.isSale() ? RecordType.SALES : RecordType.PURCHASES;
            case SETTLEMENT -> RecordType.SETTLEMENTS;
            case TRANSFER -> RecordType.BANKINGS;
        };
    }

    /// Whether records of a kind cross to the ledger at all.
    public boolean crosses(RecordKind kind) {
        String direction = get(Topic.DIRECTION, kind);
        return direction.equals("to-ledger") || direction.equals("both");
    }

    /// Whether records of a kind that were made on the ledger come back; money on its way to a bank is made here.
    public boolean comesBack(RecordKind kind) {
        String direction = get(Topic.DIRECTION, kind);
        return kind.hasParty() && (direction.equals("from-ledger") || direction.equals("both"));
    }

    /// Whether masters of a kind that only the ledger has are created on the source.
    public boolean createsThere(Carried masters) {
        String direction = get(Topic.DIRECTION, masters);
        return (direction.equals("from-ledger") || direction.equals("both"))
                && is(Topic.SOURCE_LACKS, masters, "create");
    }

    /// By how much a settlement may miss what it settles, either way; minor units.
    public long paymentDifference() {
        String most = get(Topic.PAYMENT_DIFFERENCE);
        return most.isEmpty() ? 0 : Long.parseLong(most);
    }

    public Trigger trigger(RecordKind kind) {
        return Trigger.of(get(Topic.TRIGGER, kind));
    }

    /// Who wins when a document of a kind was changed on the ledger: `ask`, `source` or `ledger`.
    public String winner(RecordKind kind) {
        return kind.isDocument() ? get(Topic.WINNER, kind) : "ask";
    }

    /// Whether somebody owns single fields of documents of a kind.
    public boolean hasOwners(RecordKind kind) {
        return kind.isDocument()
                && Stream.of(Topic.values())
                        .filter(Topic::isOwner)
                        .filter(topic -> topic.concerns().contains(Carried.of(kind)))
                        .anyMatch(topic -> !get(topic, Carried.of(kind)).equals("nobody"));
    }

    /// The first day whose documents of a kind cross.
    public Optional<LocalDate> findCutOff(RecordKind kind) {
        String day = get(Topic.CUT_OFF, kind);
        return day.isEmpty() ? Optional.empty() : Optional.of(LocalDate.parse(day));
    }

    /// The number at which the ledger begins to number sales of a kind; 1 when nobody decided.
    public long firstNumber(RecordKind kind) {
        String first = get(Topic.FIRST_NUMBER, kind);
        return first.isEmpty() ? 1 : Long.parseLong(first);
    }
}
