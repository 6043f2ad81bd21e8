package alcabala.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;

/// Four documents go to the ledger that takes files: two are refused there, put right, and go once more in a further
/// revision.
record FilesJourney(Browser browser, Demo demo, Path folder) {
    private static final String ROUTE = "hullwork-port-ellery";

    void go() {
        untilTwoAreRefused();
        theyGoOnceMore();
        aLayoutIsMadeAfterAnother();
    }

    void untilTwoAreRefused() {
        mapAllButOneAccount();
        writeTheFile();
        twoAreRefusedAtTheDesk();
    }

    private void map(String kind, String code, String purpose, String target, int version) {
        browser.call("PUT", "/api/map/row", """
                {"route": "%s", "kind": "%s", "code": "%s", "meaning": {"targets": {"%s": "%s"}, "dimensions": {}},
                 "expectedVersion": %d}""".formatted(ROUTE, kind, code, purpose, target, version));
    }

    /// What is mapped to 4200 goes to an account that is closed there by now.
    private void mapAllButOneAccount() {
        for (String row : List.of(
                "TAX GST+PST COUNTERPART BOTH",
                "TAX GST COUNTERPART FED",
                "ROLE RECEIVABLES_CONTROL ACCOUNT 1200",
                "ROLE OUTPUT_TAX ACCOUNT 2310",
                "ROLE SALES ACCOUNT 4100",
                "ROLE ROUNDING ACCOUNT 6100",
                "CATEGORY chandlery INCOME 4100",
                "CATEGORY paint INCOME 4100",
                "ITEM RIG-0042 INCOME 4100",
                "ITEM ENG-0310 INCOME 4200",
                "PARTY C-2001 COUNTERPART P-301",
                "PARTY C-2003 COUNTERPART P-302")) {
            String[] cell = row.split(" ");
            map(cell[0], cell[1], cell[2], cell[3], 0);
        }
        demo.atDesk("/copperplate/accounts/open", Map.of("key", "4200"));
    }

    private void writeTheFile() {
        String ids = said("""
                fetch('/api/documents?route=%s&state=Ready&limit=50').then(answer => answer.json())
                    .then(page => done(page.rows.filter(row => row.number <= 'HP-30104').map(row => row.id).join(',')));""".formatted(ROUTE));
        browser.open(demo.address() + "/release?route=" + ROUTE + "&state=Ready&panel=batch&chosen=" + ids);
        browser.awaitText("creates them without asking");
        assertThat(browser.button("Write 4 documents into a file for Copperplate")
                        .isEnabled())
                .as("before the parties are allowed")
                .isFalse();
        browser.press("Allow all 2");
        browser.press("Write 4 documents into a file for Copperplate");
        browser.awaitText("4 documents not answered for yet.");
    }

    private void twoAreRefusedAtTheDesk() {
        String batch = browser.driver().getCurrentUrl();
        imported("2 accepted, 2 refused");
        browser.open(batch);
        take(1);
        browser.awaitText("2 accepted, 2 refused");
        browser.awaitText("There is no open account 4200");
        browser.awaitText("2 posted, 2 refused");
    }

    private void theyGoOnceMore() {
        map("ITEM", "ENG-0310", "INCOME", "4100", 1);
        browser.press("Make revision 2 of 2 documents");
        browser.awaitText("creates it without asking");
        browser.pressAt("fieldset[aria-label='Created silently'] input");
        browser.press("Write 2 documents into a file for Copperplate");
        browser.awaitText(", revision 2");
        String batch = browser.driver().getCurrentUrl();
        imported("2 accepted, 0 refused");
        browser.open(batch);
        take(2);
        browser.awaitText("Every document of it is settled.");
        browser.awaitText("2 posted");
    }

    /// At Copperplate's desk, with the file as it was taken from the batch.
    private void imported(String outcome) {
        String id = browser.driver().getCurrentUrl().replaceAll(".*/send/(\\d+).*", "$1");
        String file =
                said("fetch('/api/batches/%s/files/download').then(answer => answer.text()).then(done);".formatted(id));
        Path sales = write("sales-" + id + ".csv", file);
        browser.open(demo.desks() + "/copperplate/imports");
        browser.type("input[type=file]", sales.toString());
        browser.pressAt("form[enctype] button");
        browser.awaitText(outcome);
    }

    private void take(int number) {
        browser.awaitText("What Copperplate answered");
        browser.all("input[aria-label='File of Copperplate']")
                .getFirst()
                .sendKeys(write(
                                "acceptance-" + number + ".csv",
                                demo.read(demo.desks() + "/copperplate/imports/" + number + "/acceptance.csv"))
                        .toString());
    }

    /// As it is copied it is not changed; the sheet shows at once what a change does.
    private void aLayoutIsMadeAfterAnother() {
        browser.open(demo.address() + "/connect?view=layouts&route=" + ROUTE);
        browser.awaitText("As it comes out, on 4 records");
        browser.press("Make another after it");
        browser.press("Another after it");
        browser.find("section[aria-label=Column]");
        browser.awaitText("Heading of column 2");
        browser.press("Keep this layout");
        browser.awaitText("Layout “Sales, ours” is kept");
        browser.open(demo.address() + "/release?route=" + ROUTE + "&state=Ready&panel=batch");
        browser.awaitText("Layout of the file");
    }

    private String said(String script) {
        return (String) browser.driver().executeAsyncScript("const done = arguments[0]; " + script);
    }

    private Path write(String name, String content) {
        try {
            return Files.writeString(folder.resolve(name), content);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }
}
