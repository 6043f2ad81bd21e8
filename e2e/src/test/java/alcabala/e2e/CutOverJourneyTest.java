package alcabala.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.LocalDate;
import java.util.Map;
import org.junit.jupiter.api.Test;

/// The day on which the yard and Inkwell begin to work together: compared, paired, and one pair taken apart again.
class CutOverJourneyTest {
    static final LocalDate DAY = LocalDate.now().minusDays(60);

    @Test
    void whatWasOpenOnBothSidesIsComparedAndPaired() {
        try (Demo demo = Demo.start();
                Browser browser = new Browser()) {
            demo.atDesk("/inkwell/books/saltmere/taken-over", Map.of("on", DAY.toString()));
            browser.signIn(demo.address(), "ferro");
            compare(browser, demo);
            browser.press("Pair the ");
            browser.awaitText("documents paired; what settles them can cross");
            theyAreTheSameByHand(browser);
            onePairIsTakenApart(browser);
            whoeverReadsChangesNothing(browser, demo);
        }
    }

    static void compare(Browser browser, Demo demo) {
        browser.open(demo.address() + "/connect?route=yard&view=cut-over");
        browser.awaitText("Choose the day, and compare both sides.");
        browser.driver().executeScript("""
                const day = document.querySelector('section[aria-label=Cut-over] input[type=date]');
                Object.getOwnPropertyDescriptor(HTMLInputElement.prototype, 'value').set.call(day, arguments[0]);
                day.dispatchEvent(new Event('input', { bubbles: true }));""", DAY.toString());
        browser.press("Compare both sides");
        browser.awaitText("that both have, open for another amount");
        assertThat(browser.textOf("table[aria-label='Balances of both sides']"))
                .contains("Receivables", "documents that only Hullwork has", "1 document that only Inkwell has");
    }

    private static void theyAreTheSameByHand(Browser browser) {
        browser.press("Doubtful");
        browser.awaitText("amount, open");
        browser.pressAt("table[aria-label='Open documents of both sides'] tbody input[type=checkbox]");
        browser.press("They are the same: pair it");
        browser.awaitText("Nothing of this was open on the day.");
    }

    private static void onePairIsTakenApart(Browser browser) {
        browser.press("Paired");
        browser.pressAt("table[aria-label='Open documents of both sides'] tbody input[type=checkbox]");
        browser.press("Take it apart");
        browser.awaitText("1 document taken apart");
        browser.awaitText("Pair the 1 that are certain");
    }

    private static void whoeverReadsChangesNothing(Browser browser, Demo demo) {
        browser.driver().manage().deleteAllCookies();
        browser.signIn(demo.address(), "voss");
        browser.open(demo.address() + "/connect?route=yard&view=cut-over");
        browser.awaitText("Receivables");
        assertThat(browser.text()).doesNotContain("Compare both sides", "Pair the ");
    }
}
