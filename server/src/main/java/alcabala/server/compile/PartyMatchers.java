package alcabala.server.compile;

import alcabala.accounting.matching.PartyMatcher;
import alcabala.server.platform.CommittedCache;
import alcabala.server.reference.LedgerReference;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;

/// The matcher over the parties of each ledger as last pulled, and those created there since. It is dear to make with a
/// hundred thousand of them, so it is shared by all routes to a ledger and made anew only after a pull that brought
/// changes; the few that were created since are looked at beside it.
@Component
public class PartyMatchers {
    private final JdbcClient jdbc;
    private final LedgerReference reference;
    private final CommittedCache<Long, PartyMatcher> pulled = new CommittedCache<>();
    private final CommittedCache<Long, PartyMatcher> withCreated = new CommittedCache<>();

    private record Versions(long version, long keptVersion) {}

    PartyMatchers(JdbcClient jdbc, LedgerReference reference) {
        this.jdbc = jdbc;
        this.reference = reference;
    }

    public PartyMatcher of(long ledgerId) {
        Versions now = jdbc.sql("select version, kept_version from ledger where id = :id")
                .param("id", ledgerId)
                .query(Versions.class)
                .single();
        PartyMatcher base = pulled.get(
                ledgerId, String.valueOf(now.version()), () -> new PartyMatcher(reference.pulledParties(ledgerId)));
        return withCreated.get(
                ledgerId, now.version() + "/" + now.keptVersion(), () -> base.and(reference.createdParties(ledgerId)));
    }
}
