package alcabala.server;

import java.math.BigDecimal;
import java.nio.file.Path;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Random;
import java.util.UUID;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import tools.jackson.databind.JsonNode;

/// The simulated outside world, one process for all tests of a run.
public final class StandIns {
    private final int port = Programs.freePort();
    private final int smtpPort = Programs.freePort();
    private final Api api = new Api(address());

    private final String database = "standins_" + UUID.randomUUID().toString().replace("-", "");

    StandIns() {
        World.execute("postgres", "create database " + database);
        Programs.launch(
                Map.of(
                        "STANDINS_PORT", String.valueOf(port),
                        "STANDINS_SMTP_PORT", String.valueOf(smtpPort),
                        "LIMIT_WINDOW", "2s",
                        "STANDINS_DB", World.url(database),
                        "PGPASSWORD", World.password()),
                "-jar",
                Path.of("../standins/target/standins-1-exec.jar").toString());
        Await.until(
                "the stand-ins answer",
                () -> api.get("/inkwell/books/saltmere/balances").status() == 200);
    }

    public String address() {
        return "http://127.0.0.1:" + port;
    }

    /// Where the post office takes mail.
    public int smtpPort() {
        return smtpPort;
    }

    /// What came there, the newest first.
    public JsonNode letters() {
        return api.get("/post/letters").json();
    }

    void reset() {
        desk("/reset", "");
    }

    public void fault(String system, String fault, int times) {
        desk("/" + system + "/faults", "fault=" + fault + "&times=" + times);
    }

    /// Any one of all that its desk offers, at one of the two systems of the yard.
    ///
    /// @param most requests that are answered so
    public void anyFault(Random random, int most) {
        String system = random.nextBoolean() ? "inkwell" : "hullwork";
        List<String> offered = Pattern.compile("name=\"fault\" value=\"([A-Z_]+)\"")
                .matcher(page("/" + system + "/faults"))
                .results()
                .map(each -> each.group(1))
                .filter(each -> !each.equals("NONE"))
                .toList();
        fault(system, offered.get(random.nextInt(offered.size())), 1 + random.nextInt(most));
    }

    /// Both systems of the yard work as they should.
    public void allWell() {
        fault("inkwell", "NONE", 0);
        fault("hullwork", "NONE", 0);
    }

    /// How often a system was asked something since it was started.
    public int asked(String system) {
        Matcher matcher = Pattern.compile("Asked <b>(\\d+)</b>").matcher(page("/" + system + "/faults"));
        if (!matcher.find()) {
            throw new IllegalStateException("the desk does not say how often " + system + " was asked");
        }
        return Integer.parseInt(matcher.group(1));
    }

    public void desk(String path, String form) {
        Api.Response answer = api.form(path, form);
        if (answer.status() >= 400) {
            throw new IllegalStateException(path + ": " + answer.status() + " " + answer.body());
        }
    }

    /// Gives the first line of a document on Hullwork's desk another price.
    public void editOnHullwork(String desk, String price) {
        changeOnHullwork(desk, "unitPrice", price);
    }

    public void redateOnHullwork(String desk, LocalDate date) {
        changeOnHullwork(desk, "date", date.toString());
    }

    public void extendOnHullwork(String desk, LocalDate due) {
        changeOnHullwork(desk, "due", due.toString());
    }

    public void renumberOnHullwork(String desk, String number) {
        changeOnHullwork(desk, "number", number);
    }

    /// The first field of this name on its page.
    private void changeOnHullwork(String desk, String name, String value) {
        String page = api.get(desk).body();
        StringBuilder form = new StringBuilder();
        Matcher field = Pattern.compile(
                        "<input[^>]*name=\"(number|date|due|quantity|unitPrice)\"[^>]*value=\"([^\"]*)\"")
                .matcher(page);
        boolean first = true;
        while (field.find()) {
            boolean meant = first && field.group(1).equals(name);
            first = first && !meant;
            form.append(form.isEmpty() ? "" : "&")
                    .append(field.group(1))
                    .append('=')
                    .append(meant ? value : field.group(2));
        }
        desk(desk + "/edit", form.toString());
    }

    /// Changes a document on Inkwell's desk.
    ///
    /// @param first what its first line comes to; null as it is
    public void editOnInkwell(String ref, String due, String first) {
        JsonNode there = inkwell("/documents/" + ref);
        StringBuilder form = new StringBuilder("version=" + there.get("version").asInt() + "&due=" + due);
        for (JsonNode line : there.get("lines")) {
            boolean changed = first != null && line == there.get("lines").get(0);
            form.append("&amount=")
                    .append(changed ? first : line.get("amount").asDecimal().toPlainString());
        }
        desk("/inkwell/books/saltmere/documents/" + ref + "/edit", form.toString());
    }

    /// Books the first line of a document on another account, on Inkwell's desk.
    public void bookOnInkwell(String ref, String account) {
        JsonNode there = inkwell("/documents/" + ref);
        StringBuilder form = new StringBuilder("version=" + there.get("version").asInt() + "&due="
                + there.get("due").asString());
        for (JsonNode line : there.get("lines")) {
            boolean first = line == there.get("lines").get(0);
            form.append("&amount=")
                    .append(line.get("amount").asDecimal().toPlainString())
                    .append("&account=")
                    .append(first ? account : line.get("account").asString());
        }
        desk("/inkwell/books/saltmere/documents/" + ref + "/edit", form.toString());
    }

    /// Enters on Inkwell by hand what is there already, under another number.
    ///
    /// @param ref of that which is copied
    /// @return the id of the copy
    public String copyOnInkwell(String ref, String number) {
        JsonNode there = inkwell("/documents/" + ref);
        JsonNode line = there.get("lines").get(0);
        Map<String, Object> only = new HashMap<>(Map.of("quantity", 1, "unitPrice", line.get("amount")));
        List.of("account", "text", "amount", "taxCode").forEach(field -> only.put(field, line.get(field)));
        Map<String, Object> draft = new HashMap<>(Map.of("number", number, "lines", List.of(only)));
        List.of("kind", "party", "date", "due", "currency", "pricesIncludeTax", "controlAccount")
                .forEach(field -> draft.put(field, there.get(field)));
        Api.Response answer = new Api(address())
                .withToken("inkwell-demo-key")
                .post("/inkwell/api/companies/saltmere/documents", draft);
        if (answer.status() >= 400) {
            throw new IllegalStateException(number + ": " + answer.body());
        }
        return answer.json().get("id").asString();
    }

    /// An item of the yard's, created on Inkwell as it is at the yard.
    public void itemOnInkwell(String code, String account) {
        JsonNode item = hullwork("/items/" + code).get("item");
        Api.Response answer = new Api(address())
                .withToken("inkwell-demo-key")
                .post(
                        "/inkwell/api/companies/saltmere/items",
                        Map.of(
                                "code",
                                code,
                                "name",
                                item.get("text").asString(),
                                "kind",
                                item.get("kind").asString().toLowerCase(Locale.ROOT),
                                "unit",
                                item.get("unit").asString(),
                                "account",
                                account,
                                "taxCode",
                                "S23",
                                "active",
                                true,
                                "version",
                                0));
        if (answer.status() >= 400) {
            throw new IllegalStateException(code + ": " + answer.body());
        }
    }

    /// A customer of the yard's, entered by another program.
    ///
    /// @return its code
    public String customerOnHullwork(String name, String email) {
        return new Api(address())
                .withToken("hullwork-demo-key")
                .post("/hullwork/api/customers", Map.of("customer", Map.of("name", name, "email", email), "version", 0))
                .json()
                .get("customer")
                .get("code")
                .asString();
    }

    /// What no desk lets anybody write, such as a document without a number.
    public void write(String sql) {
        World.execute(database, sql);
    }

    /// As Inkwell's desk shows it, which no fault of the API touches.
    public int versionOnDesk(String ledgerRef) {
        Matcher version = Pattern.compile(", version (\\d+)<")
                .matcher(api.get("/inkwell/books/saltmere/documents/" + ledgerRef)
                        .body());
        if (!version.find()) {
            throw new IllegalStateException("no version of " + ledgerRef);
        }
        return Integer.parseInt(version.group(1));
    }

    /// Debit less credit.
    public BigDecimal balance(String account) {
        for (JsonNode row : inkwell("/balances")) {
            if (row.get("code").asString().equals(account)) {
                return row.get("balance").asDecimal();
            }
        }
        throw new IllegalArgumentException(account);
    }

    /// `net`, `vat` or `gross` of the approved documents, as Hullwork's desk shows it.
    public BigDecimal hullworkSum(String figure) {
        Matcher matcher = Pattern.compile("id=\"" + figure + "\">([-0-9.]+)")
                .matcher(api.get("/hullwork/sums").body());
        if (!matcher.find()) {
            throw new IllegalStateException("no " + figure + " on the desk");
        }
        return new BigDecimal(matcher.group(1));
    }

    public JsonNode inkwell(String path) {
        return new Api(address())
                .withToken("inkwell-demo-key")
                .get("/inkwell/api/companies/saltmere" + path)
                .json();
    }

    public JsonNode hullwork(String path) {
        return new Api(address())
                .withToken("hullwork-demo-key")
                .get("/hullwork/api" + path)
                .json();
    }

    /// All that Hullwork has of a kind, as its list of changes has it, page by page: it tells a thousand at once.
    ///
    /// @param type such as `document` or `customer`
    public List<JsonNode> onHullwork(String type) {
        List<JsonNode> records = new ArrayList<>();
        long after = 0;
        JsonNode page;
        do {
            page = hullwork("/changes?limit=1000&after=" + after);
            page.get("changes")
                    .valueStream()
                    .filter(each -> each.get("type").asString().equals(type))
                    .forEach(each -> records.add(each.get("record")));
            after = page.get("next").asLong();
        } while (page.get("more").asBoolean());
        return records;
    }

    /// A page of a desk.
    public String page(String path) {
        return api.get(path).body();
    }

    /// Everything Alcabala posted, as the desk shows it, which no fault of the API touches.
    public List<String> postedReferences() {
        return Pattern.compile("class=\"reference\">([^<]+)<")
                .matcher(api.get("/inkwell/books/saltmere").body())
                .results()
                .map(match -> match.group(1))
                .toList();
    }
}
