package alcabala.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Path;
import java.util.Map;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.MethodOrderer;
import org.junit.jupiter.api.Order;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.TestMethodOrder;
import org.junit.jupiter.api.io.TempDir;
import org.openqa.selenium.By;
import org.openqa.selenium.Keys;
import org.openqa.selenium.WebElement;
import org.openqa.selenium.support.ui.Select;

/// Two days of an administrator with one demo: the other harbour's site is led to its ledger; then what a pull brought,
/// another company, people.
@TestMethodOrder(MethodOrderer.OrderAnnotation.class)
class ConnectJourneyTest {
    private static final String BOOKS = "/inkwell/books/saltmere";
    private static Demo demo;
    private static Browser browser;

    @BeforeAll
    static void start() {
        demo = Demo.start();
        browser = new Browser();
        browser.signIn(demo.address(), "admin");
    }

    @AfterAll
    static void stop() {
        browser.close();
        demo.close();
    }

    @Test
    @Order(1)
    void aSiteGoesToCopperplateAndSettingsAreSeenBefore(@TempDir Path folder) {
        new SitesJourney(browser, demo, folder).go();
    }

    @Test
    @Order(2)
    void aBatchGoesAsAFileIsRefusedInPartAndReplaced(@TempDir Path folder) {
        new FilesJourney(browser, demo, folder).go();
    }

    @Test
    @Order(3)
    void anAdministratorsDay() {
        aPullSaysWhatChanged(browser, demo);
        connectingAgainIntoAnotherCompanyIsCaught(browser, demo);
        switchTheCompany(browser, demo);
        aRefusedConsentChangesNothing(browser, demo);
        letSomebodyIn(browser, demo);
        showSomebodyOneSite(browser, demo);
    }

    private static void aPullSaysWhatChanged(Browser browser, Demo demo) {
        demo.atDesk(
                BOOKS + "/accounts/4015", Map.of("name", "Paint and coatings", "type", "revenue", "active", "false"));
        browser.open(demo.address() + "/connect?view=reference&route=yard");
        browser.find("tr[data-code='4015']");
        browser.press("Pull now");
        browser.awaitText("1 inactive");
        browser.awaitText("used by 1 row, 42 documents not crossed");
        demo.atDesk(
                BOOKS + "/accounts/4015", Map.of("name", "Paint and coatings", "type", "revenue", "active", "true"));
        browser.press("Pull now");
        browser.awaitText("1 changed");
        assertThat(browser.textOf("tr[data-code='4015']")).contains("by 1 row").doesNotContain("Hide");
        browser.pressAt("tr[data-code='3000'] button");
        browser.awaitText("1 hidden");
    }

    private static void connectingAgainIntoAnotherCompanyIsCaught(Browser browser, Demo demo) {
        browser.open(demo.address() + "/connect?view=connections&route=yard");
        browser.press("Connect again");
        consent(browser, "Let it in");
        browser.pressAt("input[value=charter]");
        browser.press("Connect Corvane Charter");
        browser.awaitText("its crosswalks and posted documents belong to them; Corvane Charter is another company");
        browser.pressAt("input[value=saltmere]");
        browser.press("Connect Corvane Boatyards, Saltmere");
        browser.awaitText("is connected; its reference data are being pulled");
    }

    private static void switchTheCompany(Browser browser, Demo demo) {
        browser.open(demo.address() + "/connect?view=connections&route=yard");
        browser.press("Connect another company");
        browser.press("Ask for consent on Inkwell");
        browser.awaitText("Let Alcabala into your books?");
        browser.press("Let it in");
        browser.pressAt("input[value=charter]");
        assertThat(browser.find("input[value=saltmere]").isEnabled())
                .as("the same company twice")
                .isFalse();
        browser.press("Connect Corvane Charter");
        browser.awaitText("Corvane Charter is connected");
        browser.open(demo.address() + "/connect?view=connections&route=yard");
        browser.awaitText("12 accounts");
        browser.press("Move to another company");
        new Select(browser.find("section[aria-label='Move the route'] select"))
                .selectByVisibleText("Inkwell, Corvane Charter");
        browser.awaitText("account 4030 is of type liability there, revenue here");
        browser.press("Move to Inkwell, Corvane Charter, leave 11 rows behind");
        browser.awaitText("14 rows carried over, 11 left behind");
        browser.awaitText("Hullwork at Saltmere to Inkwell, Corvane Charter");
    }

    private static void aRefusedConsentChangesNothing(Browser browser, Demo demo) {
        browser.open(demo.address() + "/connect?view=connections&route=yard");
        browser.press("Connect another company");
        browser.press("Ask for consent on Inkwell");
        browser.awaitText("Let Alcabala into your books?");
        browser.press("Keep it out");
        browser.awaitText("The consent was refused on the ledger. Nothing was changed here");
    }

    private static void letSomebodyIn(Browser browser, Demo demo) {
        browser.open(demo.address() + "/connect?view=people&route=yard");
        browser.find("form[aria-label='Add a person'] input");
        browser.all("form[aria-label='Add a person'] input").get(0).sendKeys("J. Marlow");
        browser.all("form[aria-label='Add a person'] input").get(1).sendKeys("marlow");
        browser.all("form[aria-label='Add a person'] input").get(2).sendKeys("marlow-corvane", Keys.ENTER);
        browser.find("tr[data-person=marlow]");
        browser.open(demo.address() + "/connect?view=trail&route=yard");
        browser.awaitText("Person added");
        browser.driver().manage().deleteAllCookies();
        browser.signIn(demo.address(), "marlow");
        browser.awaitText("J. Marlow");
        browser.open(demo.address() + "/connect?view=connections&route=yard");
        browser.awaitText("An administrator connects ledgers.");
        assertThat(browser.text()).doesNotContain("Disconnect");
    }

    private static void showSomebodyOneSite(Browser browser, Demo demo) {
        browser.driver().manage().deleteAllCookies();
        browser.signIn(demo.address(), "admin");
        browser.open(demo.address() + "/connect?view=people&route=yard");
        browser.pressAt("tr[data-person=slip] button");
        browser.awaitText("Sees the documents of");
        box(browser, "Hullwork").sendKeys(Keys.SPACE);
        box(browser, "Port Ellery").sendKeys(Keys.SPACE);
        browser.press("Change and sign out everywhere");
        browser.awaitText("operations, sees Hullwork at Port Ellery");
        browser.driver().manage().deleteAllCookies();
        browser.signIn(demo.address(), "slip");
        browser.awaitText("What became of it");
        assertThat(browser.text()).doesNotContain("Lands in", "at Saltmere");
        browser.open(demo.address() + "/connect?view=people&route=yard");
        browser.awaitText("What became of it");
    }

    private static WebElement box(Browser browser, String name) {
        return browser.until(d -> browser.all("section[aria-label^=Change] label").stream()
                .filter(label -> label.getText().strip().equals(name))
                .map(label -> label.findElement(By.tagName("input")))
                .findFirst()
                .orElse(null));
    }

    private static void consent(Browser browser, String decision) {
        browser.awaitText("Sign in to Inkwell");
        browser.type("input[name=password]", "office-inkwell", Keys.ENTER);
        browser.awaitText("Let Alcabala into your books?");
        browser.press(decision);
    }
}
