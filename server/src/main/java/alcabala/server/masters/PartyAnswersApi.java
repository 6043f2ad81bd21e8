package alcabala.server.masters;

import alcabala.accounting.party.PartyField;
import alcabala.accounting.sync.Answer;
import alcabala.server.jobs.Work;
import alcabala.server.jobs.Works;
import alcabala.server.jobs.Works.Kind;
import alcabala.server.masters.PartyTrouble.PartyCauseJson;
import alcabala.server.route.RouteRow;
import alcabala.server.route.Routes;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotEmpty;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.security.Principal;
import java.util.List;
import java.util.UUID;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/// What is asked about parties that differ, and what is said of them.
@RestController
@RequestMapping("/api/resolve/parties")
class PartyAnswersApi {
    private final Routes routes;
    private final PartyTrouble trouble;
    private final PartyAnswers answers;
    private final Works works;

    /// @param typed what both are to have, with the answer that it is typed; an address with ` | ` between its parts
    record PartyAnswerRequest(
            @NotBlank String route,
            @NotNull PartyField field,
            @NotNull Answer answer,
            @NotNull @Size(max = 1000) String typed,
            @NotEmpty @Size(max = 500) List<@NotNull @Valid PartyAnswered> parties) {}

    /// @param seen as the list says it
    record PartyAnswered(
            @NotBlank @Size(max = 200) String code,
            @NotBlank @Size(max = 200) String seen) {}

    /// @param answered how many were
    /// @param left how many changed since they were looked at, and were left
    record PartiesAnswered(int answered, int left) {}

    PartyAnswersApi(Routes routes, PartyTrouble trouble, PartyAnswers answers, Works works) {
        this.routes = routes;
        this.trouble = trouble;
        this.answers = answers;
        this.works = works;
    }

    @GetMapping
    List<PartyCauseJson> asked(@RequestParam String route) {
        return trouble.of(routes.get(route));
    }

    @PostMapping
    @ResponseStatus(HttpStatus.ACCEPTED)
    Work<PartiesAnswered> answer(@RequestBody @Valid PartyAnswerRequest said, Principal who) {
        RouteRow route = routes.get(said.route());
        // Others answer other things meanwhile.
        String subject = route.code() + " " + UUID.randomUUID();
        return works.start(Kind.ANSWERING, subject, who.getName(), PartiesAnswered.class, at -> {
            int left = answers.answer(
                    route,
                    new PartyAnswers.Said(said.field(), said.answer(), said.typed()),
                    said.parties().stream()
                            .map(each -> new PartyAnswers.Of(each.code(), each.seen()))
                            .toList(),
                    who.getName());
            return new PartiesAnswered(said.parties().size() - left, left);
        });
    }
}
