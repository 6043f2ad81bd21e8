package alcabala.server.release;

import alcabala.server.route.Routes;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.security.Principal;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

/// Saying that a party of documents is the business itself.
@RestController
@RequestMapping("/api/strangers")
class StrangersApi {
    private final Strangers strangers;
    private final Routes routes;

    /// @param party its code, as it stands in the documents
    /// @param isBusiness false takes back what was said
    record Say(
            @NotBlank @Size(max = 100) String route,
            @NotBlank @Size(max = 200) String party,
            @NotNull Boolean isBusiness) {}

    record SaidJson(int documents, int released, String sentence) {}

    StrangersApi(Strangers strangers, Routes routes) {
        this.strangers = strangers;
        this.routes = routes;
    }

    @PostMapping
    SaidJson say(@Valid @RequestBody Say say, Principal who) {
        Strangers.Said said = strangers.say(routes.get(say.route()), say.party(), say.isBusiness(), who.getName());
        String documents = said.documents() == 1 ? "1 document" : said.documents() + " documents";
        String sentence = say.isBusiness()
                ? "%s taken for the business’s own, %d of them ready".formatted(documents, said.released())
                : "Taken back for " + documents;
        return new SaidJson(said.documents(), said.released(), sentence);
    }
}
