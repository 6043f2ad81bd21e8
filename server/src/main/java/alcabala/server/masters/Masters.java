package alcabala.server.masters;

import alcabala.accounting.setting.Carried;
import java.util.List;
import org.springframework.stereotype.Component;

/// The kinds of master that stand on both sides.
@Component
class Masters {
    private final List<Master> all;

    Masters(List<Master> all) {
        this.all = all;
    }

    List<Master> all() {
        return all;
    }

    Master of(Carried kind) {
        return all.stream()
                .filter(each -> each.carried() == kind)
                .findFirst()
                .orElseThrow(() -> new IllegalArgumentException(kind + " are no masters"));
    }
}
