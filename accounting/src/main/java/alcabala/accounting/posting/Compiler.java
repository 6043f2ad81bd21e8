package alcabala.accounting.posting;

import alcabala.accounting.crosswalk.Crosswalk;
import alcabala.accounting.document.Document;
import alcabala.accounting.finding.Finding;
import alcabala.accounting.ledger.LedgerProfile;
import alcabala.accounting.record.Origin;
import alcabala.accounting.record.Record;
import alcabala.accounting.settlement.Banking;
import alcabala.accounting.settlement.Settlement;
import alcabala.accounting.settlement.Targets;
import java.util.List;
import java.util.Optional;

/// Compiles records for one route at one state of its crosswalk and ledger. Pure: the same document gives the same
/// result, to the byte. Safe for use by several threads.
public final class Compiler {
    /// Counts the changes of the rules that may give another result for the same document, so that what was compiled by
    /// former ones can be compiled again.
    public static final int RULES = 6;

    private final Crosswalk crosswalk;
    private final Route route;
    private final LedgerProfile ledger;

    public Compiler(Crosswalk crosswalk, Route route, LedgerProfile ledger) {
        this.crosswalk = crosswalk;
        this.route = route;
        this.ledger = ledger;
    }

    /// For documents whose site has no route: each has that one finding.
    public static Compiler unrouted(Route route) {
        return new Compiler(null, route, null);
    }

    /// Either findings that block, or the exact entry and the journal it will cause; warnings come with both. Every
    /// journal balances and its control account gets exactly the gross (domain, section 3).
    ///
    /// @param key what names the record for good, by which its lines are overridden; empty for one not kept yet
    /// @param targets the documents that settlements name
    public Compilation compile(Record record, String key, Targets targets) {
        if (ledger == null) {
            return only(new Finding.Unrouted(record.site()));
        }
        return switch (record) {
            case Record any when !goes(any) -> only(new Finding.DoesNotCross(any.kind()));
            case Document document when document.origin() == Origin.LEDGER -> BackToSource.of(document);
            case Document document ->
                new DocumentCompilation(document, key, crosswalk, route.settings(), ledger, targets).run();
            case Settlement settlement when settlement.origin() == Origin.LEDGER -> BackToSource.of(settlement);
            case Settlement settlement ->
                new SettlementCompilation(settlement, crosswalk, route.settings(), ledger, targets).run();
            case Banking banking -> new BankingCompilation(banking, crosswalk, route.settings(), ledger, targets).run();
        };
    }

    /// The same, of a record that is not kept yet and names no other.
    public Compilation compile(Record record) {
        return compile(record, "", Targets.NONE);
    }

    /// What of a record can make a difference on the ledger: a field that stays where it is cannot.
    public Record crossing(Record record) {
        return crosswalk != null && record instanceof Document document
                ? CustomFields.crossing(document, crosswalk)
                : record;
    }

    private boolean goes(Record record) {
        return record.origin() == Origin.SOURCE
                ? route.settings().crosses(record.kind())
                : route.settings().comesBack(record.kind());
    }

    private static Compilation only(Finding finding) {
        return new Compilation(List.of(finding), List.of(), Optional.empty(), Optional.empty(), Optional.empty());
    }

    public Route route() {
        return route;
    }
}
