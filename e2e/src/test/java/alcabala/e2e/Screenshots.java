package alcabala.e2e;

import java.nio.file.Path;
import org.junit.jupiter.api.Test;

/// Remakes the pictures of the main views from the demo data. Run by `./alcabala screenshots`; its name keeps it out of
/// the tests.
class Screenshots {
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
            browser.picture(folder.resolve("map.png"));
            browser.open(at + "/release?route=yard&state=Ready&panel=batch");
            browser.awaitText("Hash total");
            browser.picture(folder.resolve("batch.png"));
            browser.find("aside[aria-label=Batch] button[type=submit]").click();
            browser.until(d -> browser.text().contains("87 posted") ? true : null);
            browser.picture(folder.resolve("send.png"));
            browser.open(at + "/release?route=yard&state=Posted");
            browser.find("tr[data-document] button").sendKeys(org.openqa.selenium.Keys.ENTER);
            browser.awaitText("Taken in");
            browser.picture(folder.resolve("both-sides.png"));
            browser.open(at + "/release?route=harbour");
            browser.find("tr[data-document]");
            browser.picture(folder.resolve("files.png"));
        }
    }
}
