package alcabala.server.compile;

import alcabala.accounting.crosswalk.RowKind;
import alcabala.accounting.matching.PartyMatcher;
import alcabala.accounting.party.Party;
import alcabala.server.record.Refs;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import tools.jackson.databind.json.JsonMapper;

/// Who of those that would be created resembles some that have just been created. Creating both would be guessing that
/// they are two.
@Component
public class Resemblance {
    private final JdbcClient jdbc;
    private final JsonMapper json;
    private final Affected affected;

    private record Unmapped(long routeId, String body) {}

    Resemblance(JdbcClient jdbc, JsonMapper json, Affected affected) {
        this.jdbc = jdbc;
        this.json = json;
        this.affected = affected;
    }

    /// Compiles again, in one transaction, what waits for a party that resembles one of those created.
    @Transactional
    public void askAbout(long ledgerId, List<Party> created, String who) {
        if (created.isEmpty()) {
            return;
        }
        PartyMatcher matcher = new PartyMatcher(created);
        Map<Long, Set<String>> concerned = new TreeMap<>();
        for (Unmapped each : unmapped(ledgerId)) {
            Party party = json.readValue(each.body(), Party.class);
            if (matcher.all(party).findAny().isPresent()) {
                concerned
                        .computeIfAbsent(each.routeId(), route -> new TreeSet<>())
                        .add(Refs.of(RowKind.PARTY, party.code()));
            }
        }
        concerned.forEach((route, refs) -> affected.compileAgain(
                route,
                refs,
                who,
                created.size() == 1
                        ? "party " + created.getFirst().name() + " was created"
                        : created.size() + " parties were created"));
    }

    private List<Unmapped> unmapped(long ledgerId) {
        return jdbc.sql("""
                select distinct d.route_id, p.body from record d join route r on r.id = d.route_id
                    join source_party p on p.source_id = d.source_id and p.code = d.party_code
                where r.ledger_id = :ledger and r.leads and d.outcome is distinct from 'posted'
                    and (d.outcome is null or d.outcome in ('refused', 'unreached')) and not d.voided
                    and not exists (select 1 from crosswalk_row c
                        where c.route_id = d.route_id and c.kind = 'PARTY' and c.code = d.party_code
                            and c.purpose = 'COUNTERPART' and c.ended_at is null)""").param("ledger", ledgerId).query(Unmapped.class).list();
    }
}
