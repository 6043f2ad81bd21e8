package alcabala.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.Test;
import org.openqa.selenium.By;
import org.openqa.selenium.Keys;
import org.openqa.selenium.WebElement;
import org.openqa.selenium.support.ui.Select;

/// Money both ways, as a bookkeeper and the yard office see it: recorded at the desk, mapped, waiting for its invoice,
/// sent; entered on Inkwell and back at the desk.
class PaymentsJourneyTest {
    @Test
    void moneyIsOnBothSides() {
        try (Demo demo = Demo.start();
                Browser browser = new Browser()) {
            browser.signIn(demo.address(), "admin");
            letPaymentsCrossBothWays(browser, demo);
            String invoice = recordAtTheDesk(browser, demo);
            mapItsMeans(browser, demo);
            sendItsInvoice(browser, demo, invoice);
            sendThePayment(browser, demo);
            seeItOnBothSides(browser, demo, invoice);
            correctItAtTheDesk(browser, demo);
            enterTheRestOnInkwell(browser, demo, invoice);
        }
    }

    private static void letPaymentsCrossBothWays(Browser browser, Demo demo) {
        browser.open(demo.address() + "/connect?view=crossing&route=yard");
        browser.find("tr[data-kind=PARTIES]");
        browser.keys("jjjjj");
        browser.find("tr[data-kind=PAYMENTS][data-open=true]");
        browser.keys("2");
        browser.awaitText("1 change, not decided");
        browser.keys(Keys.ESCAPE);
        browser.awaitText("As it is decided now");
        browser.keys("3");
        browser.awaitText("entered on either side");
        browser.keys("d");
        browser.awaitText("What was decided");
    }

    /// A ready invoice of more than a hundred, part of it paid by card.
    private static String recordAtTheDesk(Browser browser, Demo demo) {
        browser.open(demo.address() + "/release?route=yard&state=Ready&order=GROSS");
        WebElement row = browser.find("tr[data-document]");
        String number =
                row.findElement(By.cssSelector("td:nth-child(2) button")).getText();
        browser.open(demo.desks() + "/hullwork/documents/d-" + number.substring("HW-".length()));
        fill(browser, "amount", "100.00");
        new Select(browser.find("form[action$='/payments'] select[name=means]")).selectByValue("48");
        fill(browser, "reference", "terminal 0417");
        browser.press("Record payment");
        browser.awaitText("HW-P-1001");
        return number;
    }

    private static void fill(Browser browser, String name, String value) {
        WebElement field = browser.find("form[action$='/payments'] input[name=" + name + "]");
        field.clear();
        field.sendKeys(value);
    }

    private static void mapItsMeans(Browser browser, Demo demo) {
        browser.open(demo.address() + "/release?route=yard&what=payments");
        browser.press("Fetch both sides");
        browser.awaitText("Nothing says which account takes money paid by bank card (48) in EUR.");
        browser.awaitText("It waits for invoice");
        browser.press("Map it once");
        assertThat(browser.find("tr.cause input").getAttribute("value")).startsWith("1250 Card clearing");
        browser.type("tr.cause input", Keys.ENTER);
        browser.awaitText("0 documents released");
    }

    private static void sendItsInvoice(Browser browser, Demo demo, String invoice) {
        browser.open(demo.address() + "/release?route=yard&state=Ready&text=" + invoice);
        browser.type("tr[data-document] button", Keys.ENTER);
        browser.press("Send to Inkwell");
        browser.awaitText("1 posted");
    }

    /// Nobody released it.
    private static void sendThePayment(Browser browser, Demo demo) {
        browser.open(demo.address() + "/release?route=yard&what=payments&state=Ready");
        browser.awaitText("HW-P-1001");
        browser.press("Batch the 1 ready");
        browser.press("Send 1 payment to Inkwell");
        browser.awaitText("1 posted");
    }

    private static void seeItOnBothSides(Browser browser, Demo demo, String invoice) {
        browser.open(demo.address() + "/release?route=yard&state=Posted&text=HW-P-1001");
        browser.type("tr[data-document] button", Keys.ENTER);
        browser.awaitText("Settles in Hullwork");
        browser.awaitText("invoice " + invoice, "1250 Card clearing", "bank card (48)", "terminal 0417");
        assertThat(browser.all("tr[data-differs=true]")).isEmpty();
    }

    /// It was mistyped, and goes again in its place.
    private static void correctItAtTheDesk(Browser browser, Demo demo) {
        String address = browser.driver().getCurrentUrl();
        browser.open(demo.desks() + "/hullwork/payments");
        WebElement amount = browser.find("form[action$='/correct'] input[name=amount]");
        amount.clear();
        amount.sendKeys("120.00");
        browser.press("Correct");
        browser.awaitText("EUR 120.00");
        browser.open(address);
        browser.press("Fetch both sides");
        browser.awaitText("Sending it changes what stands in Inkwell, in its place.");
        browser.press("Send it as Hullwork has it");
        browser.awaitText("1 posted");
        browser.open(address);
        browser.awaitText("Open credit");
        assertThat(browser.all("tr[data-differs=true]")).isEmpty();
    }

    private static void enterTheRestOnInkwell(Browser browser, Demo demo, String invoice) {
        browser.open(demo.address() + "/release?route=yard&state=Posted&text=" + invoice);
        browser.type("tr[data-document] button", Keys.ENTER);
        browser.awaitText("Settled by");
        String address = browser.driver().getCurrentUrl();
        browser.open(browser.find("a[href*='/inkwell/books/']").getAttribute("href"));
        browser.type("input[name=reference]", "over the counter");
        browser.press("Record payment");
        browser.awaitText("over the counter");
        browser.open(address);
        browser.press("Fetch both sides");
        browser.awaitText("1 payment from Inkwell");
        browser.open(demo.address() + "/send?route=yard");
        browser.awaitText("1 posted, back to Hullwork");
        browser.open(demo.desks() + "/hullwork/payments");
        browser.awaitText("HW-P-1002", "over the counter", "inkwell:PM-");
        browser.open(demo.desks() + "/hullwork/documents/d-" + invoice.substring("HW-".length()));
        assertThat(browser.textOf("#open")).isEqualTo("0.00");
    }
}
