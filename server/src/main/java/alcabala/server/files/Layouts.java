package alcabala.server.files;

import alcabala.connectors.ledger.TakesFiles;
import alcabala.formats.layout.Layout;
import alcabala.formats.layout.Layout.Carries;
import alcabala.formats.layout.LayoutField;
import alcabala.server.connection.Ledgers;
import alcabala.server.platform.DocumentJson;
import alcabala.server.platform.NotPossibleException;
import java.util.ArrayList;
import java.util.List;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;

/// The layouts of a ledger: those that its kind brings along, and those that somebody made.
@Component
public class Layouts {
    private final Ledgers ledgers;
    private final JdbcClient jdbc;

    /// @param id null for one that the kind of the ledger brings along
    /// @param version 0 for such a one
    public record Known(Long id, int version, Layout layout) {}

    private record Row(long id, int version, String definition) {}

    Layouts(Ledgers ledgers, JdbcClient jdbc) {
        this.ledgers = ledgers;
        this.jdbc = jdbc;
    }

    /// Somebody's own first, by name.
    public List<Known> of(long ledgerId) {
        List<Known> all = new ArrayList<>(jdbc.sql("""
                select id, version, definition from layout where ledger_id = :ledger order by name""").param("ledger", ledgerId).query(Row.class).list().stream()
                .map(row -> new Known(row.id(), row.version(), DocumentJson.read(row.definition(), Layout.class)))
                .toList());
        ledgers.of(ledgerId)
                .find(TakesFiles.class)
                .map(TakesFiles::layouts)
                .orElse(List.of())
                .forEach(layout -> all.add(new Known(null, 0, layout)));
        return all;
    }

    public List<Layout> of(long ledgerId, Carries carries) {
        return of(ledgerId).stream()
                .map(Known::layout)
                .filter(layout -> layout.carries() == carries)
                .toList();
    }

    /// @param name empty for the first that carries them
    /// @throws NotPossibleException when there is none
    public Layout choose(long ledgerId, Carries carries, String name) {
        return of(ledgerId, carries).stream()
                .filter(layout -> name.isEmpty() || layout.name().equals(name))
                .findFirst()
                .orElseThrow(() -> NotPossibleException.invalid(
                        "no-layout",
                        name.isEmpty()
                                ? "There is no layout of files for these yet; make one under Connect."
                                : "There is no layout “" + name + "” for these any more; choose another."));
    }

    /// Whether a file names items, which the ledger may then have to create.
    public boolean namesItems(long ledgerId, Carries carries) {
        return of(ledgerId, carries).stream()
                .limit(1)
                .flatMap(layout -> layout.files().stream())
                .flatMap(file -> java.util.stream.Stream.concat(file.columns().stream(), file.splits().stream()))
                .anyMatch(column -> column.field() == LayoutField.ITEM);
    }
}
