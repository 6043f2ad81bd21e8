package alcabala.server.compile;

import alcabala.accounting.crosswalk.CrosswalkRow;
import alcabala.accounting.crosswalk.Meaning;
import alcabala.accounting.crosswalk.Purpose;
import alcabala.accounting.crosswalk.RowKind;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Timestamp;
import java.time.Instant;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;

/// Between rows of `crosswalk_row`, each of which says one thing of a code, and all that is said of it together.
final class CrosswalkRows {
    static final String SELECT =
            "select kind, code, version, purpose, dimension, target, set_by, set_at from crosswalk_row";

    static final String SPANS = """
            select kind, code, version, purpose, dimension, target, set_by, set_at, note, ended_by, ended_at, ended_note
            from crosswalk_row""";

    /// One row with the span of its version.
    record Spanning(Said said, String note, String endedBy, Instant endedAt, String endedNote) {}

    private CrosswalkRows() {}

    static Spanning spanning(ResultSet row, int n) throws SQLException {
        Said said = new Said(
                RowKind.valueOf(row.getString("kind")),
                row.getString("code"),
                row.getInt("version"),
                Purpose.valueOf(row.getString("purpose")),
                row.getString("dimension"),
                row.getString("target"),
                row.getString("set_by"),
                row.getTimestamp("set_at").toInstant());
        Timestamp ended = row.getTimestamp("ended_at");
        return new Spanning(
                said,
                row.getString("note"),
                row.getString("ended_by"),
                ended == null ? null : ended.toInstant(),
                row.getString("ended_note"));
    }

    static List<CrosswalkStore.Span> spans(List<Spanning> rows) {
        Map<CrosswalkStore.Key, Spanning> ends = new HashMap<>();
        rows.forEach(row -> ends.put(
                new CrosswalkStore.Key(
                        row.said().kind(), row.said().code(), row.said().version()),
                row));
        return of(rows.stream().map(Spanning::said).toList()).stream()
                .map(row -> {
                    CrosswalkStore.Key key = new CrosswalkStore.Key(row.kind(), row.code(), row.version());
                    Spanning end = ends.get(key);
                    return new CrosswalkStore.Span(
                            key,
                            row.meaning(),
                            row.setBy(),
                            row.setAt(),
                            end.note(),
                            end.endedBy(),
                            end.endedAt(),
                            end.endedNote());
                })
                .toList();
    }

    /// @param dimension the ledger's code of it; empty for other purposes
    record Said(
            RowKind kind,
            String code,
            int version,
            Purpose purpose,
            String dimension,
            String target,
            String setBy,
            Instant setAt) {
        private Key key() {
            return new Key(kind, code, version);
        }
    }

    record Target(Purpose purpose, String dimension, String target) {}

    private record Key(RowKind kind, String code, int version) {}

    /// In the order in which a code comes first.
    static List<CrosswalkRow> of(List<Said> rows) {
        Map<Key, List<Said>> together = new LinkedHashMap<>();
        rows.forEach(row ->
                together.computeIfAbsent(row.key(), key -> new ArrayList<>(2)).add(row));
        return together.values().stream().map(CrosswalkRows::row).toList();
    }

    private static CrosswalkRow row(List<Said> together) {
        Map<Purpose, String> targets = new EnumMap<>(Purpose.class);
        Map<String, String> dimensions = new TreeMap<>();
        together.forEach(said -> {
            if (said.purpose() == Purpose.DIMENSION) {
                dimensions.put(said.dimension(), said.target());
            } else {
                targets.put(said.purpose(), said.target());
            }
        });
        Said one = together.getFirst();
        return new CrosswalkRow(
                one.kind(), one.code(), new Meaning(targets, dimensions), one.version(), one.setBy(), one.setAt());
    }

    static List<Target> said(Meaning meaning) {
        List<Target> said = new ArrayList<>();
        meaning.targets().forEach((purpose, target) -> said.add(new Target(purpose, "", target)));
        meaning.dimensions().forEach((dimension, value) -> said.add(new Target(Purpose.DIMENSION, dimension, value)));
        return said;
    }
}
