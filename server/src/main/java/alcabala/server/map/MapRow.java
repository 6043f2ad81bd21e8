package alcabala.server.map;

import alcabala.accounting.crosswalk.CrosswalkRow;
import alcabala.accounting.crosswalk.Meaning;
import alcabala.accounting.crosswalk.RowKind;
import alcabala.server.map.Suggestions.Suggestion;
import alcabala.server.platform.Amounts;
import alcabala.server.route.RouteRow;
import jakarta.validation.constraints.NotNull;
import java.time.Instant;
import java.util.List;
import java.util.Locale;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/// One row of a crosswalk as it is looked at.
record MapRow(
        @NotNull String code,
        @NotNull String name,
        @NotNull String note,
        CrosswalkRowJson row,
        @NotNull String covered,
        @NotNull boolean open,
        @NotNull boolean needed,
        @NotNull int blockedDocuments,
        @NotNull String blockedAmount,
        @NotNull List<Said> says,
        Suggested suggestion) {
    record CrosswalkRowJson(Meaning meaning, int version, String setBy, Instant setAt) {
        static CrosswalkRowJson of(CrosswalkRow row) {
            return row == null ? null : new CrosswalkRowJson(row.meaning(), row.version(), row.setBy(), row.setAt());
        }
    }

    /// @param exact may be accepted together with others, without looking at each
    record Suggested(String code, String name, String reason, boolean exact, Meaning meaning) {
        static Suggested of(RowKind kind, Suggestion suggestion) {
            if (suggestion == null) {
                return null;
            }
            Option option = suggestion.option(kind);
            return new Suggested(
                    option.code(), option.name(), suggestion.reason(), suggestion.exact(), option.meaning());
        }
    }

    static MapRow of(RouteRow route, RowKind kind, MapView.Row row, LedgerNames names) {
        return new MapRow(
                row.code(),
                row.name(),
                row.note(),
                CrosswalkRowJson.of(row.row()),
                row.covered(),
                row.isOpen(),
                row.needed(),
                row.blockedDocuments(),
                Amounts.decimal(route.currency(), row.blockedAmount()),
                row.row() == null ? List.of() : RowsInHand.said(kind, row.row().meaning(), names),
                Suggested.of(kind, row.suggestion()));
    }

    /// Whether it has a text anywhere on its two pages.
    ///
    /// @param text in small letters
    boolean has(String text) {
        Stream<String> said = says.stream().flatMap(each -> Stream.of(each.word(), each.code(), each.name()));
        return Stream.concat(Stream.of(code, name, note, covered), said)
                .collect(Collectors.joining(" "))
                .toLowerCase(Locale.ROOT)
                .contains(text);
    }
}
