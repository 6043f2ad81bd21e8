package standins.inkwell;

import java.math.BigDecimal;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.time.Clock;
import java.time.Duration;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.UUID;
import java.util.function.BiFunction;
import java.util.stream.Stream;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import standins.Refusal;
import standins.inkwell.Books.Account;
import standins.inkwell.Books.DayRate;
import standins.inkwell.Books.DimensionValue;
import standins.inkwell.Books.Party;
import standins.inkwell.Books.TaxCode;
import standins.touched.Hands;
import standins.touched.Touches;
import standins.touched.Touches.Touch;
import tools.jackson.core.type.TypeReference;
import tools.jackson.databind.json.JsonMapper;

/// Company, chart of accounts, tax codes and parties.
@Component
public class Masters {
    private static final int PHONE_LIMIT = 20;
    private static final String AT_THE_DESK = "J. Quire";
    private static final int EVERYTHING = 1_000_000;
    private static final String SUB_PARTIES = "sub-parties";
    private static final List<String> PLAN =
            List.of("purchase-orders", "dimensions", "multi-currency", SUB_PARTIES, TaxByPlace.SETTING);
    public static final List<String> SETTINGS = Stream.concat(
                    Stream.of("applies-credits", "tracks-quantities"), PLAN.stream())
            .toList();
    private final JdbcClient jdbc;
    private final JsonMapper json;
    private final Clock clock;
    private final Touches touches;
    private final Hands hands;

    Masters(JdbcClient jdbc, JsonMapper json, Hands hands, Clock clock) {
        this.touches = new Touches(jdbc, "inkwell_touched");
        this.hands = hands;
        this.clock = clock;
        this.jdbc = jdbc;
        this.json = json;
    }

    public Books.CompanySettings company() {
        Company company = Companies.open();
        return new Books.CompanySettings(
                company.id(),
                find("books").orElse(""),
                company.name(),
                company.currency(),
                company.taxRounding(),
                Items.NAME_LIMIT,
                Items.NAME_FORBIDS,
                lockedThrough(),
                isOn("applies-credits"),
                isOn("tracks-quantities"),
                PLAN.stream().filter(this::isOn).toList(),
                find("time-zone").orElse(ZoneId.systemDefault().getId()),
                clock.instant().plus(Duration.ofMinutes(clockAhead())),
                referenceVersion());
    }

    /// Another one whenever anything of the masters or settings changed, or the books are others.
    public String referenceVersion() {
        return find("books").orElse("") + " "
                + jdbc.sql("select version from inkwell_reference")
                        .query(Long.class)
                        .single();
    }

    /// By how many minutes its clock is ahead of the right time.
    public int clockAhead() {
        return find("clock-ahead").map(Integer::valueOf).orElse(0);
    }

    public void setClockAhead(int minutes) {
        write("clock-ahead", String.valueOf(minutes));
    }

    public void setTimeZone(String zone) {
        write("time-zone", ZoneId.of(zone).getId());
    }

    public boolean isOn(String setting) {
        return find(setting).map("on"::equals).orElse(false);
    }

    public void set(String setting, boolean on) {
        if (!SETTINGS.contains(setting)) {
            throw Refusal.notFound("setting " + setting);
        }
        write(setting, on ? "on" : "off");
    }

    void requireUnlocked(LocalDate date) {
        LocalDate locked = lockedThrough();
        if (!date.isAfter(locked)) {
            throw Refusal.unprocessable(
                    "period-locked", "The books are locked through " + locked + "; " + date + " is in that period.");
        }
    }

    public LocalDate lockedThrough() {
        return find("locked-through").map(LocalDate::parse).orElse(LocalDate.of(2000, 1, 1));
    }

    public void lockThrough(LocalDate date) {
        write("locked-through", date.toString());
    }

    /// Books begun anew are other books, whatever they are called.
    public void beginBooks() {
        find("books").ifPresent(former -> write("former-books", former));
        write("books", UUID.randomUUID().toString());
    }

    /// As from a copy that was kept.
    public void putFormerBooksBack() {
        write("books", find("former-books").orElseThrow(() -> Refusal.notFound("former books")));
    }

    private Optional<String> find(String setting) {
        return jdbc.sql("select value from inkwell_setting where name = :name")
                .param("name", setting)
                .query(String.class)
                .optional();
    }

    private void write(String setting, String value) {
        jdbc.sql("""
                insert into inkwell_setting (name, value) values (:name, :value)
                on conflict (name) do update set value = excluded.value""").params(Map.of("name", setting, "value", value)).update();
    }

    public List<Account> accounts() {
        return accounts("", EVERYTHING);
    }

    /// A page of the chart by code, from the one after a code on. So are the others.
    public List<Account> accounts(String after, int limit) {
        return page("select code, name, type, active, version from inkwell_account where code > :after order by code")
                .apply(after, limit)
                .query(Account.class)
                .list();
    }

    public List<TaxCode> taxCodes() {
        return taxCodes("", EVERYTHING);
    }

    public List<TaxCode> taxCodes(String after, int limit) {
        return page("""
                select code, name, rate, category, both_sides, deductible, account, input_account, active, version
                from inkwell_tax_code
                where code > :after order by code""").apply(after, limit).query(TaxCode.class).list();
    }

    List<DayRate> rates() {
        return jdbc.sql("select currency, day, rate from inkwell_rate order by currency, day")
                .query(DayRate.class)
                .list();
    }

    /// At which something of a day is booked: what is asked for, else what the table says.
    BigDecimal rate(String currency, LocalDate day, BigDecimal asked) {
        if (currency.equals(Companies.open().currency())) {
            return BigDecimal.ONE;
        }
        if (!isOn("multi-currency")) {
            throw Refusal.unprocessable(
                    "currency-unknown",
                    "The books are kept in " + Companies.open().currency() + " only.");
        }
        if (asked != null && asked.signum() > 0) {
            return asked;
        }
        return jdbc.sql("""
                select rate from inkwell_rate where currency = :currency and day <= :day order by day desc limit 1""")
                .param("currency", currency)
                .param("day", day)
                .query(BigDecimal.class)
                .optional()
                .orElseThrow(() ->
                        Refusal.unprocessable("rate-missing", "There is no rate of " + currency + " for " + day + "."));
    }

    /// None of a company that has them switched off.
    List<DimensionValue> dimensions() {
        return isOn("dimensions") ? allDimensions() : List.of();
    }

    public List<DimensionValue> allDimensions() {
        return jdbc.sql("select code, name, value, title, active from inkwell_dimension order by code, value")
                .query(DimensionValue.class)
                .list();
    }

    @Transactional
    public void change(String dimension, String value, boolean active) {
        int rows = jdbc.sql("update inkwell_dimension set active = :active where code = :code and value = :value")
                .params(Map.of("code", dimension, "value", value, "active", active))
                .update();
        if (rows == 0) {
            throw Refusal.notFound("value " + value + " of " + dimension);
        }
    }

    void requireDimensions(Map<String, String> asked) {
        if (asked.isEmpty()) {
            return;
        }
        if (!isOn("dimensions")) {
            throw Refusal.unprocessable("dimensions-off", "The company has no dimensions.");
        }
        List<DimensionValue> known = allDimensions();
        asked.forEach((code, value) -> {
            if (known.stream()
                    .noneMatch(each -> each.active()
                            && each.code().equals(code)
                            && each.value().equals(value))) {
                throw Refusal.unprocessable(
                        "dimension-unknown", "There is no active value " + value + " of the dimension " + code + ".");
            }
        });
    }

    public List<Party> parties() {
        return parties("", EVERYTHING);
    }

    public List<Party> parties(String after, int limit) {
        return page(PARTY + " where id > :after order by id")
                .apply(after, limit)
                .query(this::party)
                .list();
    }

    public Optional<Party> findParty(String id) {
        return jdbc.sql(PARTY + " where id = :id")
                .param("id", id)
                .query(this::party)
                .optional();
    }

    private BiFunction<String, Integer, JdbcClient.StatementSpec> page(String sql) {
        return (after, limit) ->
                jdbc.sql(sql + " limit :limit").param("after", after).param("limit", Math.clamp(limit, 1, EVERYTHING));
    }

    @Transactional
    public Party add(Party draft) {
        require(draft.name(), "name");
        if (exists("select 1 from inkwell_party where lower(name) = lower(:value)", draft.name())) {
            throw Refusal.unprocessable("name-taken", "There is a party named " + draft.name() + " already.");
        }
        String id = "IC-"
                + jdbc.sql("select nextval('inkwell_id')").query(Long.class).single();
        Map<String, Object> values = new HashMap<>();
        values.put("id", id);
        values.put("name", draft.name());
        values.put("tax", text(draft.taxIdentifier()));
        values.put("email", text(draft.email()));
        values.put("phone", text(draft.phone()));
        values.put("billTo", json.writeValueAsString(draft.billTo() == null ? Map.of() : draft.billTo()));
        values.put("shipTo", json.writeValueAsString(draft.shipTo() == null ? Map.of() : draft.shipTo()));
        values.put("terms", requireTerms(draft.terms()));
        values.put("contacts", json.writeValueAsString(draft.contacts() == null ? List.of() : draft.contacts()));
        values.put("parent", requireParent(draft.parent()));
        values.put("reference", draft.externalReference());
        jdbc.sql("""
                insert into inkwell_party (id, name, tax_identifier, email, phone, bill_to, ship_to, terms, contacts, parent,
                    external_reference)
                values (:id, :name, :tax, :email, :phone, cast(:billTo as jsonb), cast(:shipTo as jsonb), :terms,
                    cast(:contacts as jsonb), :parent, :reference)""").params(values).update();
        changed("party", id);
        return findParty(id).orElseThrow();
    }

    private String requireTerms(String code) {
        String terms = text(code).strip();
        if (!terms.isEmpty() && !exists("select 1 from inkwell_terms where code = :value and active", terms)) {
            throw Refusal.unprocessable("terms-unknown", "There are no terms of payment " + terms + " in use.");
        }
        return terms;
    }

    private String requireParent(String parent) {
        if (parent != null && !isOn(SUB_PARTIES)) {
            throw Refusal.unprocessable("no-sub-parties", "This company has nothing below a customer.");
        }
        if (parent != null && findParty(parent).isEmpty()) {
            throw Refusal.unprocessable("party-unknown", "There is no party " + parent + ".");
        }
        return parent;
    }

    /// Whether one party is another, or below it.
    boolean isOrIsBelow(String party, String other) {
        return party.equals(other)
                || findParty(party).map(Party::parent).filter(other::equals).isPresent();
    }

    /// Compare-and-set on the version; of a long number of a telephone only the beginning is kept.
    @Transactional
    public Party change(String id, Party draft) {
        require(draft.name(), "name");
        Optional<Party> before = findParty(id);
        if (jdbc.sql("select 1 from inkwell_party where lower(name) = lower(:name) and id <> :id")
                .params(Map.of("name", draft.name(), "id", id))
                .query(Integer.class)
                .optional()
                .isPresent()) {
            throw Refusal.unprocessable("name-taken", "There is a party named " + draft.name() + " already.");
        }
        Map<String, Object> values = new HashMap<>();
        values.put("id", id);
        values.put("name", draft.name());
        values.put("tax", text(draft.taxIdentifier()));
        values.put("email", text(draft.email()));
        values.put("phone", text(draft.phone()));
        values.put("limit", PHONE_LIMIT);
        values.put("billTo", json.writeValueAsString(draft.billTo() == null ? Map.of() : draft.billTo()));
        values.put("shipTo", json.writeValueAsString(draft.shipTo() == null ? Map.of() : draft.shipTo()));
        values.put("terms", requireTerms(draft.terms()));
        values.put("active", draft.active());
        values.put("version", draft.version());
        int rows = jdbc.sql("""
                update inkwell_party set name = :name, tax_identifier = :tax, email = :email, phone = left(:phone, :limit),
                    bill_to = cast(:billTo as jsonb), ship_to = cast(:shipTo as jsonb), terms = :terms, active = :active, version = version + 1
                where id = :id and version = :version""").params(values).update();
        if (rows == 0) {
            findParty(id).orElseThrow(() -> Refusal.notFound("party " + id));
            throw Posting.stale("Party " + id);
        }
        changed("party", id);
        Party after = findParty(id).orElseThrow();
        touched("party", id, before.orElseThrow(), after);
        return after;
    }

    /// By the people at the desk.
    @Transactional
    public Party add(Map<String, Object> given) {
        Map<String, Object> wanted = new HashMap<>(given);
        wanted.putIfAbsent("active", true);
        wanted.putIfAbsent("version", 0);
        return add(json.convertValue(wanted, Party.class));
    }

    /// What the people at the desk do with a party; what they say nothing of stays.
    @Transactional
    public void change(String id, Map<String, Object> given) {
        Party standing = findParty(id).orElseThrow(() -> Refusal.notFound("party " + id));
        Map<String, Object> wanted = new HashMap<>(fields(standing));
        wanted.putAll(given);
        change(id, json.convertValue(wanted, Party.class));
    }

    /// What the people at the desk do with their chart; a later version.
    @Transactional
    public void change(String code, String name, String type, boolean active) {
        require(name, "name");
        int rows = jdbc.sql("""
                update inkwell_account set name = :name, type = :type, active = :active, version = version + 1
                where code = :code""")
                .params(Map.of("code", code, "name", name, "type", type, "active", active))
                .update();
        if (rows == 0) {
            throw Refusal.notFound("account " + code);
        }
    }

    @Transactional
    public void change(String code, BigDecimal rate, boolean active) {
        int rows = jdbc.sql("""
                update inkwell_tax_code set rate = :rate, active = :active, version = version + 1 where code = :code""")
                .params(Map.of("code", code, "rate", rate, "active", active))
                .update();
        if (rows == 0) {
            throw Refusal.notFound("tax code " + code);
        }
    }

    Account requireAccount(String code) {
        Account account = accounts().stream()
                .filter(a -> a.code().equals(code))
                .findFirst()
                .orElseThrow(() -> Refusal.unprocessable("account-unknown", "There is no account " + code + "."));
        if (!account.active()) {
            throw Refusal.unprocessable("account-inactive", "Account " + code + " is not active.");
        }
        return account;
    }

    /// By whose request it is that is answered.
    void changed(String type, String id) {
        tell(type, id);
        if (!type.equals("party") && !type.equals("item")) {
            note(type, id, List.of(""));
        }
    }

    /// In the feed.
    void tell(String type, String id) {
        jdbc.sql("select pg_advisory_xact_lock(8491)").query().singleRow();
        jdbc.sql("insert into inkwell_change (type, id) values (:type, :id)")
                .params(Map.of("type", type, "id", id))
                .update();
    }

    /// Each field of it that is another now.
    void touched(String type, String id, Object before, Object after) {
        Map<String, Object> was = fields(before);
        List<String> changed = fields(after).entrySet().stream()
                .filter(field -> !field.getKey().equals("version"))
                .filter(field -> !Objects.equals(field.getValue(), was.get(field.getKey())))
                .map(Map.Entry::getKey)
                .toList();
        note(type, id, changed);
    }

    private void note(String type, String id, List<String> fields) {
        touches.note(type, id, fields, clock.instant().plus(Duration.ofMinutes(clockAhead())), hands.now(AT_THE_DESK));
    }

    private Map<String, Object> fields(Object record) {
        return json.convertValue(record, new TypeReference<>() {});
    }

    /// When the fields of each of these were last changed, and by whom; of what is no party or item, the whole.
    List<Touch> touched(String type, List<String> codes) {
        return touches.of(type, codes, hands.now(AT_THE_DESK));
    }

    private boolean exists(String sql, String value) {
        return jdbc.sql(sql)
                .param("value", value)
                .query(Integer.class)
                .optional()
                .isPresent();
    }

    static void require(String value, String what) {
        if (value == null || value.isBlank()) {
            throw Refusal.unprocessable(what + "-missing", "A " + what + " is needed.");
        }
    }

    private static String text(String value) {
        return value == null ? "" : value;
    }

    private Party party(ResultSet row, int n) throws SQLException {
        return new Party(
                row.getString("id"),
                row.getString("name"),
                row.getString("tax_identifier"),
                row.getString("email"),
                row.getString("phone"),
                json.readValue(row.getString("bill_to"), new TypeReference<Map<String, String>>() {}),
                json.readValue(row.getString("ship_to"), new TypeReference<Map<String, String>>() {}),
                row.getString("terms"),
                json.readValue(row.getString("contacts"), new TypeReference<List<Map<String, String>>>() {}),
                row.getString("parent"),
                row.getString("external_reference"),
                row.getBoolean("active"),
                row.getInt("version"));
    }

    private static final String PARTY = """
            select id, name, tax_identifier, email, phone, bill_to, ship_to, terms, contacts, parent, external_reference, active, version
            from inkwell_party""";
}
