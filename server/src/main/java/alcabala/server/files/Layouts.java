package alcabala.server.files;

import alcabala.formats.layout.Layout;
import alcabala.formats.layout.Layout.Carries;
import alcabala.formats.layout.LayoutField;
import alcabala.server.connection.Kinds;
import alcabala.server.platform.DocumentJson;
import alcabala.server.platform.NotPossibleException;
import java.sql.Timestamp;
import java.time.Clock;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/// The layouts of a ledger: those that its kind brings along, and those that somebody made.
@Component
public class Layouts {
    private static final int MOST = 100;
    private final Kinds kinds;
    private final JdbcClient jdbc;
    private final Clock clock;

    /// @param id null for one that the kind of the ledger brings along
    /// @param version 0 for such a one
    public record Known(Long id, int version, Layout layout) {}

    private record Row(long id, int version, String definition) {}

    Layouts(Kinds kinds, JdbcClient jdbc, Clock clock) {
        this.kinds = kinds;
        this.jdbc = jdbc;
        this.clock = clock;
    }

    /// Somebody's own first, by name.
    public List<Known> of(long ledgerId) {
        List<Known> all = new ArrayList<>(jdbc.sql("""
                select id, version, definition from layout where ledger_id = :ledger order by name""").param("ledger", ledgerId).query(Row.class).list().stream()
                .map(row -> new Known(row.id(), row.version(), DocumentJson.read(row.definition(), Layout.class)))
                .toList());
        kinds.get(system(ledgerId)).layouts().forEach(layout -> all.add(new Known(null, 0, layout)));
        return all;
    }

    private String system(long ledgerId) {
        return jdbc.sql("select system from ledger where id = :id")
                .param("id", ledgerId)
                .query(String.class)
                .single();
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

    /// Keeps one that somebody made, or changed.
    ///
    /// @param id null for a new one
    /// @throws NotPossibleException when it was changed meanwhile, or its name is taken
    @Transactional
    public long keep(long ledgerId, Long id, int expectedVersion, Layout layout, String who) {
        boolean taken = of(ledgerId).stream()
                .filter(known -> known.id() == null || !known.id().equals(id))
                .anyMatch(known -> known.layout().name().equals(layout.name()));
        if (taken) {
            throw NotPossibleException.conflict(
                    "layout-named",
                    "There is a layout named “" + layout.name() + "” already; name this one otherwise.");
        }
        if (id == null && of(ledgerId).size() >= MOST) {
            throw NotPossibleException.invalid(
                    "layouts-too-many", "There are " + MOST + " layouts already; drop one that nobody uses.");
        }
        if (id == null) {
            return jdbc.sql("""
                    insert into layout (ledger_id, name, carries, definition, changed_at, changed_by)
                    values (:ledger, :name, :carries, cast(:definition as jsonb), :now, :who) returning id""")
                    .param("ledger", ledgerId)
                    .params(said(layout, who))
                    .query(Long.class)
                    .single();
        }
        int rows = jdbc.sql("""
                update layout set name = :name, carries = :carries, definition = cast(:definition as jsonb), version = version + 1,
                    changed_at = :now, changed_by = :who
                where id = :id and ledger_id = :ledger and version = :version""")
                .param("id", id)
                .param("ledger", ledgerId)
                .param("version", expectedVersion)
                .params(said(layout, who))
                .update();
        if (rows == 0) {
            throw NotPossibleException.conflict(
                    "layout-changed", "Somebody changed this layout meanwhile; look at it again. Yours is still here.");
        }
        return id;
    }

    private Map<String, Object> said(Layout layout, String who) {
        return Map.of(
                "name", layout.name(),
                "carries", layout.carries().name(),
                "definition", DocumentJson.write(layout),
                "now", Timestamp.from(clock.instant()),
                "who", who);
    }

    /// Batches that were written by it keep what it was.
    public void drop(long ledgerId, long id) {
        if (jdbc.sql("delete from layout where id = :id and ledger_id = :ledger")
                        .param("id", id)
                        .param("ledger", ledgerId)
                        .update()
                == 0) {
            throw NotPossibleException.missing("layout " + id);
        }
    }

    /// Whether a file names items, which the ledger may then have to create.
    public boolean namesItems(long ledgerId, Carries carries) {
        return of(ledgerId, carries).stream()
                .limit(1)
                .anyMatch(layout -> !layout.medium().isTable()
                        || layout.files().stream()
                                .flatMap(file -> Stream.concat(file.columns().stream(), file.splits().stream()))
                                .anyMatch(column -> column.field() == LayoutField.ITEM));
    }
}
