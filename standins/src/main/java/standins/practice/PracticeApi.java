package standins.practice;

import jakarta.servlet.http.HttpServletRequest;
import java.util.Map;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import standins.Refusal;
import standins.inkwell.Companies;

/// Makes a thing go wrong, for whoever has Hullwork's key.
@RestController
@RequestMapping("/practice/api")
class PracticeApi {
    private final Deeds deeds;
    private final String key;

    PracticeApi(Deeds deeds, @Value("${standins.hullwork-key}") String key) {
        this.deeds = deeds;
        this.key = key;
    }

    record Done(Deed done) {}

    /// @param about what it befalls: `company`, and what the deed asks for
    @PostMapping("/{deed}")
    Done happen(@PathVariable Deed deed, @RequestBody Map<String, String> about, HttpServletRequest request) {
        if (!("Bearer " + key).equals(request.getHeader("Authorization"))) {
            throw new Refusal(HttpStatus.UNAUTHORIZED, "key-wrong", "The access key is missing or wrong.");
        }
        Companies.in(Companies.get(about.getOrDefault("company", "")), () -> {
            deeds.happen(deed, new About(about));
            return null;
        });
        return new Done(deed);
    }
}
