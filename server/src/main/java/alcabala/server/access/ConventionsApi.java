package alcabala.server.access;

import alcabala.server.access.OwnConventions.Said;
import alcabala.server.platform.Conventions;
import jakarta.validation.Valid;
import jakarta.validation.constraints.Size;
import java.security.Principal;
import java.time.DayOfWeek;
import org.springframework.http.HttpStatus;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/// How dates and figures are written.
@RestController
class ConventionsApi {
    private final OwnConventions conventions;

    /// What is said, by whoever says it; left out for what is left to the business, or by the business to us.
    record WantedConventions(
            Conventions.Days days,
            Conventions.Figures figures,
            DayOfWeek weekBegins,
            @Size(max = 60) String zone) {
        static WantedConventions of(Said said) {
            return new WantedConventions(said.days(), said.figures(), said.weekBegins(), said.zone());
        }

        Said plain() {
            return new Said(days, figures, weekBegins, zone);
        }
    }

    /// What holds.
    record ConventionsJson(Conventions.Days days, Conventions.Figures figures, DayOfWeek weekBegins, String zone) {
        static ConventionsJson of(Conventions now) {
            return new ConventionsJson(
                    now.days(), now.figures(), now.weekBegins(), now.zone().getId());
        }
    }

    record ConventionsSaid(WantedConventions business, WantedConventions own, ConventionsJson now) {}

    ConventionsApi(OwnConventions conventions) {
        this.conventions = conventions;
    }

    @GetMapping("/api/session/conventions")
    ConventionsSaid said(@AuthenticationPrincipal SignedIn person) {
        OwnConventions.Both both = conventions.said(person.id());
        return new ConventionsSaid(
                WantedConventions.of(both.business()),
                WantedConventions.of(both.own()),
                ConventionsJson.of(conventions.of(person.id())));
    }

    @PutMapping("/api/session/conventions")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void say(@AuthenticationPrincipal SignedIn person, @Valid @RequestBody WantedConventions said) {
        conventions.say(person.id(), said.plain());
    }

    @PutMapping("/api/people/conventions")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void sayForBusiness(@Valid @RequestBody WantedConventions said, Principal who) {
        conventions.sayForBusiness(said.plain(), who.getName());
    }
}
