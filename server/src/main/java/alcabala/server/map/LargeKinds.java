package alcabala.server.map;

import alcabala.accounting.crosswalk.RowKind;
import alcabala.server.platform.Like;
import alcabala.server.route.RouteRow;
import java.util.ArrayList;
import java.util.Collection;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;

/// Which rows come on a page of parties or items, of which there may be hundreds of thousands; and how many there are.
@Component
class LargeKinds {
    private static final Set<RowKind> LARGE = Set.of(RowKind.PARTY, RowKind.ITEM);
    private final JdbcClient jdbc;
    private final SourceCodes source;
    /// As it was last put in order: whoever scrolls asks for one page of the same list after another.
    private final Map<Listed, Ordered> lists = new ConcurrentHashMap<>();

    private record Listed(long route, RowKind kind, boolean hidden, boolean onlyOpen) {}

    private record Ordered(Walk walk, List<String> codes) {}

    /// How many rows of a kind there are, and what those without an answer hold up.
    ///
    /// @param covered by something more general
    /// @param heldUp minor units
    record Counts(int mapped, int covered, int open, long heldUp) {}

    /// @param count how many match, those of other pages included
    record Codes(List<String> codes, int count) {}

    LargeKinds(JdbcClient jdbc, SourceCodes source) {
        this.jdbc = jdbc;
        this.source = source;
    }

    static boolean has(RowKind kind) {
        return LARGE.contains(kind);
    }

    /// Codes in the order of the list: what is open and holds something up, the dearest first; the rest of what
    /// is open; all else. The last two are in the order of the codes.
    ///
    /// @param answers of parties those that may be somebody on the ledger; of items the categories and
    ///     the kinds of line that an account answers for
    Codes codes(RouteRow route, RowKind kind, Collection<String> answers, MapPages.Wanted wanted) {
        Walk walk = new Walk(route, kind, answers);
        String text = wanted.text().strip().toLowerCase(Locale.ROOT);
        List<String> all =
                text.isEmpty() ? whole(route, walk, wanted) : ordered(walk, wanted, text, mappedTo(route, kind, text));
        int from = Math.min(wanted.skip(), all.size());
        int to = (int) Math.min(all.size(), (long) from + wanted.limit());
        return new Codes(List.copyOf(all.subList(from, to)), all.size());
    }

    private List<String> whole(RouteRow route, Walk walk, MapPages.Wanted wanted) {
        Listed listed = new Listed(route.id(), walk.kind, wanted.hidden(), wanted.onlyOpen());
        Ordered last = lists.get(listed);
        if (last == null || !last.walk().goesAs(walk)) {
            last = new Ordered(walk, ordered(walk, wanted, "", Set.of()));
            lists.put(listed, last);
        }
        return last.codes();
    }

    /// @param there codes whose row goes to something with the text
    private static List<String> ordered(Walk walk, MapPages.Wanted wanted, String text, Set<String> there) {
        List<String> dear = new ArrayList<>();
        List<String> open = new ArrayList<>();
        List<String> others = new ArrayList<>();
        for (int place = 0; place < walk.all.size(); place++) {
            String code = walk.all.codes().get(place);
            boolean found = text.isEmpty() || walk.all.texts().get(place).contains(text) || there.contains(code);
            if (!found || walk.isHidden(code) != wanted.hidden()) {
                continue;
            }
            if (!walk.isOpen(place)) {
                others.add(code);
            } else if (walk.holdsUp(code) != 0) {
                dear.add(code);
            } else {
                open.add(code);
            }
        }
        dear.sort(Comparator.comparingLong(walk::holdsUp).reversed().thenComparing(Comparator.naturalOrder()));
        dear.addAll(open);
        if (!wanted.onlyOpen()) {
            dear.addAll(others);
        }
        return dear;
    }

    Counts counts(RouteRow route, RowKind kind, Collection<String> answers) {
        Walk walk = new Walk(route, kind, answers);
        int mapped = 0;
        int hidden = 0;
        int open = 0;
        long heldUp = 0;
        for (int place = 0; place < walk.all.size(); place++) {
            String code = walk.all.codes().get(place);
            if (walk.isHidden(code)) {
                hidden++;
            } else if (walk.mapped.contains(code)) {
                mapped++;
            } else if (walk.isOpen(place)) {
                open++;
                heldUp = Math.addExact(heldUp, walk.holdsUp(code));
            }
        }
        return new Counts(mapped, walk.all.size() - hidden - mapped - open, open, heldUp);
    }

    /// All codes of one kind, with what decides where each comes.
    private final class Walk {
        private final SourceCodes.Codes all;
        private final Set<String> mapped;
        private final Map<String, Long> held;
        private final Set<String> answers;
        private final RowKind kind;

        Walk(RouteRow route, RowKind kind, Collection<String> answers) {
            this.kind = kind;
            all = source.of(route, kind);
            mapped = source.mapped(route, kind);
            held = held(route, kind);
            this.answers = answers instanceof Set<String> set ? set : new HashSet<>(answers);
        }

        /// Whether another leads to the same order. Codes and rows are kept by their version, so that the same ones are
        /// the same objects.
        boolean goesAs(Walk other) {
            return all == other.all
                    && mapped == other.mapped
                    && held.equals(other.held)
                    && answers.equals(other.answers);
        }

        boolean isOpen(int place) {
            String code = all.codes().get(place);
            if (mapped.contains(code)) {
                return false;
            }
            return kind == RowKind.PARTY
                    ? held.containsKey(code) || answers.contains(code)
                    : !answers.contains(all.categories().get(place))
                            && !answers.contains("kind " + all.kinds().get(place));
        }

        /// What holds something up is never out of sight.
        boolean isHidden(String code) {
            return all.hidden().contains(code) && !held.containsKey(code);
        }

        long holdsUp(String code) {
            return held.getOrDefault(code, 0L);
        }
    }

    /// What waits for each code, minor units. That is no more than documents wait, however many codes there
    /// are.
    private Map<String, Long> held(RouteRow route, RowKind kind) {
        Map<String, Long> held = new HashMap<>();
        jdbc.sql("""
                select substring(f.cause from position(':' in f.cause) + 1) as code,
                    coalesce(sum(signed(d.kind, d.gross)) filter (where d.currency = :currency and is_document(d.kind)),
                        sum(signed(d.kind, d.gross)) filter (where d.currency = :currency), 0) as amount
                from finding f join record d on d.id = f.record_id
                where d.route_id = :route and f.severity = 'blocks' and d.state in ('Blocked', 'Waiting')
                    and f.cause like :cause
                group by 1""")
                .param("route", route.id())
                .param("currency", route.currency())
                .param("cause", kind == RowKind.PARTY ? "party-%" : "item-unmapped:%")
                .query(row -> {
                    held.put(row.getString("code"), row.getLong("amount"));
                });
        return held;
    }

    /// Codes whose row goes to something with this text.
    private Set<String> mappedTo(RouteRow route, RowKind kind, String text) {
        return jdbc.sql("""
                select code from crosswalk_row where route_id = :route and kind = :kind and ended_at is null
                    and (target ilike :text or (:kind = 'PARTY' and target in
                        (select code from ledger_party where ledger_id = :ledger and name ilike :text)))""")
                .param("route", route.id())
                .param("ledger", route.ledgerId())
                .param("kind", kind.name())
                .param("text", Like.anywhere(text))
                .query(String.class)
                .set();
    }

    /// Items without a row of their own whose code an active item of the ledger has.
    int itemsOfSameCode(RouteRow route) {
        return jdbc.sql("""
                select count(*) from source_item s
                where s.source_id = :source and exists (select 1 from ledger_item l where l.ledger_id = :ledger
                        and l.active and not l.gone and lower(l.code) = lower(s.code))
                    and not exists (select 1 from crosswalk_row c where c.route_id = :route and c.kind = 'ITEM'
                        and c.code = s.code and c.purpose <> 'NAME' and c.ended_at is null)""")
                .param("source", route.sourceId())
                .param("ledger", route.ledgerId())
                .param("route", route.id())
                .query(Integer.class)
                .single();
    }

    /// How many of these parties have no row of their own.
    int unmapped(RouteRow route, Collection<String> parties) {
        Set<String> mapped = source.mapped(route, RowKind.PARTY);
        return (int) parties.stream().filter(party -> !mapped.contains(party)).count();
    }
}
