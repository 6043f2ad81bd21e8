package alcabala.accounting.posting;

import static alcabala.accounting.Samples.row;
import static org.assertj.core.api.Assertions.assertThat;
import static org.joda.money.CurrencyUnit.EUR;

import alcabala.accounting.Changed;
import alcabala.accounting.Samples;
import alcabala.accounting.crosswalk.AccountRole;
import alcabala.accounting.crosswalk.CrosswalkRow;
import alcabala.accounting.crosswalk.RowKind;
import alcabala.accounting.party.Party;
import alcabala.accounting.record.Origin;
import alcabala.accounting.record.RecordKind;
import alcabala.accounting.setting.Carried;
import alcabala.accounting.setting.RouteSettings;
import alcabala.accounting.setting.Topic;
import alcabala.accounting.settlement.Allocation;
import alcabala.accounting.settlement.Deduction;
import alcabala.accounting.settlement.Settlement;
import alcabala.accounting.settlement.Target;
import alcabala.accounting.settlement.Target.Standing;
import alcabala.accounting.tax.TaxBreakdown;
import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.function.Function;
import org.joda.money.Money;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/// Whatever is paid: the journal balances, the party's account gets exactly the money and what was deducted, no
/// document takes more than is open, and no money is lost.
class SettlementPropertiesTest {
    private static final Party TRUST = Party.named("C-1", "Pell Estuary Trust");
    private static final RecordKind[] KINDS = {
        RecordKind.PAYMENT_IN,
        RecordKind.REFUND,
        RecordKind.RETURNED_IN,
        RecordKind.PAYMENT_OUT,
        RecordKind.SUPPLIER_REFUND,
        RecordKind.RETURNED_OUT
    };
    private static final RouteSettings SETTINGS = Samples.SETTINGS
            .with(Topic.DIRECTION, Carried.PAYMENTS, "to-ledger")
            .with(Topic.DIRECTION, Carried.PAYMENTS_OUT, "to-ledger")
            .with(Topic.PAYMENT_DIFFERENCE, "100000");

    private static List<CrosswalkRow> rows() {
        List<CrosswalkRow> rows = new ArrayList<>(Samples.rows());
        rows.add(row(RowKind.MEANS, "48 EUR", "", "1250"));
        rows.add(row(AccountRole.BANK_CHARGES, "6200"));
        rows.add(row(AccountRole.PAYMENT_DIFFERENCE, "6990"));
        rows.add(row(AccountRole.BAD_DEBTS, "6100"));
        rows.add(row(AccountRole.WITHHOLDING, "1400"));
        rows.add(row(AccountRole.RETENTION_RECEIVABLE, "1250"));
        rows.add(row(AccountRole.RETENTION_PAYABLE, "2300"));
        rows.add(row(AccountRole.DISCOUNT_RECEIVED, "5100"));
        return rows;
    }

    @ParameterizedTest
    @ValueSource(longs = {1, 20417, 4711})
    void whateverIsPaid(long seed) {
        Random random = new Random(seed);
        Compiler compiler = Samples.compiler(rows(), EUR, SETTINGS);
        for (int i = 0; i < 3000; i++) {
            RecordKind kind = KINDS[random.nextInt(KINDS.length)];
            Map<String, Target> documents = new HashMap<>();
            Settlement settlement = settlement(random, kind, documents);
            Compilation compiled =
                    compiler.compile(settlement, "", (of, number, party) -> Optional.ofNullable(documents.get(number)));
            assertThat(compiled.isBlocked()).as("%s", compiled.findings()).isFalse();
            check(settlement, documents, compiled);
        }
    }

    private static Settlement settlement(Random random, RecordKind kind, Map<String, Target> documents) {
        RecordKind settles = java.util.stream.Stream.of(RecordKind.values())
                .filter(kind::settles)
                .findFirst()
                .orElseThrow();
        List<Allocation> allocations = new ArrayList<>();
        Money amount = cents(random.nextInt(5000));
        for (int i = random.nextInt(4); i > 0; i--) {
            String number = "D-" + random.nextInt(3);
            documents.computeIfAbsent(number, name -> target(random));
            Money money = cents(random.nextInt(20000));
            Allocation less = Allocation.of(settles, number, money, deductions(random));
            Allocation each = less.settled().isNegative() ? Allocation.of(settles, number, money, List.of()) : less;
            allocations.add(each);
            amount = amount.plus(each.money());
        }
        return new Settlement(
                kind,
                "P-1",
                Origin.SOURCE,
                LocalDate.of(2026, 11, 24),
                "",
                "",
                TRUST,
                amount,
                null,
                kind.isReturn() ? cents(random.nextInt(1500)) : cents(0),
                "48",
                "",
                "",
                allocations);
    }

    private static Target target(Random random) {
        Money net = cents(1 + random.nextInt(30000));
        Money tax = cents(random.nextInt(7000));
        Money gross = net.plus(tax);
        Standing standing = random.nextInt(5) == 0 ? Standing.VOIDED : Standing.CROSSED;
        Money open = cents(random.nextInt((int) gross.getAmountMinorLong() + 1));
        List<TaxBreakdown> taxes = List.of(new TaxBreakdown("V23", new BigDecimal("23"), net, tax));
        Target target = Samples.target(standing, TRUST, gross, open, taxes, "IN-1", "N-1");
        return Changed.in(target, "retained", cents(random.nextInt(900)));
    }

    private static List<Deduction> deductions(Random random) {
        List<Deduction> deductions = new ArrayList<>();
        for (int i = random.nextInt(3); i > 0; i--) {
            Deduction.Kind kind = Deduction.Kind.values()[random.nextInt(Deduction.Kind.values().length)];
            int sign = kind.mayBeNegative() && random.nextBoolean() ? -1 : 1;
            deductions.add(new Deduction(kind, cents(sign * random.nextInt(900))));
        }
        return deductions;
    }

    private static Money cents(long minor) {
        return Money.ofMinor(EUR, minor);
    }

    private static void check(Settlement settlement, Map<String, Target> documents, Compilation compiled) {
        LedgerSettlement entry = (LedgerSettlement) compiled.entry().orElseThrow();
        Journal journal = compiled.journal().orElseThrow();
        assertThat(journal.isBalanced()).isTrue();
        assertThat(entry.gross()).isEqualTo(settlement.amount());
        Money money = cents(0);
        Money deducted = cents(0);
        Map<String, Money> taken = new HashMap<>();
        for (int i = 0; i < entry.parts().size(); i++) {
            LedgerSettlement.Part part = entry.parts().get(i);
            Money less = part.deductions().stream()
                    .map(LedgerSettlement.Deducted::amount)
                    .reduce(cents(0), Money::plus);
            assertThat(part.money().isNegative()).isFalse();
            money = money.plus(part.money());
            deducted = deducted.plus(less);
            taken.merge(part.document(), part.money().plus(less), Money::plus);
        }
        assertThat(money.isGreaterThan(settlement.amount())).isFalse();
        if (!settlement.kind().isReturn()) {
            Money open = sum(documents.values(), Target::open);
            assertThat(taken.values().stream().reduce(cents(0), Money::plus).isGreaterThan(open))
                    .as("no document takes more than is open")
                    .isFalse();
            assertThat(released(entry).isGreaterThan(sum(documents.values(), Target::retained)))
                    .as("no more is released than was kept back")
                    .isFalse();
        }
        Money expected = settlement.amount().plus(deducted);
        Money control = journal.lines().stream()
                .filter(line -> line.account().equals(entry.controlAccount()))
                .map(JournalLine::amount)
                .reduce(cents(0), Money::plus);
        assertThat(control.abs()).isEqualTo(expected.abs());
    }

    private static Money released(LedgerSettlement entry) {
        return entry.parts().stream()
                .map(part -> part.deductions().stream()
                        .filter(each -> each.text().equals("retention"))
                        .map(LedgerSettlement.Deducted::amount)
                        .reduce(cents(0), Money::plus))
                .filter(Money::isNegative)
                .reduce(cents(0), Money::minus);
    }

    private static Money sum(Collection<Target> documents, Function<Target, Money> of) {
        return documents.stream()
                .filter(each -> each.standing() == Standing.CROSSED)
                .map(of)
                .reduce(cents(0), Money::plus);
    }
}
