package alcabala.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.junit.jupiter.api.Test;
import org.openqa.selenium.Keys;

/// A banking is made, found wrong and corrected, by keys as far as it has any; the ledger has one entry in the end.
class ClearJourneyTest {
    @Test
    void cashAndChequesAreTakenToTheBankOnce() {
        try (Demo demo = Demo.start();
                Browser browser = new Browser()) {
            browser.signIn(demo.address(), "admin");
            mapEverything(browser);
            sendTheInvoices(browser, demo);
            BankingJourney banking = new BankingJourney(browser, demo);
            banking.untilAWeekWaits(0);
            banking.openTheSlip();
            String all = banking.ticked();
            leaveOneOutAndFindItAgain(browser, banking, all);
            send(browser, "Send it…");
            findItWrongAndCorrectIt(browser, demo, banking, all);
            browser.open(demo.desks() + "/inkwell/books/saltmere/journals");
            assertThat(browser.all("td a")).as("one entry").hasSize(1);
            browser.pressAt("td a");
            browser.awaitText("version 2");
            whoeverOnlyReadsSeesAllAndChangesNothing(browser, demo);
        }
    }

    private static void whoeverOnlyReadsSeesAllAndChangesNothing(Browser browser, Demo demo) {
        browser.driver().manage().deleteAllCookies();
        browser.signIn(demo.address(), "voss");
        browser.open(demo.address() + "/clear?route=yard");
        browser.find("tr[data-banking]");
        browser.keys(Keys.ENTER);
        browser.awaitText("stands there");
        assertThat(browser.text()).contains("a coin rolled away").doesNotContain("Correct it to", "Withdraw it");
        assertThat(browser.all("tr[data-receipt] input[type=checkbox]")).isEmpty();
    }

    private static void mapEverything(Browser browser) {
        for (String row : List.of(
                "ITEM RIG-0042 COUNTERPART RIG-06",
                "ITEM ENG-0310 INCOME 4018",
                "CATEGORY storage INCOME 4035",
                "TAX VEU COUNTERPART RC0",
                "PARTY C-1001 COUNTERPART IC-1001")) {
            String[] cells = row.split(" ");
            browser.call("PUT", "/api/map/row", """
                    {"route": "yard", "kind": "%s", "code": "%s", "meaning": {"targets": {"%s": "%s"}, "dimensions": {}},
                     "expectedVersion": 0}""".formatted((Object[]) cells));
        }
    }

    private static void sendTheInvoices(Browser browser, Demo demo) {
        browser.open(demo.address() + "/release?route=yard&state=Ready&panel=batch");
        browser.awaitText("Hash total");
        browser.pressAt("aside[aria-label=Batch] button[type=submit]");
        browser.awaitSettled();
        browser.awaitText(" posted, 2 refused");
    }

    /// The slip says all of it, and one cheque was forgotten.
    private static void leaveOneOutAndFindItAgain(Browser browser, BankingJourney banking, String all) {
        browser.keys("x");
        browser.until(d -> banking.ticked().equals(all) ? null : true);
        banking.theSlipSays(all);
        browser.awaitText("One that is not ticked is");
        assertThat(browser.button("Bank ").isEnabled()).isFalse();
        browser.keys("y");
        browser.awaitText("They agree");
        browser.driver().switchTo().activeElement().sendKeys(Keys.TAB);
        browser.press("Bank ");
        browser.awaitText("is made, and ready to go");
    }

    private static void send(Browser browser, String link) {
        browser.press(link);
        browser.press("Send 1 banking to Inkwell");
        browser.awaitSettled();
        browser.awaitText("1 posted");
    }

    /// The same day and account are the same banking. One cheque never went, and a little cash was missing.
    private static void findItWrongAndCorrectIt(Browser browser, Demo demo, BankingJourney banking, String all) {
        browser.open(demo.address() + "/clear?route=yard");
        browser.find("tr[data-banking]");
        browser.keys(Keys.ENTER);
        browser.awaitText("stands there");
        browser.find("tr[data-receipt]");
        browser.keys("x");
        browser.until(d -> banking.ticked().equals(all) ? null : true);
        String rest = banking.ticked();
        String less = rest.substring(0, rest.length() - 1)
                + (char) (rest.charAt(rest.length() - 1) == '0' ? '1' : rest.charAt(rest.length() - 1) - 1);
        banking.theSlipSays(less);
        browser.awaitText("though they differ");
        browser.pressAt("input[name=difference]");
        browser.type("aside fieldset input:not([type=radio])", "a coin rolled away");
        browser.press("Correct it to ");
        browser.awaitText("was changed since it went");
        browser.awaitText("revision 2");
        send(browser, "Send it again…");
        browser.open(demo.address() + "/clear?route=yard");
        browser.awaitText("1 banking");
        browser.awaitText("Posted");
    }
}
