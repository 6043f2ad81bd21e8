package alcabala.server.map;

import alcabala.accounting.matching.PartyMatcher;
import alcabala.server.connect.LedgerReference;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;

/// The matcher over the parties of each ledger as last pulled. It is dear to make with a hundred thousand of them, so
/// it
/// is shared by all routes to a ledger and made anew only after a pull that brought changes.
@Component
class PartyMatchers {
    private final JdbcClient jdbc;
    private final LedgerReference reference;
    private final Map<Long, Versioned> cache = new ConcurrentHashMap<>();

    private record Versioned(int version, PartyMatcher matcher) {}

    PartyMatchers(JdbcClient jdbc, LedgerReference reference) {
        this.jdbc = jdbc;
        this.reference = reference;
    }

    PartyMatcher of(long ledgerId) {
        int version = jdbc.sql("select version from ledger where id = :id")
                .param("id", ledgerId)
                .query(Integer.class)
                .single();
        Versioned cached = cache.get(ledgerId);
        if (cached == null || cached.version() != version) {
            cached = new Versioned(version, new PartyMatcher(reference.parties(ledgerId)));
            cache.put(ledgerId, cached);
        }
        return cached.matcher();
    }
}
