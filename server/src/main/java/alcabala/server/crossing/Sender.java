package alcabala.server.crossing;

import alcabala.accounting.posting.Cancellation;
import alcabala.accounting.posting.LedgerDocument;
import alcabala.accounting.posting.LedgerEntry;
import alcabala.connectors.AccessLostException;
import alcabala.connectors.UnreachableException;
import alcabala.connectors.ledger.Answer;
import alcabala.connectors.ledger.AnswersByKey;
import alcabala.connectors.ledger.FindsByReference;
import alcabala.connectors.ledger.LedgerRecord;
import alcabala.connectors.ledger.Standing;
import alcabala.connectors.spi.CannotException;
import alcabala.connectors.spi.Connection;
import alcabala.server.platform.Pauses;
import alcabala.server.record.Records;
import alcabala.server.route.RouteRow;
import java.time.Duration;
import java.util.Optional;
import org.joda.money.CurrencyUnit;
import org.springframework.stereotype.Component;

/// Takes one record one step further, whatever its family and whichever way it goes. Nothing is sent twice: before a
/// request leaves, that it leaves is written;
/// after a lost answer, or a crash, the ledger is asked by key and by reference before anything is sent again.
@Component
class Sender {
    /// What a ledger says that only wants a pause.
    static final String LIMIT = "request limit";
    private static final Duration SHORT = Duration.ofSeconds(1);
    private final Records documents;
    private final Counterparts counterparts;
    private final Postings postings;
    private final Dispatches dispatches;

    Sender(Records documents, Counterparts counterparts, Postings postings, Dispatches dispatches) {
        this.documents = documents;
        this.counterparts = counterparts;
        this.postings = postings;
        this.dispatches = dispatches;
    }

    Progress step(Trip trip, Dispatch dispatch) {
        return switch (dispatch.outcome()) {
            case "sending" -> {
                dispatches.cutOff(dispatch);
                yield Progress.DONE;
            }
            case "unconfirmed" -> ask(trip, dispatch);
            case "queued" -> send(trip, dispatch);
            default -> throw new IllegalStateException("dispatch " + dispatch.id() + " is " + dispatch.outcome());
        };
    }

    private Progress ask(Trip trip, Dispatch dispatch) {
        Optional<LedgerRecord> found;
        try {
            Connection there = trip.to(dispatch);
            found = there.get(AnswersByKey.class)
                    .findPosted(dispatch.idempotencyKey().toString());
            // What stands there is found by its reference too, whether this change was made or not.
            if (found.isEmpty() && !dispatch.inPlace()) {
                found = there.get(FindsByReference.class).findByReference(dispatch.family(), trip.reference(dispatch));
            }
        } catch (UnreachableException e) {
            dispatches.askedInVain(dispatch, e.getMessage());
            return Progress.failed(e.getMessage());
        }
        if (found.isPresent()) {
            return found(dispatch, found.get());
        }
        dispatches.notThere(dispatch);
        return Progress.DONE;
    }

    /// What the ledger was asked for, and has. Sums that are no amounts in the document's currency are not what was
    /// sent.
    private Progress found(Dispatch dispatch, LedgerRecord record) {
        if (record.isIn(CurrencyUnit.of(dispatch.currency()))) {
            dispatches.posted(dispatch, record, 200, "asked");
        } else {
            dispatches.askedInVain(dispatch, finer(dispatch));
        }
        return Progress.DONE;
    }

    private Progress send(Trip trip, Dispatch dispatch) {
        return dispatch.asksFirst() && !dispatch.inPlace() ? askFirst(trip, dispatch) : sendNow(trip, dispatch);
    }

    /// We may have sent it in a time that was taken from us: then it is there.
    private Progress askFirst(Trip trip, Dispatch dispatch) {
        Optional<LedgerRecord> there;
        try {
            there = trip.to(dispatch)
                    .get(FindsByReference.class)
                    .findByReference(dispatch.family(), trip.reference(dispatch));
        } catch (AccessLostException e) {
            return shutOut(dispatch, trip);
        } catch (UnreachableException e) {
            return later(dispatch, SHORT, e.getMessage());
        }
        return there.isPresent() ? found(dispatch, there.get()) : sendNow(trip, dispatch);
    }

    private Progress sendNow(Trip trip, Dispatch dispatch) {
        RouteRow route = trip.route();
        Optional<Frozen> frozen = frozen(trip, dispatch);
        if (frozen.isEmpty()) {
            dispatches.unreached(
                    dispatch,
                    trip.name(dispatch) + " was found to have it, and has it no more. Look there, then send it anew.");
            return Progress.DONE;
        }
        Frozen posting = frozen.get();
        // A supplier's credit names the supplier's own bill, whose number stays what it is.
        Optional<String> credited = posting.entry().kind().isSale()
                ? documents.findLedgerNumber(route.id(), posting.needs())
                : Optional.empty();
        boolean hasNumber =
                !posting.entry().number().isEmpty() || posting.needs().isEmpty();
        if (!hasNumber && credited.isEmpty()) {
            dispatches.unreached(
                    dispatch,
                    "It credits %s, which has no number on %s yet. Send that first, then retry."
                            .formatted(posting.needs(), route.ledger()));
            return Progress.DONE;
        }
        LedgerEntry sent = posting.entry() instanceof LedgerDocument document && credited.isPresent()
                ? document.crediting(credited.get())
                : posting.entry();
        return send(trip, dispatch, sent, posting.partyName());
    }

    /// Empty for a dispatch that only asks.
    private Optional<Frozen> frozen(Trip trip, Dispatch dispatch) {
        return Optional.ofNullable(dispatch.postingId())
                .flatMap(id -> Optional.ofNullable(trip.ahead().remove(id)).or(() -> postings.find(id)));
    }

    private Progress send(Trip trip, Dispatch dispatch, LedgerEntry sent, String partyName) {
        if (sent instanceof Cancellation) {
            return post(trip, dispatch, sent, sent.partyCounterpart());
        }
        Answer<String> ready;
        try {
            ready = counterparts.ensure(trip, dispatch.recordId(), sent, partyName);
        } catch (Counterparts.DoubtfulException e) {
            dispatches.heldBack(dispatch, e.getMessage());
            return Progress.DONE;
        } catch (AccessLostException e) {
            return shutOut(dispatch, trip);
        } catch (UnreachableException e) {
            return later(dispatch, SHORT, e.getMessage());
        }
        return switch (ready) {
            case Answer.Accepted<String> party -> post(trip, dispatch, sent, party.record());
            case Answer.Refused<String> no -> {
                dispatches.refused(dispatch, no.status(), no.code(), no.sentence(), no.raw());
                yield Progress.DONE;
            }
            case Answer.Later<String> later -> later(dispatch, later.pause(), later.reason());
            case Answer.Lost<String> lost -> later(dispatch, SHORT, lost.reason());
        };
    }

    private Progress post(Trip trip, Dispatch dispatch, LedgerEntry entry, String partyId) {
        Standing standing = dispatch.inPlace()
                ? new Standing(
                        dispatch.back() ? trip.reference(dispatch) : dispatch.ledgerRef(),
                        dispatch.readVersion(),
                        dispatch.ledgerNumber())
                : null;
        Request request;
        try {
            request = Request.of(trip.to(dispatch), entry, standing, partyId, trip.reference(dispatch));
        } catch (AccessLostException e) {
            return shutOut(dispatch, trip);
        } catch (CannotException e) {
            dispatches.unreached(dispatch, trip.name(dispatch) + " cannot take it. Nothing was sent.");
            return Progress.DONE;
        }
        dispatches.sending(dispatch, entry, request.body());
        Dispatch sent = dispatch.sending();
        try {
            return settle(sent, request.send().apply(dispatch.idempotencyKey().toString()));
        } catch (AccessLostException e) {
            return shutOut(sent, trip);
        } catch (UnreachableException e) {
            return later(sent, SHORT, trip.name(sent) + " gave no access token");
        }
    }

    private Progress settle(Dispatch sent, Answer<LedgerRecord> answer) {
        return switch (answer) {
            case Answer.Accepted<LedgerRecord> yes -> accepted(sent, yes);
            case Answer.Refused<LedgerRecord> no -> {
                dispatches.refused(sent, no.status(), no.code(), no.sentence(), no.raw());
                yield Progress.DONE;
            }
            case Answer.Later<LedgerRecord> later -> later(sent, later.pause(), later.reason());
            case Answer.Lost<LedgerRecord> lost -> {
                dispatches.unconfirmed(sent, lost.status(), lost.reason(), lost.raw());
                yield Progress.failed(lost.reason());
            }
        };
    }

    /// Sums that are no amounts in the document's currency are not what was asked for.
    private Progress accepted(Dispatch sent, Answer.Accepted<LedgerRecord> yes) {
        if (yes.record().isIn(CurrencyUnit.of(sent.currency()))) {
            dispatches.posted(sent, yes.record(), yes.status(), "answered");
            return Progress.DONE;
        }
        dispatches.unconfirmed(sent, yes.status(), finer(sent), yes.raw());
        return Progress.DONE;
    }

    private static String finer(Dispatch dispatch) {
        return "answered sums that are finer than " + dispatch.currency() + " allows";
    }

    /// Only a person can mend that; whoever is turned away at the door has not been worked on.
    private Progress shutOut(Dispatch dispatch, Trip trip) {
        dispatches.unreached(
                dispatch,
                trip.name(dispatch) + " no longer lets Alcabala in. Connect it again under Connect, then retry.");
        return Progress.DONE;
    }

    /// A try counts once, whether the request left or not; a request limit does not count against a document.
    private Progress later(Dispatch dispatch, Duration asked, String reason) {
        int tried = dispatch.outcome().equals("sending") ? dispatch.attempts() : dispatch.attempts() + 1;
        if (reason.equals(LIMIT)) {
            dispatches.later(dispatch, tried - 1, asked, reason);
        } else if (tried >= Pauses.TRIES) {
            dispatches.unreached(dispatch, "It could not be sent: " + reason + ".");
        } else {
            dispatches.later(dispatch, tried, asked, reason);
        }
        return Progress.later(asked, reason);
    }
}
