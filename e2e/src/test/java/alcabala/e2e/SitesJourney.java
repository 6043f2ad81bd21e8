package alcabala.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.stream.Collectors;
import org.openqa.selenium.By;
import org.openqa.selenium.Keys;
import org.openqa.selenium.support.ui.Select;

/// The other harbour is led to a ledger that takes files, and what is decided about a route is seen before it is done.
record SitesJourney(Browser browser, Demo demo, Path folder) {
    void go() {
        whatHasNoRouteIsSeen(browser, demo);
        leadToCopperplate();
        endTheRouteAndBeginItAgain(browser, demo);
        mapOnce(browser, demo);
        taxSwitchedOffIsSeenAndPutBack(browser, demo);
        connectStoreloft(browser, demo);
    }

    /// What stands before all that goes to the ledger that takes files.
    void leadToCopperplate() {
        addCopperplate(browser, demo);
        leadTheSite(browser);
    }

    private static void whatHasNoRouteIsSeen(Browser browser, Demo demo) {
        browser.open(demo.address() + "/release?route=unrouted-1");
        browser.awaitText("Port Ellery has no route to a ledger.");
        browser.awaitText("Add a route for the site under Connect");
    }

    private void addCopperplate(Browser browser, Demo demo) {
        browser.open(demo.address() + "/connect?view=connections&route=yard");
        browser.press("Add Copperplate");
        List<org.openqa.selenium.WebElement> fields = browser.all("form[aria-label='Ledger of files'] input");
        fields.get(1).sendKeys("Corvane Port Ellery");
        fields.get(2).sendKeys("cad", Keys.ENTER);
        browser.type("article[aria-label=Copperplate] input[type=file]", file(demo, "accounts", "separator=%7C"));
        browser.awaitText("Its first line is one column only");
        browser.type(
                "article[aria-label=Copperplate] input[type=file]",
                List.of("accounts", "tax-codes", "parties", "terms").stream()
                        .map(list -> file(demo, list, "separator=%3B"))
                        .collect(Collectors.joining("\n")));
        browser.awaitText("16 accounts, 3 tax codes, 3 parties, terms of 3 kinds");
    }

    private String file(Demo demo, String list, String how) {
        try {
            return Files.writeString(
                            folder.resolve(list + ".csv"),
                            demo.read(demo.desks() + "/copperplate/export/" + list + ".csv?" + how))
                    .toString();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private static void leadTheSite(Browser browser) {
        new Select(browser.find("form[aria-label='New route'] label:nth-of-type(3) select"))
                .selectByVisibleText("Copperplate");
        browser.until(d -> browser.textOf("tr[data-site='Port Ellery']").contains("to Copperplate") ? true : null);
        assertThat(browser.textOf("tr[data-site='Port Ellery']")).contains("24 documents", "nowhere");
        assertThat(browser.textOf("tr[data-site='Saltmere']")).endsWith("to Inkwell to Inkwell");
        browser.all("form[aria-label='New route'] input").getFirst().sendKeys("Corvane Boatyards", Keys.ENTER);
        browser.find("tr[data-route=hullwork-port-ellery]");
        assertThat(browser.all("tr[data-route=unrouted-1]")).isEmpty();
    }

    /// One row for the two taxes releases what only they held up.
    private static void mapOnce(Browser browser, Demo demo) {
        browser.open(demo.address() + "/map?route=hullwork-port-ellery&kind=tax");
        browser.find("tr[data-code='GST+PST'][data-open=true]");
        browser.open(demo.address() + "/release?route=hullwork-port-ellery");
        browser.awaitText("Tax GST+PST (12 %) has no code on the ledger.");
        browser.awaitText("CA$");
    }

    private static void endTheRouteAndBeginItAgain(Browser browser, Demo demo) {
        browser.open(demo.address() + "/connect?view=connections&route=yard");
        browser.find("tr[data-route=hullwork-port-ellery]");
        browser.pressAt("tr[data-route=hullwork-port-ellery] button:last-child");
        browser.until(d -> browser.textOf("section[aria-label='End the route'] tr[data-site='Port Ellery']")
                        .endsWith("to Copperplate nowhere")
                ? true
                : null);
        browser.press("End the route");
        browser.find("tr[data-route=hullwork-port-ellery][data-ended]");
        assertThat(browser.textOf("tr[data-route=unrouted-1]")).contains("24 documents", "CA$");
        browser.press("Begin it again");
        browser.find("tr[data-route=hullwork-port-ellery]:not([data-ended])");
        browser.until(d -> browser.all("tr[data-route=unrouted-1]").isEmpty() ? true : null);
    }

    private static void taxSwitchedOffIsSeenAndPutBack(Browser browser, Demo demo) {
        browser.open(demo.address() + "/connect?view=settings&route=yard");
        browser.pressAt("button[data-setting=SALES_TAX]");
        browser.until(d -> d.findElement(By.cssSelector("input[value=off]"))).sendKeys(Keys.SPACE);
        browser.find("[data-effect]");
        browser.awaitText("on 141 documents would be booked as revenue");
        assertThat(browser.textOf("section[aria-label='On Inkwell now']")).contains("2200 Output tax");
        assertThat(browser.textOf("section[aria-label='On Inkwell then']")).doesNotContain("2200 Output tax");
        browser.press("Decide so");
        browser.find("section[aria-label='Earlier decisions']");
        browser.open(demo.address() + "/connect?view=readiness&route=yard");
        browser.pressAt("tr[data-check=TAX_OFF][data-verdict=WARNS] a");
        browser.pressAt("button[data-setting=SALES_TAX]");
        browser.press("Put back");
        browser.press("Decide so");
        browser.until(
                d -> browser.textOf("button[data-setting=SALES_TAX]").contains("as the crosswalk says") ? true : null);
    }

    private static void connectStoreloft(Browser browser, Demo demo) {
        browser.open(demo.address() + "/connect?view=connections&route=yard");
        browser.press("Connect Storeloft");
        browser.type("form[aria-label='Key of the app'] input[type=password]", "storeloft-demo-key", Keys.ENTER);
        browser.awaitText("5 parties, 7 items; Port Ellery and Saltmere");
    }
}
