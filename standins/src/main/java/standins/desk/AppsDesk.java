package standins.desk;

import java.util.List;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import standins.apps.AppRecords;

@Controller
class AppsDesk {
    private final AppRecords records;

    record Shown(String type, String id, String body) {}

    AppsDesk(AppRecords records) {
        this.records = records;
    }

    @GetMapping("/{app:storeloft|refitline}")
    String list(@PathVariable String app, Model model) {
        List<Shown> all = records.since(app, 0, 1000).stream()
                .map(e -> new Shown(e.type(), e.id(), e.body().toString()))
                .toList();
        model.addAttribute("app", app);
        model.addAttribute("name", Character.toUpperCase(app.charAt(0)) + app.substring(1));
        model.addAttribute("records", all);
        model.addAttribute("count", all.size());
        return "app-list";
    }
}
