package alcabala.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.LocalDate;
import java.util.Map;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;
import org.openqa.selenium.By;
import org.openqa.selenium.Keys;
import org.openqa.selenium.WebElement;

/// Her main job, in the browser: put causes right, batch, send, deal with refusals, look at both sides, fetch a
/// payment.
class BookkeeperJourneyTest {
    @Test
    void fromTroubleToAgreement() {
        try (Demo demo = Demo.start();
                Browser browser = new Browser()) {
            browser.signIn(demo.address(), "ferro");
            assertThat(browser.textOf("tr[data-cause]")).contains("RIG-0042", "16 documents", "€17,457.92");

            mapOnceFromRelease(browser);
            mapTheOthersOnMap(browser, demo);
            takeInTheCorrectedFile(browser, demo);
            sendAll(browser, demo);
            stepBetweenRefusals(browser, demo);
            putRefusalsRight(browser, demo);
            lookAtBothSides(browser, demo);
            settleWhatWasChangedThere(browser, demo);
            bothSidesAgreeToTheCent(demo);
            aBatchIsTakenBackByKeys(browser, demo);
            somebodyIsToldOfIt(browser, demo);
        }
    }

    /// One of its two records was paid and went again since: that one stays.
    private static void aBatchIsTakenBackByKeys(Browser browser, Demo demo) {
        browser.open(demo.address() + "/send/2?route=yard");
        browser.awaitText("2 posted");
        browser.keys("u");
        browser.awaitText("1 record can be taken back, 1 cannot");
        browser.awaitText("Voids 1, €");
        browser.type("form[aria-label='Take back'] input", "Posted to the wrong account", Keys.ENTER);
        browser.awaitText("takes back batch 2: Posted to the wrong account");
        browser.awaitText("1 taken back");
    }

    private static void somebodyIsToldOfIt(Browser browser, Demo demo) {
        browser.keys("m");
        browser.awaitText("Nobody was told of it so far.");
        browser.keys("office@inkwell.example", Keys.ENTER);
        browser.awaitText("by M. Ferro, with batch-");
        browser.until(d -> demo.read(demo.desks() + "/post").contains("office@inkwell.example") ? true : null);
    }

    private static void mapOnceFromRelease(Browser browser) {
        browser.press("Map it once");
        WebElement field = browser.find("tr.cause input");
        assertThat(field.getAttribute("value"))
                .as("the suggestion is filled in")
                .startsWith("RIG-06");
        field.sendKeys(Keys.ENTER);
        browser.awaitText("15 documents released, €16,691.02");
        browser.press("Undo");
        browser.awaitText("Undone");
        browser.awaitText("RIG-0042 Swage terminal 6 mm has no account");
        browser.press("Map it once");
        browser.type("tr.cause input", Keys.ENTER);
        browser.awaitText("15 documents released");
    }

    private static void mapTheOthersOnMap(Browser browser, Demo demo) {
        accept(browser, demo, "item", "ENG-0310");
        accept(browser, demo, "category", "storage");
        accept(browser, demo, "tax", "VEU");
        decideWhoItIs(browser, demo);
        browser.awaitText("all mapped");
    }

    /// By keys: from the list to the sheet, and from there back to the list.
    private static void decideWhoItIs(Browser browser, Demo demo) {
        browser.open(demo.address() + "/map?route=yard&kind=party");
        browser.find("tr.row-chosen[data-code=C-1001]");
        browser.keys("c");
        assertThat(browser.textOf("section[aria-label='On Inkwell, second'] [data-topic=TAX_IDENTIFIER]"))
                .contains("IE6433435F", "another", "against");
        assertThat(browser.textOf("section[aria-label='On Inkwell, first'] [data-topic=NAME]"))
                .contains("the same, written another way");
        browser.awaitText("holds up 6 documents", "Open, one contradiction");
        browser.keys("1");
        browser.find("tr[data-code=C-1001][data-open=false]");
    }

    private static void accept(Browser browser, Demo demo, String kind, String code) {
        browser.open(demo.address() + "/map?route=yard&kind=" + kind);
        browser.until(d -> {
            WebElement row = browser.find("tr[data-code='" + code + "'][data-open=true]");
            row.findElements(By.tagName("button")).stream()
                    .filter(button -> button.getText().startsWith("Accept"))
                    .findFirst()
                    .orElseThrow()
                    .sendKeys(Keys.ENTER);
            return true;
        });
        browser.find("tr[data-code='" + code + "'][data-open=false]");
    }

    private static void takeInTheCorrectedFile(Browser browser, Demo demo) {
        browser.open(demo.address() + "/release?route=harbour");
        browser.awaitText("The file says gross €738.59, its own figures give €728.59.");
        browser.press("Take in files");
        browser.type(
                "input[type=file]",
                demo.files().resolve("CB-7002-corrected.xml") + "\n"
                        + demo.files().resolve("bill-from-tarpaulin-works.xml"));
        browser.awaitText("Bills do not cross on this route.");
        browser.press("Take in 2 documents");
        browser.awaitText("2 documents taken in");
        browser.awaitText("Ready 2");
    }

    private static void sendAll(Browser browser, Demo demo) {
        browser.open(demo.address() + "/release?route=yard&state=Waiting");
        browser.press("Approve 14 in Hullwork");
        browser.awaitText("Ready 150");
        browser.press("Batch the 150 ready");
        seeItBefore(browser);
        browser.type("aside[aria-label=Batch] input[inputmode=decimal]", "12.00");
        browser.press("Send 150 documents");
        browser.awaitText("your own list to €12.00");
        WebElement own = browser.find("aside[aria-label=Batch] input[inputmode=decimal]");
        own.sendKeys(Keys.chord(Keys.CONTROL, "a"), Keys.DELETE);
        browser.press("Send 150 documents");
        browser.awaitText("148 posted, 2 refused");
        browser.awaitText("The books are locked through");
        browser.awaitText("The number HW-20388 is in use");
    }

    /// Every document as it would stand there, and a list of one's own beside them that has one too few.
    private static void seeItBefore(Browser browser) {
        browser.awaitText("Hash total");
        browser.keys("d");
        browser.find("section[aria-label='Dry run'] tr[data-document]");
        browser.keys("j");
        browser.awaitText("Journal of all 150 documents");
        browser.awaitText("Journal of HW-");
        String number = browser.textOf("section[aria-label='Dry run'] tr.row-chosen td button");
        String gross = browser.textOf("section[aria-label='Dry run'] tr.row-chosen td:last-child");
        browser.keys("d");
        browser.awaitText("See every document and journal");
        browser.driver()
                .findElement(By.cssSelector("input[type=file]"))
                .sendKeys(list("Nr;Betrag\n%s;%s\nZZ-1;5.00\n".formatted(number, gross)));
        browser.awaitText("1 document agrees, 150 lines do not.");
        browser.awaitText("not in the batch", "not on your list");
        browser.press("Leave it out");
    }

    private static String list(String content) {
        try {
            Path file = Files.createTempFile("own-list", ".csv");
            file.toFile().deleteOnExit();
            return Files.writeString(file, content).toString();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /// Keys that come faster than the screen follows: each goes from where the one before led.
    private static void stepBetweenRefusals(Browser browser, Demo demo) {
        browser.open(demo.address() + "/resolve?route=yard");
        browser.find("li[data-cause] button[aria-pressed=true]");
        assertThat(browser.all("li[data-cause]")).hasSize(2);
        browser.keys("jjk");
        browser.find("li[data-cause]:first-child button[aria-pressed=true]");
    }

    private static void putRefusalsRight(Browser browser, Demo demo) {
        demo.atDesk(
                "/inkwell/books/saltmere/lock",
                Map.of("through", LocalDate.now().minusYears(1).toString()));
        browser.open(demo.desks() + "/hullwork/documents/d-20388");
        WebElement number = browser.find("input[name=number]");
        number.clear();
        number.sendKeys("HW-20988", Keys.ENTER);
        browser.awaitText("HW-20988");
        browser.open(demo.address() + "/release?route=yard&state=Refused");
        browser.awaitText("The number HW-20388");
        browser.press("Fetch both sides");
        browser.awaitText("1 changed document");
        browser.open(demo.address() + "/send/1?route=yard");
        browser.press("Send the 2 refused again");
        browser.awaitText("Posts 2 documents");
        browser.pressAt("aside[aria-label=Batch] button[type=submit]");
        browser.awaitText("2 posted");
    }

    private static void lookAtBothSides(Browser browser, Demo demo) {
        browser.open(demo.address() + "/release?route=yard&state=Posted&order=NUMBER&what=documents");
        browser.type("tr[data-document] button", Keys.ENTER);
        browser.awaitText("The ledger took it");
        String address = browser.driver().getCurrentUrl();
        assertThat(browser.all("tr[data-differs=true]")).isEmpty();
        browser.open(browser.find("a[href*='/inkwell/books/']").getAttribute("href"));
        browser.press("Record payment");
        // What the page says of payments before is not what it says afterwards.
        browser.until(d -> browser.text().contains("Record payment") ? null : true);
        browser.open(address);
        browser.press("Fetch both sides");
        browser.awaitText("1 payment from Inkwell");
        browser.open(address);
        browser.awaitText("Payment brought back");
        browser.awaitText("Posted\npaid");
    }

    /// Somebody changes the amount there; one key puts it back, in the same place.
    private static void settleWhatWasChangedThere(Browser browser, Demo demo) {
        browser.open(demo.address() + "/release?route=yard&state=Posted&order=NUMBER&what=documents");
        browser.type("tr[data-document] button", Keys.ENTER);
        browser.awaitText("The ledger took it");
        String address = browser.driver().getCurrentUrl();
        browser.open(browser.find("a[href*='/inkwell/books/']").getAttribute("href"));
        WebElement amount = browser.find("input[name=amount]");
        amount.clear();
        amount.sendKeys("999.99", Keys.ENTER);
        browser.awaitText("version 3");
        browser.open(address);
        browser.press("Fetch both sides");
        browser.awaitText("It was changed in Inkwell after it was posted. Sending it puts back what Hullwork has.");
        assertThat(browser.textOf("table[aria-label='Changed since both agreed']"))
                .contains("Line 1", "Changed in Inkwell, and nothing of it comes back");
        browser.keys("g5");
        browser.awaitText("1 cause holds 1");
        browser.awaitText("Changed in Inkwell alone");
        browser.awaitText("Send it as Hullwork has it");
        browser.keys("r");
        browser.awaitText("Both sides agree");
        browser.open(address);
        browser.awaitText("Sent in place of what stands there");
        browser.awaitText("Posted\npaid");
        assertThat(browser.all("tr[data-differs=true]")).isEmpty();
    }

    /// The one payment has left the control account again; it is added back to compare.
    private static void bothSidesAgreeToTheCent(Demo demo) {
        String sums = demo.read(demo.desks() + "/hullwork/sums");
        String balances = demo.read(demo.desks() + "/inkwell/books/saltmere/balances");
        Matcher gross = Pattern.compile("id=\"gross\">([-0-9.]+)").matcher(sums);
        Matcher control = Pattern.compile(
                        "id=\"a1100\">.*?class=\"n\">([-0-9.]+)</td><td class=\"n\">([-0-9.]+)</td><td class=\"n\">([-0-9.]+)<")
                .matcher(balances);
        assertThat(gross.find() && control.find()).isTrue();
        var bank = Pattern.compile("id=\"a1000\">.*?class=\"n\">([-0-9.]+)<").matcher(balances);
        assertThat(bank.find()).isTrue();
        var paid = new java.math.BigDecimal(bank.group(1)).subtract(new java.math.BigDecimal("318.20"));
        assertThat(new java.math.BigDecimal(control.group(3)).add(paid)).isEqualByComparingTo(gross.group(1));
    }
}
