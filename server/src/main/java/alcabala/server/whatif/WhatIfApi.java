package alcabala.server.whatif;

import alcabala.accounting.crosswalk.Meaning;
import alcabala.accounting.crosswalk.RowKind;
import alcabala.server.compile.Released;
import alcabala.server.jobs.Work;
import alcabala.server.jobs.Works;
import alcabala.server.jobs.Works.Kind;
import alcabala.server.map.Mapping.Change;
import alcabala.server.route.RouteRow;
import alcabala.server.route.Routes;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.security.Principal;
import java.util.UUID;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/// What a row would change, and the row saved together with the journals that put right what was booked before.
@RestController
@RequestMapping("/api/map")
class WhatIfApi {
    private final Routes routes;
    private final WhatIf whatIf;
    private final Correcting correcting;
    private final Works works;

    /// @param expectedVersion of the row as it was seen; what is only asked for is answered for the row as it
    ///     is
    record Supposed(
            @NotBlank String route,
            @NotNull RowKind kind,
            @NotBlank @Size(max = 200) String code,
            Meaning meaning,
            int expectedVersion,
            boolean remove,
            @Size(max = 500) String note) {
        Change change() {
            return new Change(
                    kind,
                    code,
                    meaning == null ? Meaning.NONE : meaning,
                    expectedVersion,
                    remove,
                    note == null ? "" : note.strip());
        }
    }

    /// @param before what the row said, to take it back with; null where there was none
    /// @param version of the row by now; 0 where it was taken away
    /// @param correction the number of the draft; null where nothing needed one
    record RowSaved(String sentence, Meaning before, int version, Long correction) {}

    WhatIfApi(Routes routes, WhatIf whatIf, Correcting correcting, Works works) {
        this.routes = routes;
        this.whatIf = whatIf;
        this.correcting = correcting;
        this.works = works;
    }

    /// Changes nothing.
    @PostMapping("/what-if")
    @ResponseStatus(HttpStatus.ACCEPTED)
    Work<WouldChange> ask(@Valid @RequestBody Supposed supposed, Principal who) {
        RouteRow route = routes.getLeading(supposed.route());
        return works.start(
                Kind.SUPPOSING,
                route.code() + " " + UUID.randomUUID(),
                who.getName(),
                WouldChange.class,
                at -> whatIf.of(route, supposed.change(), at).said());
    }

    /// Saves the row, and drafts the journals that put right what was booked under the former one.
    @PostMapping("/corrections")
    @ResponseStatus(HttpStatus.ACCEPTED)
    Work<RowSaved> correct(@Valid @RequestBody Supposed supposed, Principal who) {
        RouteRow route = routes.getLeading(supposed.route());
        return works.start(
                Kind.COMPILING, route.code() + " " + UUID.randomUUID(), who.getName(), RowSaved.class, at -> {
                    Correcting.Saved saved = correcting.save(route, supposed.change(), who.getName(), at);
                    Released released = saved.changed().released();
                    return new RowSaved(
                            released.wholeSentence(),
                            saved.changed().before() == null
                                    ? null
                                    : saved.changed().before().meaning(),
                            saved.changed().after() == null
                                    ? 0
                                    : saved.changed().after().version(),
                            saved.correction());
                });
    }
}
