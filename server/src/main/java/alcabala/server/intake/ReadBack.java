package alcabala.server.intake;

import alcabala.accounting.crosswalk.TaxesBack;
import alcabala.accounting.document.LineKind;
import alcabala.accounting.document.Tax;
import alcabala.accounting.document.TaxCategory;
import alcabala.accounting.document.TaxCombination;
import alcabala.accounting.ledger.LedgerTaxCode;
import alcabala.connectors.ledger.LedgerRecord;
import alcabala.server.reference.LedgerReference;
import alcabala.server.route.RouteRow;
import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;

/// What of a source stands for codes of a ledger: the crosswalk of a route read the other way round.
@Component
class ReadBack {
    private final JdbcClient jdbc;
    private final LedgerReference reference;

    /// An item of the source.
    record ItemHere(String code, String name, String category, LineKind kind, String unit) {
        static final ItemHere NONE = new ItemHere("", "", "", LineKind.FEE, "");
    }

    private record Known(String code, BigDecimal rate, String category) {}

    ReadBack(JdbcClient jdbc, LedgerReference reference) {
        this.jdbc = jdbc;
        this.reference = reference;
    }

    TaxesBack taxes(RouteRow route) {
        Map<String, Tax> known = new HashMap<>();
        jdbc.sql("select code, rate, category from source_tax where source_id = :source")
                .param("source", route.sourceId())
                .query(Known.class)
                .list()
                .forEach(each -> known.put(
                        each.code(), new Tax(each.code(), each.rate(), TaxCategory.valueOf(each.category()), false)));
        Map<String, List<TaxCombination>> mapped = new HashMap<>();
        jdbc.sql("""
                select code, target from crosswalk_row
                where route_id = :route and kind = 'TAX' and purpose = 'COUNTERPART' and target <> '' and ended_at is null
                order by code""").param("route", route.id()).query(row -> {
            String code = row.getString("code");
            List<Tax> parts = parts(code, known);
            if (!parts.isEmpty()) {
                mapped.computeIfAbsent(row.getString("target"), target -> new ArrayList<>())
                        .add(TaxCombination.of(parts));
            }
        });
        Map<String, BigDecimal> rates = new HashMap<>();
        reference.profile(route.ledgerId()).taxCodes().values().stream()
                .filter(LedgerTaxCode::active)
                .forEach(code -> rates.put(code.code(), code.chargedRate()));
        return new TaxesBack(mapped, rates);
    }

    /// Those of a combination as its key names them; a source that was only seen to use the combination has it as one.
    /// None when it is not known.
    private static List<Tax> parts(String key, Map<String, Tax> known) {
        List<Tax> parts = new ArrayList<>();
        for (String part : key.split("(?=[+>])")) {
            boolean compound = part.startsWith(">");
            Tax tax = known.get(compound || part.startsWith("+") ? part.substring(1) : part);
            if (tax == null) {
                return known.containsKey(key) ? List.of(known.get(key)) : List.of();
            }
            parts.add(new Tax(tax.code(), tax.rate(), tax.category(), compound));
        }
        return parts;
    }

    /// By the ledger's codes: those that are mapped to them, and those of the same code. What stands for several is
    /// none of them.
    Map<String, ItemHere> items(RouteRow route, List<LedgerRecord.Line> lines) {
        Map<String, ItemHere> items = new HashMap<>();
        jdbc.sql("""
                with asked as (select distinct unnest(cast(:codes as text[])) as there),
                    stands as (
                        select a.there, min(c.code) as code, count(distinct c.code) as several from asked a
                            join crosswalk_row c on c.route_id = :route and c.kind = 'ITEM' and c.purpose = 'COUNTERPART'
                                and c.target = a.there and c.ended_at is null
                        group by a.there)
                select a.there, i.code, i.name, i.category, i.kind, i.unit from asked a left join stands s on s.there = a.there
                    join source_item i on i.source_id = :source
                        and i.code = case when s.several = 1 then s.code when s.several is null then a.there end""")
                .param("route", route.id())
                .param("source", route.sourceId())
                .param(
                        "codes",
                        lines.stream()
                                .map(LedgerRecord.Line::item)
                                .filter(Objects::nonNull)
                                .toArray(String[]::new))
                .query(row -> {
                    items.put(
                            row.getString("there"),
                            new ItemHere(
                                    row.getString("code"),
                                    row.getString("name"),
                                    row.getString("category"),
                                    LineKind.valueOf(row.getString("kind")),
                                    row.getString("unit")));
                });
        return items;
    }
}
