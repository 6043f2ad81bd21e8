package standins.inkwell;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Stream;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import standins.Refusal;
import standins.inkwell.Books.Item;

/// What is bought and sold, with the accounts that it goes to.
@Component
public class Items {
    static final int NAME_LIMIT = 31;
    /// Parts of a name are told apart by it in Inkwell's reports.
    static final String NAME_FORBIDS = ":";
    private static final int EVERYTHING = 1_000_000;
    private final JdbcClient jdbc;
    private final Masters masters;

    Items(JdbcClient jdbc, Masters masters) {
        this.jdbc = jdbc;
        this.masters = masters;
    }

    public List<Item> all() {
        return page("", EVERYTHING);
    }

    /// By code, from the one after a code on.
    List<Item> page(String after, int limit) {
        return jdbc.sql(ITEM + " where code > :after order by code limit :limit")
                .param("after", after)
                .param("limit", Math.clamp(limit, 1, EVERYTHING))
                .query(Item.class)
                .list();
    }

    Optional<Item> find(String code) {
        return jdbc.sql(ITEM + " where code = :code")
                .param("code", code)
                .query(Item.class)
                .optional();
    }

    @Transactional
    public Item add(Item draft) {
        Masters.require(draft.code(), "code");
        if (find(draft.code()).isPresent()) {
            throw Refusal.unprocessable("code-taken", "There is an item " + draft.code() + " already.");
        }
        check(draft);
        jdbc.sql("""
                insert into inkwell_item (code, name, kind, unit, account, purchase_account, cost_account, stock_account,
                    tax_code, external_reference)
                values (:code, :name, :kind, :unit, :account, :purchase, :cost, :stock, :taxCode, :reference)""")
                .params(values(draft))
                .param("code", draft.code())
                .param("reference", draft.externalReference())
                .update();
        masters.changed("item", draft.code());
        return find(draft.code()).orElseThrow();
    }

    private static Map<String, Object> values(Item draft) {
        Map<String, Object> values = new HashMap<>();
        values.put("name", draft.name());
        values.put("kind", draft.kind());
        values.put("unit", draft.unit() == null ? "" : draft.unit());
        values.put("account", draft.account());
        values.put("purchase", draft.purchaseAccount());
        values.put("cost", draft.costAccount());
        values.put("stock", draft.stockAccount());
        values.put("taxCode", draft.taxCode());
        return values;
    }

    private void check(Item draft) {
        Masters.require(draft.name(), "name");
        if (draft.name().length() > NAME_LIMIT) {
            throw Refusal.unprocessable(
                    "name-too-long",
                    "The name of item " + draft.code() + " has more than " + NAME_LIMIT + " characters.");
        }
        if (draft.name().contains(NAME_FORBIDS)) {
            throw Refusal.unprocessable(
                    "name-character", "The name of item " + draft.code() + " has a “" + NAME_FORBIDS + "”.");
        }
        boolean taken = jdbc.sql("select 1 from inkwell_item where lower(name) = lower(:name) and code <> :code")
                .param("name", draft.name())
                .param("code", draft.code())
                .query(Integer.class)
                .optional()
                .isPresent();
        if (taken) {
            throw Refusal.unprocessable("name-taken", "There is an item named " + draft.name() + " already.");
        }
        masters.requireAccount(draft.account());
        Stream.of(draft.purchaseAccount(), draft.costAccount(), draft.stockAccount())
                .filter(account -> account != null)
                .forEach(masters::requireAccount);
    }

    /// Compare-and-set on the version. A kind that is not given stays.
    @Transactional
    public Item change(String code, Item draft) {
        Item there = find(code).orElseThrow(() -> Refusal.notFound("item " + code));
        check(draft);
        int rows = jdbc.sql("""
                update inkwell_item set name = :name, kind = coalesce(:kind, kind), unit = :unit, account = :account,
                    purchase_account = :purchase, cost_account = :cost, stock_account = :stock, tax_code = :taxCode,
                    active = :active, version = version + 1
                where code = :code and version = :version""")
                .params(values(draft))
                .param("code", there.code())
                .param("active", draft.active())
                .param("version", draft.version())
                .update();
        if (rows == 0) {
            throw Posting.stale("Item " + code);
        }
        masters.changed("item", code);
        Item after = find(code).orElseThrow();
        masters.touched("item", code, there, after);
        return after;
    }

    /// By somebody at the desk, who says what it is called and where its sales are booked.
    @Transactional
    public Item add(Map<String, String> given) {
        return add(new Item(
                given.getOrDefault("code", "").strip(),
                given.getOrDefault("name", "").strip(),
                given.get("kind"),
                given.get("unit"),
                given.get("account"),
                null,
                null,
                null,
                null,
                null,
                true,
                0));
    }

    /// By somebody at the desk: name, kind, unit and whether it is in use, as far as they are given.
    @Transactional
    public Item change(String code, Map<String, String> given) {
        Item there = find(code).orElseThrow(() -> Refusal.notFound("item " + code));
        return change(
                code,
                new Item(
                        code,
                        given.getOrDefault("name", there.name()).strip(),
                        given.getOrDefault("kind", there.kind()),
                        given.getOrDefault("unit", there.unit()).strip(),
                        there.account(),
                        there.purchaseAccount(),
                        there.costAccount(),
                        there.stockAccount(),
                        there.taxCode(),
                        there.externalReference(),
                        Boolean.parseBoolean(given.getOrDefault("active", String.valueOf(there.active()))),
                        there.version()));
    }

    private static final String ITEM = """
            select code, name, kind, unit, account, purchase_account, cost_account, stock_account, tax_code,
                external_reference, active, version
            from inkwell_item""";
}
