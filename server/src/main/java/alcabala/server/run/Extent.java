package alcabala.server.run;

import alcabala.accounting.setting.Carried;
import alcabala.server.record.Scope;
import java.util.List;

/// What a run is of: its whole route, what is decided together, or single records.
///
/// @param carried null unless it is of one of these
/// @param records null unless it is of single ones
record Extent(Carried carried, List<Long> records) {
    static final Extent ROUTE = new Extent(null, null);

    static Extent of(Carried carried) {
        return new Extent(carried, null);
    }

    static Extent of(List<Long> records) {
        return new Extent(null, List.copyOf(records));
    }

    boolean isRoute() {
        return carried == null && records == null;
    }

    Scope scope() {
        if (records != null) {
            return Scope.of(records);
        }
        return carried == null ? Scope.ALL : Scope.of(carried.kinds());
    }

    /// The kinds of master that it takes in.
    List<Carried> masters() {
        return isRoute()
                ? Carried.MASTERS
                : Carried.MASTERS.stream().filter(each -> each == carried).toList();
    }
}
