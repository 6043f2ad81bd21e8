package alcabala.e2e;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Path;
import java.time.LocalDate;
import java.util.Base64;
import java.util.Map;
import javax.imageio.ImageIO;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.rendering.PDFRenderer;
import org.junit.jupiter.api.Test;
import org.openqa.selenium.Keys;

/// Remakes the pictures of the main views from the demo data. Run by `./alcabala screenshots`; its name keeps it out of
/// the tests.
class Screenshots {
    /// So long ago that some of the documents that wait lie before it and some after, whatever day of a month it is.
    private static final int SOME_OF_BOTH = 45;

    private static final float DOTS_PER_INCH = 110;
    private final Path folder = Path.of(System.getenv().getOrDefault("ALCABALA_SCREENSHOTS", "target/screenshots"));

    @Test
    void takeAll() {
        try (Demo demo = Demo.start();
                Browser browser = new Browser()) {
            String at = demo.address();
            browser.signIn(at, "ferro");
            browser.find("tr[data-document]");
            browser.awaitText("Tax, computed both ways");
            browser.picture(folder.resolve("release.png"));
            browser.open(at + "/map?route=yard");
            browser.find("tr[data-code]");
            browser.find("[role=meter]");
            browser.picture(folder.resolve("map.png"));
            browser.open(at + "/map/parties/C-1001?route=yard");
            browser.find("[data-topic]");
            browser.picture(folder.resolve("parties.png"));
            browser.open(at + "/release?route=yard&state=Ready&panel=batch&dry=yes");
            browser.awaitText("Hash total");
            browser.awaitText("checks block");
            browser.find("section[aria-label='Dry run'] tr[data-document]");
            browser.keys("j");
            browser.awaitText("Journal of HW-");
            browser.picture(folder.resolve("batch.png"));
            browser.pressAt("aside[aria-label=Batch] button[type=submit]");
            browser.until(d -> browser.text().contains("87 posted") ? true : null);
            browser.open(at + "/map/what-if?route=yard&kind=CATEGORY&code=chandlery&to-INCOME=4018");
            browser.awaitText("would belong elsewhere");
            browser.picture(folder.resolve("what-if.png"));
            browser.open(at + "/send?route=yard");
            browser.awaitText("Batches of this route");
            browser.awaitText("87 posted");
            browser.picture(folder.resolve("send.png"));
            printed(browser, 1);
            browser.open(at + "/send/1/undo?route=yard");
            browser.awaitText("can be taken back");
            browser.awaitText("Voids ");
            browser.picture(folder.resolve("undo.png"));
            browser.open(at + "/resolve?route=yard");
            browser.awaitText("The number is taken in Inkwell");
            browser.awaitText("2 held");
            browser.awaitText("Taken in");
            browser.picture(folder.resolve("resolve.png"));
            browser.open(at + "/release?route=yard&state=Posted");
            browser.type("tr[data-document] button", Keys.ENTER);
            browser.awaitText("Taken in");
            browser.picture(folder.resolve("both-sides.png"));
            connect(browser, at);
            files(browser, demo, at);
            banking(browser, demo);
        }
    }

    /// What was entered on Inkwell by hand would be on the other pictures too.
    @Test
    void takeCutOver() {
        try (Demo demo = Demo.start();
                Browser browser = new Browser()) {
            demo.atDesk("/inkwell/books/saltmere/taken-over", Map.of("on", CutOverJourneyTest.DAY.toString()));
            browser.signIn(demo.address(), "ferro");
            CutOverJourneyTest.compare(browser, demo);
            browser.picture(folder.resolve("cut-over.png"));
        }
    }

    /// What an administrator sees.
    private void connect(Browser browser, String at) {
        browser.driver().manage().deleteAllCookies();
        browser.signIn(at, "admin");
        browser.open(at + "/connect?view=connections&route=yard");
        browser.press("Connect another company");
        browser.press("Ask for consent on Inkwell");
        browser.awaitText("Sign in to Inkwell");
        browser.type("input[name=password]", "office-inkwell", Keys.ENTER);
        browser.press("Let it in");
        browser.pressAt("input[value=charter]");
        browser.picture(folder.resolve("connect.png"));
        browser.press("Connect Corvane Charter");
        browser.awaitText("Corvane Charter is connected");
        browser.open(at + "/connect?view=connections&route=yard");
        browser.find("tr[data-site='Port Ellery']");
        browser.open(at + "/connect?view=settings&route=yard&setting=SALES_TAX&value=off");
        browser.find("[data-effect]");
        browser.picture(folder.resolve("settings.png"));
        browser.open(at + "/connect?view=crossing&route=yard&kind=INVOICES"
                + "&changes=INVOICES_TRIGGER%20approved%3BINVOICES_CUT_OFF%20"
                + LocalDate.now().minusDays(SOME_OF_BOTH));
        browser.find("[data-prospect=GOES]");
        browser.awaitText("Shown on");
        browser.picture(folder.resolve("crossing.png"));
        Map.of(
                        "first-steps", "li[data-step]",
                        "readiness", "tr[data-check]")
                .forEach((view, awaited) -> {
                    browser.open(at + "/connect?route=yard&view=" + view);
                    browser.find(awaited);
                    browser.picture(folder.resolve(view + ".png"));
                });
    }

    /// The first page of what is printed of a batch.
    private void printed(Browser browser, long batch) {
        String said = (String) browser.driver().executeAsyncScript("""
                const done = arguments[1];
                fetch('/api/batches/' + arguments[0] + '/report').then(answer => answer.arrayBuffer())
                    .then(bytes => done(btoa(Array.from(new Uint8Array(bytes), each => String.fromCharCode(each)).join(''))));""", batch);
        try (PDDocument pages = Loader.loadPDF(Base64.getDecoder().decode(said))) {
            ImageIO.write(
                    new PDFRenderer(pages).renderImageWithDPI(0, DOTS_PER_INCH),
                    "png",
                    folder.resolve("printed.png").toFile());
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /// A batch that went as a file and was refused in part, and how such files look.
    private void files(Browser browser, Demo demo, String at) {
        Path taken = Path.of("target/files-taken").toAbsolutePath();
        taken.toFile().mkdirs();
        browser.open(at + "/connect?view=connections&route=yard");
        new SitesJourney(browser, demo, taken).leadToCopperplate();
        new FilesJourney(browser, demo, taken).untilTwoAreRefused();
        browser.picture(folder.resolve("outcome.png"));
        browser.open(at + "/connect?view=layouts&route=hullwork-port-ellery");
        browser.awaitText("As it comes out");
        browser.picture(folder.resolve("layouts.png"));
    }

    /// The slip of a week, one cheque short.
    private void banking(Browser browser, Demo demo) {
        BankingJourney banking = new BankingJourney(browser, demo);
        banking.untilAWeekWaits(0);
        banking.openTheSlip();
        String all = banking.ticked();
        browser.keys("jx");
        banking.theSlipSays(all);
        browser.awaitText("One that is not ticked is");
        browser.picture(folder.resolve("banking.png"));
    }
}
