package alcabala.server.map;

import alcabala.accounting.matching.PartyMatcher;
import alcabala.accounting.party.Party;
import alcabala.server.compile.PartyMatchers;
import alcabala.server.jobs.Works;
import alcabala.server.jobs.Works.Kind;
import alcabala.server.map.Suggestions.Suggestion;
import alcabala.server.platform.News.Topic;
import alcabala.server.platform.Telling;
import alcabala.server.reference.SourceCatalogue;
import alcabala.server.route.RouteRow;
import java.util.List;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;

/// Who on a ledger the parties of a source probably are, all of them looked at together. That takes a while for very
/// many, so it is kept until either side has others; what was known before is said meanwhile.
@Component
class Likeness {
    /// So many are looked at while somebody waits, more behind the screens.
    private static final int FEW = 1_000;

    private static final long WHATEVER_WAS_CREATED = -1;

    private final JdbcClient jdbc;
    private final PartyMatchers matchers;
    private final SourceCatalogue catalogue;
    private final Works works;
    private final Telling telling;
    private final Map<Sides, Known> known = new ConcurrentHashMap<>();

    private record Sides(long source, long ledger) {}

    /// @param parties of the source, as far as it matters whether they are few
    private record Stamp(long parties, long changed, long version, long keptVersion) {}

    private record Known(Stamp stamp, Map<String, Suggestion> likeliest) {}

    /// How many were looked at.
    record Compared(int parties) {}

    Likeness(JdbcClient jdbc, PartyMatchers matchers, SourceCatalogue catalogue, Works works, Telling telling) {
        this.jdbc = jdbc;
        this.matchers = matchers;
        this.catalogue = catalogue;
        this.works = works;
        this.telling = telling;
    }

    /// Whether it is certain by itself, and not any more once all are looked at together: another claims the
    /// same one.
    ///
    /// @param together as from [#of]
    static boolean isDisputed(Map<String, Suggestion> together, String code, String counterpart) {
        Suggestion likeliest = together.get(code);
        return likeliest != null && likeliest.counterpart().equals(counterpart) && !likeliest.exact();
    }

    /// The likeliest for each party of the source that may be somebody there, by its code; mapped ones included.
    Map<String, Suggestion> of(RouteRow route) {
        Sides sides = new Sides(route.sourceId(), route.ledgerId());
        Stamp now = stamp(sides);
        Known last = known.get(sides);
        if (last != null && last.stamp().equals(now)) {
            return last.likeliest();
        }
        if (now.parties() <= FEW) {
            return compare(sides, now);
        }
        works.start(Kind.MATCHING, sides.source() + " " + sides.ledger(), "Alcabala", Compared.class, at -> {
            Map<String, Suggestion> likeliest = compare(sides, stamp(sides));
            telling.tell(Topic.CROSSWALK, null, null, List.of());
            return new Compared(likeliest.size());
        });
        return last == null ? Map.of() : last.likeliest();
    }

    private Map<String, Suggestion> compare(Sides sides, Stamp stamp) {
        PartyMatcher matcher = matchers.of(sides.ledger());
        List<Party> parties = catalogue.parties(sides.source());
        Map<String, Suggestion> likeliest = Suggestions.likeliest(matcher, parties);
        known.put(sides, new Known(stamp, likeliest));
        return likeliest;
    }

    /// With very many, those that a batch creates on the ledger do not count: all would be compared anew for as
    /// long as it runs.
    private Stamp stamp(Sides sides) {
        Stamp stamp = jdbc.sql("""
                select (select count(*) from (select 1 from source_party where source_id = :source limit :many) p) as parties,
                    s.catalogue_version as changed, l.version, l.kept_version
                from ledger l, source s where l.id = :ledger and s.id = :source""")
                .param("source", sides.source())
                .param("ledger", sides.ledger())
                .param("many", FEW + 1)
                .query(Stamp.class)
                .single();
        return stamp.parties() <= FEW
                ? stamp
                : new Stamp(stamp.parties(), stamp.changed(), stamp.version(), WHATEVER_WAS_CREATED);
    }
}
