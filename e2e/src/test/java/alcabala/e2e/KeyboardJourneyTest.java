package alcabala.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import java.time.LocalDateTime;
import java.time.format.DateTimeFormatter;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.openqa.selenium.Keys;
import org.openqa.selenium.support.ui.Select;

/// The same work by keyboard alone, and a reviewer who can only look.
class KeyboardJourneyTest {
    @Test
    void handsStayOnTheKeys() {
        try (Demo demo = Demo.start();
                Browser browser = new Browser()) {
            browser.open(demo.address() + "/sign-in");
            browser.find("input[autocomplete=username]");
            browser.keys(Keys.TAB, "ferro", Keys.TAB, "ferro-corvane", Keys.ENTER);
            browser.find("tr[data-document]");

            browser.awaitText("Why does line");
            keysMayBeFasterThanTheScreen(browser);
            browser.keys("j");
            browser.until(d -> d.getCurrentUrl().contains("document=") ? true : null);
            browser.keys("f");
            browser.find("tr.cause input");
            browser.until(d -> d.switchTo().activeElement().getTagName().equals("input") ? true : null);
            browser.keys(Keys.ENTER);
            browser.awaitText("15 documents released");
            browser.keys("u");
            browser.awaitText("Undone");
            letGoOfFields(browser);

            browser.keys("?");
            browser.awaitText("what keeps a record from crossing");
            browser.keys(Keys.ESCAPE);
            browser.keys("g", "2");
            browser.find("tr[data-code='RIG-0042'][data-open=true]");
            browser.keys("y");
            browser.awaitText("2 mapped");

            browser.keys("g", "3");
            browser.find("tr[data-document]");
            browser.keys("b");
            browser.awaitText("Hash total");
            tabTo(browser, "Send 104 documents");
            browser.keys(Keys.ENTER);
            browser.awaitText("102 posted, 2 refused");
            browser.keys(Keys.ESCAPE);
            browser.until(d -> d.getCurrentUrl().contains("/send?") ? true : null);
            browser.keys("/");
            browser.keys("20372");
            browser.find("[role=listbox] [role=option]");
            browser.keys(Keys.ENTER);
            browser.awaitText("The ledger took it");
            browser.keys(Keys.ESCAPE);
            browser.until(d -> d.getCurrentUrl().contains("/send?") ? true : null);

            aRouteRunsByItself(browser, demo);
            aReviewerOnlyLooks(browser, demo);
        }
    }

    /// From a full minute soon, each five minutes; the one after that is postponed. A slow machine still has half a
    /// minute to fill in the form.
    private static void aRouteRunsByItself(Browser browser, Demo demo) {
        browser.open(demo.address() + "/connect?view=runs&route=yard");
        browser.awaitText("Runs by hand only");
        browser.press("Let it run by itself");
        LocalDateTime first = LocalDateTime.now().plusSeconds(90);
        browser.type(
                "form[aria-label='When it runs'] [role=spinbutton]",
                first.format(DateTimeFormatter.ofPattern("ddMMuuuuHHmm")));
        browser.type("form[aria-label='When it runs'] input[type=number]", Keys.chord(Keys.CONTROL, "a"), "5");
        new Select(browser.find("form[aria-label='When it runs'] select")).selectByValue("minute");
        browser.press("Run so");
        browser.awaitText("Runs by itself every 5 minutes");
        String planned = browser.find("[data-next]").getText();
        browser.awaitText("Planned for", Duration.ofSeconds(150));
        browser.until(d -> browser.find("[data-next]").getText().equals(planned) ? null : true);
        browser.keys("o");
        browser.awaitText("postponed");
        browser.press("Change when it runs");
        browser.press("By hand only");
        browser.awaitText("Runs by hand only");
    }

    /// All in one turn of the page, so that nothing is drawn between them: each acts on what the one before left.
    private static void keysMayBeFasterThanTheScreen(Browser browser) {
        List<?> ids = (List<?>) browser.driver().executeScript("""
                const ids = [...document.querySelectorAll('tr[data-document]')].map(row => row.dataset.document);
                for (const key of ['j', 'j', 'x', 'j', 'x', 'k', 'k', 'k']) {
                    for (const type of ['keydown', 'keyup']) {
                        document.dispatchEvent(new KeyboardEvent(type, { key, code: 'Key' + key.toUpperCase(), bubbles: true }));
                    }
                }
                return ids;""");
        browser.awaitText("2 documents chosen");
        browser.until(d -> d.getCurrentUrl().contains("document=" + ids.get(0)) ? true : null);
        assertThat(browser.driver().getCurrentUrl())
                .matches(".*chosen=%s(,|%%2C)%s(&.*)?".formatted(ids.get(2), ids.get(3)));
        browser.keys(Keys.ESCAPE);
        browser.until(d -> d.getCurrentUrl().contains("chosen=") ? null : true);
    }

    private static void letGoOfFields(Browser browser) {
        browser.until(d -> d.switchTo().activeElement().getTagName().equals("input") ? null : true);
    }

    private static void tabTo(Browser browser, String text) {
        for (int i = 0; i < 400; i++) {
            if (browser.focused().startsWith(text)) {
                return;
            }
            browser.keys(Keys.chord(Keys.SHIFT, Keys.TAB));
        }
        throw new AssertionError("no tab stop says " + text);
    }

    private static void aReviewerOnlyLooks(Browser browser, Demo demo) {
        browser.driver().manage().deleteAllCookies();
        browser.signIn(demo.address(), "voss");
        browser.find("tr[data-document]");
        assertThat(browser.text())
                .doesNotContain("Map it once", "Batch the", "Fetch both sides")
                .contains("reviewer");
    }
}
