package alcabala.server.reference;

import alcabala.accounting.document.ItemKind;
import alcabala.accounting.ledger.NameRules;
import alcabala.connectors.ledger.LedgerItem;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.util.Collection;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.springframework.jdbc.core.namedparam.MapSqlParameterSource;
import org.springframework.jdbc.core.namedparam.NamedParameterJdbcTemplate;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;

/// The items of a ledger, as last pulled or as it answered since: read-only here.
@Component
public class ItemsThere {
    private final JdbcClient jdbc;
    private final NamedParameterJdbcTemplate template;

    ItemsThere(JdbcClient jdbc, NamedParameterJdbcTemplate template) {
        this.jdbc = jdbc;
        this.template = template;
    }

    /// As it is known to stand there now.
    public int keep(long ledgerId, LedgerItem item) {
        return template.update(
                ITEM,
                new MapSqlParameterSource("ledger", ledgerId)
                        .addValue("code", item.code())
                        .addValue("name", item.name())
                        .addValue("active", item.active())
                        .addValue("account", item.account())
                        .addValue("kind", item.kind() == null ? "" : item.kind().name())
                        .addValue("unit", item.unit())
                        .addValue("expense", item.purchase().expense())
                        .addValue("cost", item.purchase().cost())
                        .addValue("stock", item.purchase().stock())
                        .addValue("taxCode", item.taxCode()));
    }

    /// What the ledger asks of their names.
    public NameRules nameRules(long ledgerId) {
        return jdbc.sql("select name_limit, name_forbids from ledger where id = :id")
                .param("id", ledgerId)
                .query((row, n) -> new NameRules(row.getInt("name_limit"), row.getString("name_forbids")))
                .single();
    }

    public Optional<LedgerItem> find(long ledgerId, String code) {
        return jdbc.sql(ITEMS + " and code = :code")
                .param("id", ledgerId)
                .param("code", code)
                .query(ItemsThere::item)
                .optional();
    }

    /// Which of these items it has.
    public Set<String> known(long ledgerId, Collection<String> codes) {
        return Set.copyOf(
                jdbc.sql("select code from ledger_item where ledger_id = :id and code = any(:codes) and not gone")
                        .param("id", ledgerId)
                        .param("codes", codes.toArray(String[]::new))
                        .query(String.class)
                        .list());
    }

    public List<LedgerItem> all(long ledgerId) {
        return jdbc.sql(ITEMS + " order by name")
                .param("id", ledgerId)
                .query(ItemsThere::item)
                .list();
    }

    /// Whether all of them were told of since their kinds, units and other accounts are kept.
    public boolean areWhole(long ledgerId) {
        return jdbc.sql("""
                select not exists (select 1 from ledger_item where ledger_id = :id and active and not gone and not told)""").param("id", ledgerId).query(Boolean.class).single();
    }

    private static LedgerItem item(ResultSet row, int n) throws SQLException {
        String kind = row.getString("kind");
        return new LedgerItem(
                row.getString("code"),
                row.getString("name"),
                kind.isEmpty() ? null : ItemKind.valueOf(kind),
                row.getString("unit"),
                row.getString("account"),
                new LedgerItem.Purchase(
                        row.getString("purchase_account"),
                        row.getString("cost_account"),
                        row.getString("stock_account")),
                row.getString("tax_code"),
                row.getBoolean("active"));
    }

    private static final String ITEMS = "select * from ledger_item where ledger_id = :id and not gone";
    private static final String ITEM = """
            insert into ledger_item as t (ledger_id, code, name, account, kind, unit, purchase_account, cost_account,
                stock_account, tax_code, told, active)
            values (:ledger, :code, :name, :account, :kind, :unit, :expense, :cost, :stock, :taxCode, true, :active)
            on conflict (ledger_id, code) do update set name = excluded.name, account = excluded.account,
                kind = excluded.kind, unit = excluded.unit, purchase_account = excluded.purchase_account,
                cost_account = excluded.cost_account, stock_account = excluded.stock_account,
                tax_code = excluded.tax_code, told = true, active = excluded.active, gone = false
            where (t.name, t.account, t.kind, t.unit, t.purchase_account, t.cost_account, t.stock_account, t.tax_code, t.told, t.active)
                is distinct from (excluded.name, excluded.account, excluded.kind, excluded.unit, excluded.purchase_account,
                    excluded.cost_account, excluded.stock_account, excluded.tax_code, true, excluded.active)""";
}
