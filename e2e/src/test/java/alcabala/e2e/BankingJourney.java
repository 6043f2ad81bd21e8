package alcabala.e2e;

import java.util.Map;

/// Money that a week brought across the yard's counter, on its way to the bank.
record BankingJourney(Browser browser, Demo demo) {
    /// Payments cross, and cash and cheques wait on an account of their own; what was received stands on the ledger.
    ///
    /// @param settings how often it was decided before whether payments cross
    void untilAWeekWaits(int settings) {
        browser.call("PUT", "/api/settings", """
                {"route": "yard", "changes": [{"setting": "PAYMENTS", "value": "both", "expectedVersion": %d}]}""".formatted(settings));
        map("ROLE", "RECEIPTS_AWAITING_BANKING", "1210");
        map("ROLE", "CASH_DIFFERENCE", "6130");
        map("MEANS", "10 EUR", "1210");
        map("MEANS", "20 EUR", "1210");
        map("MEANS", "48 EUR", "1250");
        demo.atDesk("/hullwork/payments/takings", Map.of());
        browser.call("POST", "/api/pull?route=yard", "{}");
        browser.open(demo.address() + "/release?route=yard&what=payments&state=Ready");
        browser.find("tr[data-document]");
        browser.press("Batch the ");
        browser.find("aside[aria-label=Batch] button[type=submit]");
        browser.pressAt("aside[aria-label=Batch] button[type=submit]");
        browser.awaitSettled();
    }

    private void map(String kind, String code, String account) {
        browser.call("PUT", "/api/map/row", """
                {"route": "yard", "kind": "%s", "code": "%s", "meaning": {"targets": {"ACCOUNT": "%s"}, "dimensions": {}},
                 "expectedVersion": 0}""".formatted(kind, code, account));
    }

    /// All of it is ticked, and the slip is to be filled in.
    void openTheSlip() {
        browser.open(demo.address() + "/clear?route=yard");
        browser.awaitText("to be taken to the bank");
        browser.keys("b");
        browser.find("tr[data-receipt]");
    }

    /// What is ticked comes to, as it is shown.
    String ticked() {
        return browser.textOf("aside[aria-label='Paying-in slip'] tr.total td:last-child");
    }

    void theSlipSays(String total) {
        browser.keys("t");
        browser.keys(total);
    }
}
