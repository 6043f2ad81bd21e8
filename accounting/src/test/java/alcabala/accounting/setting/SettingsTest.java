package alcabala.accounting.setting;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

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
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
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

    @Test
    void whatHoldsUntilSomebodyDecidesIsAValueThatTheSettingTakes() {
        assertThat(Setting.all()).hasSize(108).allSatisfy(setting -> {
            assertThat(setting.shape().takes(setting.standard(), LEDGER)).isTrue();
            assertThat(RouteSettings.STANDARD.get(setting)).isEqualTo(setting.standard());
            assertThat(Setting.find(setting.name())).contains(setting);
        });
        assertThat(Setting.find("INVOICES_WEATHER")).isEmpty();
        assertThatThrownBy(() -> new Setting(Topic.WINNER, Carried.PAYMENTS))
                .isInstanceOf(IllegalArgumentException.class);
    }

    @ParameterizedTest(name = "{0} of {1} is {2}: {3}")
    @CsvSource({
        "SALES_TAX, EVERYTHING, SALES_TAX, as-mapped",
        "DIRECTION, INVOICES, INVOICES, to-ledger",
        "DIRECTION, BILLS, BILLS, none",
        "DIRECTION, PAYMENTS, PAYMENTS, from-ledger",
        "DIRECTION, PAYMENTS_OUT, PAYMENTS_OUT, none",
        "TRIGGER, CREDIT_NOTES, CREDIT_NOTES_TRIGGER, batch",
        "CUT_OFF, PAYMENTS_OUT, PAYMENTS_OUT_CUT_OFF, ''",
        "WINNER, SUPPLIER_CREDITS, SUPPLIER_CREDITS_WINNER, ask",
        "FIRST_NUMBER, INVOICES, INVOICES_FIRST_NUMBER, ''",
        "DIRECTION, PARTIES, PARTIES, none",
        "SOURCE_LACKS, ITEMS, ITEMS_SOURCE_LACKS, leave",
        "OWNER_OF_NAME, PARTIES, PARTIES_OWNER_OF_NAME, nobody",
        "OWNER_OF_LINES, BILLS, BILLS_OWNER_OF_LINES, nobody",
        "OWNER_OF_UNIT, ITEMS, ITEMS_OWNER_OF_UNIT, nobody",
        "ARRIVAL, BILLS, BILLS_ARRIVAL, ''",
        "SALES_TAX, CREDIT_NOTES, CREDIT_NOTES_SALES_TAX, ''"
    })
    void aSettingIsATopicForAKind(Topic topic, Carried of, String name, String standard) {
        assertThat(new Setting(topic, of).name()).isEqualTo(name);
        assertThat(new Setting(topic, of).standard()).isEqualTo(standard);
    }

    /// What waits for work that is finished, sent or paid is sold; nothing else is.
    @ParameterizedTest(name = "{0} finished: {1}")
    @CsvSource({"INVOICES, true", "CREDIT_NOTES, true", "BILLS, false", "PAYMENTS, false", "PAYMENTS_OUT, false"})
    void onlySalesWaitForTheYard(Carried of, boolean takes) {
        assertThat(new Setting(Topic.TRIGGER, of).shape().takes("finished", LEDGER))
                .isEqualTo(takes);
        assertThat(new Setting(Topic.TRIGGER, of).shape().takes("approved", LEDGER))
                .isTrue();
    }

    /// What the source lacks is created there only where masters travel from the ledger at all.
    @ParameterizedTest(name = "{0}, {1}: {2}")
    @CsvSource({
        "both, create, true",
        "from-ledger, create, true",
        "to-ledger, create, false",
        "none, create, false",
        "both, leave, false"
    })
    void mastersAreCreatedThereWhereTheyTravelThatWay(String direction, String lacks, boolean creates) {
        RouteSettings decided = RouteSettings.STANDARD
                .with(Topic.DIRECTION, Carried.ITEMS, direction)
                .with(Topic.SOURCE_LACKS, Carried.ITEMS, lacks);
        assertThat(decided.createsThere(Carried.ITEMS)).isEqualTo(creates);
        assertThat(decided.createsThere(Carried.PARTIES)).isFalse();
    }

    @Test
    void theyAreDecidedSectionBySectionAndKindByKind() {
        assertThat(Setting.all().stream()
                        .map(setting -> setting.topic().section())
                        .distinct())
                .containsExactly(Section.values());
        assertThat(Setting.all().stream().filter(setting -> setting.topic().section() == Section.CROSSING))
                .extracting(Setting::name)
                .startsWith(
                        "CUSTOMERS",
                        "NEW_PARTIES",
                        "INVOICES",
                        "INVOICES_TRIGGER",
                        "INVOICES_CUT_OFF",
                        "INVOICES_WINNER",
                        "INVOICES_OWNER_OF_PARTY",
                        "INVOICES_OWNER_OF_ISSUE_DATE",
                        "INVOICES_OWNER_OF_DUE_DATE",
                        "INVOICES_OWNER_OF_LINES",
                        "CREDIT_NOTES")
                .endsWith(
                        "PAYMENTS_OUT_CUT_OFF",
                        "PARTIES",
                        "PARTIES_WINNER",
                        "PARTIES_SOURCE_LACKS",
                        "PARTIES_OWNER_OF_NAME",
                        "PARTIES_OWNER_OF_TAX_IDENTIFIER",
                        "PARTIES_OWNER_OF_E_MAIL",
                        "PARTIES_OWNER_OF_PHONE",
                        "PARTIES_OWNER_OF_BILL_TO",
                        "PARTIES_OWNER_OF_SHIP_TO",
                        "PARTIES_OWNER_OF_TERMS",
                        "ITEMS",
                        "ITEMS_WINNER",
                        "ITEMS_SOURCE_LACKS",
                        "ITEMS_OWNER_OF_NAME",
                        "ITEMS_OWNER_OF_UNIT",
                        "ITEMS_OWNER_OF_KIND");
    }

    /// One whose source asks for its number goes by itself once approved, whatever its kind waits for.
    @ParameterizedTest(name = "{0}, {1}: may cross {2}, by itself {3}")
    @CsvSource({
        "BATCH, APPROVED, true, false",
        "BATCH, APPROVED NUMBER_ASKED, true, true",
        "BATCH, NUMBER_ASKED, false, false",
        "PAID, APPROVED NUMBER_ASKED, true, true",
        "PAID, APPROVED SENT, false, true",
        "SENT, SENT, true, true"
    })
    void whatItsSourceAsksTheNumberOfGoes(Trigger trigger, String reached, boolean crosses, boolean byItself) {
        Set<Milestone> happened =
                Stream.of(reached.split(" ")).map(Milestone::valueOf).collect(Collectors.toSet());
        assertThat(trigger.isReached(happened)).isEqualTo(crosses);
        assertThat(trigger.isAutomatic(happened)).isEqualTo(byItself);
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
        RouteSettings settings = Samples.SETTINGS.with(Topic.TRIGGER, Carried.BILLS, word);
        assertThat(settings.trigger(RecordKind.BILL)).isEqualTo(trigger);
        assertThat(trigger.isAutomatic()).isEqualTo(automatic);
        assertThat(trigger.milestone()).isEqualTo(milestone);
    }

    @ParameterizedTest
    @EnumSource
    void eachKindBelongsToOne(RecordKind kind) {
        Carried of = Carried.of(kind);
        assertThat(of.kinds()).contains(kind);
        assertThat(Samples.SETTINGS.winner(kind)).isEqualTo("ask");
        if (kind.isDocument()) {
            assertThat(of.kinds()).containsExactly(kind);
            assertThat(Samples.SETTINGS.with(Topic.WINNER, of, "ledger").winner(kind))
                    .isEqualTo("ledger");
        }
    }

    @Test
    void aKindSaysOnlyInWhatItDiffers() {
        RouteSettings settings = Samples.SETTINGS
                .with(Topic.ARRIVAL, "draft")
                .with(Topic.ARRIVAL, Carried.BILLS, "final")
                .with(Topic.SALES_TAX, Carried.CREDIT_NOTES, "off");
        assertThat(settings.get(Topic.ARRIVAL, RecordKind.INVOICE)).isEqualTo("draft");
        assertThat(settings.get(Topic.ARRIVAL, RecordKind.BILL)).isEqualTo("final");
        assertThat(settings.hasTaxInLines(RecordKind.CREDIT_NOTE)).isTrue();
        assertThat(settings.hasTaxInLines(RecordKind.INVOICE)).isFalse();
        assertThat(settings.taxIsOff()).as("of any sale").isTrue();
        assertThat(Samples.SETTINGS.with(Topic.PURCHASE_TAX, "in-cost").taxIsOff())
                .isFalse();
        assertThat(new Setting(Topic.LINE_KIND, Carried.INVOICES).shape().takes("", LEDGER))
                .isTrue();
        assertThat(new Setting(Topic.LINE_KIND, Carried.EVERYTHING).shape().takes("", LEDGER))
                .isFalse();
        assertThatThrownBy(() -> new Setting(Topic.LINE_KIND, Carried.BILLS))
                .isInstanceOf(IllegalArgumentException.class);
    }

    @ParameterizedTest(name = "payments {0}: to the ledger {1}, back {2}")
    @CsvSource({"to-ledger, true, false", "from-ledger, false, true", "both, true, true", "none, false, false"})
    void paymentsGoOneWayOrBothOrNot(String direction, boolean to, boolean back) {
        RouteSettings settings = Samples.SETTINGS.with(Topic.DIRECTION, Carried.PAYMENTS, direction);
        for (RecordKind kind : List.of(RecordKind.PAYMENT_IN, RecordKind.REFUND, RecordKind.RETURNED_IN)) {
            assertThat(settings.crosses(kind)).isEqualTo(to);
            assertThat(settings.comesBack(kind)).isEqualTo(back);
        }
        assertThat(settings.carries().contains(RecordType.SETTLEMENTS)).isEqualTo(to);
        assertThat(settings.crosses(RecordKind.PAYMENT_OUT)).isFalse();
    }
}
