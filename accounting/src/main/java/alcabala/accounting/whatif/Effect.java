package alcabala.accounting.whatif;

import alcabala.accounting.posting.Compilation;
import alcabala.accounting.posting.LedgerEntry;
import alcabala.accounting.posting.PostingKey;
import java.util.List;
import java.util.Optional;

/// What a change does to one record.
///
/// @param moved what the books would have more of, and less of; adds up to zero
public record Effect(Kind kind, Books moved) {
    /// What becomes of it, the gravest where there are several.
    public enum Kind {
        /// It goes as it would have gone.
        NOTHING,
        /// Other words or items on the entry; the books are the same.
        ENTRY,
        /// Something else holds it up, and it goes elsewhere once that is put right.
        LATER,
        /// Amounts land on other accounts, or under other values of dimensions.
        BOOKS,
        /// Another tax code, or another tax.
        TAX,
        /// Somebody else owes it, or is owed it.
        PARTY,
        /// It could go, and would be held back.
        BLOCKS,
        /// It was held back, and could go.
        RELEASES;

        /// Whether an entry made by hand can put right what was booked: it names no tax and nobody who owes.
        public boolean isCorrectable() {
            return this == BOOKS;
        }
    }

    /// @param before as it compiles now
    /// @param after as it would compile
    public static Effect between(Compilation before, Compilation after) {
        if (before.isBlocked() || after.isBlocked()) {
            return new Effect(ofBlocked(before, after), Books.NONE);
        }
        Books moved = books(after).minus(books(before));
        return new Effect(kind(before, after, moved), moved);
    }

    private static Kind ofBlocked(Compilation before, Compilation after) {
        if (before.isBlocked()) {
            return !after.isBlocked()
                    ? Kind.RELEASES
                    : places(before).equals(places(after)) ? Kind.NOTHING : Kind.LATER;
        }
        return Kind.BLOCKS;
    }

    private static List<PostingKey> places(Compilation compiled) {
        return compiled.lines().stream()
                .map(line -> new PostingKey(line.account(), line.taxCode(), line.dimensionValues()))
                .toList();
    }

    private static Kind kind(Compilation before, Compilation after, Books moved) {
        Optional<LedgerEntry> was = before.entry();
        Optional<LedgerEntry> would = after.entry();
        if (!was.map(LedgerEntry::partyCounterpart).equals(would.map(LedgerEntry::partyCounterpart))) {
            return Kind.PARTY;
        }
        if (!moved.byTaxCode().isEmpty() || !was.map(LedgerEntry::tax).equals(would.map(LedgerEntry::tax))) {
            return Kind.TAX;
        }
        if (!moved.amounts().isEmpty()) {
            return Kind.BOOKS;
        }
        return was.equals(would) ? Kind.NOTHING : Kind.ENTRY;
    }

    /// What a compilation puts on the books; nothing of what is blocked.
    public static Books books(Compilation compiled) {
        return compiled.journal().map(Books::of).orElse(Books.NONE);
    }
}
