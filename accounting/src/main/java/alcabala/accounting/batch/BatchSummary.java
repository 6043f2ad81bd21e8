package alcabala.accounting.batch;

import alcabala.accounting.document.Document;
import alcabala.accounting.document.DocumentLine;
import alcabala.accounting.record.Record;
import alcabala.accounting.settlement.Banking;
import alcabala.accounting.settlement.Settlement;
import java.util.ArrayList;
import java.util.List;
import java.util.TreeMap;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;

/// What crossed, added up by what was sold and by how it was paid. What is given or taken back counts negative, and
/// both
/// add up to what all of it comes to.
///
/// @param categories by the source's categories of items, as the lines state them, in the order of their codes
/// @param beside what makes those up to the net of all: allowances, charges, and tax inside prices
/// @param means by UNCL4461, in the order of the codes
public record BatchSummary(List<Sum> categories, Money beside, List<Sum> means) {
    /// @param count of lines, or of payments
    public record Sum(String code, int count, Money amount) {
        private Sum plus(Money more) {
            return new Sum(code, count + 1, amount.plus(more));
        }
    }

    /// @param record as its source stated it when it went
    /// @param net as it counts: negative for what is given or taken back; so is gross
    public record Member(Record record, Money net, Money gross) {
        private int sign() {
            return gross.isNegative() ? -1 : 1;
        }
    }

    /// @param currency of all of them
    public static BatchSummary of(CurrencyUnit currency, List<Member> members) {
        TreeMap<String, Sum> categories = new TreeMap<>();
        TreeMap<String, Sum> means = new TreeMap<>();
        Money beside = Money.zero(currency);
        for (Member member : members) {
            switch (member.record()) {
                case Document document -> {
                    beside = beside.plus(member.net());
                    for (DocumentLine line : document.lines()) {
                        Money amount = line.amount().multipliedBy(member.sign());
                        add(categories, line.category(), amount);
                        beside = beside.minus(amount);
                    }
                }
                case Settlement settlement -> add(means, settlement.means(), member.gross());
                // What it takes to the bank was counted when it was received.
                case Banking banking -> {}
            }
        }
        return new BatchSummary(new ArrayList<>(categories.values()), beside, new ArrayList<>(means.values()));
    }

    private static void add(TreeMap<String, Sum> sums, String code, Money amount) {
        sums.merge(code, new Sum(code, 1, amount), (before, one) -> before.plus(amount));
    }
}
