package alcabala.server.crossing;

import alcabala.accounting.matching.PartyMatcher;
import alcabala.accounting.party.Party;
import alcabala.server.compile.PartyMatchers;
import alcabala.server.reference.LedgerReference;
import alcabala.server.reference.LedgerReference.Kept;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/// Who is on a ledger by now, as one run sees it: those of when it began or of a pull since, and whoever was created
/// there meanwhile, by whichever lane or server. To index all of them anew for each one created would cost more than
/// creating them.
final class Newcomers {
    private static final int FEW = 64;
    private final PartyMatchers matchers;
    private final LedgerReference reference;
    private final long ledgerId;
    private final List<Party> since = new ArrayList<>();
    private final List<Party> latest = new ArrayList<>();
    private PartyMatcher before;
    private PartyMatcher known;
    private long pulled;
    private long seen;

    Newcomers(PartyMatchers matchers, LedgerReference reference, long ledgerId) {
        this.matchers = matchers;
        this.reference = reference;
        this.ledgerId = ledgerId;
    }

    /// One on the ledger that a party resembles.
    synchronized Optional<Party> findLike(Party party) {
        LedgerReference.News news = reference.news(ledgerId, before == null ? Long.MAX_VALUE : seen);
        if (before == null || news.version() != pulled) {
            pulled = news.version();
            seen = reference.keptVersion(ledgerId);
            before = matchers.of(ledgerId);
            known = before;
            since.clear();
            latest.clear();
            news = reference.news(ledgerId, seen);
        }
        for (Kept each : news.kept()) {
            since.add(each.party());
            latest.add(each.party());
            seen = each.version();
        }
        if (latest.size() > FEW) {
            known = before.and(since);
            latest.clear();
        }
        return known.and(latest).all(party).findFirst().map(like -> like.party());
    }
}
