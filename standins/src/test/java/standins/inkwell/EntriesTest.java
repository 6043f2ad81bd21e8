package standins.inkwell;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.math.BigDecimal;
import java.sql.SQLException;
import java.time.LocalDate;
import java.util.Collections;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import standins.Refusal;

/// Entries that stand by themselves in Inkwell: what it books of them, and what it refuses.
class EntriesTest {
    private static final LocalDate DAY = LocalDate.now().minusDays(3);
    private static OwnInkwell own;
    private static Entries entries;
    private static Posting posting;
    private static Masters masters;

    @BeforeAll
    static void start() throws SQLException {
        own = new OwnInkwell();
        entries = own.part(Entries.class);
        posting = own.part(Posting.class);
        masters = own.part(Masters.class);
    }

    @AfterAll
    static void stop() throws SQLException {
        own.close();
    }

    private static <T> T saltmere(ScopedValue.CallableOp<T, RuntimeException> work) {
        return Companies.in(Company.SALTMERE, work);
    }

    private static Entry.Line line(String account, String debit, String credit) {
        return new Entry.Line(
                account,
                debit.isEmpty() ? null : new BigDecimal(debit),
                credit.isEmpty() ? null : new BigDecimal(credit),
                null,
                Map.of());
    }

    private static Entry entry(String number, Entry.Line... lines) {
        return new Entry(null, null, "banking", number, DAY, "7", null, "test:" + number, null, List.of(lines));
    }

    private static Entry banked(String number, String amount) {
        return entry(number, line("1000", amount, ""), line("1210", "", amount));
    }

    private static BigDecimal balance(String account) {
        return saltmere(() -> own.part(OpenItems.class).balances(null)).stream()
                .filter(each -> each.code().equals(account))
                .findFirst()
                .orElseThrow()
                .balance();
    }

    private static void assertRefused(String code, ScopedValue.CallableOp<?, RuntimeException> work) {
        assertThatThrownBy(() -> saltmere(work))
                .isInstanceOfSatisfying(
                        Refusal.class, no -> assertThat(no.code()).isEqualTo(code));
    }

    @Test
    void itIsBookedReplacedByWhoeverReadItLastAndVoidedOnce() {
        BigDecimal bank = balance("1000");
        Entry made = saltmere(() -> entries.post(banked("E-1", "50.00")));
        assertThat(balance("1000").subtract(bank)).isEqualByComparingTo("50.00");
        assertThat(saltmere(() -> entries.findByReference("test:E-1"))).contains(made);
        Entry changed = saltmere(() -> entries.replace(made.id(), 1, banked("E-1", "40.00")));
        assertThat(changed.version()).isEqualTo(2);
        assertThat(balance("1000").subtract(bank)).isEqualByComparingTo("40.00");
        assertRefused("stale-version", () -> entries.replace(made.id(), 1, banked("E-1", "30.00")));
        assertRefused("stale-version", () -> entries.voidIt(made.id(), 1, null));
        assertThat(saltmere(() -> entries.voidIt(made.id(), 2, null)).status()).isEqualTo("void");
        assertThat(balance("1000").subtract(bank)).isZero();
        assertRefused("entry-void", () -> entries.voidIt(made.id(), null, null));
        assertRefused("entry-void", () -> entries.replace(made.id(), 3, banked("E-1", "30.00")));
        assertThat(saltmere(() -> entries.findByReference("test:E-1"))).isEmpty();
        assertThat(saltmere(() -> entries.post(banked("E-1", "1.00"))).id())
                .as("what is void leaves its number to others")
                .isNotEqualTo(made.id());
        assertRefused("number-taken", () -> entries.post(banked("E-1", "2.00")));
    }

    @Test
    void inALockedPeriodItIsReversedOnALaterDay() {
        BigDecimal bank = balance("1000");
        Entry made = saltmere(() -> entries.post(banked("E-2", "12.00")));
        saltmere(() -> {
            masters.lockThrough(DAY);
            return null;
        });
        try {
            assertRefused("period-locked", () -> entries.post(banked("E-3", "1.00")));
            assertRefused("period-locked", () -> entries.replace(made.id(), 1, banked("E-2", "1.00")));
            assertRefused("period-locked", () -> entries.voidIt(made.id(), null, null));
            assertThat(saltmere(() -> entries.voidIt(made.id(), null, DAY.plusDays(1)))
                            .status())
                    .isEqualTo("void");
            assertThat(balance("1000")).isEqualByComparingTo(bank);
        } finally {
            saltmere(() -> {
                masters.lockThrough(DAY.minusYears(1));
                return null;
            });
        }
    }

    @ParameterizedTest
    @CsvSource({
        "1000, 5.00, '', 1210, '', 5.01, unbalanced",
        "1000, 5.00, 5.00, 1210, '', '', amount-invalid",
        "1000, 5.001, '', 1210, '', 5.001, amount-invalid",
        "1000, -5.00, '', 1210, '', -5.00, amount-invalid",
        "1100, 5.00, '', 1210, '', 5.00, account-type",
        "1000, 5.00, '', 2100, '', 5.00, account-type",
        "4900, 5.00, '', 1210, '', 5.00, account-inactive",
        "9999, 5.00, '', 1210, '', 5.00, account-unknown"
    })
    void whatDoesNotFitIsRefusedAndNothingIsBooked(
            String first,
            String debit,
            String credit,
            String second,
            String otherDebit,
            String otherCredit,
            String code) {
        BigDecimal waiting = balance("1210");
        assertRefused(
                code,
                () -> entries.post(entry("E-9", line(first, debit, credit), line(second, otherDebit, otherCredit))));
        assertThat(balance("1210")).isEqualByComparingTo(waiting);
    }

    @Test
    void itHasTwoToAThousandLinesANumberAndADay() {
        assertRefused("lines-missing", () -> entries.post(entry("E-4", line("1000", "5.00", ""))));
        assertRefused("lines-missing", () -> entries.post(lines("E-5", 1001)));
        assertThat(saltmere(() -> entries.post(lines("E-6", 1000))).entries()).hasSize(1000);
        assertRefused("number-missing", () -> entries.post(banked(" ", "5.00")));
        Entry never = new Entry(
                null,
                null,
                "",
                "E-7",
                null,
                "",
                "",
                null,
                null,
                banked("E-7", "5.00").entries());
        assertRefused("date-missing", () -> entries.post(never));
    }

    private static Entry lines(String number, int count) {
        String all = new BigDecimal(count - 1).setScale(2).toPlainString();
        return entry(
                number,
                Stream.concat(
                                Collections.nCopies(count - 1, line("1000", "1.00", "")).stream(),
                                Stream.of(line("1210", "", all)))
                        .toArray(Entry.Line[]::new));
    }
}
