package alcabala.server.masters;

import alcabala.accounting.setting.Carried;
import alcabala.accounting.sync.Answer;
import alcabala.server.jobs.Work;
import alcabala.server.jobs.Works;
import alcabala.server.jobs.Works.Kind;
import alcabala.server.masters.MasterTrouble.MasterCauseJson;
import alcabala.server.platform.NotPossibleException;
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

/// What is asked about parties and items that differ, and what is said of them.
@RestController
@RequestMapping("/api/resolve/masters")
class MasterAnswersApi {
    private final Routes routes;
    private final MasterTrouble trouble;
    private final MasterAnswers answers;
    private final Works works;

    /// @param kind of master
    /// @param field its code
    /// @param typed what both are to have, when it is typed; an address with ` | ` between its parts
    record MasterAnswerRequest(
            @NotBlank String route,
            @NotNull Carried kind,
            @NotBlank @Size(max = 40) String field,
            @NotNull Answer answer,
            @NotNull @Size(max = 500) String typed,
            @NotEmpty @Size(max = 500) List<@NotNull @Valid MasterAnswered> masters) {}

    /// @param seen as the list says it
    record MasterAnswered(
            @NotBlank @Size(max = 200) String code,
            @NotBlank @Size(max = 200) String seen) {}

    /// @param answered how many were
    /// @param left how many changed since they were looked at, and were left
    record MastersAnswered(int answered, int left) {}

    MasterAnswersApi(Routes routes, MasterTrouble trouble, MasterAnswers answers, Works works) {
        this.routes = routes;
        this.trouble = trouble;
        this.answers = answers;
        this.works = works;
    }

    @GetMapping
    List<MasterCauseJson> asked(@RequestParam String route) {
        return trouble.of(routes.get(route));
    }

    @PostMapping
    @ResponseStatus(HttpStatus.ACCEPTED)
    Work<MastersAnswered> answer(@RequestBody @Valid MasterAnswerRequest said, Principal who) {
        RouteRow route = routes.get(said.route());
        // Others answer other things meanwhile.
        String subject = route.code() + " " + UUID.randomUUID();
        return works.start(Kind.ANSWERING, subject, who.getName(), MastersAnswered.class, at -> {
            int left = answers.answer(
                    route,
                    new MasterAnswers.Said(master(said), said.field(), said.answer(), said.typed()),
                    said.masters().stream()
                            .map(each -> new MasterAnswers.Of(each.code(), each.seen()))
                            .toList(),
                    who.getName());
            return new MastersAnswered(said.masters().size() - left, left);
        });
    }

    private static Carried master(MasterAnswerRequest said) {
        if (!Carried.MASTERS.contains(said.kind())) {
            throw NotPossibleException.invalid("kind-unknown", "Nothing of that kind is asked about here.");
        }
        return said.kind();
    }
}
