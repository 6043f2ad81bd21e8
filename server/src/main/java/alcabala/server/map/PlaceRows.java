package alcabala.server.map;

import alcabala.accounting.crosswalk.AccountRole;
import alcabala.accounting.crosswalk.RowKind;
import alcabala.accounting.document.LineKind;
import alcabala.server.platform.Sentences;
import alcabala.server.route.RouteRow;
import java.util.Arrays;
import java.util.List;
import java.util.Set;
import java.util.TreeSet;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;

/// What of the crosswalk concerns where and for what something was done: projects, sites and kinds of line. None of
/// them has to say anything.
@Component
class PlaceRows {
    private static final String NOTHING = "says nothing of its own";
    private final JdbcClient jdbc;
    private final OnLedger ledger;

    PlaceRows(JdbcClient jdbc, OnLedger ledger) {
        this.ledger = ledger;
        this.jdbc = jdbc;
    }

    List<MapView.Row> projects(KindRows source, RouteRow route) {
        return rows(source, RowKind.PROJECT, codes("select code from source_project where source_id = :id", route));
    }

    /// None where the ledger has no dimension to tell them apart by.
    List<MapView.Row> sites(KindRows source, RouteRow route) {
        if (ledger.dimensions(route).isEmpty()) {
            return List.of();
        }
        return rows(source, RowKind.SITE, codes("select name from source_site where source_id = :id", route));
    }

    List<MapView.Row> lineKinds(KindRows source) {
        return Arrays.stream(LineKind.values())
                .map(kind -> {
                    String role = source.byRole(AccountRole.ofIncome(kind));
                    String covered = role.isEmpty() ? NOTHING : role;
                    return source.row(
                            RowKind.LINE_KIND, kind.name(), Sentences.word(kind), "", covered, "line-kind:", null);
                })
                .toList();
    }

    private List<String> codes(String sql, RouteRow route) {
        return jdbc.sql(sql).param("id", route.sourceId()).query(String.class).list();
    }

    /// Those that records tell of, and those that somebody made a row for.
    private static List<MapView.Row> rows(KindRows source, RowKind kind, List<String> told) {
        Set<String> codes = new TreeSet<>(told);
        codes.addAll(source.codes(kind));
        return codes.stream()
                .map(code -> source.row(kind, code, code, "", NOTHING, "", null))
                .toList();
    }
}
