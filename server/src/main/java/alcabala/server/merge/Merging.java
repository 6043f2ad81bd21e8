package alcabala.server.merge;

import alcabala.accounting.field.Half;
import alcabala.accounting.field.SentHalf;
import alcabala.accounting.field.SourceHalf;
import alcabala.accounting.posting.Compilation;
import alcabala.accounting.posting.LedgerDocument;
import alcabala.accounting.posting.LedgerEntry;
import alcabala.accounting.posting.LedgerSettlement;
import alcabala.accounting.record.Record;
import alcabala.accounting.setting.RouteSettings;
import alcabala.accounting.sync.Baseline;
import alcabala.accounting.sync.Both;
import alcabala.accounting.sync.LineMatch;
import alcabala.accounting.sync.RecordMerge;
import alcabala.server.crossing.Links;
import alcabala.server.reference.LedgerReference;
import alcabala.server.route.RouteRow;
import alcabala.server.route.SettingStore;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import org.springframework.stereotype.Component;

/// Merges what both sides have of a document or payment, by the table of synchronisation.
@Component
public class Merging {
    private final Links links;
    private final SettingStore settings;
    private final LedgerReference reference;

    Merging(Links links, SettingStore settings, LedgerReference reference) {
        this.links = links;
        this.settings = settings;
        this.reference = reference;
    }

    /// As it can be written now. Empty where the two are not linked.
    ///
    /// @param voided whether its source took it back
    public Optional<MergedRecord> find(
            RouteRow route, long recordId, Record record, boolean voided, Compilation compiled) {
        Half source = voided ? SourceHalf.of(record).with(Half.STANDING, "voided") : SourceHalf.of(record);
        return links.find(recordId).map(pair -> {
            boolean closed =
                    route.ledgerAnswers() && !pair.now().date().isAfter(reference.lockedThrough(route.ledgerId()));
            return merge(
                    source,
                    pair,
                    compiled,
                    sent -> new RecordFields(
                            route, record.kind(), settings.of(route.id()), sent, compiled.isBlocked(), closed));
        });
    }

    /// As it goes, whether the ledger takes it or not: what it says to that is its own.
    MergedRecord going(RouteRow route, RouteSettings decided, Links.Pair pair, Record record, Compilation compiled) {
        return merge(
                SourceHalf.of(record),
                pair,
                compiled,
                sent -> new RecordFields(route, record.kind(), decided, sent, false, false));
    }

    /// @param described its fields, by what the ledger would have of it
    private static MergedRecord merge(
            Half source, Links.Pair pair, Compilation compiled, Function<Optional<Half>, RecordFields> described) {
        LineMatch.Matched matched = LineMatch.match(
                pair.halves(), new Both<>(source, pair.now().half()), sent(compiled), compiled.isSummed());
        Baseline baseline = new Baseline(matched.was(), Set.of());
        RecordFields fields = described.apply(matched.sent());
        return new MergedRecord(
                matched.now(),
                baseline,
                fields,
                RecordMerge.merge(matched.now(), baseline, fields),
                pair.now(),
                matched.places());
    }

    private static Optional<Half> sent(Compilation compiled) {
        return compiled.entry().flatMap(Merging::sent);
    }

    private static Optional<Half> sent(LedgerEntry entry) {
        return switch (entry) {
            case LedgerDocument document -> Optional.of(SentHalf.of(document));
            case LedgerSettlement settlement -> Optional.of(SentHalf.of(settlement));
            default -> Optional.empty();
        };
    }
}
