package alcabala.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import java.time.Instant;
import java.util.function.BooleanSupplier;
import org.junit.jupiter.api.Test;
import org.openqa.selenium.Keys;
import org.openqa.selenium.WebElement;

/// From an empty Alcabala to the first batch, by keyboard alone: the first administrator, consent of Inkwell's owner, a
/// source by its key, a route, what is suggested, a dry run, and a batch.
class FirstSetupJourneyTest {
    private static final Duration WANTED = Duration.ofMinutes(5);

    @Test
    void fromNothingToTheFirstBatch() {
        try (Demo demo = Demo.startEmpty();
                Browser browser = new Browser()) {
            becomeAdministrator(browser, demo);
            Instant start = Instant.now();
            connectInkwell(browser);
            connectHullwork(browser);
            takeOverWhatIsSuggested(browser);
            dryRun(browser);
            firstBatch(browser);
            assertThat(Duration.between(start, Instant.now())).isLessThan(WANTED);
        }
    }

    private static void becomeAdministrator(Browser browser, Demo demo) {
        browser.open(demo.address());
        browser.awaitText("The book is empty");
        tabToField(browser, "Secret that the start command printed");
        browser.keys("a guess", Keys.TAB, "Q. Founder", Keys.TAB, "founder", Keys.TAB, "founder-corvane", Keys.ENTER);
        browser.awaitText("This is not the secret that the start command printed");
        tabToField(browser, "Secret that the start command printed");
        browser.keys(Keys.BACK_SPACE.toString().repeat("a guess".length()), demo.firstSecret(), Keys.ENTER);
        // Nobody is asked to sign in who just did.
        awaitStep(browser, "LEDGER");
    }

    private static void connectInkwell(Browser browser) {
        browser.awaitText("Connect Inkwell");
        browser.keys("y");
        browser.awaitText("Sign in to Inkwell");
        tabToField(browser, "Password");
        browser.keys("office-inkwell", Keys.ENTER);
        browser.awaitText("Let Alcabala into your books?");
        tabToButton(browser, "Let it in");
        browser.keys(Keys.ENTER);
        browser.awaitText("Which company’s books are these?");
        tabToButton(browser, "Connect Corvane Boatyards");
        browser.keys(Keys.ENTER);
        awaitStep(browser, "SOURCE");
    }

    private static void connectHullwork(Browser browser) {
        browser.keys("y");
        browser.awaitText("No source yet");
        tabToButton(browser, "Connect Hullwork");
        browser.keys(Keys.ENTER);
        browser.find("form[aria-label='Key of the app'] input[type=password]");
        browser.keys("a wrong key", Keys.ENTER);
        browser.awaitText("Hullwork does not take this key");
        browser.keys(Keys.BACK_SPACE.toString().repeat("a wrong key".length()), "hullwork-demo-key", Keys.ENTER);
        browser.find("form[aria-label='New route']");
        assertThat(browser.textOf("tr[data-site='Saltmere']")).contains("150 documents", "nowhere");
        browser.until(d -> browser.textOf("tr[data-site='Saltmere']").contains("to Inkwell") ? true : null);
        tabToField(browser, "Name of the business on its documents");
        browser.keys("Corvane Boatyards", Keys.TAB, "IE6388047V", Keys.ENTER);
        browser.awaitText("Hullwork at Saltmere");
        browser.keys(Keys.ESCAPE);
        tabToButton(browser, "First steps");
        browser.keys(Keys.ENTER);
    }

    private static void takeOverWhatIsSuggested(Browser browser) {
        awaitStep(browser, "ROLES");
        browser.find("tr[data-suggestion=RECEIVABLES_CONTROL]");
        browser.keys("y");
        awaitStep(browser, "TAXES");
        browser.find("tr[data-suggestion=VEU]");
        browser.keys("y");
        awaitStep(browser, "CATEGORIES");
        assertThat(browser.textOf("tr[data-suggestion='rigging-labour']")).contains("4020 Repair labour");
        WebElement strainer = browser.find("tr[data-suggestion='ENG-0310'] input");
        tabTo(browser, strainer);
        browser.keys(Keys.SPACE);
        assertThat(strainer.isSelected()).isFalse();
        tabToButton(browser, "Take over");
        browser.keys(Keys.ENTER);
        browser.awaitText("1 code still open.");
        browser.until(d -> d.findElement(org.openqa.selenium.By.cssSelector("tr[data-suggestion='ENG-0310'] input"))
                        .isEnabled()
                ? true
                : null);
        WebElement again = browser.find("tr[data-suggestion='ENG-0310'] input");
        tabTo(browser, again);
        browser.keys(Keys.SPACE);
        tabToButton(browser, "Take over 1");
        browser.keys(Keys.ENTER);
        awaitStep(browser, "PARTIES");
        browser.find("tr[data-suggestion=C-1001]");
        browser.keys("y");
    }

    private static void dryRun(Browser browser) {
        awaitStep(browser, "DRY_RUN");
        browser.keys("y");
        browser.find("tr[data-check=NUMBERS][data-verdict=BLOCKS]");
        browser.find("tr[data-check=TAX_CODES][data-verdict=PASSES]");
        tabToButton(browser, "First steps");
        browser.keys(Keys.ENTER);
        awaitStep(browser, "FIRST_BATCH");
    }

    private static void firstBatch(Browser browser) {
        tabToButton(browser, "See what the first batch will do");
        browser.keys(Keys.ENTER);
        browser.awaitText("Posts 136 documents, €111,284.31");
        browser.awaitText("In use on Inkwell, Corvane Boatyards, Saltmere by other documents: HW-20388.");
        backToButton(browser, "Send 136 documents");
        browser.keys(Keys.ENTER);
        browser.awaitText("134 posted, 2 refused");
    }

    private static void awaitStep(Browser browser, String step) {
        browser.find("li[aria-current=step][data-step=" + step + "]");
    }

    private static void tabToField(Browser browser, String label) {
        tabUntil(
                browser,
                label,
                () -> Boolean.TRUE.equals(browser.driver()
                        .executeScript(
                                "const l = document.activeElement.closest('label');"
                                        + "return l !== null && l.innerText.trim().startsWith(arguments[0])",
                                label)));
    }

    private static void tabToButton(Browser browser, String text) {
        browser.button(text);
        tabUntil(browser, text, () -> browser.focused().startsWith(text));
    }

    /// Against the order of the page, past a long list.
    private static void backToButton(Browser browser, String text) {
        tabUntil(
                browser,
                text,
                Keys.chord(Keys.SHIFT, Keys.TAB),
                () -> browser.focused().startsWith(text));
    }

    private static void tabTo(Browser browser, WebElement wanted) {
        tabUntil(
                browser,
                wanted.toString(),
                () -> browser.driver().switchTo().activeElement().equals(wanted));
    }

    private static void tabUntil(Browser browser, String what, BooleanSupplier there) {
        tabUntil(browser, what, Keys.TAB, there);
    }

    private static void tabUntil(Browser browser, String what, CharSequence key, BooleanSupplier there) {
        for (int i = 0; i < 400; i++) {
            if (there.getAsBoolean()) {
                return;
            }
            browser.keys(key);
        }
        throw new AssertionError("no tab stop is " + what);
    }
}
