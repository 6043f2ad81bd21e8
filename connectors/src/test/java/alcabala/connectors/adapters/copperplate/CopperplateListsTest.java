package alcabala.connectors.adapters.copperplate;

import static org.assertj.core.api.Assertions.assertThat;

import alcabala.accounting.document.TaxCategory;
import alcabala.accounting.ledger.AccountType;
import alcabala.accounting.ledger.LedgerAccount;
import alcabala.accounting.ledger.LedgerTaxCode;
import alcabala.accounting.terms.CodedTerms;
import alcabala.accounting.terms.PaymentTerms;
import alcabala.connectors.ledger.Listing;
import alcabala.formats.csv.CsvProblem;
import alcabala.formats.csv.CsvProblem.Code;
import java.math.BigDecimal;
import java.nio.charset.StandardCharsets;
import java.util.List;
import org.junit.jupiter.api.Test;

class CopperplateListsTest {
    @Test
    void aListIsKnownByItsColumnsInWhateverOrder() {
        assertThat(read("Open;Class;Account;Title;Remark\nyes;Income;4100;Parts;x\nno;stock;1500;Stock;"))
                .isEqualTo(new Listing.Accounts(List.of(
                        new LedgerAccount("4100", "Parts", AccountType.REVENUE, true),
                        new LedgerAccount("1500", "Stock", AccountType.STOCK, false))));
        assertThat(read("Terms,Title,Days,Open\nN30,30 days,30,yes"))
                .isEqualTo(new Listing.Terms(List.of(new CodedTerms("N30", "30 days", PaymentTerms.days(30), true))));
        assertThat(read("Tax code;Title;Percent;Category;Account;Open\nBOTH;Both;12,5;S;2310;yes"))
                .isEqualTo(new Listing.TaxCodes(List.of(
                        new LedgerTaxCode("BOTH", "Both", new BigDecimal("12.5"), TaxCategory.S, "2310", "", true))));
        Listing parties = read(
                "Party;Name;Tax number;E-mail;Phone;Street;City;Postal code;Country;Open\nP-1;Caf\u00e9;;a@b.example;;3 Lock St;Port Ellery;V0N;CA;yes");
        assertThat(((Listing.Parties) parties).rows().getFirst().billTo().city())
                .isEqualTo("Port Ellery");
    }

    @Test
    void allThatIsWrongIsSaidAtOnce() {
        Listing.Unusable unusable = (Listing.Unusable)
                read("Account;Title;Class;Open\n4100;Parts;earnings;yes\n4100;Again;income;maybe\n;None;bank;yes");
        assertThat(unusable.problems())
                .containsExactly(
                        new CsvProblem(Code.VALUE, 2, "Class", "earnings"),
                        new CsvProblem(Code.VALUE, 3, "Account", "4100, again"),
                        new CsvProblem(Code.VALUE, 3, "Open", "maybe"),
                        new CsvProblem(Code.VALUE, 4, "Account", ""));
    }

    @Test
    void numbersAndCategoriesThatAreNoneAreFoundAndOtherTablesRefused() {
        Listing.Unusable tax =
                (Listing.Unusable) read("Tax code;Title;Percent;Category;Account;Open\nX;X;twelve;Q;2310;yes");
        assertThat(tax.problems()).extracting(CsvProblem::place).containsExactly("Percent", "Category");
        assertThat(((Listing.Unusable) read("Terms;Title;Days;Open\nN;N;soon;yes")).problems())
                .extracting(CsvProblem::place)
                .containsExactly("Days");
        assertThat(((Listing.Unusable) read("Boat;Length\nDrake;9")).problems())
                .containsExactly(new CsvProblem(Code.COLUMNS, 1, "", "Boat, Length"));
    }

    private static Listing read(String text) {
        return CopperplateLists.read(text.getBytes(StandardCharsets.UTF_8));
    }
}
