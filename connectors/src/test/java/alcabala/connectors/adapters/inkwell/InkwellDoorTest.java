package alcabala.connectors.adapters.inkwell;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import alcabala.accounting.record.Family;
import alcabala.connectors.Access;
import alcabala.connectors.AccessLostException;
import alcabala.connectors.AnswerUnusableException;
import alcabala.connectors.adapters.Somebody;
import alcabala.connectors.adapters.Somewhere;
import alcabala.connectors.ledger.CompanyOffer;
import alcabala.connectors.ledger.LedgerConsent;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/// What stands behind a consent on Inkwell, and a ledger that answers what nobody asked for.
class InkwellDoorTest {
    private final Somebody inkwell = new Somebody();
    private final InkwellDoor door =
            new InkwellDoor(Somewhere.at(inkwell.address() + "/inkwell"), Access.key("consent"));
    private final InkwellLedger ledger = new InkwellLedger(
            Somewhere.at(inkwell.address() + "/inkwell", "saltmere", Duration.ofSeconds(20)), Access.key("consent"));

    @AfterEach
    void close() {
        inkwell.close();
    }

    @Test
    void companiesScopesAndTheEndAreRead() {
        inkwell.answers(200, """
                [{"id":"saltmere","name":"Corvane Boatyards, Saltmere","currency":"EUR"},
                 {"id":"ellery","name":"東 Ellery","currency":"CAD","more":1}]""");
        assertThat(door.companies())
                .containsExactly(
                        new CompanyOffer("saltmere", "Corvane Boatyards, Saltmere", "EUR"),
                        new CompanyOffer("ellery", "東 Ellery", "CAD"));
        inkwell.answers(200, "{\"scopes\":[\"read\",\"post\"],\"endsAt\":\"2027-02-23T10:00:00Z\"}");
        assertThat(door.consent())
                .isEqualTo(new LedgerConsent(List.of("read", "post"), Instant.parse("2027-02-23T10:00:00Z")));
        inkwell.answers(200, "{}");
        assertThat(door.consent()).isEqualTo(new LedgerConsent(List.of(), null));
        assertThat(inkwell.asked().getFirst()).isEqualTo("GET /inkwell/api/companies Bearer consent");
    }

    @Test
    void aConsentThatWasTakenBackIsToldFromRubbish() {
        inkwell.answers(401, "");
        assertThatThrownBy(door::companies)
                .isInstanceOf(AccessLostException.class)
                .hasMessageNotContaining("consent\"");
        inkwell.answers(200, "{\"companies\":[]}");
        assertThatThrownBy(door::companies)
                .isInstanceOfSatisfying(
                        AnswerUnusableException.class,
                        e -> assertThat(e.what()).isEqualTo("no list of companies came where one was asked for"));
        inkwell.answers(200, "{\"endsAt\":\"some day\"}");
        assertThatThrownBy(door::consent)
                .isInstanceOfSatisfying(
                        AnswerUnusableException.class,
                        e -> assertThat(e.what())
                                .isEqualTo("the end of the consent, “some day”, cannot be understood"));
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            quoteCharacter = '~',
            value = {
                "{} | no list of changes came where one was asked for",
                "{\"changes\":[]} | its list of changes does not say where it goes on",
                "{\"changes\":[],\"next\":4,\"more\":true} | its list of changes does not go on after 4",
            })
    void newsThatCannotBeUnderstoodIsNamed(String body, String what) {
        inkwell.answers(200, body);
        assertThatThrownBy(() -> ledger.changes(4, 10))
                .isInstanceOfSatisfying(
                        AnswerUnusableException.class, e -> assertThat(e.what()).isEqualTo(what));
    }

    @Test
    void aCompanyWithoutItsSettingsIsNotGuessedAt() {
        for (String body : List.of("{}", "[]", "{\"id\":\"saltmere\",\"lockedThrough\":\"never\"}")) {
            inkwell.answers(200, body);
            assertThatThrownBy(ledger::company)
                    .isInstanceOfSatisfying(
                            AnswerUnusableException.class,
                            e -> assertThat(e.what()).isEqualTo("what it says of the company cannot be understood"));
        }
        inkwell.answers(200, "{\"kind\":\"invoice\",\"date\":7}");
        assertThatThrownBy(() -> ledger.findByReference(Family.DOCUMENT, "hullwork:IK-9"))
                .isInstanceOf(AnswerUnusableException.class)
                .hasMessageContaining("record of hullwork:IK-9 cannot be understood");
    }
}
