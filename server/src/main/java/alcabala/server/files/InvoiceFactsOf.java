package alcabala.server.files;

import alcabala.accounting.ledger.LedgerTaxCode;
import alcabala.accounting.party.Party;
import alcabala.formats.layout.Exported;
import alcabala.formats.layout.InvoiceFacts;
import alcabala.formats.layout.Layout;
import alcabala.server.reference.LedgerReference;
import alcabala.server.reference.SourceCatalogue;
import alcabala.server.route.RouteRow;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.springframework.stereotype.Component;

/// What invoices in a file say beside what is sent; nothing is looked up for tables, which say no more than that.
@Component
public class InvoiceFactsOf {
    private final SourceCatalogue catalogue;
    private final LedgerReference reference;

    InvoiceFactsOf(SourceCatalogue catalogue, LedgerReference reference) {
        this.catalogue = catalogue;
        this.reference = reference;
    }

    public InvoiceFacts of(RouteRow route, Layout layout, List<Exported> records) {
        if (layout.medium().isTable()) {
            return InvoiceFacts.NONE;
        }
        Set<String> parties = records.stream().map(each -> each.entry().party()).collect(Collectors.toSet());
        Set<String> items = records.stream()
                .flatMap(each -> each.entry().lines().stream())
                .map(line -> line.item())
                .collect(Collectors.toSet());
        return new InvoiceFacts(
                by(catalogue.parties(route.sourceId(), parties), Party::code),
                by(reference.taxCodes(route.ledgerId()), LedgerTaxCode::code),
                catalogue.units(route.sourceId(), items));
    }

    private static <T> Map<String, T> by(List<T> all, Function<T, String> code) {
        return all.stream().collect(Collectors.toMap(code, Function.identity()));
    }
}
