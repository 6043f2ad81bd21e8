package alcabala.server.resolve;

import alcabala.accounting.crosswalk.RowKind;
import alcabala.server.record.Fix;
import alcabala.server.route.RouteRow;
import java.util.List;
import java.util.Map;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;

/// The rows of the crosswalk in which a cause can be put right: the one that it names, or those that lead to what can
/// no
/// longer be used.
@Component
class RowsBehind {
    /// More are put right on Map.
    private static final int MOST = 20;
    /// Conditions on the rows that lead to what is unusable, by the kind of the finding.
    private static final Map<String, String> LEADING =
            Map.of("account-unusable", "purpose <> 'COUNTERPART'", "tax-code-unusable", "kind = 'TAX'");
    private final JdbcClient jdbc;

    RowsBehind(JdbcClient jdbc) {
        this.jdbc = jdbc;
    }

    List<Fix> of(RouteRow route, String cause) {
        int colon = cause.indexOf(':');
        String leading = colon < 0 ? null : LEADING.get(cause.substring(0, colon));
        return leading == null
                ? Fix.of(cause).stream().toList()
                : jdbc.sql("""
                        select distinct kind, code from crosswalk_row
                        where route_id = :route and target = :code and ended_at is null and\s""" + leading + " order by kind, code limit :most")
                        .param("route", route.id())
                        .param("code", cause.substring(colon + 1))
                        .param("most", MOST)
                        .query((row, n) -> new Fix(RowKind.valueOf(row.getString("kind")), row.getString("code")))
                        .list();
    }
}
