package alcabala.server.resolve;

import alcabala.accounting.matching.SamePayment;
import alcabala.server.crossing.EnteredTwice;
import alcabala.server.crossing.EnteredTwice.Pair;
import alcabala.server.platform.Amounts;
import alcabala.server.platform.Sentence;
import alcabala.server.platform.Writing;
import alcabala.server.resolve.Warnings.Warning;
import alcabala.server.route.RouteRow;
import java.util.List;
import java.util.Map;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;

/// Two payments that look like one, in words.
final class PaymentsTwice {
    private PaymentsTwice() {}

    static List<Warning> of(EnteredTwice twice, RouteRow route) {
        return twice.of(route).stream().map(pair -> warning(pair, route)).toList();
    }

    private static Warning warning(Pair pair, RouteRow route) {
        SamePayment.Seen seen = pair.ours().seen();
        String amount = Amounts.shown(Money.ofMinor(CurrencyUnit.of(seen.currency()), seen.amount()));
        return new Warning(
                "payment-twice:" + pair.ours().id() + "-" + pair.theirs().id(),
                Sentence.plain("%s for %s was entered in %s as %s on %s, and in %s as %s on %s."
                        .formatted(
                                amount,
                                pair.document(),
                                route.source(),
                                pair.ours().number(),
                                Writing.now().day(seen.date()),
                                route.ledger(),
                                pair.theirs().number(),
                                Writing.now().day(pair.theirs().seen().date()))),
                "Neither goes until that is said: both together would pay %s twice.".formatted(pair.document()),
                "If they are one, they come to stand for each other, and neither is sent. If they are two, both go.",
                "",
                List.of(pair.document(), pair.ours().number(), pair.theirs().number()),
                1,
                Map.of(seen.currency(), seen.amount()),
                pair.since());
    }
}
