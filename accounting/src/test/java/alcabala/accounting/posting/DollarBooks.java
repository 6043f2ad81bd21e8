package alcabala.accounting.posting;

import static alcabala.accounting.Samples.V0;
import static alcabala.accounting.Samples.line;
import static org.assertj.core.api.Assertions.assertThat;

import alcabala.accounting.Changed;
import alcabala.accounting.Samples;
import alcabala.accounting.crosswalk.AccountRole;
import alcabala.accounting.crosswalk.Crosswalk;
import alcabala.accounting.crosswalk.CrosswalkRow;
import alcabala.accounting.document.Document;
import alcabala.accounting.document.DocumentLine;
import alcabala.accounting.ledger.LedgerProfile;
import alcabala.accounting.money.ExchangeRate;
import alcabala.accounting.money.ExchangeRate.Origin;
import alcabala.accounting.money.StatedRate;
import alcabala.accounting.party.Party;
import alcabala.accounting.record.RecordKind;
import alcabala.accounting.setting.Carried;
import alcabala.accounting.setting.Topic;
import alcabala.accounting.settlement.Allocation;
import alcabala.accounting.settlement.Deduction;
import alcabala.accounting.settlement.Settlement;
import alcabala.accounting.settlement.Target;
import alcabala.accounting.settlement.Target.Standing;
import alcabala.accounting.tax.TaxRounding;
import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;

/// Books in CAD, into which what is sold and paid in USD is to come.
abstract class DollarBooks {
    static final CurrencyUnit USD = CurrencyUnit.USD;
    static final CurrencyUnit CAD = CurrencyUnit.CAD;
    static final LocalDate DAY = LocalDate.of(2026, 11, 20);
    static final Party TRUST = Party.named("C-1", "Pell Estuary Trust");
    final Map<String, Target> documents = new HashMap<>();
    final List<CrosswalkRow> rows = new ArrayList<>(Samples.rows());
    LedgerProfile ledger = Changed.in(Samples.ledger(CAD, TaxRounding.PER_DOCUMENT), "multiCurrency", true);

    DollarBooks() {
        rows.add(Samples.row(AccountRole.CUSTOMER_ADVANCES, "2300"));
        rows.add(Samples.row(AccountRole.BANK, "1200"));
        rows.add(Samples.row(AccountRole.EXCHANGE_DIFFERENCE, "6990"));
        rows.add(Samples.row(AccountRole.BANK_CHARGES, "6100"));
        rows.add(Samples.row(AccountRole.RETENTION_RECEIVABLE, "1250"));
    }

    static Money usd(String amount) {
        return Money.parse("USD " + amount);
    }

    static StatedRate at(String rate) {
        return new StatedRate(CAD, new BigDecimal(rate), null);
    }

    static ExchangeRate rate(String rate) {
        return new ExchangeRate(USD, CAD, new BigDecimal(rate), DAY, Origin.SOURCE);
    }

    Compiler compiler() {
        Route route = Changed.in(
                Samples.ROUTE,
                "settings",
                Samples.SETTINGS.with(Topic.DISCOUNT_TAX, "kept").with(Topic.DIRECTION, Carried.PAYMENTS, "to-ledger"));
        return new Compiler(Crosswalk.of(rows, Samples.NOBODY), route, ledger);
    }

    Compilation compile(alcabala.accounting.record.Record record) {
        return compiler().compile(record, "", (kind, number, party) -> Optional.ofNullable(documents.get(number)));
    }

    /// `4010 -13.67`: accounts with their amounts in base currency, debit positive.
    List<String> base(alcabala.accounting.record.Record record) {
        Compilation compiled = compile(record);
        assertThat(compiled.findings()).isEmpty();
        Journal journal = compiled.journal().orElseThrow();
        assertThat(journal.isBalanced()).isTrue();
        return journal.lines().stream()
                .map(line -> line.account() + " " + line.base().getAmount())
                .toList();
    }

    static Document invoice(String rate, DocumentLine... lines) {
        return Changed.in(Samples.invoice("HW-1", lines), "rate", at(rate));
    }

    static DocumentLine goods(String price) {
        return line(USD, "chandlery", "1", price, V0);
    }

    void booked(String number, String gross, String open, String rate, String baseOpen) {
        documents.put(
                number,
                new Target(
                        Standing.CROSSED,
                        TRUST,
                        usd(gross),
                        usd(open),
                        usd("0.00"),
                        rate(rate),
                        Money.parse("CAD " + baseOpen),
                        Target.Credited.nothing(USD, CAD),
                        List.of(),
                        "IN-1",
                        number));
    }

    static Settlement payment(RecordKind kind, String amount, String rate, Allocation... allocations) {
        return new Settlement(
                kind,
                "P-1",
                alcabala.accounting.record.Origin.SOURCE,
                DAY,
                "Saltmere",
                "",
                TRUST,
                usd(amount),
                at(rate),
                usd("0.00"),
                "30",
                "",
                "",
                List.of(allocations));
    }

    static Allocation of(String number, String money, Deduction... deductions) {
        return Allocation.of(RecordKind.INVOICE, number, usd(money), List.of(deductions));
    }

    static Settlement paid(String amount, String rate, Allocation... allocations) {
        Money money = Money.parse(amount);
        Settlement payment = Changed.in(
                payment(RecordKind.PAYMENT_IN, "1.00", rate, allocations),
                "charges",
                Money.zero(money.getCurrencyUnit()));
        return Changed.in(payment, "amount", money);
    }

    static Allocation exchanged(String money, String worth, Deduction... deductions) {
        return new Allocation(RecordKind.INVOICE, "HW-1", Money.parse(money), Money.parse(worth), List.of(deductions));
    }

    static Target target(Money gross, String rate) {
        ExchangeRate at = rate == null ? ExchangeRate.same(gross.getCurrencyUnit(), DAY) : rate(rate);
        Target plain = Samples.target(Standing.CROSSED, TRUST, gross, gross, List.of(), "IN-1", "HW-1");
        Target booked = Changed.in(Changed.in(plain, "rate", at), "baseOpen", at.convert(gross));
        return Changed.in(booked, "credited", Target.Credited.nothing(gross.getCurrencyUnit(), CAD));
    }
}
