package alcabala.server.send;

import alcabala.accounting.crosswalk.CrosswalkRow;
import alcabala.accounting.crosswalk.RowKind;
import alcabala.accounting.document.Document;
import alcabala.accounting.matching.ItemNames;
import alcabala.accounting.party.Party;
import alcabala.accounting.posting.LedgerDocument;
import alcabala.accounting.posting.LedgerLine;
import alcabala.connectors.ledger.Answer;
import alcabala.connectors.ledger.LedgerConnector;
import alcabala.connectors.ledger.LedgerItem;
import alcabala.server.connect.LedgerReference;
import alcabala.server.connect.Ledgers;
import alcabala.server.connect.RouteRow;
import alcabala.server.connect.SourceCatalogue;
import alcabala.server.map.CrosswalkStore;
import alcabala.server.trail.Trail;
import java.nio.charset.StandardCharsets;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.function.Supplier;
import java.util.stream.Collectors;
import org.springframework.stereotype.Component;
import org.springframework.transaction.support.TransactionTemplate;

/// Creates on the ledger what a document needs and the ledger lacks: its party and its items. The idempotency key of a
/// creation follows from the record, so that whoever repeats it, after whatever crash, makes it once.
@Component
class Counterparts {
    private static final String WHO = "Alcabala, on first use";
    private final Ledgers ledgers;
    private final LedgerReference reference;
    private final SourceCatalogue catalogue;
    private final CrosswalkStore store;
    private final Trail trail;
    private final TransactionTemplate transaction;

    Counterparts(
            Ledgers ledgers,
            LedgerReference reference,
            SourceCatalogue catalogue,
            CrosswalkStore store,
            Trail trail,
            TransactionTemplate transaction) {
        this.ledgers = ledgers;
        this.reference = reference;
        this.catalogue = catalogue;
        this.store = store;
        this.trail = trail;
        this.transaction = transaction;
    }

    /// The ledger's id of the party when everything is there; otherwise the answer that stands in the way.
    ///
    /// @return accepted with the party's id
    Answer<String> ensure(RouteRow route, long documentId, Document document, LedgerDocument sent) {
        Set<String> items =
                reference.items(route.ledgerId()).stream().map(LedgerItem::code).collect(Collectors.toSet());
        for (LedgerLine line : sent.lines()) {
            boolean missing = !line.item().isEmpty() && line.counterpart().isEmpty() && !items.contains(line.item());
            if (missing) {
                Answer<LedgerItem> answer = create(route, documentId, line);
                if (!(answer instanceof Answer.Accepted<LedgerItem>)) {
                    return pass(answer);
                }
                items.add(line.item());
            }
        }
        return sent.partyCounterpart().isEmpty()
                ? createParty(route, documentId, document.counterparty())
                : new Answer.Accepted<>(sent.partyCounterpart(), 200, "");
    }

    private Answer<LedgerItem> create(RouteRow route, long documentId, LedgerLine line) {
        int limit = reference.profile(route.ledgerId()).nameLimit();
        LedgerItem item = new LedgerItem(
                line.item(), ItemNames.cut(line.description(), limit), line.account(), line.taxCode(), true);
        String about = "item:" + line.item();
        String key = key(route, about);
        LedgerConnector ledger = ledgers.of(route.ledgerId());
        Answer<LedgerItem> answer =
                asked(() -> ledger.create(item, route.reference(about), key), () -> ledger.findCreatedItem(key));
        if (answer instanceof Answer.Accepted<LedgerItem> accepted) {
            transaction.executeWithoutResult(status -> {
                reference.keep(route.ledgerId(), accepted.record());
                trail.write(
                        route.id(), documentId, WHO, "item-created", Map.of("item", line.item(), "name", item.name()));
            });
        }
        return answer;
    }

    private Answer<String> createParty(RouteRow route, long documentId, Party named) {
        Party party = catalogue.lookup(route.sourceId()).party(named.code());
        String about = "party:" + named.code();
        String key = key(route, about);
        LedgerConnector ledger = ledgers.of(route.ledgerId());
        Answer<Party> answer =
                asked(() -> ledger.create(party, route.reference(about), key), () -> ledger.findCreatedParty(key));
        if (answer instanceof Answer.Accepted<Party> accepted) {
            transaction.executeWithoutResult(status -> {
                reference.keep(route.ledgerId(), accepted.record());
                Optional<CrosswalkRow> row = store.find(route.id(), RowKind.PARTY, named.code());
                if (row.map(CrosswalkRow::counterpart).orElse("").isEmpty()) {
                    int version = row.map(CrosswalkRow::version).orElse(0);
                    store.set(
                            route.id(),
                            RowKind.PARTY,
                            named.code(),
                            accepted.record().code(),
                            "",
                            version,
                            WHO);
                }
                trail.write(
                        route.id(),
                        documentId,
                        WHO,
                        "party-created",
                        Map.of(
                                "party",
                                named.code(),
                                "ledger",
                                accepted.record().code(),
                                "name",
                                party.name()));
            });
            return new Answer.Accepted<>(accepted.record().code(), accepted.status(), accepted.raw());
        }
        return pass(answer);
    }

    /// After a lost answer the ledger is asked by key before anything is sent again.
    private static <T> Answer<T> asked(Supplier<Answer<T>> create, Supplier<Optional<T>> find) {
        Answer<T> answer = create.get();
        if (answer instanceof Answer.Lost<T>) {
            return find.get()
                    .<Answer<T>>map(found -> new Answer.Accepted<>(found, 200, ""))
                    .orElseGet(create);
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
            case Answer.Lost<T> a ->
                new Answer.Later<>(0, java.time.Duration.ofSeconds(1), "the answer to a creation was lost");
        };
    }
}
