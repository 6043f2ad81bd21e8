package alcabala.accounting.setting;

import alcabala.accounting.document.DocumentKind;
import java.util.Optional;
import java.util.function.Function;
import java.util.stream.Stream;

/// The settings that govern how one kind of document crosses.
///
/// @param winner who wins when a document was changed on the ledger
public record Crossing(DocumentKind kind, Setting direction, Setting trigger, Setting cutOff, Setting winner) {
    public static Crossing of(DocumentKind kind) {
        return switch (kind) {
            case INVOICE ->
                new Crossing(
                        kind,
                        Setting.INVOICES,
                        Setting.INVOICES_TRIGGER,
                        Setting.INVOICES_CUT_OFF,
                        Setting.INVOICES_WINNER);
            case CREDIT_NOTE ->
                new Crossing(
                        kind,
                        Setting.CREDIT_NOTES,
                        Setting.CREDIT_NOTES_TRIGGER,
                        Setting.CREDIT_NOTES_CUT_OFF,
                        Setting.CREDIT_NOTES_WINNER);
            case BILL ->
                new Crossing(kind, Setting.BILLS, Setting.BILLS_TRIGGER, Setting.BILLS_CUT_OFF, Setting.BILLS_WINNER);
            case SUPPLIER_CREDIT ->
                new Crossing(
                        kind,
                        Setting.SUPPLIER_CREDITS,
                        Setting.SUPPLIER_CREDITS_TRIGGER,
                        Setting.SUPPLIER_CREDITS_CUT_OFF,
                        Setting.SUPPLIER_CREDITS_WINNER);
        };
    }

    /// The kind whose trigger a setting is.
    public static Optional<DocumentKind> findTriggered(Setting setting) {
        return find(setting, Crossing::trigger);
    }

    /// The kind whose winner a setting names.
    public static Optional<DocumentKind> findWon(Setting setting) {
        return find(setting, Crossing::winner);
    }

    private static Optional<DocumentKind> find(Setting setting, Function<Crossing, Setting> part) {
        return Stream.of(DocumentKind.values())
                .filter(kind -> part.apply(of(kind)) == setting)
                .findFirst();
    }
}
