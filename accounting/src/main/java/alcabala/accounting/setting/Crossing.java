package alcabala.accounting.setting;

import alcabala.accounting.document.DocumentKind;
import java.util.Optional;
import java.util.stream.Stream;

/// The settings that govern how one kind of document crosses.
public record Crossing(DocumentKind kind, Setting direction, Setting trigger, Setting cutOff) {
    public static Crossing of(DocumentKind kind) {
        return switch (kind) {
            case INVOICE -> new Crossing(kind, Setting.INVOICES, Setting.INVOICES_TRIGGER, Setting.INVOICES_CUT_OFF);
            case CREDIT_NOTE ->
                new Crossing(kind, Setting.CREDIT_NOTES, Setting.CREDIT_NOTES_TRIGGER, Setting.CREDIT_NOTES_CUT_OFF);
            case BILL -> new Crossing(kind, Setting.BILLS, Setting.BILLS_TRIGGER, Setting.BILLS_CUT_OFF);
            case SUPPLIER_CREDIT ->
                new Crossing(
                        kind,
                        Setting.SUPPLIER_CREDITS,
                        Setting.SUPPLIER_CREDITS_TRIGGER,
                        Setting.SUPPLIER_CREDITS_CUT_OFF);
        };
    }

    /// The kind whose trigger a setting is.
    public static Optional<DocumentKind> findTriggered(Setting setting) {
        return Stream.of(DocumentKind.values())
                .filter(kind -> of(kind).trigger() == setting)
                .findFirst();
    }
}
