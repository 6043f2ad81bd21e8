package alcabala.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import com.deque.html.axecore.providers.EmbeddedResourceAxeProvider;
import java.io.IOException;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import javax.naming.OperationNotSupportedException;
import org.junit.jupiter.api.Test;
import org.openqa.selenium.Keys;
import org.openqa.selenium.logging.LogType;

/// axe on every screen, in both themes, and no complaint of the browser about the strict policy.
class AccessibilityTest {
    private static final String EVERYTHING = """
            {"resultTypes": ["violations"]}""";
    private static final String COLOURS = """
            {"resultTypes": ["violations"], "runOnly": {"type": "rule", "values": ["color-contrast"]}}""";
    private static final String AXE = axe();

    private static String axe() {
        try {
            return new EmbeddedResourceAxeProvider().getScript();
        } catch (IOException | OperationNotSupportedException e) {
            throw new IllegalStateException(e);
        }
    }

    @Test
    void nothingSeriousOnAnyScreen() {
        try (Demo demo = Demo.start();
                Browser browser = new Browser()) {
            browser.open(demo.address() + "/sign-in");
            browser.find("input[type=password]");
            whatIsWrongIsFound(browser);
            browser.open(demo.address() + "/sign-in");
            browser.find("input[type=password]");
            check(browser, "sign-in");
            browser.signIn(demo.address(), "admin");
            browser.find("tr[data-document]");
            browser.open(demo.address() + "/release?route=yard&state=Ready&panel=batch");
            browser.awaitText("Hash total");
            check(browser, "batch panel");
            browser.pressAt("aside[aria-label=Batch] button[type=submit]");
            browser.awaitText("87 posted, 2 refused");
            leaves(browser, demo);
            new BankingJourney(browser, demo).untilAWeekWaits(0);
            browser.call("POST", "/api/cut-over", """
                    {"route": "yard", "day": "%s"}""".formatted(LocalDate.now().minusDays(60)));
            screens(demo).forEach((path, awaited) -> look(browser, demo, path, awaited));
            assertThat(browser.driver().manage().logs().get(LogType.BROWSER).getAll())
                    .filteredOn(entry -> entry.getMessage().contains("Content Security Policy"))
                    .isEmpty();
        }
    }

    /// A check that finds nothing on a page that was spoilt would find nothing anywhere.
    private static void whatIsWrongIsFound(Browser browser) {
        browser.driver().executeScript("""
                document.body.insertAdjacentHTML('beforeend',
                    '<input id="nameless"><p id="pale">hardly to be read</p>');
                document.querySelector('#pale').style.color = '#eee8d8';""");
        assertThat(violations(browser, EVERYTHING))
                .anyMatch(each -> each.startsWith("label: ") && each.contains("nameless"))
                .anyMatch(each -> each.startsWith("color-contrast: ") && each.contains("pale"));
        assertThat(violations(browser, COLOURS)).anyMatch(each -> each.contains("pale"));
    }

    /// What is opened over a screen.
    private static void leaves(Browser browser, Demo demo) {
        browser.open(demo.address() + "/release?route=yard&state=All");
        browser.find("tr[data-document]");
        browser.keys("?");
        browser.awaitText("what keeps a record from crossing");
        check(browser, "help");
        browser.keys(Keys.ESCAPE);
        browser.open(demo.address() + "/send/1?route=yard");
        browser.find("tr[data-outcome]");
        browser.keys("m");
        browser.awaitText("Nobody was told of it so far.");
        check(browser, "mail");
        browser.open(demo.address() + "/release?route=yard&state=All");
        browser.find("tr[data-document]");
        for (String button :
                List.of("button[aria-label^='Issue date']", "header button[aria-haspopup]", "tfoot .figure")) {
            browser.find(button).click();
            browser.find("[role=dialog]");
            check(browser, button);
            browser.keys(Keys.ESCAPE);
            browser.until(d -> browser.all("[role=dialog]").isEmpty() ? true : null);
        }
        browser.open(demo.address() + "/map?route=yard&kind=category");
        browser.find("tr[data-code]");
        browser.keys("e");
        browser.type("tr.row-chosen input[role=combobox]", "40");
        browser.find("[role=option]");
        // While the list is open React Aria hides the rest from screen readers; whoever tabs on closes it first.
        assertThat(violations(browser, EVERYTHING))
                .as("choices")
                .allMatch(each -> each.startsWith("aria-hidden-focus"));
        browser.keys(Keys.ESCAPE, Keys.ESCAPE);
    }

    private static Map<String, String> screens(Demo demo) {
        return Map.ofEntries(
                Map.entry("/connect?route=yard", "section[aria-label=Ledgers]"),
                Map.entry("/connect?view=first-steps&route=yard", "li[data-step]"),
                Map.entry("/connect?view=readiness&route=yard", "tr[data-check]"),
                Map.entry("/connect?view=runs&route=yard", "section[aria-label=Schedule]"),
                Map.entry(
                        "/connect?view=crossing&route=yard&kind=INVOICES&changes=INVOICES_TRIGGER%20approved",
                        "[data-prospect=GOES]"),
                Map.entry("/connect?view=settings&route=yard&setting=SALES_TAX&value=off", "[data-effect]"),
                Map.entry("/connect?view=reference&route=yard", "tr[data-code]"),
                Map.entry("/connect?view=counts&route=yard", "table[aria-label='Counts of both sides']"),
                Map.entry("/connect?view=cut-over&route=yard", "table[aria-label='Open documents of both sides'] td"),
                Map.entry("/connect?view=set-aside&route=yard", "section p"),
                Map.entry("/connect?view=people&route=yard", "tr[data-person]"),
                Map.entry("/connect?view=trail&route=yard", "table[aria-label='Trail of settings'] td"),
                Map.entry("/you?route=yard", "section[aria-label=Sessions] td"),
                Map.entry("/release?route=yard", "tr[data-document]"),
                Map.entry("/release?route=yard&state=Posted", "tr[data-document]"),
                Map.entry("/release?route=harbour&panel=intake", "input[type=file]"),
                Map.entry("/map?route=yard", "tr[data-code]"),
                Map.entry("/map?route=yard&kind=role", "tr[data-code]"),
                Map.entry("/map/parties/C-1001?route=yard", "[data-topic]"),
                Map.entry(
                        "/map/what-if?route=yard&kind=CATEGORY&code=chandlery&to-INCOME=4018",
                        "section[aria-label='Not posted yet']"),
                Map.entry("/map/corrections?route=yard", "table[aria-label=Corrections]"),
                Map.entry("/map/bulk?route=yard&kind=category", "input[type=file]"),
                Map.entry("/map/names?route=yard", "section[aria-label='Items on the ledger'] table"),
                Map.entry("/map/names?route=yard&view=rewriting", "table[aria-label='Items to be written anew']"),
                Map.entry("/map/twins?route=yard&side=ledger", "table[aria-label='Parties that may be one'] td"),
                Map.entry(
                        "/map/then?route=yard&moment=2026-01-01T00:00:00Z", "table[aria-label='Rows then and now'] td"),
                Map.entry("/documents/2?route=yard", "table[aria-label='Lines on both sides']"),
                Map.entry("/send?route=yard", "table[aria-label=Batches]"),
                Map.entry("/send/log?route=yard", "table[aria-label='All that crossed'] td"),
                Map.entry("/send/1/undo?route=yard", "tr[data-stays]"),
                Map.entry("/resolve?route=yard", "section[aria-label=Causes], section[aria-label=Resolve]"),
                Map.entry("/clear?route=yard", "table[aria-label=Bankings]"),
                Map.entry("/clear/banking?route=yard", "tr[data-receipt]"),
                Map.entry("/send/load?route=yard&since=2026-01-01", "section[aria-label='Historical load'] tbody td"),
                Map.entry("/send/1?route=yard", "tr[data-outcome]"));
    }

    /// The other theme is other colours on the same elements, so only they are looked at again.
    private static void look(Browser browser, Demo demo, String path, String awaited) {
        browser.open(demo.address() + path);
        browser.find(awaited);
        check(browser, path);
        theme(browser, "lamplight");
        check(browser, path + " by lamplight", COLOURS);
        theme(browser, "paper");
    }

    private static void theme(Browser browser, String name) {
        browser.driver().executeScript("document.documentElement.dataset.theme = arguments[0]", name);
    }

    private static void check(Browser browser, String screen) {
        check(browser, screen, EVERYTHING);
    }

    private static void check(Browser browser, String screen, String options) {
        assertThat(violations(browser, options)).as(screen).isEmpty();
    }

    /// In the page itself, and only what is wrong is brought out: looking takes less long than carrying.
    @SuppressWarnings("unchecked")
    private static List<String> violations(Browser browser, String options) {
        browser.driver().executeScript("if (!window.axe) {" + AXE + "}");
        return (List<String>) browser.driver().executeAsyncScript("""
                const [options, done] = arguments;
                axe.run(document, JSON.parse(options)).then(found => done(found.violations
                    .filter(rule => ['serious', 'critical'].includes(rule.impact))
                    .map(rule => `${rule.id}: ${rule.nodes[0].html} ${rule.nodes[0].failureSummary}`)));""", options);
    }
}
