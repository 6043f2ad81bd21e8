package alcabala.server;

import alcabala.server.demo.InkwellOwner;
import java.util.HashMap;
import java.util.Map;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import tools.jackson.databind.JsonNode;

/// An administrator and the owner of the books, who give and take consents together.
public record Consents(Api admin, InkwellOwner owner, String address) {
    public static Consents of(World world) {
        return new Consents(
                world.api("admin"),
                new InkwellOwner(world.standIns().address()),
                world.standIns().address() + "/inkwell");
    }

    /// @param ledger to be connected again; null for a new one
    /// @return the address on Inkwell that the administrator is sent to
    public String ask(Long ledger) {
        Map<String, Object> body = new HashMap<>();
        body.put("ledger", ledger);
        body.put("kind", "inkwell");
        body.put("address", address);
        return admin.post("/api/connect/consents", body).json().get("address").asString();
    }

    /// A consent that was given, with the companies it leads to.
    public JsonNode give(Long ledger) {
        Map<String, String> back = owner.letIn(ask(ledger));
        return admin.post("/api/connect/consents/" + back.get("state"), Map.of("code", back.get("code")))
                .json();
    }

    public Api.Response use(JsonNode given, String company) {
        return admin.post(
                "/api/connect/ledgers", Map.of("consent", given.get("consent").asString(), "company", company));
    }

    /// Connects a company and pulls its reference data.
    ///
    /// @return the id of the ledger
    public long connect(String company) {
        long ledger = use(give(null), company).json().get("ledger").asLong();
        admin.post("/api/connect/ledgers/" + ledger + "/pulls", Map.of());
        Await.until("the pull is done", () -> latestPull(ledger).equals("done"));
        return ledger;
    }

    private String latestPull(long ledger) {
        return admin.get("/api/connect/ledgers/" + ledger + "/pulls")
                .json()
                .get(0)
                .get("state")
                .asString();
    }

    public JsonNode ledger(long id) {
        return admin.get("/api/connect")
                .json()
                .get("ledgers")
                .valueStream()
                .filter(ledger -> ledger.get("id").asLong() == id)
                .findFirst()
                .orElseThrow();
    }

    /// The ledger that the demo connects.
    public JsonNode inkwell() {
        return admin.get("/api/connect").json().get("ledgers").get(0);
    }

    /// What the owner does with all consents that she gave: `revoke`, `end-access` or `end-soon`.
    public void onDesk(String what) {
        Matcher form = Pattern.compile("/inkwell/consents/[^/\"]+/" + what).matcher(owner.page("/inkwell/consents"));
        boolean found = false;
        while (form.find()) {
            found = true;
            owner.form(form.group(), "");
        }
        if (!found) {
            throw new IllegalStateException("there is no consent on the desk");
        }
    }
}
