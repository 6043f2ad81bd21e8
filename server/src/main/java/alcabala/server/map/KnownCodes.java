package alcabala.server.map;

import alcabala.accounting.crosswalk.RowKind;
import alcabala.server.route.RouteRow;
import java.util.LinkedHashMap;
import java.util.Map;
import org.springframework.stereotype.Component;

/// The codes of kinds of which there are not very many.
@Component
public class KnownCodes {
    private final MapView view;

    KnownCodes(MapView view) {
        this.view = view;
    }

    /// With their names.
    public Map<String, String> of(RouteRow route, RowKind kind) {
        Map<String, String> names = new LinkedHashMap<>();
        view.rows(route, kind).forEach(row -> names.put(row.code(), row.name()));
        return names;
    }
}
