package alcabala.server.intake;

import alcabala.accounting.document.Document;
import alcabala.accounting.document.DocumentLine;
import alcabala.accounting.document.Ownership;
import alcabala.accounting.record.Origin;
import alcabala.accounting.record.Record;
import alcabala.accounting.settlement.Banking;
import alcabala.accounting.settlement.Settlement;
import alcabala.connectors.AnswerUnusableException;
import alcabala.connectors.Kept;
import alcabala.connectors.Unusable;
import alcabala.connectors.source.SourceChange;
import alcabala.connectors.source.SourceFeed;
import alcabala.connectors.source.SourceLookup;
import alcabala.connectors.source.TellsChanges;
import alcabala.server.compile.Compilers;
import alcabala.server.connection.SetAsides;
import alcabala.server.connection.Sources;
import alcabala.server.crossing.Gone;
import alcabala.server.intake.Intake.TakenIn;
import alcabala.server.record.Incoming;
import alcabala.server.record.SourceFacts;
import alcabala.server.reference.SourceCatalogue;
import alcabala.server.route.RouteRow;
import alcabala.server.route.Routes;
import alcabala.server.route.Routing;
import alcabala.server.trail.Trail;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.joda.money.Money;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.support.TransactionTemplate;

/// Intake from an operational app: page by page, each with its cursor in one transaction, so that a crash repeats or
/// loses nothing.
@Component
public class SourcePull {
    private static final int PAGE = 500;
    private static final int LONGEST_NAME = 200;
    private final Sources sources;
    private final Routes routes;
    private final Routing routing;
    private final JdbcClient jdbc;
    private final SourceCatalogue catalogue;
    private final Compilers compilers;
    private final Intake writer;
    private final SetAsides setAsides;
    private final SourceFacts facts;
    private final Gone gone;
    private final Trail trail;
    private final TransactionTemplate transaction;

    SourcePull(
            Sources sources,
            Routes routes,
            Routing routing,
            JdbcClient jdbc,
            SourceCatalogue catalogue,
            Compilers compilers,
            Intake writer,
            SetAsides setAsides,
            SourceFacts facts,
            Gone gone,
            Trail trail,
            TransactionTemplate transaction) {
        this.sources = sources;
        this.routes = routes;
        this.routing = routing;
        this.jdbc = jdbc;
        this.catalogue = catalogue;
        this.compilers = compilers;
        this.writer = writer;
        this.setAsides = setAsides;
        this.facts = facts;
        this.gone = gone;
        this.trail = trail;
        this.transaction = transaction;
    }

    /// Parties, items and categories with the documents of all its sites.
    public TakenIn pull(long sourceId, String who) {
        TellsChanges source = sources.of(sourceId).get(TellsChanges.class);
        TakenIn total = TakenIn.NOTHING;
        boolean more = true;
        boolean begunAgain = false;
        while (more) {
            long cursor = routes.findCursor(sourceId);
            SourceFeed feed = source.changes(cursor, PAGE);
            String begun = begun(feed);
            if (transaction.execute(status -> hasBegunAgain(sourceId, cursor, begun, who))) {
                if (begunAgain) {
                    throw new AnswerUnusableException("", "its list of changes begins again while it is read", null);
                }
                begunAgain = true;
                continue;
            }
            total = total.plus(transaction.execute(status -> {
                routes.lockAllOf(sourceId);
                if (routes.findCursor(sourceId) != cursor) {
                    return TakenIn.NOTHING;
                }
                TakenIn taken = take(sourceId, feed.changes(), who);
                routes.setCursor(sourceId, feed.next());
                return taken;
            }));
            more = feed.more();
        }
        return total;
    }

    /// Single records as the source was just asked for them; its feed goes on where it was.
    public TakenIn look(long sourceId, List<SourceChange> changes, String who) {
        if (changes.isEmpty()) {
            return TakenIn.NOTHING;
        }
        return transaction.execute(status -> {
            routes.lockAllOf(sourceId);
            return take(sourceId, changes, who);
        });
    }

    private static String begun(SourceFeed feed) {
        if (feed.begun().length() > LONGEST_NAME) {
            throw new AnswerUnusableException("", "what its list of changes is known by is too long", null);
        }
        return Kept.text(feed.begun());
    }

    /// Cursors of before would pass over what it told since, so that all of it is read anew; what is known already
    /// changes nothing. Whoever looks after the route is told.
    private boolean hasBegunAgain(long sourceId, long cursor, String begun, String who) {
        String known = routes.feedBegun(sourceId);
        if (begun.isEmpty() || begun.equals(known)) {
            return false;
        }
        routes.lockAllOf(sourceId);
        routes.setFeedBegun(sourceId, begun);
        if (known.isEmpty() || cursor == 0) {
            return false;
        }
        routes.setCursor(sourceId, 0);
        setAsides.keepOfSource(
                sourceId,
                new Unusable(
                        "feed",
                        begun,
                        "the list of changes",
                        "it began again from nothing, as after a copy was put back, and was read anew from its beginning;"
                                + " what stood on both sides stays linked",
                        ""));
        trail.write(null, null, who, "feed-begun-again", Map.of("source", sourceId, "cursor", cursor));
        return true;
    }

    /// Within a transaction that holds the routes of the source. What has crossed stays on the way it went; everything
    /// else takes the way of its site. What cannot be used is set aside.
    public TakenIn take(long sourceId, List<SourceChange> changes, String who) {
        catalogue.keep(sourceId, changes);
        Map<String, Incoming> incoming = read(sourceId, changes);
        int left = whatIsThere(sourceId, changes, who);
        Map<String, RouteRow> crossed = crossed(sourceId, incoming.keySet());
        Routing.Ways ways = routing.of(sourceId);
        Map<RouteRow, List<Incoming>> byRoute = new LinkedHashMap<>();
        for (Incoming each : incoming.values()) {
            RouteRow way = crossed.containsKey(each.sourceRef())
                    ? crossed.get(each.sourceRef())
                    : ways.to(each.record().site());
            byRoute.computeIfAbsent(way, w -> new ArrayList<>()).add(each);
        }
        TakenIn taken = new TakenIn(Intake.Written.NOTHING, Intake.Written.NOTHING, left);
        for (Map.Entry<RouteRow, List<Incoming>> entry : byRoute.entrySet()) {
            taken = taken.plus(
                    writer.write(entry.getKey(), compilers.of(entry.getKey().id()), entry.getValue(), who));
        }
        gone.endVoided(who);
        return taken;
    }

    /// By the last that is told of each.
    ///
    /// @return how many are not there any more
    private int whatIsThere(long sourceId, List<SourceChange> changes, String who) {
        Map<String, Boolean> there = new HashMap<>();
        for (SourceChange change : changes) {
            switch (change) {
                case SourceChange.RecordChanged c -> there.put(c.id(), true);
                case SourceChange.RecordGone c -> there.put(c.id(), false);
                default -> {}
            }
        }
        gone.areHereAgain(sourceId, refs(there, true), who);
        return gone.here(sourceId, refs(there, false), who);
    }

    private static List<String> refs(Map<String, Boolean> there, boolean which) {
        return there.entrySet().stream()
                .filter(each -> each.getValue() == which)
                .map(Map.Entry::getKey)
                .sorted()
                .toList();
    }

    /// The last one of each document.
    private Map<String, Incoming> read(long sourceId, List<SourceChange> changes) {
        SourceLookup lookup = catalogue.lookup(sourceId);
        Map<String, Incoming> incoming = new LinkedHashMap<>();
        List<String> others = new ArrayList<>();
        for (SourceChange change : changes) {
            switch (change) {
                case SourceChange.RecordGone c -> incoming.remove(c.id());
                case SourceChange.RecordChanged c -> {
                    incoming.remove(c.id());
                    read(sourceId, c, lookup).ifPresent(one -> incoming.put(c.id(), one));
                }
                case SourceChange.PartyChanged c -> others.add(c.party().code());
                case SourceChange.ItemChanged c -> others.add(c.code());
                case SourceChange.CategoryChanged c -> others.add(c.code());
                case SourceChange.TaxChanged c -> others.add(c.code());
                case SourceChange.SiteChanged c -> others.add(c.name());
                case SourceChange.TermsChanged c -> others.add(c.terms().code());
                case SourceChange.FieldChanged c -> others.add(c.field().code());
                case SourceChange.SetAside c -> setAsides.keepOfSource(sourceId, c.record());
            }
        }
        setAsides.settleOfSource(sourceId, incoming.keySet(), others);
        return incoming;
    }

    private Optional<Incoming> read(long sourceId, SourceChange.RecordChanged changed, SourceLookup lookup) {
        try {
            return switch (changed.record().apply(lookup)) {
                case Record any
                when any.origin() == Origin.LEDGER -> {
                    facts.voidedThere(sourceId, changed.id(), changed.voided());
                    yield Optional.empty();
                }
                case Document document -> Optional.of(incoming(changed, computable(document.seenBy(Ownership.SELLER))));
                case Settlement settlement -> Optional.of(incoming(changed, settlement));
                // No source makes one: they are made here.
                case Banking banking -> Optional.empty();
            };
        } catch (AnswerUnusableException e) {
            setAsides.keepOfSource(
                    sourceId,
                    new Unusable(
                            typeOf(changed),
                            changed.id(),
                            changed.name(),
                            Kept.quoted(e.what()),
                            Kept.text(changed.raw())));
            return Optional.empty();
        }
    }

    /// `document` or `payment`: how the source's own words for it begin.
    private static String typeOf(SourceChange.RecordChanged changed) {
        int space = changed.name().indexOf(' ');
        return space < 0 ? changed.name() : changed.name().substring(0, space);
    }

    private static Incoming incoming(SourceChange.RecordChanged changed, Record record) {
        return new Incoming(
                changed.id(),
                record,
                changed.raw().getBytes(StandardCharsets.UTF_8),
                "application/json",
                "",
                changed.milestones(),
                changed.voided());
    }

    /// Sums within their limits may still come to more than can be computed with.
    private static Document computable(Document document) {
        try {
            document.lines().stream()
                    .map(DocumentLine::amount)
                    .map(Money::abs)
                    .reduce(Money.zero(document.currency()), Money::plus)
                    .getAmountMinorLong();
            return document;
        } catch (ArithmeticException e) {
            throw new AnswerUnusableException(
                    "", "document " + document.number() + ": its sums are beyond what can be computed with", e);
        }
    }

    private Map<String, RouteRow> crossed(long sourceId, Set<String> refs) {
        Map<String, RouteRow> crossed = new HashMap<>();
        Map<Long, RouteRow> known = new HashMap<>();
        jdbc.sql("""
                select source_ref, route_id from record where source_id = :source and source_ref = any(:refs)
                    and outcome in ('posted', 'queued', 'sending', 'unconfirmed')""")
                .param("source", sourceId)
                .param("refs", refs.toArray(String[]::new))
                .query((row, n) -> crossed.put(
                        row.getString("source_ref"), known.computeIfAbsent(row.getLong("route_id"), routes::get)))
                .list();
        return crossed;
    }
}
