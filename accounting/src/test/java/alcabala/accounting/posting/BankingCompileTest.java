package alcabala.accounting.posting;

import static alcabala.accounting.Samples.row;
import static org.assertj.core.api.Assertions.assertThat;
import static org.joda.money.CurrencyUnit.EUR;

import alcabala.accounting.Samples;
import alcabala.accounting.crosswalk.AccountRole;
import alcabala.accounting.crosswalk.CrosswalkRow;
import alcabala.accounting.finding.Finding;
import alcabala.accounting.finding.Finding.ReceiptUnfit.Because;
import alcabala.accounting.record.RecordKind;
import alcabala.accounting.setting.Carried;
import alcabala.accounting.setting.RouteSettings;
import alcabala.accounting.setting.Topic;
import alcabala.accounting.settlement.Banking;
import alcabala.accounting.settlement.Banking.Receipt;
import alcabala.accounting.settlement.Received;
import alcabala.accounting.settlement.Target;
import alcabala.accounting.settlement.Target.Standing;
import alcabala.accounting.settlement.Targets;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import org.joda.money.Money;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.RepeatedTest;
import org.junit.jupiter.api.RepetitionInfo;
import org.junit.jupiter.api.Test;

/// What is taken to the bank together, with the example of the records, section 3. Accounts: 1200 bank, 1210 receipts
/// awaiting banking, 1250 processor clearing, 6990 differences.
class BankingCompileTest {
    private static final LocalDate DAY = LocalDate.of(2026, 11, 25);
    private static final Receipt CHEQUE = receipt(RecordKind.PAYMENT_IN, "PM-1", "730.00");
    private static final Receipt CASH = receipt(RecordKind.PAYMENT_IN, "PM-2", "270.00");
    private final Map<String, Received> known = new HashMap<>();
    private final List<CrosswalkRow> rows = new ArrayList<>(Samples.rows());
    private RouteSettings settings = Samples.SETTINGS.with(Topic.DIRECTION, Carried.PAYMENTS, "to-ledger");

    @BeforeEach
    void bothAreThere() {
        rows.add(row(AccountRole.RECEIPTS_AWAITING_BANKING, "1210"));
        rows.add(row(AccountRole.CASH_DIFFERENCE, "6990"));
        there(CHEQUE, Map.of());
        there(CASH, Map.of());
    }

    private static Money eur(String amount) {
        return Money.parse("EUR " + amount);
    }

    private static Receipt receipt(RecordKind kind, String number, String amount) {
        return new Receipt(kind, number, "C-1", eur(amount));
    }

    private void there(Receipt receipt, Map<String, String> dimensions) {
        known.put(receipt.names(), new Received(Standing.CROSSED, receipt.amount(), "1210", dimensions));
    }

    private static Banking banking(String account, String amount, Receipt... receipts) {
        return new Banking(
                RecordKind.BANKING,
                "B-1",
                DAY,
                "Saltmere",
                account,
                "Bank",
                "004 217",
                eur(amount),
                null,
                "",
                List.of(receipts));
    }

    private Compilation compile(Banking banking) {
        return Samples.compiler(rows, EUR, settings).compile(banking, "1", new Targets() {
            @Override
            public Optional<Target> find(RecordKind kind, String number, String party) {
                return Optional.empty();
            }

            @Override
            public Optional<Received> findReceived(Receipt receipt) {
                return Optional.ofNullable(known.get(receipt.names()));
            }
        });
    }

    private static List<String> booked(Compilation compiled) {
        return compiled.journal().orElseThrow().lines().stream()
                .map(line -> line.account() + line.key().dimensions().values() + " "
                        + line.amount().getAmount())
                .toList();
    }

    @Test
    void aChequeAndCashArriveAtTheBankTogether() {
        Compilation compiled = compile(banking("1200", "1000.00", CHEQUE, CASH));
        assertThat(compiled.findings()).isEmpty();
        assertThat(booked(compiled)).containsExactly("1200[] 1000.00", "1210[] -1000.00");
        LedgerJournal entry = (LedgerJournal) compiled.entry().orElseThrow();
        assertThat(entry.gross()).isEqualTo(eur("1000.00"));
        assertThat(entry.reference()).isEqualTo("004 217");
        assertThat(entry.bringsParty()).isFalse();
        assertThat(entry.onDay(DAY.plusDays(1)).date()).isEqualTo(DAY.plusDays(1));
    }

    @Test
    void whatWasTakenOutOfTheTillIsNotBanked() {
        Receipt refund = receipt(RecordKind.REFUND, "RF-1", "20.00");
        there(refund, Map.of());
        assertThat(booked(compile(banking("1200", "980.00", CHEQUE, CASH, refund))))
                .containsExactly("1200[] 980.00", "1210[] -980.00");
        assertThat(RecordKind.SUPPLIER_REFUND.bringsMoney()).isTrue();
        assertThat(RecordKind.PAYMENT_OUT.bringsMoney()).isFalse();
        assertThat(RecordKind.RETURNED_OUT.bringsMoney()).isTrue();
    }

    @Test
    void cashThatIsCountedOtherwiseIsADifferenceEitherWay() {
        assertThat(booked(compile(banking("1200", "999.99", CHEQUE, CASH))))
                .containsExactly("1200[] 999.99", "1210[] -1000.00", "6990[] 0.01");
        assertThat(booked(compile(banking("1200", "1000.01", CHEQUE, CASH))))
                .containsExactly("1200[] 1000.01", "1210[] -1000.00", "6990[] -0.01");
        rows.removeIf(row -> row.code().equals(AccountRole.CASH_DIFFERENCE.name()));
        assertThat(compile(banking("1200", "999.99", CHEQUE, CASH)).findings())
                .containsExactly(new Finding.RoleUnset(AccountRole.CASH_DIFFERENCE));
        assertThat(compile(banking("1200", "1000.00", CHEQUE, CASH)).findings()).isEmpty();
    }

    @Test
    void eachDimensionLeavesAndArrivesByItself() {
        there(CASH, Map.of("SITE", "SALT"));
        assertThat(booked(compile(banking("1200", "998.00", CHEQUE, CASH))))
                .containsExactly(
                        "1200[] 728.00", "1200[SALT] 270.00", "1210[] -730.00", "1210[SALT] -270.00", "6990[] 2.00");
    }

    @Test
    void whatIsNotThereYetIsWaitedFor() {
        known.remove(CHEQUE.names());
        known.put(CASH.names(), new Received(Standing.TO_CROSS, CASH.amount(), "", Map.of()));
        Compilation compiled = compile(banking("1200", "1000.00", CHEQUE, CASH));
        assertThat(compiled.findings())
                .containsExactly(
                        new Finding.WaitsFor(RecordKind.PAYMENT_IN, "PM-1"),
                        new Finding.WaitsFor(RecordKind.PAYMENT_IN, "PM-2"));
        assertThat(compiled.entry()).isEmpty();
    }

    @Test
    void whatCannotBeBankedIsSaid() {
        assertThat(unfit(new Received(Standing.VOIDED, CASH.amount(), "1210", Map.of())))
                .isEqualTo(Because.VOIDED);
        assertThat(unfit(new Received(Standing.STAYS, CASH.amount(), "", Map.of())))
                .isEqualTo(Because.NOT_ON_LEDGER);
        assertThat(unfit(new Received(Standing.CROSSED, eur("270.01"), "1210", Map.of())))
                .isEqualTo(Because.AMOUNT_DIFFERS);
        assertThat(unfit(new Received(Standing.CROSSED, CASH.amount(), "1250", Map.of())))
                .isEqualTo(Because.ELSEWHERE);
    }

    private Because unfit(Received received) {
        known.put(CASH.names(), received);
        List<Finding> findings =
                compile(banking("1200", "1000.00", CHEQUE, CASH)).findings();
        assertThat(findings).hasSize(1);
        return ((Finding.ReceiptUnfit) findings.getFirst()).because();
    }

    @Test
    void itGoesToABankAndOnlyWhereMoneyCrosses() {
        assertThat(compile(banking("4010", "1000.00", CHEQUE, CASH)).findings())
                .containsExactly(new Finding.AccountUnusable(
                        "4010", Finding.AccountUnusable.Reason.WRONG_TYPE, AccountRole.BANK));
        settings =
                settings.with(Topic.CUT_OFF, Carried.PAYMENTS, DAY.plusDays(1).toString());
        assertThat(compile(banking("1200", "1000.00", CHEQUE, CASH)).findings())
                .containsExactly(new Finding.BeforeCutOff(DAY, DAY.plusDays(1)));
        settings = settings.with(Topic.CUT_OFF, Carried.PAYMENTS, DAY.toString());
        assertThat(compile(banking("1200", "1000.00", CHEQUE, CASH)).isBlocked())
                .isFalse();
        settings = settings.with(Topic.DIRECTION, Carried.PAYMENTS, "from-ledger");
        assertThat(compile(banking("1200", "1000.00", CHEQUE, CASH)).findings())
                .containsExactly(new Finding.DoesNotCross(RecordKind.BANKING));
        assertThat(settings.comesBack(RecordKind.BANKING)).isFalse();
        rows.removeIf(row -> row.code().equals(AccountRole.RECEIPTS_AWAITING_BANKING.name()));
        settings = settings.with(Topic.DIRECTION, Carried.PAYMENTS, "both");
        assertThat(compile(banking("1200", "1000.00", CHEQUE, CASH)).findings())
                .contains(new Finding.RoleUnset(AccountRole.RECEIPTS_AWAITING_BANKING));
    }

    /// Whatever is ticked and counted, the journal balances and empties what it takes.
    @RepeatedTest(200)
    void itBalancesAndNothingOfItStaysWaiting(RepetitionInfo repetition) {
        Random random = new Random(repetition.getCurrentRepetition());
        Receipt[] receipts = new Receipt[1 + random.nextInt(30)];
        Money received = eur("0.00");
        for (int i = 0; i < receipts.length; i++) {
            RecordKind kind = random.nextInt(5) == 0 ? RecordKind.REFUND : RecordKind.PAYMENT_IN;
            receipts[i] = new Receipt(kind, "PM-" + i, "C-1", Money.ofMinor(EUR, 1 + random.nextInt(200_000)));
            there(receipts[i], random.nextBoolean() ? Map.of() : Map.of("SITE", "S" + random.nextInt(3)));
            received = received.plus(receipts[i].signed());
        }
        Money counted = received.plusMinor(random.nextInt(3) - 1);
        Journal journal = compile(banking("1200", counted.getAmount().toPlainString(), receipts))
                .journal()
                .orElseThrow();
        assertThat(journal.debit()).isEqualTo(journal.credit());
        assertThat(sum(journal, "1200")).isEqualTo(counted);
        assertThat(sum(journal, "1210")).isEqualTo(received.negated());
    }

    private static Money sum(Journal journal, String account) {
        return journal.lines().stream()
                .filter(line -> line.account().equals(account))
                .map(JournalLine::amount)
                .reduce(eur("0.00"), Money::plus);
    }
}
