package alcabala.server.map;

import alcabala.accounting.crosswalk.RowKind;
import alcabala.server.platform.Like;
import alcabala.server.route.RouteRow;
import java.util.Collection;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;

/// Which rows come on a page of parties or items, of which there may be hundreds of thousands; and how many there are.
@Component
class LargeKinds {
    private static final Set<RowKind> LARGE = Set.of(RowKind.PARTY, RowKind.ITEM);

    /// Each code with whether it is mapped, whether something more general answers, and what waits for it.
    private static final String LISTED = """
            with held as (
                select substring(f.cause from position(':' in f.cause) + 1) as code,
                    coalesce(sum(signed(d.kind, d.gross)) filter (where d.currency = :currency and is_document(d.kind)),
                        sum(signed(d.kind, d.gross)) filter (where d.currency = :currency), 0) as amount
                from finding f join record d on d.id = f.record_id
                where d.route_id = :route and f.severity = 'blocks' and d.state in ('Blocked', 'Waiting')
                    and f.cause like any(cast(:causes as text[]))
                group by 1),
            mapped as (
                select code, min(target) filter (where target <> '') as target from crosswalk_row
                where route_id = :route and kind = :kind and ended_at is null group by code),
            listed as (
                select s.code, s.name, %s as note, m.target, m.code is not null as mapped,
                    m.code is null and (%s) as open, coalesce(h.amount, 0) as amount
                from %s s left join mapped m using (code) left join held h using (code)
                where s.source_id = :source)
            """;
    private static final String PARTIES = LISTED.formatted(
            "coalesce(s.body->>'taxIdentifier', '')", "h.code is not null or s.code = any(:answers)", "source_party");
    private static final String ITEMS = LISTED.formatted(
            "s.category", "not (s.category = any(:answers) or 'kind ' || s.kind = any(:answers))", "source_item");
    private static final String WANTED = """
            from listed where (not :open or open) and (:text in ('%', '%%') or (code || ' ' || name || ' ' || note || ' '
                || coalesce(target, '')) ilike :text
                or target in (select code from ledger_party where ledger_id = :ledger and :kind = 'PARTY' and name ilike :text))
            """;
    private final JdbcClient jdbc;

    /// How many rows of a kind there are, and what those without an answer hold up.
    ///
    /// @param covered by something more general
    /// @param heldUp minor units
    record Counts(int mapped, int covered, int open, long heldUp) {}

    LargeKinds(JdbcClient jdbc) {
        this.jdbc = jdbc;
    }

    static boolean has(RowKind kind) {
        return LARGE.contains(kind);
    }

    /// Codes in the order of the list: what is open first, that which holds up most money before the others.
    ///
    /// @param answers of parties those that may be somebody on the ledger; of items the categories and
    ///     the kinds of line that an account answers for
    List<String> codes(RouteRow route, RowKind kind, Collection<String> answers, MapPages.Wanted wanted) {
        return asked(
                        route,
                        kind,
                        answers,
                        "select code " + WANTED + " order by not open, amount desc, code offset :skip limit :limit",
                        wanted)
                .param("skip", wanted.skip())
                .param("limit", wanted.limit())
                .query(String.class)
                .list();
    }

    /// How many match.
    int count(RouteRow route, RowKind kind, Collection<String> answers, MapPages.Wanted wanted) {
        return asked(route, kind, answers, "select count(*) " + WANTED, wanted)
                .query(Integer.class)
                .single();
    }

    Counts counts(RouteRow route, RowKind kind, Collection<String> answers) {
        return asked(route, kind, answers, """
                select count(*) filter (where mapped) as mapped, count(*) filter (where not mapped and not open) as covered,
                    count(*) filter (where open) as open, coalesce(sum(amount) filter (where open), 0) as held_up
                from listed""", MapPages.Wanted.ALL)
                .query(Counts.class)
                .single();
    }

    /// Items without a row of their own whose code an active item of the ledger has.
    int itemsOfSameCode(RouteRow route) {
        return jdbc.sql("""
                select count(*) from source_item s
                where s.source_id = :source and exists (select 1 from ledger_item l where l.ledger_id = :ledger
                        and l.active and not l.gone and lower(l.code) = lower(s.code))
                    and not exists (select 1 from crosswalk_row c where c.route_id = :route and c.kind = 'ITEM'
                        and c.code = s.code and c.ended_at is null)""")
                .param("source", route.sourceId())
                .param("ledger", route.ledgerId())
                .param("route", route.id())
                .query(Integer.class)
                .single();
    }

    /// How many of these parties have no row of their own.
    int unmapped(RouteRow route, Collection<String> parties) {
        return jdbc.sql("""
                select count(*) from unnest(cast(:parties as text[])) as asked(party)
                where not exists (select 1 from crosswalk_row c where c.route_id = :route and c.kind = 'PARTY'
                    and c.code = asked.party and c.ended_at is null)""")
                .param("parties", parties.toArray(String[]::new))
                .param("route", route.id())
                .query(Integer.class)
                .single();
    }

    private JdbcClient.StatementSpec asked(
            RouteRow route, RowKind kind, Collection<String> answers, String select, MapPages.Wanted wanted) {
        return jdbc.sql((kind == RowKind.PARTY ? PARTIES : ITEMS) + select)
                .param("route", route.id())
                .param("source", route.sourceId())
                .param("ledger", route.ledgerId())
                .param("currency", route.currency())
                .param("kind", kind.name())
                .param("causes", new String[] {kind == RowKind.PARTY ? "party-%" : "item-unmapped:%"})
                .param("answers", answers.toArray(String[]::new))
                .param("open", wanted.onlyOpen())
                .param("text", Like.anywhere(wanted.text().strip().toLowerCase(Locale.ROOT)));
    }
}
