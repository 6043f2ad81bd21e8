package alcabala.server.send;

import alcabala.accounting.document.Document;
import alcabala.accounting.posting.LedgerDocument;
import alcabala.accounting.setting.Setting;
import alcabala.connectors.AccessLostException;
import alcabala.connectors.UnreachableException;
import alcabala.connectors.ledger.Answer;
import alcabala.connectors.ledger.LedgerConnector;
import alcabala.connectors.ledger.LedgerRecord;
import alcabala.connectors.ledger.Standing;
import alcabala.server.connect.Ledgers;
import alcabala.server.connect.RouteRow;
import alcabala.server.connect.Routes;
import alcabala.server.connect.SettingStore;
import alcabala.server.map.Compilers;
import alcabala.server.platform.DocumentJson;
import alcabala.server.release.Documents;
import alcabala.server.send.Dispatches.Dispatch;
import java.time.Duration;
import java.util.Optional;
import org.springframework.stereotype.Component;

/// Takes one document one step further. Nothing is sent twice: before a request leaves, that it leaves is written;
/// after
/// a lost answer, or a crash, the ledger is asked by key and by reference before anything is sent again.
@Component
class Sender {
    private static final int TRIES = 8;
    private static final Duration LONGEST_PAUSE = Duration.ofSeconds(30);
    private final Ledgers ledgers;
    private final Routes routes;
    private final Compilers compilers;
    private final Documents documents;
    private final Counterparts counterparts;
    private final Dispatches dispatches;
    private final SettingStore settings;

    Sender(
            Ledgers ledgers,
            Routes routes,
            Compilers compilers,
            Documents documents,
            Counterparts counterparts,
            Dispatches dispatches,
            SettingStore settings) {
        this.ledgers = ledgers;
        this.routes = routes;
        this.compilers = compilers;
        this.documents = documents;
        this.counterparts = counterparts;
        this.dispatches = dispatches;
        this.settings = settings;
    }

    /// How long to wait before the next step: zero to go on at once.
    Duration step(Dispatch dispatch) {
        RouteRow route = routes.get(dispatch.routeId());
        Documents.Row row = documents.get(dispatch.documentId());
        return switch (dispatch.outcome()) {
            case "sending" -> {
                dispatches.unconfirmed(dispatch, "the server stopped while the request was under way");
                yield Duration.ZERO;
            }
            case "unconfirmed" -> ask(dispatch, route, row);
            case "queued" -> send(dispatch, route, row);
            default -> throw new IllegalStateException("dispatch " + dispatch.id() + " is " + dispatch.outcome());
        };
    }

    private Duration ask(Dispatch dispatch, RouteRow route, Documents.Row row) {
        try {
            LedgerConnector ledger = ledgers.of(route.ledgerId());
            Optional<LedgerRecord> found =
                    ledger.findPosted(dispatch.idempotencyKey().toString());
            // What stands there is found by its reference too, whether this change was made or not.
            if (found.isEmpty() && !dispatch.inPlace()) {
                found = ledger.findByReference(route.reference(row.sourceRef()));
            }
            found.ifPresentOrElse(
                    record -> dispatches.posted(dispatch, record, 200, "asked"), () -> dispatches.notThere(dispatch));
            return Duration.ZERO;
        } catch (UnreachableException e) {
            dispatches.askedInVain(dispatch);
            return pause(dispatch.attempts());
        }
    }

    private Duration send(Dispatch dispatch, RouteRow route, Documents.Row row) {
        Document document = DocumentJson.read(documents.content(row.id()));
        Optional<LedgerDocument> compiled =
                compilers.of(route.id()).compile(document).ledgerDocument();
        if (compiled.isEmpty()) {
            dispatches.unreached(dispatch, "It was blocked again before its turn came.");
            return Duration.ZERO;
        }
        // A supplier's credit names the supplier's own bill, whose number stays what it is.
        Optional<String> credited = document.kind().isSale()
                ? documents.findLedgerNumber(route.id(), document.precedingNumber())
                : Optional.empty();
        if (compiled.get().number().isEmpty()
                && credited.isEmpty()
                && !document.precedingNumber().isEmpty()) {
            dispatches.unreached(
                    dispatch,
                    "It credits %s, which has no number on %s yet. Send that first, then retry."
                            .formatted(document.precedingNumber(), route.ledger()));
            return Duration.ZERO;
        }
        LedgerDocument sent = dated(compiled.get(), dispatch, route);
        return send(
                dispatch, route, row, document, credited.map(sent::crediting).orElse(sent));
    }

    private Duration send(
            Dispatch dispatch, RouteRow route, Documents.Row row, Document document, LedgerDocument sent) {
        Answer<String> ready;
        try {
            ready = counterparts.ensure(route, row.id(), document, sent);
        } catch (AccessLostException e) {
            return shutOut(dispatch, route);
        } catch (UnreachableException e) {
            return later(dispatch, Duration.ofSeconds(1), route.ledger() + " did not answer");
        }
        return switch (ready) {
            case Answer.Accepted<String> party -> post(dispatch, route, row, sent, party.record());
            case Answer.Refused<String> no -> {
                dispatches.refused(dispatch, row.revision(), no.status(), no.code(), no.sentence(), no.raw());
                yield Duration.ZERO;
            }
            case Answer.Later<String> later -> later(dispatch, later.pause(), later.reason());
            case Answer.Lost<String> lost -> later(dispatch, Duration.ofSeconds(1), lost.reason());
        };
    }

    /// The day of a batch is known only once there is one.
    private LedgerDocument dated(LedgerDocument sent, Dispatch dispatch, RouteRow route) {
        return settings.of(route.id()).is(Setting.DOCUMENT_DATE, "batch")
                ? sent.onDay(dispatches.dayOf(dispatch))
                : sent;
    }

    private Duration post(
            Dispatch dispatch, RouteRow route, Documents.Row row, LedgerDocument document, String partyId) {
        String reference = route.reference(row.sourceRef());
        LedgerConnector ledger = ledgers.of(route.ledgerId());
        Standing standing =
                dispatch.inPlace() ? new Standing(row.ledgerRef(), dispatch.readVersion(), row.ledgerNumber()) : null;
        dispatches.sending(
                dispatch,
                row.revision(),
                standing == null
                        ? ledger.body(document, partyId, reference)
                        : ledger.body(standing, document, partyId, reference));
        Dispatch sent = dispatch.sending();
        String key = dispatch.idempotencyKey().toString();
        try {
            return settle(
                    sent,
                    row,
                    standing == null
                            ? ledger.post(document, partyId, reference, key)
                            : ledger.change(standing, document, partyId, reference, key));
        } catch (AccessLostException e) {
            return shutOut(sent, route);
        } catch (UnreachableException e) {
            return later(sent, Duration.ofSeconds(1), route.ledger() + " gave no access token");
        }
    }

    private Duration settle(Dispatch sent, Documents.Row row, Answer<LedgerRecord> answer) {
        switch (answer) {
            case Answer.Accepted<LedgerRecord> yes -> dispatches.posted(sent, yes.record(), yes.status(), "answered");
            case Answer.Refused<LedgerRecord> no ->
                dispatches.refused(sent, row.revision(), no.status(), no.code(), no.sentence(), no.raw());
            case Answer.Later<LedgerRecord> later -> {
                return later(sent, later.pause(), later.reason());
            }
            case Answer.Lost<LedgerRecord> lost -> dispatches.unconfirmed(sent, lost.reason());
        }
        return Duration.ZERO;
    }

    /// Only a person can mend that; whoever is turned away at the door has not been worked on.
    private Duration shutOut(Dispatch dispatch, RouteRow route) {
        dispatches.unreached(
                dispatch, route.ledger() + " no longer lets Alcabala in. Connect it again under Connect, then retry.");
        return Duration.ZERO;
    }

    /// A request limit is no failure: it is waited for as often as it takes. Everything else is given up after some
    /// tries.
    private Duration later(Dispatch dispatch, Duration asked, String reason) {
        if (dispatch.attempts() >= TRIES && !reason.equals("request limit")) {
            dispatches.unreached(dispatch, "It could not be sent: " + reason + ".");
            return Duration.ZERO;
        }
        dispatches.later(dispatch, reason);
        Duration growing = pause(dispatch.attempts());
        return reason.equals("request limit") || asked.compareTo(growing) > 0 ? asked : growing;
    }

    private static Duration pause(int attempts) {
        Duration growing = Duration.ofMillis(500L << Math.min(attempts, 6));
        return growing.compareTo(LONGEST_PAUSE) > 0 ? LONGEST_PAUSE : growing;
    }
}
