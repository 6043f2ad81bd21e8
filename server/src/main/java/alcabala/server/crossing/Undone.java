package alcabala.server.crossing;

import alcabala.accounting.record.RecordKind;
import alcabala.accounting.setting.RouteSettings;
import alcabala.server.compile.Affected;
import alcabala.server.record.SourceFacts;
import alcabala.server.route.SettingStore;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.stream.Collectors;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;

/// What was taken back off the ledger is as if it had never crossed, and waits until a person sends it again. Its trail
/// keeps what it was there.
@Component
public class Undone {
    private final JdbcClient jdbc;
    private final Affected affected;
    private final SourceFacts facts;
    private final SettingStore settings;

    private record Of(long routeId, long id, String kind) {}

    Undone(JdbcClient jdbc, Affected affected, SourceFacts facts, SettingStore settings) {
        this.jdbc = jdbc;
        this.affected = affected;
        this.facts = facts;
        this.settings = settings;
    }

    /// They may go again, as if they had never been there.
    public void keep(List<Long> records) {
        Long[] ids = records.toArray(Long[]::new);
        jdbc.sql("delete from link where record_id = any(:ids)")
                .param("ids", ids)
                .update();
        Map<Long, List<Of>> byRoute = jdbc.sql("""
                update record set outcome = 'unreached', version = version + 1, ledger_ref = null, ledger_number = '',
                    ledger_version = null, ledger_gross = null, ledger_due = null, paid = 0, crossed_at = null, refusal = '',
                    ledger_differs = false, outcome_revision = null
                where id = any(:ids) returning route_id, id, kind""").param("ids", ids).query(Of.class).list().stream()
                .collect(Collectors.groupingBy(Of::routeId, TreeMap::new, Collectors.toList()));
        byRoute.forEach((route, of) -> {
            awaitAgain(route, of);
            affected.compileAgain(route, of.stream().map(Of::id).toList(), "Alcabala", "it stands there no more");
        });
    }

    /// What they wait for may have been decided otherwise while they stood there.
    private void awaitAgain(long route, List<Of> of) {
        RouteSettings decided = settings.of(route);
        of.stream()
                .map(Of::kind)
                .distinct()
                .forEach(kind -> facts.await(
                        route, kind, decided.trigger(RecordKind.of(kind)).milestone()));
    }
}
