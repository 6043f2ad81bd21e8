package alcabala.accounting.setting;

import alcabala.accounting.record.RecordKind;
import java.util.List;
import java.util.Optional;
import java.util.function.Predicate;
import java.util.stream.Stream;

/// The settings that govern how one kind of record crosses.
///
/// @param winner who wins when a document was changed on the ledger
public record Crossing(RecordKind kind, Setting direction, Setting trigger, Setting cutOff, Optional<Setting> winner) {
    public static Crossing of(RecordKind kind) {
        return switch (kind) {
            case INVOICE ->
                new Crossing(
                        kind,
                        Setting.INVOICES,
                        Setting.INVOICES_TRIGGER,
                        Setting.INVOICES_CUT_OFF,
                        Optional.of(Setting.INVOICES_WINNER));
            case CREDIT_NOTE ->
                new Crossing(
                        kind,
                        Setting.CREDIT_NOTES,
                        Setting.CREDIT_NOTES_TRIGGER,
                        Setting.CREDIT_NOTES_CUT_OFF,
                        Optional.of(Setting.CREDIT_NOTES_WINNER));
            case BILL ->
                new Crossing(
                        kind,
                        Setting.BILLS,
                        Setting.BILLS_TRIGGER,
                        Setting.BILLS_CUT_OFF,
                        Optional.of(Setting.BILLS_WINNER));
            case SUPPLIER_CREDIT ->
                new Crossing(
                        kind,
                        Setting.SUPPLIER_CREDITS,
                        Setting.SUPPLIER_CREDITS_TRIGGER,
                        Setting.SUPPLIER_CREDITS_CUT_OFF,
                        Optional.of(Setting.SUPPLIER_CREDITS_WINNER));
            case PAYMENT_IN, REFUND, RETURNED_IN ->
                new Crossing(
                        kind, Setting.PAYMENTS, Setting.PAYMENTS_TRIGGER, Setting.PAYMENTS_CUT_OFF, Optional.empty());
            case PAYMENT_OUT, SUPPLIER_REFUND, RETURNED_OUT ->
                new Crossing(
                        kind,
                        Setting.PAYMENTS_OUT,
                        Setting.PAYMENTS_OUT_TRIGGER,
                        Setting.PAYMENTS_OUT_CUT_OFF,
                        Optional.empty());
        };
    }

    /// The kinds whose trigger a setting is.
    public static List<RecordKind> triggered(Setting setting) {
        return kinds(crossing -> crossing.trigger() == setting);
    }

    /// The kinds whose winner a setting names.
    public static List<RecordKind> won(Setting setting) {
        return kinds(crossing -> crossing.winner().filter(setting::equals).isPresent());
    }

    private static List<RecordKind> kinds(Predicate<Crossing> which) {
        return Stream.of(RecordKind.values())
                .filter(kind -> which.test(of(kind)))
                .toList();
    }
}
