package alcabala.accounting.batch;

import java.math.BigInteger;
import java.util.List;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;

/// What a batch adds up to. Credit notes count negative.
///
/// @param hashTotal the digits of all document numbers added up, which shows a document exchanged for another
public record ControlTotals(int count, Money net, Money tax, Money gross, BigInteger hashTotal) {
    /// One document of the batch, with its sign.
    public record Member(String number, boolean credit, Money net, Money tax, Money gross) {
        /// As it counts.
        public Money signedGross() {
            return credit ? gross.negated() : gross;
        }
    }

    public static ControlTotals of(CurrencyUnit currency, List<Member> members) {
        Money net = Money.zero(currency);
        Money tax = net;
        Money gross = net;
        BigInteger hash = BigInteger.ZERO;
        for (Member member : members) {
            int sign = member.credit() ? -1 : 1;
            net = net.plus(member.net().multipliedBy(sign));
            tax = tax.plus(member.tax().multipliedBy(sign));
            gross = gross.plus(member.gross().multipliedBy(sign));
            String digits = member.number().replaceAll("\\D", "");
            hash = digits.isEmpty() ? hash : hash.add(new BigInteger(digits));
        }
        return new ControlTotals(members.size(), net, tax, gross, hash);
    }
}
