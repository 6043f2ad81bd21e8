package alcabala.server.resolve;

import alcabala.server.crossing.EnteredHeld;
import alcabala.server.crossing.EnteredHeld.Held;
import alcabala.server.platform.Amounts;
import alcabala.server.platform.Sentence;
import alcabala.server.platform.Sentence.Part;
import alcabala.server.platform.Sentence.Place;
import alcabala.server.platform.Writing;
import alcabala.server.resolve.Warnings.Warning;
import alcabala.server.route.RouteRow;
import java.math.BigDecimal;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;

/// What was entered on the ledger and cannot go to its source yet, in words.
final class StaysThere {
    private static final int NAMED = 3;

    private StaysThere() {}

    /// One for each cause; what may be there already is asked about one by one.
    static List<Warning> of(EnteredHeld entered, RouteRow route) {
        Map<String, List<Held>> byCause = entered.of(route).stream()
                .collect(Collectors.groupingBy(StaysThere::cause, LinkedHashMap::new, Collectors.toList()));
        return byCause.entrySet().stream()
                .map(each -> warning(route, each.getKey(), each.getValue()))
                .toList();
    }

    private static String cause(Held held) {
        boolean alone = held.why().startsWith("may-be-here:");
        return "entered-there:" + (alone ? "may-be-here:" + held.ref() : held.why());
    }

    private static Warning warning(RouteRow route, String cause, List<Held> held) {
        Held first = held.getFirst();
        String code = first.why().substring(first.why().indexOf(':') + 1);
        String numbers = named(held.stream().map(Held::number).toList());
        String source = route.source();
        String ledger = route.ledger();
        String says;
        String remedy;
        String link = "";
        if (first.why().equals("party-unknown")) {
            says = "%s in %s, made out to %s, who stands for nobody in %s."
                    .formatted(
                            numbers,
                            ledger,
                            named(held.stream().map(Held::party).distinct().toList()),
                            source);
            remedy = "Map a party of %s to it, or let what %s lacks be created there (What crosses)."
                    .formatted(source, source);
            link = "/map?kind=party&route=" + route.code();
        } else if (first.why().startsWith("tax-unknown:")) {
            says = "%s in %s, with the tax code %s, which stands for no single tax of %s at the rate that is charged."
                    .formatted(numbers, ledger, code, source);
            remedy = "Map one tax of %s to %s, at the same rate.".formatted(source, code);
            link = "/map?kind=tax&route=" + route.code();
        } else {
            says = "";
            remedy = "If they are one, link %s to it on its page; else bring it.".formatted(code);
        }
        return new Warning(
                cause,
                says.isEmpty() ? mayBe(route, first, code) : Sentence.plain(says),
                "It stays in %s alone; what is paid of it does too.".formatted(ledger),
                remedy,
                link,
                held.stream().map(Held::ref).toList(),
                held.size(),
                sums(route, held),
                first.since());
    }

    /// @param number of the source's record that it may be
    private static Sentence mayBe(RouteRow route, Held held, String number) {
        String currency = held.currency().isEmpty() ? route.currency() : held.currency();
        String amount = Amounts.shown(Money.of(CurrencyUnit.of(currency), new BigDecimal(held.gross())));
        return new Sentence(List.of(
                new Part(
                        "%s of %s for %s, %s, entered in %s, may be "
                                .formatted(
                                        held.number(),
                                        Writing.now().day(held.date()),
                                        held.party(),
                                        amount,
                                        route.ledger()),
                        Place.NOWHERE,
                        "",
                        ""),
                new Part(number, Place.RECORD, "", number),
                new Part(" of %s, which has not crossed.".formatted(route.source()), Place.NOWHERE, "", "")));
    }

    private static String named(List<String> all) {
        String some = String.join(", ", all.subList(0, Math.min(NAMED, all.size())));
        return all.size() <= NAMED ? some : some + " and " + (all.size() - NAMED) + " more";
    }

    private static Map<String, Long> sums(RouteRow route, List<Held> held) {
        Map<String, Long> sums = new HashMap<>();
        for (Held each : held) {
            String currency = each.currency().isEmpty() ? route.currency() : each.currency();
            sums.merge(currency, Amounts.minor(currency, new BigDecimal(each.gross())), Math::addExact);
        }
        return sums;
    }
}
