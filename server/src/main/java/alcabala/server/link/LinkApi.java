package alcabala.server.link;

import alcabala.connectors.ledger.LedgerRecord;
import alcabala.server.crossing.BroughtBack;
import alcabala.server.crossing.LinkedByHand;
import alcabala.server.jobs.Work;
import alcabala.server.jobs.Works;
import alcabala.server.jobs.Works.Kind;
import alcabala.server.link.StandsThere.There;
import alcabala.server.platform.NotPossibleException;
import alcabala.server.record.Records;
import alcabala.server.route.RouteRow;
import alcabala.server.route.Routes;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.Size;
import java.security.Principal;
import java.util.List;
import java.util.UUID;
import java.util.function.BiFunction;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/// What a single record stands for on its ledger, and what can be done with it.
@RestController
@RequestMapping("/api/documents/{id}")
class LinkApi {
    private final Records records;
    private final Routes routes;
    private final Choices choices;
    private final StandsThere there;
    private final LinkedByHand links;
    private final BroughtBack back;
    private final Works works;

    record FindThere(@NotBlank @Size(max = 100) String number) {}

    /// @param there those of the number on the ledger
    record FoundThere(List<There> there) {}

    /// @param version as it was seen there
    record LinkTo(@NotBlank @Size(max = 200) String ref, int version) {}

    record LinkSaid(String sentence) {}

    LinkApi(
            Records records,
            Routes routes,
            Choices choices,
            StandsThere there,
            LinkedByHand links,
            BroughtBack back,
            Works works) {
        this.records = records;
        this.routes = routes;
        this.choices = choices;
        this.there = there;
        this.links = links;
        this.back = back;
        this.works = works;
    }

    @GetMapping("/choices")
    List<Choice> choices(@PathVariable long id) {
        Records.Row record = records.get(id);
        return choices.of(routes.get(record.routeId()), record);
    }

    /// What it could stand for: what has this number there.
    @PostMapping("/link/there")
    @ResponseStatus(HttpStatus.ACCEPTED)
    Work<FoundThere> find(@PathVariable long id, @Valid @RequestBody FindThere asked, Principal who) {
        return work(
                id,
                who,
                FoundThere.class,
                (route, record) -> new FoundThere(
                        there.numbered(route, record, asked.number().strip())));
    }

    @PutMapping("/link")
    @ResponseStatus(HttpStatus.ACCEPTED)
    Work<LinkSaid> link(@PathVariable long id, @Valid @RequestBody LinkTo to, Principal who) {
        return work(id, who, LinkSaid.class, (route, record) -> {
            LedgerRecord now = there.asSeen(route, record, to.ref(), to.version());
            links.link(route, record, now, who.getName());
            return new LinkSaid("%s stands for %s of %s".formatted(record.number(), now.number(), route.ledger()));
        });
    }

    /// Others find and link other things meanwhile.
    private <T> Work<T> work(long id, Principal who, Class<T> type, BiFunction<RouteRow, Records.Row, T> doing) {
        Records.Row record = records.get(id);
        RouteRow route = routes.get(record.routeId());
        return works.start(
                Kind.LINKING, id + " " + UUID.randomUUID(), who.getName(), type, at -> doing.apply(route, record));
    }

    @DeleteMapping("/link")
    LinkSaid unlink(@PathVariable long id, Principal who) {
        Records.Row record = records.get(id);
        RouteRow route = routes.get(record.routeId());
        links.unlink(route, record, who.getName());
        return new LinkSaid("%s and what %s has of it part".formatted(record.number(), route.ledger()));
    }

    @PostMapping("/fields-back")
    @ResponseStatus(HttpStatus.ACCEPTED)
    Work<LinkSaid> bringBack(@PathVariable long id, Principal who) {
        Records.Row record = records.get(id);
        RouteRow route = routes.get(record.routeId());
        if (back.of(route, id).isEmpty()) {
            throw NotPossibleException.conflict(
                    "nothing-to-bring-back", "%s says nothing of it that comes back.".formatted(route.ledger()));
        }
        return work(id, who, LinkSaid.class, (same, read) -> {
            back.again(route, id, who.getName());
            return new LinkSaid(
                    "%s was told what %s says of %s".formatted(route.source(), route.ledger(), record.number()));
        });
    }
}
