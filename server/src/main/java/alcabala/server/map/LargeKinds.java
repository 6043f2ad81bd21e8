package alcabala.server.map;

import alcabala.accounting.crosswalk.RowKind;
import alcabala.server.platform.Like;
import alcabala.server.route.RouteRow;
import java.util.ArrayList;
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

    /// What waits for each code. That is no more than documents wait, however many codes there are.
    private static final String HELD = """
            with held as (
                select substring(f.cause from position(':' in f.cause) + 1) as code,
                    coalesce(sum(signed(d.kind, d.gross)) filter (where d.currency = :currency and is_document(d.kind)),
                        sum(signed(d.kind, d.gross)) filter (where d.currency = :currency), 0) as amount
                from finding f join record d on d.id = f.record_id
                where d.route_id = :route and f.severity = 'blocks' and d.state in ('Blocked', 'Waiting')
                    and f.cause like :cause
                group by 1)
            """;
    private static final String SET =
            "select code from crosswalk_row where route_id = :route and kind = :kind and ended_at is null";
    private static final String MAPPED = "(s.code in (" + SET + "))";
    private static final String OPEN_PARTY =
            "(not " + MAPPED + " and (s.code in (select code from held) or s.code = any(:answers)))";
    private static final String OPEN_ITEM =
            "(not " + MAPPED + " and not (s.category = any(:answers) or 'kind ' || s.kind = any(:answers)))";
    private static final String DEAR = "(s.code in (select code from held where amount <> 0))";
    private static final String MATCHES = "(:text = '%%' or (s.code || ' ' || s.name || ' ' || %s) ilike :text"
            + " or s.code in (" + SET + " and (target ilike :text or (:kind = 'PARTY' and target in"
            + " (select code from ledger_party where ledger_id = :ledger and name ilike :text)))))";

    /// By this each stretch of the list is walked along an index, and never sorted.
    private static final String BY_CODE = " order by s.code collate \"C\" offset :skip limit :limit";

    private static final String BY_AMOUNT =
            " order by (select amount from held h where h.code = s.code) desc, s.code collate \"C\" offset :skip limit :limit";
    private final JdbcClient jdbc;

    /// How many rows of a kind there are, and what those without an answer hold up.
    ///
    /// @param covered by something more general
    /// @param heldUp minor units
    record Counts(int mapped, int covered, int open, long heldUp) {}

    /// How long each stretch of the list is: what is open and holds something up, the rest of what is open, all else.
    private record Stretches(int dear, int open, int others) {}

    /// @param count how many match, those of other pages included
    record Codes(List<String> codes, int count) {}

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
    Codes codes(RouteRow route, RowKind kind, Collection<String> answers, MapPages.Wanted wanted) {
        Asked asked = new Asked(route, kind, answers, wanted);
        String open = asked.open();
        Stretches stretches = asked.with("""
                select count(*) filter (where open and dear) as dear, count(*) filter (where open and not dear) as open,
                    count(*) filter (where not open) as others
                from (select %s as open, %s as dear from %s offset 0) listed""".formatted(open, DEAR, asked.matching()))
                .query(Stretches.class)
                .single();
        List<String> codes = new ArrayList<>();
        int before = asked.take(codes, 0, stretches.dear(), open + " and " + DEAR, BY_AMOUNT);
        before = asked.take(codes, before, stretches.open(), open + " and not " + DEAR, BY_CODE);
        if (!wanted.onlyOpen()) {
            before = asked.take(codes, before, stretches.others(), "not " + open, BY_CODE);
        }
        return new Codes(codes, before);
    }

    Counts counts(RouteRow route, RowKind kind, Collection<String> answers) {
        Asked asked = new Asked(route, kind, answers, MapPages.Wanted.ALL);
        return asked.with("""
                select count(*) filter (where mapped) as mapped, count(*) filter (where not mapped and not open) as covered,
                    count(*) filter (where open) as open, coalesce(sum(held_up), 0) as held_up
                from (select %1$s as mapped, %2$s as open, case when %3$s and %2$s
                        then (select amount from held h where h.code = s.code) end as held_up
                    from %4$s offset 0) listed""".formatted(MAPPED, asked.open(), DEAR, asked.matching()))
                .query(Counts.class)
                .single();
    }

    /// One question about the codes of one kind.
    private final class Asked {
        private final RouteRow route;
        private final RowKind kind;
        private final Collection<String> answers;
        private final MapPages.Wanted wanted;

        Asked(RouteRow route, RowKind kind, Collection<String> answers, MapPages.Wanted wanted) {
            this.route = route;
            this.kind = kind;
            this.answers = answers;
            this.wanted = wanted;
        }

        String open() {
            return kind == RowKind.PARTY ? OPEN_PARTY : OPEN_ITEM;
        }

        String matching() {
            boolean parties = kind == RowKind.PARTY;
            String note = parties ? "coalesce(s.body->>'taxIdentifier', '')" : "s.category";
            return (parties ? "source_party" : "source_item") + " s where s.source_id = :source and "
                    + MATCHES.replace("%s", note);
        }

        /// Adds what of one stretch is on the page.
        ///
        /// @param before how many come before the stretch
        /// @return how many come before the next one
        int take(List<String> codes, int before, int length, String stretch, String order) {
            int skip = Math.max(0, wanted.skip() - before);
            int room = wanted.limit() - codes.size();
            if (room > 0 && skip < length) {
                codes.addAll(with("select s.code from " + matching() + " and " + stretch + order)
                        .param("skip", skip)
                        .param("limit", room)
                        .query(String.class)
                        .list());
            }
            return before + length;
        }

        JdbcClient.StatementSpec with(String select) {
            return jdbc.sql(HELD + select)
                    .param("route", route.id())
                    .param("source", route.sourceId())
                    .param("ledger", route.ledgerId())
                    .param("currency", route.currency())
                    .param("kind", kind.name())
                    .param("cause", kind == RowKind.PARTY ? "party-%" : "item-unmapped:%")
                    .param("answers", answers.toArray(String[]::new))
                    .param("text", Like.anywhere(wanted.text().strip().toLowerCase(Locale.ROOT)));
        }
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
}
