package alcabala.server.merge;

import alcabala.accounting.field.Half;
import alcabala.accounting.field.SentHalf;
import alcabala.accounting.field.SourceHalf;
import alcabala.accounting.posting.Compilation;
import alcabala.accounting.record.Record;
import alcabala.accounting.record.RecordKind;
import alcabala.accounting.setting.RouteSettings;
import alcabala.accounting.setting.Topic;
import alcabala.accounting.sync.Baseline;
import alcabala.accounting.sync.Both;
import alcabala.accounting.sync.Crossed;
import alcabala.accounting.sync.LineMatch;
import alcabala.accounting.sync.RecordMerge;
import alcabala.server.compile.CrosswalkStore;
import alcabala.server.crossing.Links;
import alcabala.server.reference.LedgerReference;
import alcabala.server.route.RouteRow;
import alcabala.server.route.SettingStore;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import java.util.function.Function;
import java.util.function.UnaryOperator;
import org.springframework.stereotype.Component;

/// Merges what both sides have of a document or payment, by the table of synchronisation.
@Component
public class Merging {
    private final Links links;
    private final SettingStore settings;
    private final LedgerReference reference;
    private final CrosswalkStore crosswalk;

    Merging(Links links, SettingStore settings, LedgerReference reference, CrosswalkStore crosswalk) {
        this.links = links;
        this.crosswalk = crosswalk;
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
            RouteSettings decided = settings.of(route.id());
            return merge(
                    taking(crosswalk.crossed(route.id()), decided, record.kind(), pair),
                    source,
                    pair,
                    compiled,
                    sent -> new RecordFields(route, record.kind(), decided, sent, compiled.isBlocked(), closed));
        });
    }

    /// As it goes, whether the ledger takes it or not: what it says to that is its own.
    MergedRecord going(
            RouteRow route,
            RouteSettings decided,
            Crossed crossed,
            Links.Pair pair,
            Record record,
            Compilation compiled) {
        return merge(
                taking(crossed, decided, record.kind(), pair),
                SourceHalf.of(record),
                pair,
                compiled,
                sent -> new RecordFields(route, record.kind(), decided, sent, false, false));
    }

    /// What either side changed of a document since both last agreed, but for what it comes to.
    static Both<Set<String>> changed(RouteSettings decided, Crossed crossed, Links.Pair pair, Record record) {
        UnaryOperator<Both<Half>> taking = taking(crossed, decided, record.kind(), pair);
        Both<Half> was = taking.apply(pair.halves());
        Both<Half> now = LineMatch.linked(
                was, taking.apply(new Both<>(SourceHalf.of(record), pair.now().half())));
        return new Baseline(was, Set.of()).changed(now).map(fields -> {
            Set<String> others = new TreeSet<>(fields);
            others.removeAll(Set.of(Half.GROSS, Half.TAX));
            return others;
        });
    }

    /// What of both sides takes part, as they are compared with what they had.
    private static UnaryOperator<Both<Half>> taking(
            Crossed crossed, RouteSettings decided, RecordKind kind, Links.Pair pair) {
        boolean noted = kind.isDocument() && decided.is(Topic.WORK_DESCRIPTION, kind, "yes");
        return halves -> {
            Both<Half> like = pair.halves().with(halves, (was, half) -> half.like(was));
            return new Both<>(crossed.source(like.source(), noted), crossed.ledger(like.ledger()));
        };
    }

    /// @param taking what of both takes part
    /// @param described its fields, by what the ledger would have of it
    private static MergedRecord merge(
            UnaryOperator<Both<Half>> taking,
            Half source,
            Links.Pair pair,
            Compilation compiled,
            Function<Optional<Half>, RecordFields> described) {
        LineMatch.Matched matched = LineMatch.match(
                taking.apply(pair.halves()),
                taking.apply(new Both<>(source, pair.now().half())),
                sent(compiled).map(half -> half.like(pair.halves().ledger())),
                compiled.isSummed());
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
        return compiled.entry().flatMap(SentHalf::find);
    }
}
