package alcabala.connectors.adapters.copperplate;

import alcabala.formats.layout.Layout;
import alcabala.formats.layout.Layout.Carries;
import alcabala.formats.layout.LayoutColumn;
import alcabala.formats.layout.LayoutField;
import alcabala.formats.layout.LayoutFile;
import alcabala.formats.layout.TextForm;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;

/// The three files that Copperplate imports: sales and purchases with a row for each line, and journals with a row for
/// each booking.
final class CopperplateLayouts {
    private static final TextForm FORM = new TextForm(TextForm.Encoding.UTF_8, false, ';', true, "dd/MM/uuuu", '.', "");
    private static final Map<String, String> TYPES = Map.of(
            "credit-note", "credit note",
            "supplier-credit", "supplier credit");

    private CopperplateLayouts() {}

    static List<Layout> all() {
        return List.of(
                documents("Sales", Carries.SALES, "Number"),
                documents("Purchases", Carries.PURCHASES, "Supplier's number"),
                journals());
    }

    private static Layout documents(String name, Carries carries, String number) {
        List<LayoutColumn> columns = new ArrayList<>(List.of(
                LayoutColumn.of("Delivery", LayoutField.DELIVERY),
                LayoutColumn.of("Reference", LayoutField.REFERENCE),
                LayoutColumn.of("Type", LayoutField.KIND).by(TYPES),
                LayoutColumn.of(number, LayoutField.NUMBER),
                LayoutColumn.of("Date", LayoutField.DATE),
                LayoutColumn.of("Due", LayoutField.DUE_DATE),
                LayoutColumn.of("Party", LayoutField.PARTY),
                LayoutColumn.of("Party name", LayoutField.PARTY_NAME),
                LayoutColumn.of("Currency", LayoutField.CURRENCY),
                LayoutColumn.of("Rate", LayoutField.RATE),
                LayoutColumn.of("Prices", LayoutField.PRICES),
                LayoutColumn.of("Tax code", LayoutField.RECORD_TAX_CODE),
                LayoutColumn.of("Corrects", LayoutField.PRECEDING_NUMBER),
                LayoutColumn.of("Account", LayoutField.ACCOUNT),
                LayoutColumn.of("Description", LayoutField.DESCRIPTION),
                LayoutColumn.of("Quantity", LayoutField.QUANTITY),
                LayoutColumn.of("Amount", LayoutField.AMOUNT),
                LayoutColumn.of("Taxed", LayoutField.TAXED)));
        return layout(name, carries, LayoutField.Scope.LINE, columns);
    }

    private static Layout journals() {
        return layout(
                "Journals",
                Carries.SETTLEMENTS,
                LayoutField.Scope.BOOKING,
                List.of(
                        LayoutColumn.of("Delivery", LayoutField.DELIVERY),
                        LayoutColumn.of("Reference", LayoutField.REFERENCE),
                        LayoutColumn.of("Number", LayoutField.NUMBER),
                        LayoutColumn.of("Date", LayoutField.DATE),
                        LayoutColumn.of("Party", LayoutField.BOOKED_PARTY),
                        LayoutColumn.of("Party name", LayoutField.PARTY_NAME),
                        LayoutColumn.of("Currency", LayoutField.CURRENCY),
                        LayoutColumn.of("Rate", LayoutField.RATE),
                        LayoutColumn.of("Account", LayoutField.BOOKED_ACCOUNT),
                        LayoutColumn.of("Description", LayoutField.NOTE),
                        LayoutColumn.of("Debit", LayoutField.DEBIT),
                        LayoutColumn.of("Credit", LayoutField.CREDIT),
                        LayoutColumn.of("Settles", LayoutField.SETTLES)));
    }

    private static Layout layout(String name, Carries carries, LayoutField.Scope per, List<LayoutColumn> columns) {
        String file = name.toLowerCase(java.util.Locale.ROOT);
        return new Layout(
                name,
                carries,
                Layout.Medium.CSV,
                FORM,
                false,
                List.of(new LayoutFile(file, per, true, columns, List.of())));
    }
}
