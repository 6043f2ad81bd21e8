package alcabala.server.reference;

import alcabala.connectors.ledger.Listing;
import java.util.List;

/// The tables a ledger owns, with how a pull is merged into each.
public enum ReferenceKind {
    ACCOUNT("account", "ledger_account", "lower(r.type)", "type", "p.body->>'type'"),
    TAX_CODE(
            "tax code",
            "ledger_tax_code",
            "trim_scale(r.rate) || ' %, ' || r.category || case when r.both_sides then ', on both sides' else '' end",
            "rate, category, both_sides, deductible, account, input_account",
            "cast(p.body->>'rate' as numeric), p.body->>'category', cast(p.body->>'bothSides' as boolean),"
                    + " cast(p.body->>'deductible' as numeric), p.body->>'account', p.body->>'inputAccount'"),
    PARTY("party", "ledger_party", "coalesce(r.body->>'taxIdentifier', '')", "body", "p.body"),
    ITEM(
            "item",
            "ledger_item",
            "r.account",
            "account, kind, unit, purchase_account, cost_account, stock_account, tax_code, told",
            "p.body->>'account', coalesce(p.body->>'kind', ''), p.body->>'unit', p.body->'purchase'->>'expense',"
                    + " p.body->'purchase'->>'cost', p.body->'purchase'->>'stock', p.body->>'taxCode', true"),
    DIMENSION(
            "value of a dimension",
            "ledger_dimension",
            "r.dimension_name",
            "dimension, dimension_name, value",
            "p.body->>'dimension', p.body->>'dimensionName', p.body->>'value'"),
    RATE(
            "rate of exchange",
            "ledger_rate",
            "trim_scale(r.rate)::text",
            "currency, day, rate",
            "p.body->>'currency', cast(p.body->>'day' as date), cast(p.body->>'rate' as numeric)"),
    TERM("terms", "ledger_term", "r.words", "rule, words", "p.body->'rule', p.body->>'words'"),
    FIELD("field", "ledger_field", "lower(r.body->>'type')", "body", "p.body");

    /// Which table a list is about.
    public static ReferenceKind of(Listing list) {
        return switch (list) {
            case Listing.Accounts l -> ACCOUNT;
            case Listing.TaxCodes l -> TAX_CODE;
            case Listing.Parties l -> PARTY;
            case Listing.Terms l -> TERM;
            case Listing.Unusable l -> throw new IllegalArgumentException("not readable: " + l.problems());
        };
    }

    private final String word;
    private final String table;
    private final String note;
    private final String columns;
    private final String values;

    ReferenceKind(String word, String table, String note, String columns, String values) {
        this.word = word;
        this.table = table;
        this.note = note;
        this.columns = columns;
        this.values = values;
    }

    public String word() {
        return word;
    }

    public String table() {
        return table;
    }

    /// What is said of a row `r` beside its name.
    public String note() {
        return note;
    }

    /// First what differs is written down and taken over, then what was not told of is marked as gone.
    /// Each step answers with the rows it changed.
    List<String> mergeSteps() {
        String own = "t." + columns.replace(", ", ", t.");
        return List.of("""
                with differing as (
                    select p.*,
                        case when t.code is null then 'new' when t.gone or (p.active and not t.active) then 'active'
                            when t.active and not p.active then 'inactive' else 'changed' end as what,
                        case when t.code is not null then jsonb_build_object('name', t.name, 'values', to_jsonb(row(%1$s))) end as before,
                        case when t.code is not null then jsonb_build_object('name', p.name, 'values', to_jsonb(row(%2$s))) end as after
                    from pulled p left join %3$s t on t.ledger_id = :ledger and t.code = p.code
                    where p.pull_id = :pull and p.kind = :kind
                        and (t.code is null or t.gone or (t.name, t.active, %1$s) is distinct from (p.name, p.active, %2$s))),
                noted as (
                    insert into reference_change (pull_id, kind, code, name, what, before, after)
                    select :pull, :kind, code, name, what, before, after from differing)
                insert into %3$s (ledger_id, code, name, active, %4$s)
                select :ledger, p.code, p.name, p.active, %2$s from differing p
                on conflict (ledger_id, code) do update set name = excluded.name, active = excluded.active, gone = false, %5$s""".formatted(own, values, table, columns, assignments()), """
                with gone as (
                    update %s t set gone = true, active = false
                    where t.ledger_id = :ledger and not t.gone
                        and not exists (select 1 from pulled p where p.pull_id = :pull and p.kind = :kind and p.code = t.code)
                    returning t.code, t.name)
                insert into reference_change (pull_id, kind, code, name, what)
                select :pull, :kind, code, name, 'gone' from gone""".formatted(table));
    }

    private String assignments() {
        StringBuilder assignments = new StringBuilder();
        for (String column : columns.split(", ")) {
            assignments
                    .append(assignments.isEmpty() ? "" : ", ")
                    .append(column)
                    .append(" = excluded.")
                    .append(column);
        }
        return assignments.toString();
    }
}
