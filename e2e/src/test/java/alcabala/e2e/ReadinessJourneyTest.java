package alcabala.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.LocalDate;
import java.time.ZoneId;
import java.time.ZoneOffset;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.openqa.selenium.By;
import org.openqa.selenium.Keys;

/// Every check of readiness is made to fail from where a person would, seen failing, put right, and seen passing.
class ReadinessJourneyTest {
    private static final String BOOKS = "/inkwell/books/saltmere";
    private static final String SAME_FOR_LONG = "Braided rope for mooring lines, ";

    @TempDir
    private Path folder;

    private final Set<String> seen = new TreeSet<>();
    private Demo demo;
    private Browser browser;

    @BeforeEach
    void start() {
        demo = Demo.start();
        browser = new Browser();
        browser.signIn(demo.address(), "admin");
    }

    @AfterEach
    void stop() {
        browser.close();
        demo.close();
    }

    @Test
    void everyCheckFailsAndPasses() {
        whatTheLedgerDoesByItself();
        itsChartAndRates();
        whatIsMissingInTheDemo();
        numbersThatBothSidesUse();
        namesOfNewItems();
        billsAndNumbersFromFiles();
        billsCross();
        aSiteInAnotherCurrency();
        theConsent();
        otherBooks();
        assertThat(seen).as("each check seen failing and passing").hasSize(19);
    }

    private void otherBooks() {
        demo.atDesk(BOOKS + "/books", Map.of());
        judge("yard");
        expect("SAME_BOOKS", "BLOCKS");
        browser.awaitText("now answers for other books than those that were connected");
        demo.atDesk(BOOKS + "/books/former", Map.of());
        judge("yard");
        passes("SAME_BOOKS");
    }

    private void whatTheLedgerDoesByItself() {
        demo.atDesk(BOOKS + "/settings/applies-credits", Map.of("on", "true"));
        demo.atDesk(BOOKS + "/settings/tracks-quantities", Map.of("on", "true"));
        demo.atDesk(BOOKS + "/time-zone", Map.of("zone", "Pacific/Auckland"));
        judge("yard");
        expect("APPLIES_CREDITS", "WARNS");
        expect("TRACKS_QUANTITIES", "WARNS");
        expect("CALENDAR", "WARNS");
        expect("DIMENSIONS", "WARNS");
        expect("PERIOD", "BLOCKS");
        browser.awaitText("switch off “tracks quantities and books the cost of what is sold”");
        browser.awaitText("Cost of sales is booked twice, once here and once there, for");
        demo.atDesk(BOOKS + "/settings/applies-credits", Map.of("on", "false"));
        demo.atDesk(BOOKS + "/settings/tracks-quantities", Map.of("on", "false"));
        demo.atDesk(BOOKS + "/settings/dimensions", Map.of("on", "true"));
        demo.atDesk(BOOKS + "/time-zone", Map.of("zone", ZoneId.systemDefault().getId()));
        demo.atDesk(
                BOOKS + "/lock", Map.of("through", LocalDate.now().minusYears(1).toString()));
        browser.keys("r");
        passes("APPLIES_CREDITS", "TRACKS_QUANTITIES", "CALENDAR", "DIMENSIONS", "PERIOD");
    }

    private void itsChartAndRates() {
        demo.atDesk(BOOKS + "/tax-codes/S23", Map.of("rate", "21", "active", "true"));
        demo.atDesk(BOOKS + "/accounts/1100", Map.of("name", "Receivables control", "type", "asset", "active", "true"));
        fetch();
        expect("TAX_RATES", "BLOCKS");
        expect("ACCOUNT_ROLES", "BLOCKS");
        demo.atDesk(BOOKS + "/tax-codes/S23", Map.of("rate", "23", "active", "true"));
        demo.atDesk(
                BOOKS + "/accounts/1100",
                Map.of("name", "Receivables control", "type", "receivable", "active", "true"));
        fetch();
        passes("TAX_RATES", "ACCOUNT_ROLES");
    }

    private void whatIsMissingInTheDemo() {
        expect("TAX_CODES", "BLOCKS");
        expect("DEFAULT_FOR_SALES", "WARNS");
        browser.pressAt("tr[data-check=TAX_CODES] a");
        browser.find("tr[data-code=VEU][data-open=true]");
        row("TAX", "VEU", "COUNTERPART", "RC0");
        row("ROLE", "SALES", "ACCOUNT", "4010");
        decide("SALES_TAX", "off", 0);
        judge("yard");
        expect("TAX_OFF", "WARNS");
        browser.awaitText("would be booked as revenue");
        decide("SALES_TAX", "as-mapped", 1);
        browser.keys("r");
        passes("TAX_CODES", "DEFAULT_FOR_SALES", "TAX_OFF");
    }

    private void numbersThatBothSidesUse() {
        expect("NUMBERS", "BLOCKS");
        browser.awaitText("which neither side has used");
        browser.pressAt("tr[data-check=NUMBERS] a");
        browser.pressAt("button[data-setting=NUMBER_PREFIX]");
        browser.type("aside[aria-label='Before the number'] input", "SM-");
        browser.find("[data-effect]");
        browser.press("Decide so");
        browser.find("section[aria-label='Earlier decisions']");
        judge("yard");
        passes("NUMBERS");
    }

    private void namesOfNewItems() {
        demo.atDesk("/hullwork/items/RPE-10", Map.of("text", SAME_FOR_LONG + "10 mm"));
        demo.atDesk("/hullwork/items/RPE-12", Map.of("text", SAME_FOR_LONG + "12 mm"));
        fetch();
        expect("ITEM_NAMES", "BLOCKS");
        demo.atDesk("/hullwork/items/RPE-12", Map.of("text", "Rope 12 mm"));
        fetch();
        passes("ITEM_NAMES");
    }

    private void billsAndNumbersFromFiles() {
        takeIn(demo.files().resolve("bill-from-tarpaulin-works.xml"));
        takeIn(renumbered("CB-7001", "HW-20310"));
        judge("harbour");
        expect("PURCHASE_ORDERS", "WARNS");
        expect("ONE_WAY_ONLY", "BLOCKS");
        demo.atDesk(BOOKS + "/settings/purchase-orders", Map.of("on", "true"));
        demo.atDesk("/hullwork/documents/d-20310/void", Map.of());
        judge("yard");
        fetch();
        passes("ONE_WAY_ONLY");
        judge("harbour");
        passes("PURCHASE_ORDERS");
    }

    private void billsCross() {
        browser.open(demo.address() + "/release?route=harbour");
        browser.awaitText("Bills do not cross on this route.");
        browser.pressAt("a[href*='setting=BILLS']");
        browser.until(d -> d.findElement(By.cssSelector("input[value=to-ledger]")))
                .sendKeys(Keys.SPACE);
        browser.awaitText("The route names no account for the role payables control.");
        browser.press("Decide so");
        browser.find("section[aria-label='Earlier decisions']");
        judge("harbour");
        expect("DEFAULT_FOR_PURCHASES", "WARNS");
        expect("ACCOUNT_ROLES", "BLOCKS");
        browser.pressAt("tr[data-check=DEFAULT_FOR_PURCHASES] a");
        browser.press("Accept the 2 exact");
        browser.type("tr[data-code=PURCHASES] button", "y");
        browser.find("tr[data-code=PURCHASES] svg[aria-label=mapped]");
        judge("harbour");
        passes("DEFAULT_FOR_PURCHASES");
        browser.open(demo.address() + "/release?route=harbour&state=Ready&panel=batch");
        browser.press("Purchases");
        browser.press("Send 1 document to Inkwell");
        browser.awaitText("1 posted");
    }

    private void takeIn(Path file) {
        browser.open(demo.address() + "/release?route=harbour&panel=intake");
        browser.type("input[type=file]", file.toString());
        browser.press("Take in 1 document");
        browser.awaitText("1 document taken in");
    }

    private Path renumbered(String number, String other) {
        try {
            String file = Files.readString(demo.files().resolve(number + ".xml"));
            return Files.writeString(folder.resolve(other + ".xml"), file.replace(number, other));
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private void aSiteInAnotherCurrency() {
        judge("yard");
        expect("ROUTES", "WARNS");
        expect("CURRENCIES", "PASSES");
        browser.call("POST", "/api/connect/routes", """
                {"code": "ellery", "source": 1, "ledger": 1, "site": "Port Ellery", "business": "Corvane Boatyards", "taxIdentifiers": []}""");
        browser.keys("r");
        passes("ROUTES");
        judge("ellery");
        expect("CURRENCIES", "BLOCKS");
        judge("yard");
        passes("CURRENCIES");
    }

    private void theConsent() {
        browser.open(demo.desks() + "/inkwell/consents");
        browser.press("Let the consent end in three days");
        browser.awaitText(LocalDate.now(ZoneOffset.UTC).plusDays(3).toString());
        judge("yard");
        expect("CONSENT", "WARNS");
        browser.pressAt("tr[data-check=CONSENT] a");
        browser.press("Connect again");
        browser.awaitText("Sign in to Inkwell");
        browser.type("input[name=password]", "office-inkwell", Keys.ENTER);
        browser.press("Let it in");
        browser.pressAt("input[value=saltmere]");
        browser.press("Connect Corvane Boatyards, Saltmere");
        browser.awaitText("is connected; its reference data are being pulled");
        judge("yard");
        passes("CONSENT");
    }

    private void judge(String route) {
        browser.open(demo.address() + "/connect?view=readiness&route=" + route);
        browser.find("tr[data-check]");
    }

    /// Both sides by key, on the page of readiness, which is then judged again.
    private void fetch() {
        browser.fetchBothSides();
        browser.keys("r");
        browser.until(d -> browser.text().contains("Judge again") ? true : null);
    }

    private void expect(String check, String verdict) {
        browser.find("tr[data-check=" + check + "][data-verdict=" + verdict + "]");
    }

    private void passes(String... checks) {
        for (String check : checks) {
            expect(check, "PASSES");
            seen.add(check);
        }
    }

    private void row(String kind, String code, String purpose, String target) {
        browser.call("PUT", "/api/map/row", """
                {"route": "yard", "kind": "%s", "code": "%s", "meaning": {"targets": {"%s": "%s"}}, "expectedVersion": 0}""".formatted(kind, code, purpose, target));
    }

    private void decide(String setting, String value, int version) {
        browser.call("PUT", "/api/settings", """
                {"route": "yard", "changes": [{"setting": "%s", "value": "%s", "expectedVersion": %d}]}""".formatted(setting, value, version));
    }
}
