package standins.consent;

import java.time.Duration;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import standins.inkwell.Company;

/// Inkwell's own pages for signing in, for letting a program in, and for looking at who was let in.
@Controller
class ConsentDesk {
    private static final Map<String, String> MEANS = Map.of(
            "books.read", "read accounts, tax codes, customers, items, documents and balances",
            "books.write", "create customers and items, and post and change documents");
    private final Consents consents;

    record Asked(String scope, String means) {}

    ConsentDesk(Consents consents) {
        this.consents = consents;
    }

    @GetMapping("/inkwell/sign-in")
    String signIn(@RequestParam(required = false) String error, Model model) {
        model.addAttribute("wrong", error != null);
        return "inkwell-sign-in";
    }

    @GetMapping("/inkwell/consent")
    String ask(
            @RequestParam("client_id") String program,
            @RequestParam String scope,
            @RequestParam String state,
            Model model) {
        List<Asked> asked = Arrays.stream(scope.split(" "))
                .map(each -> new Asked(each, MEANS.getOrDefault(each, each)))
                .toList();
        model.addAttribute("program", program);
        model.addAttribute("name", Character.toUpperCase(program.charAt(0)) + program.substring(1));
        model.addAttribute("asked", asked);
        model.addAttribute("state", state);
        model.addAttribute("companies", Company.ALL);
        return "inkwell-consent";
    }

    @GetMapping("/inkwell/consents")
    String list(Model model) {
        model.addAttribute("consents", consents.all());
        return "inkwell-consents";
    }

    @PostMapping("/inkwell/consents/{id}/revoke")
    String revoke(@PathVariable String id) {
        consents.revoke(id);
        return "redirect:/inkwell/consents";
    }

    @PostMapping("/inkwell/consents/{id}/end-access")
    String endAccess(@PathVariable String id) {
        consents.endAccess(id);
        return "redirect:/inkwell/consents";
    }

    @PostMapping("/inkwell/consents/{id}/end-soon")
    String endSoon(@PathVariable String id, @RequestParam(defaultValue = "3") int days) {
        consents.endConsentIn(id, Duration.ofDays(days));
        return "redirect:/inkwell/consents";
    }
}
