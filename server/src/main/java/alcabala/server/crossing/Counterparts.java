package alcabala.server.crossing;

import alcabala.accounting.crosswalk.CrosswalkRow;
import alcabala.accounting.crosswalk.Meaning;
import alcabala.accounting.crosswalk.Purpose;
import alcabala.accounting.crosswalk.RowKind;
import alcabala.accounting.finding.Finding;
import alcabala.accounting.party.Party;
import alcabala.accounting.posting.Customers;
import alcabala.accounting.posting.LedgerEntry;
import alcabala.accounting.posting.LedgerLine;
import alcabala.accounting.setting.Topic;
import alcabala.connectors.ledger.Answer;
import alcabala.connectors.ledger.CreatesBelow;
import alcabala.connectors.ledger.CreatesMasters;
import alcabala.connectors.ledger.LedgerItem;
import alcabala.connectors.spi.Connection;
import alcabala.server.compile.CrosswalkStore;
import alcabala.server.items.ItemFacts;
import alcabala.server.items.ItemNaming;
import alcabala.server.platform.Sentences;
import alcabala.server.reference.ItemsThere;
import alcabala.server.reference.LedgerReference;
import alcabala.server.reference.SourceCatalogue;
import alcabala.server.route.RouteRow;
import alcabala.server.route.SettingStore;
import alcabala.server.trail.Trail;
import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.concurrent.locks.Lock;
import java.util.concurrent.locks.ReentrantLock;
import java.util.function.Supplier;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.springframework.stereotype.Component;
import org.springframework.transaction.support.TransactionTemplate;

/// Creates on the ledger what a document needs and the ledger lacks: its party and its items. The idempotency key of a
/// creation follows from the record, so that whoever repeats it, after whatever crash, makes it once.
@Component
class Counterparts {
    static final String WHO = "Alcabala, on first use";
    private final LedgerReference reference;
    private final ItemsThere itemsThere;
    private final SourceCatalogue catalogue;
    private final ItemNaming naming;
    private final ItemFacts facts;
    private final CrosswalkStore store;
    private final SettingStore settings;
    private final Trail trail;
    private final TransactionTemplate transaction;
    private final Lock[] locks = Stream.generate(ReentrantLock::new).limit(64).toArray(Lock[]::new);

    /// The party of a document came to resemble one that the ledger has by now: that is asked about, not created.
    static final class DoubtfulException extends RuntimeException {
        DoubtfulException(String sentence) {
            super(sentence);
        }
    }

    Counterparts(
            LedgerReference reference,
            ItemsThere itemsThere,
            SourceCatalogue catalogue,
            ItemNaming naming,
            ItemFacts facts,
            CrosswalkStore store,
            SettingStore settings,
            Trail trail,
            TransactionTemplate transaction) {
        this.reference = reference;
        this.itemsThere = itemsThere;
        this.catalogue = catalogue;
        this.naming = naming;
        this.facts = facts;
        this.store = store;
        this.settings = settings;
        this.trail = trail;
        this.transaction = transaction;
    }

    /// The ledger's id of the party when everything is there; otherwise the answer that stands in the way.
    ///
    /// @param partyName as the document names its party
    /// @return accepted with the party's id
    /// @throws DoubtfulException when the party may be on the ledger by now under another name
    Answer<String> ensure(Trip trip, long recordId, LedgerEntry sent, String partyName) {
        RouteRow route = trip.route();
        Map<String, LedgerLine> needed = sent.lines().stream()
                .filter(line -> !line.item().isEmpty() && line.counterpart().isEmpty())
                .collect(Collectors.toMap(LedgerLine::item, line -> line, (first, second) -> first));
        needed.keySet().removeAll(trip.items());
        Set<String> there = needed.isEmpty() ? Set.of() : itemsThere.known(route.ledgerId(), needed.keySet());
        trip.items().addAll(there);
        for (LedgerLine line : needed.values()) {
            if (!there.contains(line.item())) {
                Answer<LedgerItem> answer = alone(
                        route,
                        "item:" + line.item(),
                        () -> findItem(route, line).orElseGet(() -> create(trip, recordId, line)));
                if (!(answer instanceof Answer.Accepted<LedgerItem>)) {
                    return pass(answer);
                }
            }
        }
        return sent.bringsParty()
                ? findOrCreateParty(trip, recordId, sent.party(), partyName, WHO)
                : new Answer.Accepted<>(sent.partyCounterpart(), 200, "");
    }

    /// Lanes that need the same thing make it once, and wait for each other.
    private <T> Answer<T> alone(RouteRow route, String about, Supplier<Answer<T>> work) {
        Lock lock = locks[Math.floorMod((route.id() + "/" + about).hashCode(), locks.length)];
        lock.lock();
        try {
            return work.get();
        } finally {
            lock.unlock();
        }
    }

    /// Another lane may have made it meanwhile.
    private Optional<Answer<LedgerItem>> findItem(RouteRow route, LedgerLine line) {
        return itemsThere.known(route.ledgerId(), Set.of(line.item())).isEmpty()
                ? Optional.empty()
                : Optional.of(new Answer.Accepted<>(
                        LedgerItem.of(line.item(), line.description(), line.account(), line.taxCode(), true), 200, ""));
    }

    private Answer<LedgerItem> create(Trip trip, long recordId, LedgerLine line) {
        RouteRow route = trip.route();
        String name =
                naming.names(route, Map.of(line.item(), line.description())).get(line.item());
        LedgerItem item = facts.of(route, line.item(), name, line.account(), line.taxCode());
        String about = "item:" + line.item();
        String key = key(route, about);
        CreatesMasters ledger = trip.ledger().get().get(CreatesMasters.class);
        Answer<LedgerItem> answer =
                asked(() -> ledger.create(item, route.reference(about), key), () -> ledger.findCreatedItem(key));
        if (answer instanceof Answer.Accepted<LedgerItem> accepted) {
            transaction.executeWithoutResult(status -> {
                itemsThere.keep(route.ledgerId(), accepted.record());
                trail.write(
                        route.id(), recordId, WHO, "item-created", Map.of("item", line.item(), "name", item.name()));
            });
            trip.items().add(line.item());
        }
        return answer;
    }

    /// Whoever it is to be below is there first. That is seen to before anybody waits for the party itself, so that
    /// no two lanes ever wait for each other.
    private Answer<String> findOrCreateParty(Trip trip, Long recordId, String code, String name, String who) {
        RouteRow route = trip.route();
        boolean below = Customers.isProject(code) && settings.of(route.id()).is(Topic.CUSTOMERS, Customers.SUB_PROJECT);
        String parent = "";
        if (below && counterpart(route, code).isEmpty()) {
            String client = Customers.client(code);
            Answer<String> there = findOrCreateParty(
                    trip, recordId, client, party(route, client).name(), who);
            if (!(there instanceof Answer.Accepted<String> accepted)) {
                return there;
            }
            parent = accepted.record();
        }
        String parentId = parent;
        return alone(route, "party:" + code, () -> partyAlone(trip, recordId, code, name, parentId, who));
    }

    private String counterpart(RouteRow route, String code) {
        return store.find(route.id(), RowKind.PARTY, code)
                .map(CrosswalkRow::counterpart)
                .orElse("");
    }

    /// A document before this one may have had the same party created.
    private Answer<String> partyAlone(Trip trip, Long recordId, String code, String name, String parent, String who) {
        RouteRow route = trip.route();
        String counterpart = counterpart(route, code);
        if (!counterpart.isEmpty()) {
            return new Answer.Accepted<>(counterpart, 200, "");
        }
        Party party = party(route, code);
        boolean said = store.find(route.id(), RowKind.PARTY, code)
                .filter(CrosswalkRow::saysCounterpart)
                .isPresent();
        Optional<Party> like = said || Customers.isProject(code)
                ? Optional.empty()
                : trip.newcomers().findLike(party);
        if (like.isPresent()) {
            Party ours = findOurs(trip, party).orElseThrow(() -> doubtful(party, like.get()));
            return isThere(trip, recordId, party, name, new Answer.Accepted<>(ours, 200, ""), who);
        }
        return createParty(trip, recordId, party, name, parent, who);
    }

    /// Creates a party before any document of it crosses, because somebody asks for it.
    ///
    /// @throws DoubtfulException when it may be on the ledger already
    Answer<String> createNow(Trip trip, String code, String who) {
        return findOrCreateParty(trip, null, code, party(trip.route(), code).name(), who);
    }

    private Party party(RouteRow route, String code) {
        Party party = catalogue.party(route.sourceId(), Customers.client(code));
        return Customers.isProject(code) ? Customers.ofProject(party, Customers.project(code)) : party;
    }

    /// By the ledger's code; empty for what stands for none there.
    private String termsThere(RouteRow route, Party party) {
        return store.find(route.id(), RowKind.TERMS, party.terms())
                .map(CrosswalkRow::counterpart)
                .orElse("");
    }

    private Answer<Party> create(Trip trip, Party party, String parent, String reference, String key) {
        Connection ledger = trip.ledger().get();
        boolean spokenTo = settings.of(trip.route().id()).is(Topic.CUSTOMERS, Customers.WITH_CONTACTS);
        Party told = (spokenTo ? party : party.withoutContacts()).withTerms(termsThere(trip.route(), party));
        return parent.isEmpty()
                ? ledger.get(CreatesMasters.class).create(told, reference, key)
                : ledger.get(CreatesBelow.class).createBelow(told, parent, reference, key);
    }

    private static DoubtfulException doubtful(Party party, Party there) {
        return new DoubtfulException(
                Sentences.of(new Finding.PartyDoubtful(party.code(), party.name(), there.code(), there.name()))
                        .text());
    }

    /// What it resembles may be what we made of it ourselves: whoever made it may have died before it was noted.
    private static Optional<Party> findOurs(Trip trip, Party party) {
        return trip.ledger()
                .get()
                .find(CreatesMasters.class)
                .flatMap(ledger -> ledger.findCreatedParty(key(trip.route(), about(party))));
    }

    private static String about(Party party) {
        return "party:" + party.code();
    }

    private Answer<String> createParty(Trip trip, Long recordId, Party party, String name, String parent, String who) {
        RouteRow route = trip.route();
        String key = key(route, about(party));
        Answer<Party> answer = asked(
                () -> create(trip, party, parent, route.reference(about(party)), key), () -> findOurs(trip, party));
        return answer instanceof Answer.Accepted<Party> accepted
                ? isThere(trip, recordId, party, name, accepted, who)
                : pass(answer);
    }

    private Answer<String> isThere(
            Trip trip, Long recordId, Party party, String name, Answer.Accepted<Party> accepted, String who) {
        RouteRow route = trip.route();
        Party created = accepted.record();
        transaction.executeWithoutResult(status -> {
            trail.write(
                    route.id(),
                    recordId,
                    who,
                    "party-created",
                    Map.of("party", party.code(), "ledger", created.code(), "name", name));
            Optional<CrosswalkRow> row = store.find(route.id(), RowKind.PARTY, party.code());
            if (row.map(CrosswalkRow::counterpart).orElse("").isEmpty()) {
                int version = row.map(CrosswalkRow::version).orElse(0);
                Meaning meaning = row.map(CrosswalkRow::meaning).orElse(Meaning.NONE);
                store.set(
                        route.id(),
                        RowKind.PARTY,
                        party.code(),
                        meaning.with(Purpose.COUNTERPART, created.code()),
                        version,
                        who);
            }
            reference.keep(route.ledgerId(), created);
        });
        trip.created().add(created);
        return new Answer.Accepted<>(created.code(), accepted.status(), accepted.raw());
    }

    /// A ledger that creates parties of files by itself says under which number it has one now.
    void isThere(RouteRow route, String code, String there, String who) {
        Party party = party(route, code);
        Optional<CrosswalkRow> row = store.find(route.id(), RowKind.PARTY, code);
        if (!row.map(CrosswalkRow::counterpart).orElse("").isEmpty()) {
            return;
        }
        Meaning meaning = row.map(CrosswalkRow::meaning).orElse(Meaning.NONE);
        store.set(
                route.id(),
                RowKind.PARTY,
                code,
                meaning.with(Purpose.COUNTERPART, there),
                row.map(CrosswalkRow::version).orElse(0),
                who);
        if (!reference.hasParty(route.ledgerId(), there)) {
            reference.keep(route.ledgerId(), party.as(there));
        }
        trail.write(
                route.id(), null, who, "party-created", Map.of("party", code, "ledger", there, "name", party.name()));
    }

    /// After a lost answer the ledger is asked by key before anything is sent again.
    private static <T> Answer<T> asked(Supplier<Answer<T>> create, Supplier<Optional<T>> find) {
        Answer<T> answer = create.get();
        if (answer instanceof Answer.Lost<T>) {
            return find.get()
                    .<Answer<T>>map(found -> new Answer.Accepted<>(found, 200, ""))
                    .orElse(answer);
        }
        return answer;
    }

    private static String key(RouteRow route, String about) {
        return UUID.nameUUIDFromBytes(
                        (route.code() + "/" + route.ledgerId() + "/" + about).getBytes(StandardCharsets.UTF_8))
                .toString();
    }

    private static <T> Answer<String> pass(Answer<T> answer) {
        return switch (answer) {
            case Answer.Accepted<T> a -> throw new IllegalArgumentException("nothing stands in the way");
            case Answer.Refused<T> a -> new Answer.Refused<>(a.status(), a.code(), a.sentence(), a.raw());
            case Answer.Later<T> a -> new Answer.Later<>(a.status(), a.pause(), a.reason());
            // Under its key it is made once, however often it is asked for.
            case Answer.Lost<T> a -> new Answer.Later<>(a.status(), Duration.ofSeconds(1), a.reason());
        };
    }
}
