package alcabala.accounting.posting;

import alcabala.accounting.field.Half;
import alcabala.accounting.sync.Both;
import alcabala.accounting.sync.Kept;
import alcabala.accounting.sync.LineMatch.Places;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import org.joda.money.Money;

/// A document that goes in the place of one that stands on the ledger, with what that side keeps (synchronisation, "The
/// merge of one field"). What a document comes to is its source's alone: a line is kept when it leaves the sums as they
/// are, such as one that somebody booked on another account.
public final class PutTogether {
    /// What came of it: either what goes, or the field that cannot be kept and why.
    public sealed interface Outcome {
        /// @param journal what it will cause
        /// @param changedThere the fields that stay as somebody changed them there
        record Goes(LedgerEntry entry, Journal journal, Set<String> changedThere) implements Outcome {}

        /// @param field as a half of a baseline names it
        record Cannot(String field, Why why) implements Outcome {}
    }

    /// Why something that was changed there cannot be kept.
    public enum Why {
        /// Both sides changed it.
        CONFLICT,
        /// The document would come to something else than its source says.
        SUMS,
        /// A line was added there or taken away, or stands for several of the source.
        LINES,
        /// More than one line of the journal follows from it.
        BOOKED,
        /// Its source changed what is the ledger's, and the document would come to something else.
        OWNED
    }

    private final Compilation compiled;
    private final Kept kept;
    private final StandsAs there;
    private final Places places;
    private final List<LedgerLine> lines;
    private Journal journal;
    private Outcome.Cannot cannot;

    private PutTogether(Compilation compiled, Kept kept, StandsAs there, Places places) {
        this.compiled = compiled;
        this.kept = kept;
        this.there = there;
        this.places = places;
        lines = new ArrayList<>(document().lines());
        journal = compiled.journal().orElseThrow();
    }

    /// @param compiled of a document or payment, and clean
    /// @param places where the lines of either side stand
    public static Outcome of(Compilation compiled, Kept kept, StandsAs there, Places places) {
        return compiled.entry().orElseThrow() instanceof LedgerSettlement money
                ? new MoneyTogether(money, compiled.journal().orElseThrow(), kept, there).run()
                : new PutTogether(compiled, kept, there, places).run();
    }

    private LedgerDocument document() {
        return compiled.ledgerDocument().orElseThrow();
    }

    private Outcome run() {
        kept.undecided().stream().findFirst().ifPresent(field -> cannot(field, Why.CONFLICT));
        if (!kept.sumsMoved()
                && !decidedThere()
                && !there.gross().equals(document().gross())) {
            cannot(Half.GROSS, Why.SUMS);
        }
        LedgerDocument together = document();
        for (String field : kept.fields()) {
            if (Half.isLine(field)) {
                keepLine(field);
            } else {
                together = keep(together, field);
            }
        }
        return cannot == null ? new Outcome.Goes(together.lined(lines), journal, kept.changedThere()) : cannot;
    }

    /// The first that is found is told.
    private void cannot(String field, Why why) {
        cannot = cannot == null ? new Outcome.Cannot(field, why) : cannot;
    }

    private LedgerDocument keep(LedgerDocument document, String field) {
        return switch (field) {
            // The ledger numbers it: it keeps the number that it gave.
            case Half.NUMBER -> document.number().isEmpty() ? document : document.numbered(there.number());
            case Half.ISSUE_DATE -> document.onDay(there.date());
            case Half.DUE_DATE -> document.dueOn(there.due());
            case Half.PARTY -> document.madeOutTo(there.party());
            case Half.NOTE, Half.TERMS -> isTheirs(field) ? says(document, field) : document;
            case String own when Half.isOwn(own) -> isTheirs(own) ? says(document, own) : document;
            default -> {
                cannot(field, Why.SUMS);
                yield document;
            }
        };
    }

    /// What says something goes as its source has it unless somebody changed it there: what it goes by may be decided
    /// otherwise meanwhile.
    private boolean isTheirs(String field) {
        return kept.owned().contains(field) || kept.changedThere().contains(field);
    }

    private LedgerDocument says(LedgerDocument document, String field) {
        return switch (field) {
            case Half.NOTE -> document.saying(there.note(), document.terms(), document.fields());
            case Half.TERMS -> document.saying(document.note(), there.terms(), document.fields());
            default -> {
                Map<String, String> fields = new TreeMap<>(document.fields());
                fields.replaceAll((code, value) ->
                        Half.own(code).equals(field) ? there.fields().getOrDefault(code, "") : value);
                yield document.saying(document.note(), document.terms(), fields);
            }
        };
    }

    /// What follows from something else that the source changed, such as its share of an allowance, is not kept unless
    /// somebody changed it there.
    private void keepLine(String field) {
        boolean owned = kept.owned().contains(field);
        boolean changed = owned || kept.changedThere().contains(field);
        Optional<Both<Integer>> found = places.find(field);
        if (found.isEmpty()) {
            if (changed) {
                cannot(field, owned ? Why.OWNED : Why.LINES);
            }
            return;
        }
        int place = found.get().source() - 1;
        LedgerLine theirs = there.lines().get(found.get().ledger() - 1);
        boolean same = comesToTheSame(lines.get(place), theirs);
        boolean put = same && put(place, theirs.as(lines.get(place)));
        if (changed && !put) {
            cannot(field, owned ? Why.OWNED : same ? Why.BOOKED : Why.SUMS);
        }
    }

    private boolean comesToTheSame(LedgerLine mine, LedgerLine theirs) {
        return mine.amount().equals(theirs.amount())
                && (decidedThere() || mine.taxCode().equals(theirs.taxCode()));
    }

    /// @return false when more than its own line of the journal would follow
    private boolean put(int place, LedgerLine line) {
        PostingKey from = PostingKey.of(lines.get(place));
        PostingKey to = PostingKey.of(line);
        boolean alone = document().rate().isSame() && taxes().selfAssessed().isEmpty();
        if (!from.equals(to) && !alone) {
            return false;
        }
        if (!from.equals(to)) {
            journal = journal.moved(from, to, booked(nets().get(place)));
        }
        lines.set(place, line);
        return true;
    }

    /// As it stands in the journal: positive is debit.
    private Money booked(Money net) {
        return Side.of(document().kind()).isMirrored(document().kind()) ? net : net.negated();
    }

    private List<Money> nets() {
        return taxes().ledger().lineNets();
    }

    private boolean decidedThere() {
        return taxes().decidedThere();
    }

    private TaxComparison taxes() {
        return compiled.tax().orElseThrow();
    }
}
