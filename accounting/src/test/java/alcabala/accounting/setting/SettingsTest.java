package alcabala.accounting.setting;

import static org.assertj.core.api.Assertions.assertThat;

import alcabala.accounting.Changed;
import alcabala.accounting.Samples;
import alcabala.accounting.crosswalk.RecordType;
import alcabala.accounting.ledger.AccountType;
import alcabala.accounting.ledger.LedgerProfile;
import alcabala.accounting.record.RecordKind;
import alcabala.accounting.tax.TaxRounding;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.joda.money.CurrencyUnit;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;

/// What settings take, and what they say of a kind of document.
class SettingsTest {
    private static final LedgerProfile LEDGER = ledger();

    private static LedgerProfile ledger() {
        LedgerProfile ledger = Samples.ledger(CurrencyUnit.EUR, TaxRounding.PER_DOCUMENT);
        var codes = new HashMap<>(ledger.taxCodes());
        codes.put("OLD", Changed.in(codes.get("S23"), "active", false));
        return Changed.in(ledger, "taxCodes", Map.copyOf(codes));
    }

    private static Shape shape(String name) {
        return switch (name) {
            case "choice" -> new Shape.Choice(List.of("yes", "no"));
            case "day" -> new Shape.Day();
            case "count" -> new Shape.Count();
            case "prefix" -> new Shape.Prefix();
            case "tax code" -> new Shape.TaxCode();
            default -> new Shape.Account(AccountType.REVENUE);
        };
    }

    @ParameterizedTest(name = "{0} “{1}”: {2}")
    @CsvSource({
        "choice, yes, true",
        "choice, maybe, false",
        "choice, '', false",
        "day, 2026-12-31, true",
        "day, 1901-01-01, true",
        "day, 1900-12-31, false",
        "day, 31.12.2026, false",
        "day, '', true",
        "count, 1, true",
        "count, 0, false",
        "count, 999999999999, true",
        "count, 1000000000000, false",
        "count, '', true",
        "prefix, HW/26_a.-b, true",
        "prefix, ABCDEFGHIJKL, true",
        "prefix, ABCDEFGHIJKLM, false",
        "prefix, A B, false",
        "prefix, '', true",
        "tax code, S23, true",
        "tax code, OLD, false",
        "tax code, S99, false",
        "tax code, '', true",
        "account, 4010, true",
        "account, 4030, false",
        "account, 1100, false",
        "account, 9999, false",
        "account, '', true"
    })
    void eachShapeTakesItsOwn(String shape, String value, boolean takes) {
        assertThat(shape(shape).takes(value, LEDGER)).isEqualTo(takes);
    }

    @ParameterizedTest
    @EnumSource
    void whatHoldsUntilSomebodyDecidesIsAValueThatTheSettingTakes(Setting setting) {
        assertThat(setting.shape().takes(setting.standard(), LEDGER)).isTrue();
        assertThat(setting.topic()).isNotNull();
    }

    @ParameterizedTest
    @CsvSource({
        "batch, BATCH, false, APPROVED",
        "by-hand, BY_HAND, false, APPROVED",
        "approved, APPROVED, true, APPROVED",
        "finished, FINISHED, true, FINISHED",
        "sent, SENT, true, SENT",
        "paid, PAID, true, PAID"
    })
    void whatMakesADocumentCross(String word, Trigger trigger, boolean automatic, Milestone milestone) {
        RouteSettings settings = Samples.SETTINGS.with(Setting.BILLS_TRIGGER, word);
        assertThat(settings.trigger(RecordKind.BILL)).isEqualTo(trigger);
        assertThat(trigger.isAutomatic()).isEqualTo(automatic);
        assertThat(trigger.milestone()).isEqualTo(milestone);
    }

    @ParameterizedTest
    @EnumSource
    void eachKindHasSettingsOfItsOwn(RecordKind kind) {
        Crossing crossing = Crossing.of(kind);
        assertThat(Crossing.triggered(crossing.trigger())).contains(kind);
        assertThat(Samples.SETTINGS.winner(kind)).isEqualTo("ask");
        crossing.winner().ifPresent(winner -> {
            assertThat(Crossing.won(winner)).containsExactly(kind);
            assertThat(Samples.SETTINGS.with(winner, "ledger").winner(kind)).isEqualTo("ledger");
        });
    }

    @ParameterizedTest(name = "payments {0}: to the ledger {1}, back {2}")
    @CsvSource({"to-ledger, true, false", "from-ledger, false, true", "both, true, true", "none, false, false"})
    void paymentsGoOneWayOrBothOrNot(String direction, boolean to, boolean back) {
        RouteSettings settings = Samples.SETTINGS.with(Setting.PAYMENTS, direction);
        for (RecordKind kind : List.of(RecordKind.PAYMENT_IN, RecordKind.REFUND, RecordKind.RETURNED_IN)) {
            assertThat(settings.crosses(kind)).isEqualTo(to);
            assertThat(settings.comesBack(kind)).isEqualTo(back);
        }
        assertThat(settings.carries().contains(RecordType.SETTLEMENTS)).isEqualTo(to);
        assertThat(settings.crosses(RecordKind.PAYMENT_OUT)).isFalse();
    }

    @Test
    void aSettingOfNoKindTriggersAndWinsNothing() {
        assertThat(Crossing.triggered(Setting.SALES_TAX)).isEmpty();
        assertThat(Crossing.won(Setting.SALES_TAX)).isEmpty();
    }
}
