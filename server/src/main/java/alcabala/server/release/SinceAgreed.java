package alcabala.server.release;

import alcabala.accounting.field.Half;
import alcabala.accounting.posting.Compilation;
import alcabala.accounting.record.Record;
import alcabala.accounting.sync.Baseline;
import alcabala.accounting.sync.Both;
import alcabala.accounting.sync.Case;
import alcabala.accounting.sync.Verdict;
import alcabala.server.merge.MergedRecord;
import alcabala.server.merge.Merging;
import alcabala.server.merge.RecordFields;
import alcabala.server.route.RouteRow;
import java.util.EnumSet;
import java.util.List;
import java.util.Set;
import org.springframework.stereotype.Component;

/// What either side changed in a document or payment since both last agreed on it, field by field, and what becomes of
/// it by the merge of synchronisation. Lines are told apart by their position.
@Component
class SinceAgreed {
    /// What did not change is not shown: it is agreed, or apart and quiet.
    private static final Set<Case> QUIET = EnumSet.of(Case.UNCHANGED, Case.UNCHANGED_APART);
    private final Merging merging;

    enum Becomes {
        AGREED,
        TRAVELS,
        DRIFT,
        CONFLICT
    }

    /// Values are empty where there is none, each in the codes of its side.
    ///
    /// @param row of the table in "The merge of one field" that decided
    /// @param sentence what becomes of it
    record FieldChange(
            String field,
            String sourceBefore,
            String source,
            String ledgerBefore,
            String ledger,
            Becomes becomes,
            int row,
            String sentence) {}

    SinceAgreed(Merging merging) {
        this.merging = merging;
    }

    /// None where the two are not linked, or nothing changed.
    ///
    /// @param voided whether its source took it back
    List<FieldChange> of(RouteRow route, long recordId, Record record, boolean voided, Compilation compiled) {
        return merging.find(route, recordId, record, voided, compiled)
                .map(SinceAgreed::changes)
                .orElse(List.of());
    }

    private static List<FieldChange> changes(MergedRecord both) {
        return both.merged().fields().entrySet().stream()
                .filter(each -> !QUIET.contains(each.getValue().by()))
                .map(each -> change(each.getKey(), each.getValue(), both.now(), both.baseline(), both.fields()))
                .toList();
    }

    private static FieldChange change(
            String field, Verdict verdict, Both<Half> now, Baseline baseline, RecordFields fields) {
        Both<String> before = baseline.of(field).map(SinceAgreed::text);
        Both<String> values = now.map(half -> text(half.values().get(field)));
        return new FieldChange(
                field,
                before.source(),
                values.source(),
                before.ledger(),
                values.ledger(),
                becomes(verdict),
                verdict.by().row(),
                fields.sentence(
                        field,
                        verdict,
                        new Both<>(
                                !before.source().equals(values.source()),
                                !before.ledger().equals(values.ledger()))));
    }

    private static String text(String value) {
        return value == null ? "" : value;
    }

    private static Becomes becomes(Verdict verdict) {
        return switch (verdict) {
            case Verdict.Agreed agreed -> Becomes.AGREED;
            case Verdict.Apart apart -> Becomes.AGREED;
            case Verdict.Travels travels -> Becomes.TRAVELS;
            case Verdict.Drift drift -> Becomes.DRIFT;
            case Verdict.Conflict conflict -> Becomes.CONFLICT;
        };
    }
}
