package standins.consent;

import java.time.Instant;
import java.util.List;
import java.util.Set;
import java.util.TreeSet;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestHeader;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import standins.inkwell.Company;

/// What the bearer of a token may see before it has chosen a company.
@RestController
@RequestMapping("/inkwell/api")
class ConsentApi {
    private final Consents consents;

    /// @param endsAt when the consent itself ends; null for a key that does not
    record ConsentNow(Set<String> scopes, Instant endsAt) {}

    record CompanyOfBearer(String id, String name, String currency) {}

    ConsentApi(Consents consents) {
        this.consents = consents;
    }

    @GetMapping("/companies")
    List<CompanyOfBearer> companies() {
        return Company.ALL.stream()
                .map(each -> new CompanyOfBearer(each.id(), each.name(), each.currency()))
                .toList();
    }

    @GetMapping("/consent")
    ConsentNow consent(@RequestHeader("Authorization") String bearer) {
        return consents.find(bearer.replaceFirst("^Bearer ", ""))
                .map(grant -> new ConsentNow(new TreeSet<>(grant.scopes()), grant.endsAt()))
                .orElse(new ConsentNow(Set.of("books.read", "books.write"), null));
    }
}
