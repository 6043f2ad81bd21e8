package alcabala.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.openqa.selenium.Keys;

/// Parties that were changed on either side, or on both, from the keyboard alone: a conflict settled three ways, drift
/// restored and accepted.
class PartiesJourneyTest {
    private static final String[] LINKED = {"1002", "1003", "1006"};

    @Test
    void whatBothSidesChangedIsSettledWhereItIsSeen() {
        try (Demo demo = Demo.start();
                Browser browser = new Browser()) {
            browser.signIn(demo.address(), "admin");
            browser.fetchBothSides();
            changesGoBothWays(browser, demo);
            for (String party : LINKED) {
                demo.atDesk("/hullwork/customers/C-" + party, Map.of("email", "yard@" + party + ".example"));
                demo.atDesk(
                        "/inkwell/books/saltmere/parties/IC-" + party, Map.of("email", "books@" + party + ".example"));
            }
            demo.atDesk("/hullwork/customers/C-1011", Map.of("name", "Beacon Yacht Club Ltd"));
            browser.fetchBothSides();
            browser.awaitText("1 party changed in Inkwell, 3 parties to be asked about");
            browser.keys("g", "5");
            aConflictIsSettledThreeWays(browser);
            driftIsRestoredAndAccepted(browser, demo);

            browser.open(demo.desks() + "/inkwell/books/saltmere/parties");
            assertThat(valuesOf(browser, "email"))
                    .contains("yard@1002.example", "books@1003.example", "both@1006.example");
            assertThat(valuesOf(browser, "name")).contains("Beacon Yacht Club Ltd");
            assertThat(valuesOf(browser, "taxIdentifier"))
                    .contains("IE0000006A")
                    .doesNotContain("IE0000003A");
            browser.open(demo.desks() + "/hullwork/customers");
            assertThat(valuesOf(browser, "email"))
                    .contains("yard@1002.example", "books@1003.example", "both@1006.example");
        }
    }

    private static void changesGoBothWays(Browser browser, Demo demo) {
        browser.open(demo.address() + "/connect?view=crossing&kind=PARTIES&route=yard");
        browser.awaitText("4 parties stand on both sides");
        browser.keys("4");
        browser.awaitText("1 change, not decided");
        browser.keys("d");
        browser.awaitText("when first needed, then changes");
        browser.awaitText("As it is decided now");
    }

    private static void aConflictIsSettledThreeWays(Browser browser) {
        browser.awaitText("E-mail changed on both sides", "1 of 3 with this cause", "yard@1002.example");
        browser.keys("1");
        browser.awaitText("1 of 2 with this cause", "yard@1003.example");
        browser.keys("2");
        browser.awaitText("1 of 1 with this cause", "yard@1006.example");
        browser.keys("4");
        browser.keys("both@1006.example", Keys.ENTER);
        browser.awaitText("Both sides agree");
    }

    /// The yard lets nobody else change a tax identifier.
    private static void driftIsRestoredAndAccepted(Browser browser, Demo demo) {
        for (String party : new String[] {"1003", "1006"}) {
            demo.atDesk(
                    "/inkwell/books/saltmere/parties/IC-" + party,
                    Map.of("taxIdentifier", "IE000000" + party.charAt(3) + "A"));
        }
        browser.keys(Keys.ESCAPE);
        browser.fetchBothSides();
        browser.awaitText("Tax identifier changed in Inkwell alone", "1 of 2 with this cause", "IE0000003A");
        browser.keys("r");
        browser.awaitText("1 of 1 with this cause", "IE0000006A");
        browser.keys("a");
        browser.awaitText("Both sides agree");
    }

    private static List<String> valuesOf(Browser browser, String field) {
        return browser.all("input[name=" + field + "]").stream()
                .map(input -> input.getDomProperty("value"))
                .toList();
    }
}
