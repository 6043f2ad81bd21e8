package alcabala.server.map;

import alcabala.accounting.crosswalk.RowKind;
import alcabala.server.platform.CommittedCache;
import alcabala.server.route.RouteRow;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;

/// The parties and items that a source has told of, in memory: there may be hundreds of thousands, and a list
/// of them is walked while somebody scrolls. Their names and all else are asked for page by page.
@Component
class SourceCodes {
    private final JdbcClient jdbc;
    private final CommittedCache<Of, Codes> codes = new CommittedCache<>();
    private final CommittedCache<Of, Set<String>> mapped = new CommittedCache<>();

    /// @param owner the source of codes, the route of rows
    private record Of(long owner, RowKind kind) {}

    /// All in the order of the codes, sign by sign.
    ///
    /// @param categories of items; empty for parties
    /// @param kinds of line, of items; empty for parties
    /// @param texts all that is looked through, in small letters
    /// @param hidden codes that somebody put out of sight
    record Codes(
            List<String> codes, List<String> categories, List<String> kinds, List<String> texts, Set<String> hidden) {
        int size() {
            return codes.size();
        }
    }

    SourceCodes(JdbcClient jdbc) {
        this.jdbc = jdbc;
    }

    Codes of(RouteRow route, RowKind kind) {
        String version = jdbc.sql("select catalogue_version from source where id = :id")
                .param("id", route.sourceId())
                .query(String.class)
                .single();
        return codes.get(new Of(route.sourceId(), kind), version, () -> read(route.sourceId(), kind));
    }

    private Codes read(long source, RowKind kind) {
        Map<String, String> words = new HashMap<>();
        Codes read =
                new Codes(new ArrayList<>(), new ArrayList<>(), new ArrayList<>(), new ArrayList<>(), new HashSet<>());
        String select = kind == RowKind.PARTY
                ? "select code, name, '' as category, '' as kind, coalesce(body->>'taxIdentifier', '') as note, hidden from source_party"
                : "select code, name, category, kind, category as note, false as hidden from source_item";
        jdbc.sql(select + " where source_id = :source order by code collate \"C\"")
                .param("source", source)
                .query(row -> {
                    String code = row.getString("code");
                    read.codes().add(code);
                    if (row.getBoolean("hidden")) {
                        read.hidden().add(code);
                    }
                    read.categories().add(words.computeIfAbsent(row.getString("category"), word -> word));
                    read.kinds().add(words.computeIfAbsent(row.getString("kind"), word -> word));
                    read.texts()
                            .add((code + " " + row.getString("name") + " " + row.getString("note"))
                                    .toLowerCase(Locale.ROOT));
                });
        return read;
    }

    /// Those of the route that have a row of their own.
    Set<String> mapped(RouteRow route, RowKind kind) {
        String version = jdbc.sql("select crosswalk_version from route where id = :id")
                .param("id", route.id())
                .query(String.class)
                .single();
        return mapped.get(
                new Of(route.id(), kind),
                version,
                () -> Set.copyOf(jdbc.sql(
                                "select code from crosswalk_row where route_id = :route and kind = :kind and purpose <> 'NAME' and ended_at is null")
                        .param("route", route.id())
                        .param("kind", kind.name())
                        .query(String.class)
                        .set()));
    }
}
