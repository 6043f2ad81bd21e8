package alcabala.server.connect;

import alcabala.server.platform.Like;
import alcabala.server.platform.NotPossibleException;
import alcabala.server.reference.ReferenceKind;
import alcabala.server.trail.Trail;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.time.Instant;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/// What a ledger owns as last pulled, what changed at each pull, and what of it is in use here.
@Component
class ReferenceView {
    private static final int PAGE = 200;
    private static final int SHOWN_CHANGES = 500;
    private final JdbcClient jdbc;
    private final Trail trail;

    /// @param read rows read so far
    /// @param state running, done or failed
    record PullJson(
            long id,
            String who,
            Instant startedAt,
            Instant finishedAt,
            String state,
            int read,
            String problem,
            String detail,
            int added,
            int changed,
            int inactive,
            int gone) {}

    /// @param uses rows of crosswalks that point to it
    /// @param documents that use those rows, and have not crossed
    record Change(
            String kind, String code, String name, String what, String before, String after, int uses, int documents) {}

    /// @param more how many further changes there are that are not shown
    record Changes(List<Change> changes, int more) {}

    /// @param note its type, rate or account
    /// @param uses rows of crosswalks that point to it
    record ReferenceRow(String code, String name, String note, boolean active, boolean hidden, int uses) {}

    record ReferencePage(List<ReferenceRow> rows, String next, int hidden) {}

    /// One row of a crosswalk that points here.
    record Use(String route, String kind, String code, int documents) {}

    record Uses(List<Use> uses) {}

    ReferenceView(JdbcClient jdbc, Trail trail) {
        this.jdbc = jdbc;
        this.trail = trail;
    }

    List<PullJson> pulls(long ledgerId) {
        return jdbc.sql("""
                select id, who, started_at, finished_at, state, problem, detail, added, changed, inactive, gone,
                    (select coalesce(sum(cast(value as int)), 0) from jsonb_each_text(read)) as read
                from reference_pull where ledger_id = :ledger order by id desc limit 20""")
                .param("ledger", ledgerId)
                .query(ReferenceView::pull)
                .list();
    }

    /// What matters most first: what is in use and went away.
    Changes changes(long pull) {
        List<Change> changes = jdbc.sql("""
                with change as (
                    select c.*, p.ledger_id from reference_change c join reference_pull p on p.id = c.pull_id
                    where c.pull_id = :pull
                    order by case c.what when 'gone' then 0 when 'inactive' then 1 when 'changed' then 2 else 3 end, c.kind, c.code
                    limit :limit)
                select c.kind, c.code, c.name, c.what, coalesce(c.before::text, '') as before, coalesce(c.after::text, '') as after,
                    count(distinct u.route_id || u.ref) as uses, count(distinct d.id) as documents
                from change c
                    left join crosswalk_use u on u.ledger_id = c.ledger_id and u.reference_kind = c.kind and u.reference_code = c.code
                    left join record d on d.route_id = u.route_id and d.outcome is distinct from 'posted'
                        and d.refs @> array[u.ref]
                group by c.kind, c.code, c.name, c.what, c.before, c.after
                order by count(distinct u.route_id || u.ref) desc,
                    case c.what when 'gone' then 0 when 'inactive' then 1 when 'changed' then 2 else 3 end, c.kind, c.code""")
                .param("pull", pull)
                .param("limit", SHOWN_CHANGES)
                .query(Change.class)
                .list();
        int all = jdbc.sql("select added + changed + inactive + gone from reference_pull where id = :pull")
                .param("pull", pull)
                .query(Integer.class)
                .optional()
                .orElseThrow(() -> NotPossibleException.missing("pull " + pull));
        return new Changes(changes, Math.max(0, all - changes.size()));
    }

    ReferencePage rows(long ledgerId, ReferenceKind kind, String text, boolean hidden, String after) {
        List<ReferenceRow> rows = jdbc.sql("""
                select r.code, r.name, %s as note, r.active,
                    r.hidden and not exists (%s) as hidden, (%s) as uses
                from %s r
                where r.ledger_id = :ledger and not r.gone and r.code > :after and (:hidden or not r.hidden or exists (%s))
                    and (:text = '' or r.findable like :pattern)
                order by r.code limit :limit""".formatted(kind.note(), ANY_USE, COUNT_USES, kind.table(), ANY_USE))
                .param("ledger", ledgerId)
                .param("kind", kind.name())
                .param("after", after)
                .param("hidden", hidden)
                .param("text", text)
                .param("pattern", Like.anywhere(text.toLowerCase(Locale.ROOT)))
                .param("limit", PAGE + 1)
                .query(ReferenceRow.class)
                .list();
        boolean more = rows.size() > PAGE;
        List<ReferenceRow> shown = more ? rows.subList(0, PAGE) : rows;
        int count = jdbc.sql("select count(*) from %s r where r.ledger_id = :ledger and r.hidden and not exists (%s)"
                        .formatted(kind.table(), ANY_USE))
                .param("ledger", ledgerId)
                .param("kind", kind.name())
                .query(Integer.class)
                .single();
        return new ReferencePage(shown, more ? shown.getLast().code() : "", count);
    }

    Uses uses(long ledgerId, ReferenceKind kind, String code) {
        return new Uses(jdbc.sql("""
                select r.code as route, u.kind, u.code, (
                    select count(*) from record d where d.route_id = u.route_id and d.outcome is distinct from 'posted'
                        and d.refs @> array[u.ref]) as documents
                from crosswalk_use u join route r on r.id = u.route_id
                where u.ledger_id = :ledger and u.reference_kind = :kind and u.reference_code = :code
                order by r.code, u.kind, u.code""")
                .param("ledger", ledgerId)
                .param("kind", kind.name())
                .param("code", code)
                .query(Use.class)
                .list());
    }

    /// Only what nothing uses can be hidden.
    @Transactional
    public void hide(long ledgerId, ReferenceKind kind, String code, boolean hidden, String who) {
        if (hidden && !uses(ledgerId, kind, code).uses().isEmpty()) {
            throw NotPossibleException.conflict(
                    "in-use", "The " + kind.word() + " " + code + " is used by a crosswalk, so it stays in sight.");
        }
        int rows = jdbc.sql(
                        "update " + kind.table() + " set hidden = :hidden where ledger_id = :ledger and code = :code")
                .param("hidden", hidden)
                .param("ledger", ledgerId)
                .param("code", code)
                .update();
        if (rows == 0) {
            throw NotPossibleException.missing(kind.word() + " " + code);
        }
        trail.write(
                null,
                null,
                who,
                hidden ? "hidden" : "shown",
                Map.of("ledger", ledgerId, "kind", kind.word(), "code", code));
    }

    private static PullJson pull(ResultSet row, int n) throws SQLException {
        return new PullJson(
                row.getLong("id"),
                row.getString("who"),
                row.getTimestamp("started_at").toInstant(),
                row.getTimestamp("finished_at") == null
                        ? null
                        : row.getTimestamp("finished_at").toInstant(),
                row.getString("state"),
                row.getInt("read"),
                row.getString("problem"),
                row.getString("detail"),
                row.getInt("added"),
                row.getInt("changed"),
                row.getInt("inactive"),
                row.getInt("gone"));
    }

    private static final String USES_OF_ROW =
            "from crosswalk_use u where u.ledger_id = r.ledger_id and u.reference_kind = :kind and u.reference_code = r.code";
    private static final String ANY_USE = "select 1 " + USES_OF_ROW;
    private static final String COUNT_USES = "select count(*) " + USES_OF_ROW;
}
