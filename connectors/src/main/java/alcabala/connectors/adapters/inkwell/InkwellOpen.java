package alcabala.connectors.adapters.inkwell;

import alcabala.accounting.document.Limits;
import alcabala.connectors.AnswerUnusableException;
import alcabala.connectors.Unusable;
import alcabala.connectors.http.Json;
import alcabala.connectors.http.Understood;
import alcabala.connectors.ledger.TellsBalances.Balance;
import alcabala.connectors.ledger.TellsBalances.OpenDocument;
import alcabala.connectors.ledger.TellsBalances.OpenPage;
import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.List;
import org.joda.money.CurrencyUnit;
import tools.jackson.databind.JsonNode;

/// Balances and open documents, as Inkwell tells them.
final class InkwellOpen {
    private InkwellOpen() {}

    static Balance balance(JsonNode node) {
        return new Balance(Json.text(node, "code"), amount(node, "balance"));
    }

    static OpenPage page(JsonNode page) {
        List<OpenDocument> documents = new ArrayList<>();
        List<Unusable> setAside = new ArrayList<>();
        for (JsonNode node : page) {
            JsonNode record = node.path("document");
            Understood.Label label =
                    new Understood.Label("document", Json.text(record, "id"), Json.text(record, "number"));
            try {
                documents.add(Understood.read(
                        "Inkwell",
                        label.sentence(),
                        () -> new OpenDocument(
                                InkwellMapping.record(record),
                                CurrencyUnit.of(Json.text(record, "currency")),
                                amount(node, "open"),
                                amount(node, "baseOpen"))));
            } catch (AnswerUnusableException e) {
                setAside.add(Understood.unusable(label, e.what(), record));
            }
        }
        return new OpenPage(documents, setAside);
    }

    private static BigDecimal amount(JsonNode node, String name) {
        BigDecimal amount = node.path(name).asDecimal();
        if (Limits.isBeyond(amount)) {
            throw new IllegalArgumentException(name + " is beyond all bounds");
        }
        return amount;
    }
}
