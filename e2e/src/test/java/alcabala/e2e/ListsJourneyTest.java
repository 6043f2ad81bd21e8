package alcabala.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.junit.jupiter.api.Test;
import org.openqa.selenium.By;
import org.openqa.selenium.Keys;
import org.openqa.selenium.WebElement;
import org.openqa.selenium.interactions.Actions;

/// What every list can: keys, choosing from row to row, columns that are remembered, a file, paper.
class ListsJourneyTest {
    private static final String ALL = "/release?route=yard&state=All";

    @Test
    void listsAreBooks() {
        try (Demo demo = Demo.start();
                Browser browser = new Browser()) {
            browser.signIn(demo.address(), "ferro");
            browser.open(demo.address() + ALL);
            browser.find("tr[data-document]");
            assertThat(browser.find("table.book").getAttribute("aria-rowcount"))
                    .as("with its head")
                    .isEqualTo("151");
            keysWalkAndChoose(browser);
            columnsAreRemembered(browser, demo);
            aFileHasAllOfIt(browser);
            paperHasAllOfIt(browser);
            groupsAreSavedAsWell(browser, demo);
            whatIsReadWholeIsSortedHere(browser, demo);
        }
    }

    private static void keysWalkAndChoose(Browser browser) {
        browser.keys(Keys.END);
        browser.until(d -> selected(browser).equals("151") ? true : null);
        browser.keys(Keys.HOME);
        browser.until(d -> selected(browser).equals("2") ? true : null);
        new Actions(browser.driver())
                .keyDown(Keys.SHIFT)
                .sendKeys("jj")
                .keyUp(Keys.SHIFT)
                .perform();
        browser.awaitText("3 documents chosen");
        browser.keys(Keys.ESCAPE);
        browser.until(d -> browser.text().contains("chosen") ? null : true);
        browser.driver().executeScript("""
                const boxes = [...document.querySelectorAll('tr[data-document] input')];
                boxes[1].click();
                boxes[5].dispatchEvent(new MouseEvent('click', { bubbles: true, cancelable: true, shiftKey: true }));""");
        browser.awaitText("5 documents chosen");
        browser.keys(Keys.ESCAPE);
        browser.until(d -> browser.text().contains("chosen") ? null : true);
        browser.driver().executeScript("""
                document.querySelectorAll('tr[data-document] input')[9]
                    .dispatchEvent(new MouseEvent('click', { bubbles: true, cancelable: true, shiftKey: true }));""");
        browser.awaitText("1 document chosen");
        browser.keys(Keys.ESCAPE);
    }

    /// The place of the row that one is at, counted from the head.
    private static String selected(Browser browser) {
        List<WebElement> rows = browser.all("tr.row-chosen");
        return rows.isEmpty() ? "" : rows.getFirst().getAttribute("aria-rowindex");
    }

    private static void columnsAreRemembered(Browser browser, Demo demo) {
        assertThat(heads(browser)).contains("Payment").doesNotContain("Due");
        browser.press("Columns");
        browser.until(d -> browser.all("[role=dialog] label").stream()
                        .filter(label -> label.getText().equals("Due"))
                        .findFirst()
                        .orElse(null))
                .findElement(By.tagName("input"))
                .sendKeys(Keys.SPACE);
        browser.until(d -> heads(browser).contains("Due") ? true : null);
        browser.open(demo.address() + ALL);
        browser.find("tr[data-document]");
        assertThat(heads(browser)).contains("Due");
    }

    private static String heads(Browser browser) {
        return browser.textOf("table.book thead");
    }

    private static void aFileHasAllOfIt(Browser browser) {
        List<String> lines = saved(browser);
        assertThat(lines).as("those that were not read yet as well").hasSize(151);
        assertThat(lines.getFirst()).endsWith("Number,Party,Date,Due,Gross,State,Lands in,Tax code,Payment,Gross");
        assertThat(String.join("\n", lines)).contains("HW-20301,").containsPattern("HC-\\d+,[^\n]*,-\\d+\\.\\d\\d,");
    }

    /// The lines of the file that a press makes.
    private static List<String> saved(Browser browser) {
        browser.driver().executeScript("""
                const made = URL.createObjectURL.bind(URL);
                URL.createObjectURL = blob => (blob.text().then(text => (window.saved = text)), made(blob));""");
        browser.press("Save as a file");
        return browser.until(d -> (String) browser.driver().executeScript("return window.saved ?? null"))
                .lines()
                .toList();
    }

    private static void groupsAreSavedAsWell(Browser browser, Demo demo) {
        browser.open(demo.address() + "/release?route=yard&state=Blocked");
        browser.find("tr[data-cause]");
        assertThat(saved(browser)).hasSize(48);
    }

    private static void paperHasAllOfIt(Browser browser) {
        int screen = browser.all("tr[data-document]").size();
        assertThat(screen).isLessThan(60);
        browser.driver().executeScript("window.dispatchEvent(new Event('beforeprint'))");
        assertThat(browser.all("tr[data-document]")).hasSize(150);
        browser.driver().executeScript("window.dispatchEvent(new Event('afterprint'))");
        browser.until(d -> browser.all("tr[data-document]").size() < 60 ? true : null);
    }

    private static void whatIsReadWholeIsSortedHere(Browser browser, Demo demo) {
        browser.open(demo.address() + "/map?route=yard&kind=role");
        WebElement first = browser.find("tr[data-code]");
        String before = first.getAttribute("data-code");
        browser.press("Role");
        browser.until(d -> browser.find("th[aria-sort=ascending]"));
        browser.press("Role");
        browser.until(d -> browser.find("th[aria-sort=descending]"));
        assertThat(browser.find("tr[data-code]").getAttribute("data-code")).isNotEqualTo(before);
        browser.press("Role");
        browser.until(d -> browser.all("th[aria-sort]").isEmpty() ? true : null);
        assertThat(browser.find("tr[data-code]").getAttribute("data-code")).isEqualTo(before);
    }
}
