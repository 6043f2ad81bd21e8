package alcabala.server.link;

import alcabala.connectors.ledger.FindsRecords;
import alcabala.connectors.ledger.LedgerRecord;
import alcabala.connectors.source.TellsOne;
import alcabala.connectors.spi.Capability;
import alcabala.server.connection.Kinds;
import alcabala.server.crossing.BroughtBack;
import alcabala.server.crossing.LeftAlone;
import alcabala.server.crossing.LinkedByHand;
import alcabala.server.crossing.Links;
import alcabala.server.link.Choice.What;
import alcabala.server.platform.Amounts;
import alcabala.server.record.Records;
import alcabala.server.route.RouteRow;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.stream.Collectors;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;

/// Says beforehand what each thing that can be done with a single record will do, and why one cannot be done.
@Component
class Choices {
    private static final int FIELDS = 5;
    private final JdbcClient jdbc;
    private final Kinds kinds;
    private final Links links;
    private final LinkedByHand byHand;
    private final LeftAlone alone;
    private final BroughtBack back;

    Choices(JdbcClient jdbc, Kinds kinds, Links links, LinkedByHand byHand, LeftAlone alone, BroughtBack back) {
        this.jdbc = jdbc;
        this.kinds = kinds;
        this.links = links;
        this.byHand = byHand;
        this.alone = alone;
        this.back = back;
    }

    List<Choice> of(RouteRow route, Records.Row record) {
        Optional<LedgerRecord> there = byHand.isLinked(record.id()) ? links.findSeen(record.id()) : Optional.empty();
        return List.of(
                look(route, record),
                bringBack(route, record, there),
                unlink(route, record, there),
                link(route, record, there),
                alone.find(record.id()).isPresent() ? lookAfter(route, record) : leave(route, record));
    }

    private Choice look(RouteRow route, Records.Row record) {
        boolean tells = tellsHere(route) || findsThere(route);
        return new Choice(
                What.LOOK,
                "Asks %s for %s as it is now. What goes by itself goes after that; nothing else is sent."
                        .formatted(asked(route), record.number()),
                tells
                        ? ""
                        : "Neither %s nor %s tells of single records; fetch both sides instead."
                                .formatted(route.source(), route.ledger()));
    }

    private String asked(RouteRow route) {
        if (!findsThere(route)) {
            return route.source();
        }
        return tellsHere(route) ? route.source() + " and " + route.ledger() : route.ledger();
    }

    /// By what kind of system it is: nobody is spoken to for what is only said, and one that lets nobody in just now is
    /// no reason to say nothing.
    private boolean tellsHere(RouteRow route) {
        return !route.fromFiles() && can("select system from source where id = :id", route.sourceId(), TellsOne.class);
    }

    private boolean findsThere(RouteRow route) {
        return route.ledgerAnswers()
                && can("select system from ledger where id = :id", route.ledgerId(), FindsRecords.class);
    }

    private boolean can(String system, long id, Class<? extends Capability> capability) {
        return kinds.can(jdbc.sql(system).param("id", id).query(String.class).single(), capability);
    }

    private Choice bringBack(RouteRow route, Records.Row record, Optional<LedgerRecord> there) {
        Map<String, String> fields = there.isEmpty() ? Map.of() : new TreeMap<>(back.of(route, record.id()));
        String said = fields.entrySet().stream()
                .limit(FIELDS)
                .map(each -> each.getKey() + " “" + each.getValue() + "”")
                .collect(Collectors.joining(", "));
        String more = fields.size() > FIELDS ? " and %d more".formatted(fields.size() - FIELDS) : "";
        return new Choice(
                What.BRING_BACK,
                "Tells %s once more what %s says of %s%s."
                        .formatted(
                                route.source(),
                                route.ledger(),
                                record.number(),
                                said.isEmpty() ? "" : ": " + said + more),
                fields.isEmpty()
                        ? "No field of it comes back from %s, or none says anything.".formatted(route.ledger())
                        : "");
    }

    private Choice unlink(RouteRow route, Records.Row record, Optional<LedgerRecord> there) {
        return new Choice(
                What.UNLINK,
                "%s parts from %s. Both sides keep what they have; neither is sent, matched or asked about until somebody says so. It can be taken back."
                        .formatted(
                                record.number(),
                                there.map(each -> named(route, record, each)).orElse("nothing")),
                there.isEmpty()
                        ? "%s stands for nothing in %s.".formatted(record.number(), route.ledger())
                        : byHand.findHold(record).orElse(""));
    }

    /// By its number there, with the ledger and what it comes to.
    private static String named(RouteRow route, Records.Row record, LedgerRecord there) {
        CurrencyUnit currency = CurrencyUnit.of(record.currency());
        String gross = there.isIn(currency)
                ? Amounts.shown(Money.of(currency, there.gross()))
                : there.gross().toPlainString();
        return "%s of %s, %s".formatted(there.number(), route.ledger(), gross);
    }

    private Choice link(RouteRow route, Records.Row record, Optional<LedgerRecord> there) {
        return new Choice(
                What.LINK,
                "%s comes to stand for another record of %s, which you find by its number there. Nothing is sent: what both have is taken as agreed%s."
                        .formatted(
                                record.number(),
                                route.ledger(),
                                there.map(each -> ", and " + each.number() + " is let be")
                                        .orElse("")),
                keptFromLinking(route, record));
    }

    private String keptFromLinking(RouteRow route, Records.Row record) {
        if (!findsThere(route)) {
            return "%s does not tell of single records.".formatted(route.ledger());
        }
        return byHand.findUnfit(record).or(() -> byHand.findHold(record)).orElse("");
    }

    private Choice leave(RouteRow route, Records.Row record) {
        return new Choice(
                What.LEAVE_ALONE,
                "%s and %s keep what they have: nothing of %s is sent or asked about any more, until somebody looks after it again."
                        .formatted(route.source(), route.ledger(), record.number()),
                alone.isAskedAbout(record.id())
                        ? ""
                        : "It is in order, or what became of it is not known yet: there is nothing to leave.");
    }

    private Choice lookAfter(RouteRow route, Records.Row record) {
        Optional<LedgerRecord> former =
                byHand.isUnlinked(record.id()) ? byHand.findFormer(record.id()) : Optional.empty();
        return new Choice(
                What.LOOK_AFTER,
                former.map(each -> "%s and %s go together again, with what they had agreed on."
                                .formatted(record.number(), named(route, record, each)))
                        .orElse("%s is sent and asked about again.".formatted(record.number())),
                "");
    }
}
