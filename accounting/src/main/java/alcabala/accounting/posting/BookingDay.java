package alcabala.accounting.posting;

import alcabala.accounting.document.Document;
import alcabala.accounting.setting.RouteSettings;
import alcabala.accounting.setting.Topic;
import java.time.LocalDate;
import java.util.Optional;

/// The day under which the ledger will book a document, as the route's settings say.
public final class BookingDay {
    private BookingDay() {}

    /// Empty for the day of its batch, which is not known before there is one.
    public static Optional<LocalDate> find(Document document, RouteSettings settings) {
        return switch (settings.get(Topic.DOCUMENT_DATE, document.kind())) {
            case "batch" -> Optional.empty();
            case "delivery" ->
                Optional.of(document.deliveryDate() == null ? document.issueDate() : document.deliveryDate());
            default -> Optional.of(document.issueDate());
        };
    }
}
