package alcabala.server.masters;

import alcabala.accounting.setting.Carried;
import alcabala.server.jobs.Work;
import alcabala.server.jobs.Works;
import alcabala.server.jobs.Works.Kind;
import alcabala.server.masters.LackingAnswers.LackingAnswer;
import alcabala.server.masters.LackingTrouble.LackingCauseJson;
import alcabala.server.masters.MasterAnswersApi.MastersAnswered;
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

/// What is asked about parties and items that a source lacks, and what is said of them.
@RestController
@RequestMapping("/api/resolve/lacking")
class LackingApi {
    private final Routes routes;
    private final LackingTrouble trouble;
    private final LackingAnswers answers;
    private final Works works;

    /// @param kind of master
    record LackingAnswerRequest(
            @NotBlank String route,
            @NotNull Carried kind,
            @NotNull LackingAnswer answer,
            @NotEmpty @Size(max = 500) List<@NotNull @Valid LackingAnswered> masters) {}

    /// @param seen as the list says it
    record LackingAnswered(
            @NotBlank @Size(max = 200) String counterpart,
            @NotBlank @Size(max = 200) String seen) {}

    record LookAgain(@NotBlank String route, @NotNull Carried kind) {}

    /// @param count how many are looked at with the next run
    record LookedAtAgain(int count) {}

    LackingApi(Routes routes, LackingTrouble trouble, LackingAnswers answers, Works works) {
        this.routes = routes;
        this.trouble = trouble;
        this.answers = answers;
        this.works = works;
    }

    @GetMapping
    List<LackingCauseJson> asked(@RequestParam String route) {
        return trouble.of(routes.get(route));
    }

    @PostMapping
    @ResponseStatus(HttpStatus.ACCEPTED)
    Work<MastersAnswered> answer(@RequestBody @Valid LackingAnswerRequest said, Principal who) {
        RouteRow route = routes.get(said.route());
        Carried kind = master(said.kind());
        // Others answer other things meanwhile.
        String subject = route.code() + " " + UUID.randomUUID();
        return works.start(Kind.ANSWERING, subject, who.getName(), MastersAnswered.class, at -> {
            List<LackingAnswers.Of> all = said.masters().stream()
                    .map(each -> new LackingAnswers.Of(each.counterpart(), each.seen()))
                    .toList();
            int left = answers.answer(route, kind, said.answer(), all, who.getName(), at);
            return new MastersAnswered(all.size() - left, left);
        });
    }

    /// At those that somebody left where they are.
    @PostMapping("/again")
    LookedAtAgain lookAgain(@RequestBody @Valid LookAgain said, Principal who) {
        return new LookedAtAgain(answers.lookAgain(routes.get(said.route()), master(said.kind()), who.getName()));
    }

    private static Carried master(Carried kind) {
        if (!Carried.MASTERS.contains(kind)) {
            throw NotPossibleException.invalid("kind-unknown", "Nothing of that kind is asked about here.");
        }
        return kind;
    }
}
