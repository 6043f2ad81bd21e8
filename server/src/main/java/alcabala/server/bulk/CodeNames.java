package alcabala.server.bulk;

import alcabala.accounting.crosswalk.RowKind;
import alcabala.server.map.KnownCodes;
import alcabala.server.reference.SourceCatalogue;
import alcabala.server.route.RouteRow;
import java.util.Map;
import org.springframework.stereotype.Component;

/// Every code of one kind that there is, with its name, in the order of the codes.
@Component
class CodeNames {
    private final SourceCatalogue catalogue;
    private final KnownCodes known;

    CodeNames(SourceCatalogue catalogue, KnownCodes known) {
        this.catalogue = catalogue;
        this.known = known;
    }

    Map<String, String> of(RouteRow route, RowKind kind) {
        return switch (kind) {
            case ITEM -> catalogue.itemNames(route.sourceId());
            case PARTY -> catalogue.partyNames(route.sourceId());
            default -> known.of(route, kind);
        };
    }
}
