package alcabala.server;

import alcabala.accounting.crosswalk.Meaning;
import alcabala.accounting.crosswalk.RowKind;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.StreamSupport;
import tools.jackson.databind.JsonNode;

/// What a bookkeeper does on the route from the yard, through the API.
public record Yard(Api api) {
    /// Puts all five causes of the demo right.
    public void mapEverything() {
        map("ITEM", "RIG-0042", "RIG-06", "");
        map("ITEM", "ENG-0310", "", "4018");
        map("CATEGORY", "storage", "", "4035");
        map("TAX", "VEU", "RC0", "");
        map("PARTY", "C-1001", "IC-1001", "");
    }

    public void mapUnlessMapped(String kind, String code, String counterpart, String account) {
        boolean mapped = api.get("/api/map/" + kind.toLowerCase(java.util.Locale.ROOT) + "?route=yard")
                .json()
                .get("rows")
                .valueStream()
                .anyMatch(row -> row.get("code").asString().equals(code) && row.has("row"));
        if (!mapped) {
            map(kind, code, counterpart, account);
        }
    }

    public JsonNode map(String kind, String code, String counterpart, String account) {
        Api.Response answer = api.put("/api/map/row", row("yard", kind, code, counterpart, account, 0));
        if (answer.status() != 200) {
            throw new IllegalStateException(answer.toString());
        }
        return answer.json();
    }

    /// A row of the crosswalk as it is asked for.
    public static Map<String, Object> row(
            String route, String kind, String code, String counterpart, String account, int version) {
        return row(route, kind, code, Meaning.of(RowKind.valueOf(kind), counterpart, account), version);
    }

    public static Map<String, Object> row(String route, String kind, String code, Meaning meaning, int version) {
        return Map.of("route", route, "kind", kind, "code", code, "meaning", meaning, "expectedVersion", version);
    }

    /// What its ledger says of itself is looked up anew, and everything compiled by it.
    public void pullReference() {
        long ledger =
                api.get("/api/connect").json().get("ledgers").get(0).get("id").asLong();
        String pulls = "/api/connect/ledgers/" + ledger + "/pulls";
        long pull = api.post(pulls, Map.of()).json().get("pull").asLong();
        Await.until(
                "pull " + pull + " is done",
                () -> api.get(pulls)
                        .json()
                        .valueStream()
                        .anyMatch(each -> each.get("id").asLong() == pull
                                && each.get("state").asString().equals("done")));
    }

    public Map<String, Integer> counts() {
        Map<String, Integer> counts = new HashMap<>();
        api.get("/api/summary?route=yard")
                .json()
                .path("states")
                .forEach(s ->
                        counts.put(s.get("state").asString(), s.get("count").asInt()));
        return counts;
    }

    public List<JsonNode> documents(String state) {
        JsonNode page =
                api.get("/api/documents?route=yard&limit=500&state=" + state).json();
        return StreamSupport.stream(page.get("rows").spliterator(), false).toList();
    }

    public JsonNode document(String number) {
        return api.get("/api/documents?route=yard&limit=500&text=" + number)
                .json()
                .get("rows")
                .get(0);
    }

    public long send(List<Long> ids) {
        Api.Response answer = trySend(api, Map.of("route", "yard", "ids", ids));
        if (answer.status() != 200) {
            throw new IllegalStateException(answer.toString());
        }
        return answer.json().get("id").asLong();
    }

    /// As the screen does: looks first, and sends with what it was shown.
    public static Api.Response trySend(Api api, Map<String, Object> choice) {
        Map<String, Object> chosen = new HashMap<>(choice);
        chosen.remove("independentTotal");
        chosen.remove("reason");
        Api.Response preview = api.post("/api/batches/preview", chosen);
        if (preview.status() != 200) {
            return preview;
        }
        Map<String, Object> shown =
                new HashMap<>(Map.of("count", preview.json().get("count").asInt()));
        for (String total : List.of("net", "tax", "gross", "hashTotal")) {
            shown.put(total, preview.json().get(total).asString());
        }
        Map<String, Object> send = new HashMap<>(choice);
        send.put("shown", shown);
        return api.post("/api/batches", send);
    }

    public JsonNode batch(long id) {
        return api.get("/api/batches/" + id).json();
    }

    public void awaitFinished(long id) {
        Await.until(
                "batch " + id + " is finished", () -> batch(id).path("batch").has("finishedAt"));
    }

    /// Decides as an administrator does who has just looked.
    public static void decide(Api api, String route, String setting, String value) {
        int version = api.get("/api/settings?route=" + route)
                .json()
                .valueStream()
                .filter(each -> each.get("setting").asString().equals(setting))
                .findFirst()
                .orElseThrow()
                .get("version")
                .asInt();
        Api.Response answer = api.put(
                "/api/settings",
                Map.of(
                        "route",
                        route,
                        "changes",
                        List.of(Map.of("setting", setting, "value", value, "expectedVersion", version))));
        if (answer.status() != 200) {
            throw new IllegalStateException(answer.toString());
        }
    }
}
