package alcabala.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import org.junit.jupiter.api.Test;
import org.openqa.selenium.By;
import org.openqa.selenium.Keys;

/// Somebody learns the job: a thing goes wrong, its cause is found, and it is put right, from the keyboard alone.
class PractiseJourneyTest {
    private static final Duration DOWN_FOR_A_WHILE = Duration.ofMinutes(2);

    @Test
    void whatGoesWrongIsFoundAndPutRight() {
        try (Demo demo = Demo.start();
                Browser browser = new Browser()) {
            browser.signIn(demo.address(), "admin");
            aLostAnswerIsFoundAgain(browser, demo);
            theSameChangesComeAgain(browser, demo);
            whatIsDeletedThereGoesAgain(browser, demo);
            whatIsEditedThereIsLeftAlone(browser, demo);
        }
    }

    private static void aLostAnswerIsFoundAgain(Browser browser, Demo demo) {
        practise(browser, demo, "An answer lost");
        browser.open(demo.address() + "/release?route=yard&state=Ready");
        browser.find("tr[data-document]");
        browser.keys("j", Keys.ENTER);
        browser.press("Send to Inkwell");
        browser.awaitText("Batch 1");
        browser.keys("g", "5");
        browser.awaitText("Sent, the answer was lost", "Ask Inkwell now");
        browser.keys("1");
        browser.awaitText("Inkwell is asked what became of batch 1");
        browser.awaitText("Both sides agree", DOWN_FOR_A_WHILE);
        browser.open(demo.desks() + "/inkwell/books/saltmere");
        assertThat(browser.all(".reference").stream()
                        .filter(each -> each.getText().startsWith("hullwork:")))
                .as("it stands there once")
                .hasSize(1);
        wasRight(browser, demo, "An answer lost");
    }

    private static void theSameChangesComeAgain(Browser browser, Demo demo) {
        practise(browser, demo, "A list of changes that begins again");
        browser.fetchBothSides();
        browser.keys("g", "5");
        browser.awaitText("Hullwork began again");
        while (!browser.text().contains("it began again from nothing")) {
            browser.keys("j");
        }
        browser.keys("1");
        browser.until(d -> browser.text().contains("Hullwork began again") ? null : true);
        wasRight(browser, demo, "A list of changes that begins again");
    }

    private static void whatIsDeletedThereGoesAgain(Browser browser, Demo demo) {
        practise(browser, demo, "A document deleted on the ledger");
        browser.fetchBothSides();
        browser.keys("g", "5");
        browser.awaitText("Deleted in Inkwell, still in Hullwork", "Send it to Inkwell again");
        browser.keys("1");
        browser.awaitText("1 record on the way");
        browser.awaitText("Both sides agree", DOWN_FOR_A_WHILE);
        wasRight(browser, demo, "A document deleted on the ledger");
    }

    private static void whatIsEditedThereIsLeftAlone(Browser browser, Demo demo) {
        practise(browser, demo, "A line edited on the ledger");
        browser.fetchBothSides();
        browser.keys("g", "5");
        browser.awaitText("Changed in Inkwell alone", "Leave it alone");
        browser.keys("x");
        browser.awaitText("Keep asking");
        browser.keys(Keys.ENTER);
        browser.awaitText("is left alone", "Both sides agree");
        browser.keys("u");
        browser.awaitText("is looked after again", "1 cause holds 1");
        itGoesItsOwnWay(browser);
    }

    /// A single record, by keys: looked at, unlinked, linked again, and not linked with what it stands for already.
    private static void itGoesItsOwnWay(Browser browser) {
        browser.driver().findElement(By.linkText("Both sides in full")).click();
        browser.awaitText("What can be done");
        String number = browser.find("h1").getText().split(" ")[0];
        browser.keys("s");
        browser.awaitText("Nothing new on either side");
        browser.keys("d");
        browser.awaitText("Both sides keep what they have", "No field of it comes back", "for good");
        browser.keys("n");
        browser.awaitText("Unlinked from " + number + " of Inkwell", "neither of the two is sent");
        browser.keys("u");
        browser.awaitText("is looked after again");
        browser.until(d -> browser.text().contains("neither of the two is sent") ? null : true);
        browser.keys("d");
        browser.awaitText("which you find by its number there");
        browser.keys("e");
        browser.until(d -> d.switchTo().activeElement().getTagName().equals("input") ? true : null);
        browser.keys(number, Keys.ENTER);
        browser.awaitText("It stands for it already.");
        browser.keys(Keys.ESCAPE);
    }

    private static void practise(Browser browser, Demo demo, String what) {
        browser.open(demo.address() + "/connect?view=practise&route=yard");
        browser.awaitText("Something goes wrong, and you find out what");
        browser.press(what);
        browser.awaitText("not named yet");
    }

    private static void wasRight(Browser browser, Demo demo, String what) {
        browser.open(demo.address() + "/connect?view=practise&route=yard");
        browser.until(
                d -> browser.textOf("table[aria-label='What was practised']").contains(what) ? true : null);
    }
}
