package alcabala.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.openqa.selenium.Keys;

/// A row is changed knowing what that changes, what was posted before is put right, and many rows are changed
/// as one.
class MapJourneyTest {
    private static final String CATEGORIES = "/map?route=yard&kind=category";

    @TempDir
    private Path folder;

    @Test
    void changesAreSeenBeforeTheyAreMade() throws IOException {
        try (Demo demo = Demo.start();
                Browser browser = new Browser()) {
            browser.signIn(demo.address(), "ferro");
            sendAll(browser, demo);
            supposeByKeys(browser, demo);
            aDraftIsTakenBackWithItsRow(browser, demo);
            aDraftIsEnteredThere(browser, demo);
            aFileIsBroughtInAndTakenBack(browser, demo);
            manyCodesGoToOneAccount(browser, demo);
            allThatHoldsUpIsMappedByKeys(browser, demo);
            aFieldIsTriedAndItsChoicesMappedByKeys(browser, demo);
        }
    }

    private static void sendAll(Browser browser, Demo demo) {
        browser.open(demo.address() + "/release?route=yard&state=Ready&panel=batch");
        browser.awaitText("Hash total");
        browser.pressAt("aside[aria-label=Batch] button[type=submit]");
        browser.awaitText("87 posted, 2 refused");
    }

    /// No mouse from here to the saved row.
    private static void supposeByKeys(Browser browser, Demo demo) {
        browser.open(demo.address() + CATEGORIES + "&row=chandlery");
        browser.find("tr[data-code=chandlery].row-chosen");
        browser.keys("e");
        browser.find("input[aria-expanded]");
        browser.until(d -> d.switchTo().activeElement().getTagName().equals("input") ? true : null);
        browser.keys("4018");
        browser.until(d -> browser.textOf("[role=option]").startsWith("4018") ? true : null);
        browser.keys(Keys.ENTER);
        browser.until(d -> browser.all("[role=option]").isEmpty() ? true : null);
        tabTo(browser, "What would change?", 20);
        browser.keys(Keys.ENTER);
        browser.awaitText("49 would belong elsewhere");
        browser.awaitText(
                "not saved yet", "moves by itself", "Draft: 3 journals", "4010 Chandlery sales", "4018 Engine");
        browser.keys("d");
        browser.awaitText("correction 1 is drafted");
        browser.until(d -> account(browser, "chandlery").startsWith("4018") ? true : null);
    }

    private static void tabTo(Browser browser, String text, int most) {
        for (int i = 0; i < most && !browser.focused().startsWith(text); i++) {
            browser.keys(Keys.TAB);
        }
        assertThat(browser.focused()).startsWith(text);
    }

    private static String account(Browser browser, String category) {
        return browser.textOf("tr[data-code='%s'] td:last-child".formatted(category));
    }

    private static void aDraftIsTakenBackWithItsRow(Browser browser, Demo demo) {
        browser.keys("u");
        browser.awaitText("Undone");
        browser.until(d -> account(browser, "chandlery").startsWith("4010") ? true : null);
        browser.open(demo.address() + "/map/corrections?route=yard");
        browser.awaitText("dropped");
    }

    private static void aDraftIsEnteredThere(Browser browser, Demo demo) {
        browser.open(demo.address() + "/map/what-if?route=yard&kind=CATEGORY&code=chandlery&to-INCOME=4018");
        browser.press("November");
        browser.awaitText("HW-");
        browser.press("Save, and draft 3 journals");
        browser.awaitText("correction 2 is drafted");
        browser.open(demo.address() + "/map/corrections?route=yard");
        browser.type("aside[aria-label=Correction] input", "GJ-9", Keys.ENTER);
        browser.awaitText("entered as GJ-9");
        browser.press("Not entered after all");
        browser.awaitText("to be entered");
    }

    private void aFileIsBroughtInAndTakenBack(Browser browser, Demo demo) throws IOException {
        browser.open(demo.address() + "/map/bulk?route=yard&kind=category");
        String written = (String) browser.driver().executeAsyncScript("""
                const done = arguments[0];
                fetch('/api/map/bulk/file?route=yard&kind=CATEGORY&format=csv').then(answer => answer.text()).then(done);""");
        Path edited = folder.resolve("categories.csv");
        Files.writeString(edited, written.replace(",4015,", ",4018,").replace(",4060,", ",9999,"));
        browser.type("input[type=file]", edited.toString());
        browser.awaitText("1 would change");
        browser.awaitText("Inkwell has no active account 9999.", "4015 Paint and coatings");
        browser.press("Take over 1 row");
        browser.awaitText("1 row changed");
        browser.awaitText("categories.csv");
        browser.press("Take it back");
        browser.awaitText("1 row as before");
        browser.awaitText("taken back by M. Ferro");
    }

    private static void manyCodesGoToOneAccount(Browser browser, Demo demo) {
        browser.open(demo.address() + CATEGORIES + "&row=berths");
        browser.find("tr[data-code=berths].row-chosen");
        browser.keys("x", "j", "x");
        browser.awaitText("2 codes chosen");
        browser.type("[aria-label='Map together'] input", "4060");
        browser.until(d -> browser.textOf("[role=option]").startsWith("4060") ? true : null);
        browser.keys(Keys.ENTER);
        browser.awaitText("1 would change, 1 stay");
        browser.press("Change 1 row");
        browser.until(d -> account(browser, "berths").startsWith("4060") ? true : null);
        browser.keys("u");
        browser.awaitText("Undone");
        browser.until(d -> account(browser, "berths").startsWith("4040") ? true : null);
    }

    /// No mouse: where a field goes is seen on real documents before it is kept, and what it then asks for is answered.
    private static void aFieldIsTriedAndItsChoicesMappedByKeys(Browser browser, Demo demo) {
        browser.open(demo.address() + "/map?route=yard&kind=field&row=berth");
        browser.find("tr[data-code=berth].row-chosen");
        browser.keys("e");
        browser.until(d -> d.switchTo().activeElement().getTagName().equals("input") ? true : null);
        browser.keys("PIER");
        browser.until(d -> browser.textOf("[role=option]").startsWith("PIER") ? true : null);
        browser.keys(Keys.ENTER);
        browser.awaitText("3 values would not go");
        browser.awaitText("nothing says yet which choice stands for it");
        tabTo(browser, "Map it", 8);
        browser.keys(Keys.ENTER);
        browser.awaitText("Choices 3 open");
        browser.open(demo.address() + "/map?route=yard&kind=choice&row=berth%20%3E%20N");
        browser.find("tr[data-code='berth > N'].row-chosen");
        browser.keys("y");
        browser.awaitText("Choices 2 open");
    }

    /// No mouse: two items, a category for three more, a tax and a party, until nothing is held up any more.
    private static void allThatHoldsUpIsMappedByKeys(Browser browser, Demo demo) {
        browser.open(demo.address() + "/map?route=yard&kind=item&only=open");
        browser.find("tr[data-code='RIG-0042'].row-chosen");
        browser.awaitText("Items 5 open");
        browser.keys("y");
        browser.awaitText("Items 4 open");
        browser.find("tr[data-code='ENG-0310'].row-chosen");
        browser.keys("e");
        browser.until(d -> d.switchTo().activeElement().getTagName().equals("input") ? true : null);
        browser.keys(Keys.ENTER);
        browser.awaitText("Items 3 open");

        goTo(browser, "Categories 1 open");
        browser.find("tr[data-code=storage].row-chosen");
        browser.keys("y");
        browser.until(d ->
                browser.text().contains("Categories 1 open") || browser.text().contains("Items 3 open") ? null : true);

        goTo(browser, "Tax codes");
        browser.find("tr[data-code=VEU].row-chosen");
        browser.keys("e");
        browser.until(d -> d.switchTo().activeElement().getTagName().equals("input") ? true : null);
        browser.keys("RC0");
        browser.until(d -> browser.textOf("[role=option]").startsWith("RC0") ? true : null);
        browser.keys(Keys.ENTER);
        browser.until(d -> browser.all("[role=option]").isEmpty() ? true : null);
        browser.find("tr[data-code=VEU] button[type=submit]:not([disabled])");
        browser.keys(Keys.ENTER);
        browser.awaitText("Tax codes 3 open");

        goTo(browser, "Parties 1 open");
        browser.find("tr[data-code='C-1001'].row-chosen");
        browser.keys("c");
        browser.find("[data-topic]");
        browser.keys("1");
        browser.until(d -> browser.text().contains("blocked") ? null : true);
    }

    private static void goTo(Browser browser, String chip) {
        tabTo(browser, chip, 60);
        browser.keys(Keys.ENTER);
    }
}
