package alcabala.formats.layout;

import alcabala.accounting.posting.JournalLine;
import alcabala.accounting.posting.LedgerLine;
import java.util.ArrayList;
import java.util.List;

/// The rows of one file, made record by record.
final class FileRows {
    private final LayoutFile file;
    private final List<LayoutRow> rows = new ArrayList<>();

    FileRows(LayoutFile file) {
        this.file = file;
    }

    void add(Values values) {
        switch (file.per()) {
            case RECORD -> record(values);
            case LINE -> lines(values, file.columns(), false);
            case BOOKING -> bookings(values);
            case FILE -> throw new IllegalStateException("a row stands for a record at least");
        }
    }

    private void record(Values values) {
        int row = rows.size();
        rows.add(new LayoutRow(
                false,
                file.columns().stream()
                        .map(column -> column.shown(values.file(column, row)))
                        .toList()));
        if (!file.splits().isEmpty()) {
            lines(values, file.splits(), true);
        }
    }

    private void lines(Values values, List<LayoutColumn> columns, boolean split) {
        int position = 0;
        for (LedgerLine line : values.entry().lines()) {
            int at = ++position;
            int row = rows.size();
            rows.add(new LayoutRow(
                    split,
                    columns.stream()
                            .map(column -> column.shown(values.line(column, line, at, row)))
                            .toList()));
        }
    }

    private void bookings(Values values) {
        int position = 0;
        for (JournalLine line : values.exported().journal().lines()) {
            int at = ++position;
            int row = rows.size();
            rows.add(new LayoutRow(
                    false,
                    file.columns().stream()
                            .map(column -> column.shown(values.booking(column, line, at, row)))
                            .toList()));
        }
    }

    int count() {
        return rows.size();
    }

    List<LayoutRow> rows() {
        return rows;
    }
}
