package alcabala.server.record;

import alcabala.accounting.record.RecordKind;
import java.util.Collection;
import java.util.HashMap;
import java.util.List;
import java.util.Map;

/// Which records of a route something is done with: all, those of some kinds, or single ones.
///
/// @param ids null for all
/// @param kinds null for all
public record Scope(List<Long> ids, List<RecordKind> kinds) {
    public static final Scope ALL = new Scope(null, null);

    /// A condition on `record d`, with [#params].
    public static final String HOLDS =
            " (:everyId or d.id = any(:scopeIds)) and (:everyKind or d.kind = any(:scopeKinds)) ";

    public static Scope of(Collection<Long> ids) {
        return new Scope(List.copyOf(ids), null);
    }

    public static Scope of(List<RecordKind> kinds) {
        return new Scope(null, List.copyOf(kinds));
    }

    public Map<String, Object> params() {
        Map<String, Object> params = new HashMap<>();
        params.put("everyId", ids == null);
        params.put("everyKind", kinds == null);
        params.put("scopeIds", ids == null ? new Long[0] : ids.toArray(Long[]::new));
        params.put(
                "scopeKinds",
                kinds == null
                        ? new String[0]
                        : kinds.stream().map(RecordKind::word).toArray(String[]::new));
        return params;
    }
}
