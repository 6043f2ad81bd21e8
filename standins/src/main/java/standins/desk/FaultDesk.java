package standins.desk;

import java.util.Arrays;
import java.util.List;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import standins.Fault;
import standins.Faults;
import standins.Refusal;
import standins.demo.DemoBusiness;
import standins.inkwell.Company;
import standins.post.PostOffice;

@Controller
class FaultDesk {
    private final Faults faults;
    private final DemoBusiness demo;
    private final PostOffice post;

    FaultDesk(Faults faults, DemoBusiness demo, PostOffice post) {
        this.post = post;
        this.faults = faults;
        this.demo = demo;
    }

    record Choice(String name, String says, boolean chosen) {}

    @GetMapping("/")
    String home() {
        return "home";
    }

    @GetMapping("/inkwell")
    String inkwell(Model model) {
        model.addAttribute("companies", Company.ALL);
        return "inkwell-home";
    }

    @GetMapping("/{system:hullwork|inkwell|storeloft|refitline}/faults")
    String faults(@PathVariable String system, Model model) {
        Fault current = faults.current(system);
        List<Choice> choices = Arrays.stream(Fault.values())
                .map(f -> new Choice(f.name(), f.says(), f == current))
                .toList();
        model.addAttribute("choices", choices);
        model.addAttribute("system", system);
        model.addAttribute("asked", faults.asked(system));
        model.addAttribute("name", Character.toUpperCase(system.charAt(0)) + system.substring(1));
        return "faults";
    }

    @PostMapping("/{system:hullwork|inkwell|storeloft|refitline}/faults")
    String set(@PathVariable String system, @RequestParam Fault fault, @RequestParam(defaultValue = "0") int times) {
        faults.set(system, fault, Math.max(times, 0));
        return "redirect:/" + system + "/faults";
    }

    /// Everything as on the first day, consents too.
    @PostMapping("/reset")
    String reset() {
        demo.reset();
        post.reset();
        return "redirect:/";
    }

    @org.springframework.web.bind.annotation.ControllerAdvice(basePackageClasses = FaultDesk.class)
    static class DeskRefusals {
        @org.springframework.web.bind.annotation.ExceptionHandler
        String refused(Refusal refusal, Model model, jakarta.servlet.http.HttpServletResponse response) {
            response.setStatus(refusal.status().value());
            model.addAttribute("code", refusal.code());
            model.addAttribute("sentence", refusal.getMessage());
            return "refused";
        }
    }
}
