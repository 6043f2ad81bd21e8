package alcabala.accounting.cutover;

import alcabala.accounting.record.RecordKind;
import java.util.Objects;
import java.util.function.Predicate;
import java.util.stream.Stream;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;

/// What one side is owed, or owes, by documents on both sides at the end of a day, and what makes the difference: all
/// of it, to the cent, in the ledger's currency. Credit notes count negative.
///
/// @param here what the source had open, less what it had received or paid on account
/// @param there what stood on the ledger's account
/// @param pairs what documents that both have were open for here, less there
/// @param onlyHere open documents that only the source has
/// @param onlyThere those that only the ledger has
/// @param onAccount what the source had received or paid that settled nothing
/// @param beside what stood on the ledger's account beside its open documents
/// @param withoutRate how many of the source's documents are left out, since nothing says what they are worth
public record Balance(
        Money here,
        Money there,
        Money pairs,
        Money onlyHere,
        Money onlyThere,
        Money onAccount,
        Money beside,
        int withoutRate) {
    /// @param sales whether it is what customers owe, or what is owed to suppliers
    /// @param onAccount in the ledger's currency, positive
    /// @param there of the ledger's account, positive where it is owed as the documents are
    public static Balance of(CutOver documents, boolean sales, Money onAccount, Money there) {
        CurrencyUnit base = there.getCurrencyUnit();
        Predicate<RecordKind> own = kind -> kind.isSale() == sales;
        Money pairedHere = sum(base, pairs(documents, own).map(Pair::here).map(Balance::worth));
        Money pairedThere = sum(base, pairs(documents, own).map(Pair::there).map(Balance::worth));
        Money onlyHere = sum(
                base,
                documents.onlyHere().stream()
                        .filter(each -> own.test(each.kind()))
                        .map(Balance::worth));
        Money onlyThere = sum(
                base,
                documents.onlyThere().stream()
                        .filter(each -> own.test(each.kind()))
                        .map(Balance::worth));
        long withoutRate = Stream.concat(
                        pairs(documents, own).map(Pair::here),
                        documents.onlyHere().stream().filter(each -> own.test(each.kind())))
                .filter(each -> each.base() == null)
                .count();
        return new Balance(
                pairedHere.plus(onlyHere).minus(onAccount),
                there,
                pairedHere.minus(pairedThere),
                onlyHere,
                onlyThere,
                onAccount,
                there.minus(pairedThere).minus(onlyThere),
                (int) withoutRate);
    }

    public Money difference() {
        return here.minus(there);
    }

    private static Stream<Pair> pairs(CutOver documents, Predicate<RecordKind> own) {
        return documents.pairs().stream().filter(pair -> own.test(pair.here().kind()));
    }

    /// Null for what is worth nothing that could be said.
    private static Money worth(OpenHere document) {
        return document.base() == null
                ? null
                : document.base().multipliedBy(document.kind().sign());
    }

    private static Money worth(OpenThere document) {
        return document.base().multipliedBy(document.kind().sign());
    }

    private static Money sum(CurrencyUnit base, Stream<Money> amounts) {
        return amounts.filter(Objects::nonNull).reduce(Money.zero(base), Money::plus);
    }
}
