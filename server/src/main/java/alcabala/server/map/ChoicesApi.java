package alcabala.server.map;

import alcabala.accounting.crosswalk.Meaning;
import alcabala.accounting.crosswalk.Purpose;
import alcabala.accounting.crosswalk.RowKind;
import alcabala.server.route.Routes;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.util.List;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

/// What is asked while a row is being changed.
@RestController
@RequestMapping("/api/map")
class ChoicesApi {
    private final Routes routes;
    private final RowsInHand hand;
    private final Choosing choosing;
    private final FieldTrying trying;

    record TryField(
            @NotBlank String route,
            @NotBlank @Size(max = 200) String code,
            @NotNull Meaning meaning) {}

    ChoicesApi(Routes routes, RowsInHand hand, Choosing choosing, FieldTrying trying) {
        this.trying = trying;
        this.routes = routes;
        this.hand = hand;
        this.choosing = choosing;
    }

    /// One row as it is to be changed, with what is suggested where there is none yet.
    @GetMapping("/row")
    RowInHand row(@RequestParam String route, @RequestParam RowKind kind, @RequestParam @Size(max = 200) String code) {
        return hand.take(routes.getLeading(route), kind, code);
    }

    /// What a row of a field would make of the latest documents; changes nothing.
    @PostMapping("/fields/trial")
    FieldTrying.Trial trial(@Valid @RequestBody TryField asked) {
        return trying.trial(routes.getLeading(asked.route()), asked.code(), asked.meaning());
    }

    /// What a row can say for one purpose, found by code, name or number; at most fifty, the best fitting first.
    ///
    /// @param code of the row, for what is suggested; empty for none
    /// @param dimension the ledger's code of it, for the purpose DIMENSION
    /// @param bought whether the row is about something bought, where that is not plain
    /// @param beside what stands for it there by now, kept or not, for the purpose FORMAT
    @GetMapping("/choices")
    List<Option> choices(
            @RequestParam String route,
            @RequestParam RowKind kind,
            @RequestParam Purpose purpose,
            @RequestParam(defaultValue = "") @Size(max = 200) String code,
            @RequestParam(defaultValue = "") @Size(max = 60) String dimension,
            @RequestParam(defaultValue = "false") boolean bought,
            @RequestParam(defaultValue = "") @Size(max = 200) String beside,
            @RequestParam(defaultValue = "") @Size(max = 200) String text) {
        return choosing.find(
                routes.getLeading(route), new Choosing.Sought(kind, code, purpose, dimension, bought, beside, text));
    }
}
