package alcabala.connectors.adapters.inkwell;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import alcabala.accounting.field.Half;
import alcabala.accounting.money.ExchangeRate;
import alcabala.accounting.posting.LedgerJournal;
import alcabala.accounting.record.RecordKind;
import alcabala.connectors.http.Http;
import alcabala.connectors.ledger.LedgerRecord;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import tools.jackson.databind.JsonNode;

/// Journal entries as they go to Inkwell and come from it.
class InkwellJournalsTest {
    private static final LocalDate DAY = LocalDate.of(2026, 11, 25);
    private static final String STANDING = """
            {"id":"JE-7","version":2,"category":"banking","number":"B1000-261125","date":"2026-11-25","slip":"004 217",
             "note":"","externalReference":"hullwork:banking:1:1000:2026-11-25","status":"posted","entries":[
               {"account":"1000","debit":270.00,"credit":0.00,"text":"","dimensions":{"SITE":"SALT"}},
               {"account":"1000","debit":728.00,"credit":0.00,"text":"","dimensions":{}},
               {"account":"1210","debit":0.00,"credit":1000.00,"text":"","dimensions":{}},
               {"account":"6130","debit":2.00,"credit":0.00,"text":"","dimensions":{}}]}""";

    private static JsonNode json(String text) {
        return Http.JSON.readTree(text);
    }

    private static LedgerJournal journal() {
        Money thousand = Money.parse("EUR 1000.00");
        return new LedgerJournal(
                RecordKind.BANKING,
                "B1000-261125",
                DAY,
                CurrencyUnit.EUR,
                ExchangeRate.same(CurrencyUnit.EUR, DAY),
                "004 217",
                "a coin rolled away",
                thousand,
                List.of(
                        new LedgerJournal.Entry("1000", Map.of("SITE", "SALT"), "", thousand),
                        new LedgerJournal.Entry("1210", Map.of(), "", thousand.negated())));
    }

    @Test
    void aDebitAndACreditAreNeverOnOneLine() {
        JsonNode body = json(InkwellMapping.write(InkwellJournals.draft(journal(), "hullwork:banking:1")));
        assertThat(body.get("category").asString()).isEqualTo("banking");
        assertThat(body.get("slip").asString()).isEqualTo("004 217");
        assertThat(body.get("note").asString()).isEqualTo("a coin rolled away");
        assertThat(body.get("externalReference").asString()).isEqualTo("hullwork:banking:1");
        JsonNode bank = body.get("entries").get(0);
        assertThat(bank.get("debit").asDecimal()).isEqualByComparingTo("1000.00");
        assertThat(bank.get("credit").asDecimal()).isZero();
        assertThat(bank.get("dimensions").get("SITE").asString()).isEqualTo("SALT");
        JsonNode waiting = body.get("entries").get(1);
        assertThat(waiting.get("debit").asDecimal()).isZero();
        assertThat(waiting.get("credit").asDecimal()).isEqualByComparingTo("1000.00");
    }

    @Test
    void whatStandsThereIsReadWithWhatReachedTheBank() {
        LedgerRecord record = InkwellMapping.record(json(STANDING));
        assertThat(record.recordKind()).isEqualTo(RecordKind.BANKING);
        assertThat(record.party()).isEmpty();
        assertThat(record.gross()).as("all that is booked on the first account").isEqualByComparingTo("998.00");
        assertThat(record.lines())
                .extracting(LedgerRecord.Line::account)
                .containsExactly("1000", "1000", "1210", "6130");
        assertThat(record.lines().get(2).amount()).isEqualByComparingTo("-1000.00");
        assertThat(record.lines().getFirst().dimensions()).containsExactly(Map.entry("SITE", "SALT"));
        assertThat(record.isVoided()).isFalse();
        LedgerRecord voided = InkwellMapping.record(json(STANDING.replace("\"posted\"", "\"void\"")));
        assertThat(voided.isVoided()).isTrue();
        assertThat(record.half().differing(voided.half())).contains(Half.STANDING);
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "\"number\":\"B1000-261125\"",
                "\"id\":\"JE-7\"",
                "\"account\":\"6130\"",
                "\"date\":\"2026-11-25\""
            })
    void whatAnEntryCannotBeWithoutIsMissed(String missing) {
        JsonNode without = json(STANDING.replace(missing + ",", ""));
        assertThatThrownBy(() -> InkwellMapping.record(without)).isInstanceOf(RuntimeException.class);
    }

    @Test
    void whatPeopleEnterThereByHandIsNoRecordOfOurs() {
        assertThat(InkwellJournals.isOurs(json(STANDING))).isTrue();
        assertThat(InkwellJournals.isOurs(json(STANDING.replace("\"banking\"", "\"accruals\""))))
                .isFalse();
        assertThat(InkwellJournals.isOurs(json(STANDING.replace("\"category\":\"banking\",", ""))))
                .isFalse();
    }
}
