package alcabala.accounting.posting;

import static org.assertj.core.api.Assertions.assertThat;

import alcabala.accounting.DocumentBuilder;
import alcabala.accounting.LineBuilder;
import alcabala.accounting.Samples;
import alcabala.accounting.crosswalk.Crosswalk;
import alcabala.accounting.crosswalk.CrosswalkRow;
import alcabala.accounting.crosswalk.RowKind;
import alcabala.accounting.document.Document;
import alcabala.accounting.document.DocumentLine;
import alcabala.accounting.document.PriceMode;
import alcabala.accounting.finding.Finding;
import alcabala.accounting.ledger.LedgerProfile;
import alcabala.accounting.matching.PartyMatcher;
import alcabala.accounting.party.Party;
import alcabala.accounting.record.RecordKind;
import alcabala.accounting.setting.RouteSettings;
import alcabala.accounting.setting.Topic;
import java.util.ArrayList;
import java.util.List;
import org.joda.money.CurrencyUnit;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/// Who of the source is a customer on the ledger: the client, or its project (domain, section 4).
class CustomersTest {
    private static final DocumentLine LINE = Samples.line(CurrencyUnit.EUR, "chandlery", "2", "10.00", Samples.V23);

    private static Document invoice(String... projects) {
        List<DocumentLine> lines = new ArrayList<>();
        for (String project : projects) {
            lines.add(LineBuilder.like(LINE).project(project).build());
        }
        return Samples.invoice("HW-1", lines.toArray(DocumentLine[]::new));
    }

    private static RouteSettings settings(String customers) {
        return Samples.SETTINGS.with(Topic.CUSTOMERS, customers);
    }

    @ParameterizedTest
    @CsvSource({
        "organisation, C-1",
        "with-contacts, C-1",
        "project, C-1 > WO-1",
        "sub-project, C-1 > WO-1",
    })
    void aDocumentOfOneProjectIsForWhoTheRouteSays(String customers, String code) {
        assertThat(Customers.of(invoice("WO-1", "WO-1"), settings(customers)).code())
                .isEqualTo(code);
    }

    @Test
    void aDocumentForSeveralProjectsOrNoneIsTheClients() {
        RouteSettings project = settings("project");
        assertThat(Customers.of(invoice("WO-1", "WO-2"), project).code()).isEqualTo("C-1");
        assertThat(Customers.of(invoice("WO-1", ""), project).code()).isEqualTo("C-1");
        assertThat(Customers.of(invoice(""), project).code()).isEqualTo("C-1");
        Document bill = Samples.document(
                RecordKind.BILL,
                "KW-1",
                PriceMode.NET,
                List.of(LineBuilder.like(LINE).project("WO-1").build()),
                List.of());
        assertThat(Customers.of(bill, project)).as("a supplier has none").isEqualTo(bill.seller());
    }

    @Test
    void aProjectIsNamedAfterItsClientAndHasARowOfItsOwn() {
        Party project = Customers.of(invoice("WO-1"), settings("project"));
        assertThat(project.name()).isEqualTo("Pell Estuary Trust, WO-1");
        assertThat(Customers.client(project.code())).isEqualTo("C-1");
        assertThat(Customers.project(project.code())).isEqualTo("WO-1");
        assertThat(Customers.client("C-1")).isEqualTo("C-1");
        assertThat(Customers.project("C-1")).isEmpty();
        CrosswalkRow row = Samples.row(RowKind.PARTY, "C-1 > WO-1", "IC-7", "");
        LedgerDocument sent = compile("project", Samples.NOBODY, false, invoice("WO-1"), row)
                .ledgerDocument()
                .orElseThrow();
        assertThat(sent.party()).isEqualTo("C-1 > WO-1");
        assertThat(sent.partyCounterpart()).isEqualTo("IC-7");
    }

    /// Who has its client's tax identifier and half its name is not taken for it.
    @Test
    void itsClientOnTheLedgerIsNoDoubtAndItsOwnNameIs() {
        PartyMatcher client = new PartyMatcher(List.of(Party.named("IC-1", "Pell Estuary Trust")));
        assertThat(compile("project", client, false, invoice("WO-1")).findings())
                .isEmpty();
        PartyMatcher itself = new PartyMatcher(List.of(Party.named("IC-2", "Pell Estuary Trust, WO-1")));
        assertThat(compile("project", itself, false, invoice("WO-1")).findings())
                .extracting(Finding::cause)
                .containsExactly("party-doubtful:C-1 > WO-1");
    }

    @Test
    void belowTheClientOnlyWhereTheLedgerHasThat() {
        assertThat(compile("sub-project", Samples.NOBODY, true, invoice("WO-1")).findings())
                .isEmpty();
        assertThat(compile("sub-project", Samples.NOBODY, false, invoice("WO-1"))
                        .findings())
                .containsExactly(new Finding.SubRecordsUnavailable("Inkwell"));
        assertThat(compile("sub-project", Samples.NOBODY, false, invoice("")).findings())
                .as("nothing of it is below anybody")
                .isEmpty();
    }

    private static Compilation compile(
            String customers, PartyMatcher matcher, boolean below, Document document, CrosswalkRow... rows) {
        List<CrosswalkRow> all = new ArrayList<>(Samples.rows());
        all.addAll(List.of(rows));
        LedgerProfile ledger = Samples.ledger(List.of(), List.of(), below);
        Route route = new Route("yard", "Hullwork", "Inkwell", settings(customers));
        return new Compiler(Crosswalk.of(all, matcher), route, ledger)
                .compile(DocumentBuilder.like(document).build());
    }
}
