package standins.inkwell;

import static org.assertj.core.api.Assertions.assertThat;

import java.math.BigDecimal;
import java.sql.SQLException;
import java.time.LocalDate;
import java.util.List;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import standins.inkwell.Books.Allocated;
import standins.inkwell.Books.Draft;
import standins.inkwell.Books.DraftLine;
import standins.inkwell.Books.PaymentDraft;

/// What was open on a day is not what is open now.
class OpenItemsTest {
    private static final LocalDate DAY = LocalDate.now().minusDays(10);
    private static OwnInkwell own;
    private static Posting posting;
    private static Payments payments;
    private static OpenItems openItems;

    @BeforeAll
    static void start() throws SQLException {
        own = new OwnInkwell();
        posting = own.part(Posting.class);
        payments = own.part(Payments.class);
        openItems = own.part(OpenItems.class);
    }

    @AfterAll
    static void stop() throws SQLException {
        own.close();
    }

    private static <T> T saltmere(ScopedValue.CallableOp<T, RuntimeException> work) {
        return Companies.in(Company.SALTMERE, work);
    }

    private static String invoice(String number, LocalDate date) {
        BigDecimal amount = new BigDecimal("100.00");
        DraftLine line = new DraftLine(null, "4090", "Old", BigDecimal.ONE, amount, amount, null);
        return saltmere(() -> posting.post(new Draft(
                        number,
                        "invoice",
                        "IC-1002",
                        date,
                        date,
                        "EUR",
                        false,
                        "1100",
                        null,
                        null,
                        List.of(line),
                        null)))
                .id();
    }

    private static String pay(String document, String number, LocalDate date, String amount) {
        BigDecimal money = new BigDecimal(amount);
        return saltmere(() -> payments.post(new PaymentDraft(
                        "payment-in",
                        number,
                        "IC-1002",
                        date,
                        "1100",
                        "1000",
                        "30",
                        "",
                        "",
                        null,
                        money,
                        BigDecimal.ZERO,
                        null,
                        List.of(new Allocated(document, null, null, money, null, List.of())))))
                .id();
    }

    private static List<String> open(LocalDate on, String after, int limit) {
        return saltmere(() -> openItems.of(on, after, limit)).stream()
                .map(each -> each.document().number() + " " + each.open() + " " + each.baseOpen())
                .filter(each -> each.startsWith("OI-"))
                .toList();
    }

    private static BigDecimal receivables(LocalDate on) {
        return saltmere(() -> openItems.balances(on)).stream()
                .filter(each -> each.code().equals("1100"))
                .findFirst()
                .orElseThrow()
                .balance();
    }

    @Test
    void whatWasPaidLaterWasOpenStillAndWhatIsDatedLaterWasNotThere() {
        BigDecimal before = receivables(DAY);
        String first = invoice("OI-1", DAY);
        String second = invoice("OI-2", DAY.minusDays(1));
        invoice("OI-3", DAY.plusDays(1));
        pay(first, "OP-1", DAY, "30.00");
        pay(first, "OP-2", DAY.plusDays(1), "70.00");
        String taken = pay(second, "OP-3", DAY.plusDays(2), "100.00");
        saltmere(() -> payments.voidIt(taken, null));

        assertThat(open(DAY, "", 1000)).containsExactlyInAnyOrder("OI-1 70.00 70.00", "OI-2 100.00 100.00");
        assertThat(open(DAY.plusDays(1), "", 1000))
                .containsExactlyInAnyOrder("OI-2 100.00 100.00", "OI-3 100.00 100.00");
        assertThat(open(DAY.minusDays(2), "", 1000)).isEmpty();
        assertThat(receivables(DAY).subtract(before)).isEqualByComparingTo("170.00");
        assertThat(receivables(null).subtract(before)).isEqualByComparingTo("200.00");
        List<OpenItems.Open> all = saltmere(() -> openItems.of(DAY, "", 1000));
        List<OpenItems.Open> rest =
                saltmere(() -> openItems.of(DAY, all.getFirst().id(), 1));
        assertThat(rest)
                .extracting(OpenItems.Open::id)
                .containsExactly(all.get(1).id());
    }
}
