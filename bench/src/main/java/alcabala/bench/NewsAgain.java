package alcabala.bench;

import alcabala.accounting.field.Half;
import alcabala.connectors.ledger.LedgerRecord;
import alcabala.server.crossing.LedgerNews;
import alcabala.server.platform.DocumentJson;
import alcabala.server.route.RouteRow;
import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.stream.IntStream;
import org.springframework.context.ApplicationContext;
import org.springframework.jdbc.core.namedparam.MapSqlParameterSource;
import org.springframework.jdbc.core.namedparam.NamedParameterJdbcTemplate;
import org.springframework.jdbc.core.simple.JdbcClient;
import tools.jackson.databind.json.JsonMapper;

/// A ledger tells of 200,000 linked records from the beginning, as after its feed began again: each is held field by
/// field against what both sides agreed on. What is as it was must not be written.
final class NewsAgain {
    static final int RECORDS = 200_000;
    private static final int PAGE = 200;
    private static final int LINES = 5;
    private final LedgerNews news;
    private final JdbcClient jdbc;
    private final NamedParameterJdbcTemplate template;
    private final JsonMapper json;
    private final RouteRow route;

    private NewsAgain(ApplicationContext context, RouteRow route) {
        news = context.getBean(LedgerNews.class);
        jdbc = context.getBean(JdbcClient.class);
        template = context.getBean(NamedParameterJdbcTemplate.class);
        json = context.getBean(JsonMapper.class);
        this.route = route;
    }

    /// @param again has all of the source's told once more
    static void measure(ApplicationContext context, RouteRow route, Runnable again) {
        NewsAgain it = new NewsAgain(context, route);
        it.linkAll();
        it.tell("the ledger's feed from its beginning", it::all);
        it.tell("the source's feed from its beginning", again);
    }

    private void tell(String what, Runnable telling) {
        long before = written();
        long start = System.nanoTime();
        telling.run();
        Benchmarks.report(
                "200,000 linked records, " + what + ", seconds", (System.nanoTime() - start) / 1e9, "under 60");
        Benchmarks.report("  rows written by it", written() - before, "0");
    }

    private void all() {
        String after = "";
        List<LedgerRecord> page = page(after);
        while (!page.isEmpty()) {
            news.look(route, page, List.of(), "bench");
            after = page.getLast().id();
            page = page(after);
        }
    }

    /// As they stand there, read out of what is kept of them.
    private List<LedgerRecord> page(String after) {
        return jdbc
                .sql(
                        "select ledger_now::text from link where ledger_id = 1 and ledger_ref > :after order by ledger_ref limit :most")
                .param("after", after)
                .param("most", PAGE)
                .query(String.class)
                .list()
                .stream()
                .map(body -> json.readValue(body, LedgerRecord.class))
                .toList();
    }

    /// Rows that were added, changed or taken away, but for the clocks of work that goes on.
    private long written() {
        jdbc.sql("select pg_stat_force_next_flush()").query().singleRow();
        return jdbc.sql("""
                select coalesce(sum(n_tup_ins + n_tup_upd + n_tup_del), 0) from pg_stat_user_tables
                where relname in ('record', 'record_revision', 'link', 'finding', 'trail', 'beyond', 'entered_there',
                    'allocation', 'record_find', 'ledger_booked', 'set_aside')""").query(Long.class).single();
    }

    private record Made(long id, String number, LocalDate date, BigDecimal gross) {}

    private void linkAll() {
        List<Made> all = jdbc.sql(
                        "select id, number, issue_date as date, gross / 100.0 as gross from record order by id")
                .query(Made.class)
                .list();
        for (int from = 0; from < all.size(); from += 5_000) {
            link(all.subList(from, Math.min(from + 5_000, all.size())));
        }
        jdbc.sql("""
                update record d set outcome = 'posted', outcome_revision = revision, ledger_ref = l.ledger_ref, ledger_version = 1,
                    ledger_number = d.number, ledger_gross = d.gross, crossed_at = now()
                from link l where l.record_id = d.id""").update();
        jdbc.sql("""
                insert into ledger_booked (ledger_id, ledger_ref, ordinal, kind, party, day, text, account)
                select 1, l.ledger_ref, n, 'invoice', 'IC-1', d.issue_date, 'Shackle ' || n, '4010'
                from link l join record d on d.id = l.record_id, generate_series(1, 5) n""").update();
        jdbc.sql("vacuum analyze").update();
    }

    private void link(List<Made> some) {
        List<MapSqlParameterSource> rows = new ArrayList<>();
        for (Made each : some) {
            LedgerRecord there = there(each);
            rows.add(new MapSqlParameterSource(Map.of(
                    "id", each.id(),
                    "ref", there.id(),
                    "half", text(there.half()),
                    "now", json.writeValueAsString(there))));
        }
        template.batchUpdate("""
                insert into link (record_id, ledger_id, ledger_ref, source_half, ledger_half, ledger_now, seen_at)
                values (:id, 1, :ref, cast(:half as jsonb), cast(:half as jsonb), cast(:now as jsonb), now())""", rows.toArray(MapSqlParameterSource[]::new));
    }

    private static String text(Half half) {
        return DocumentJson.write(half.values());
    }

    private static LedgerRecord there(Made each) {
        BigDecimal gross = each.gross().setScale(2);
        List<LedgerRecord.Line> lines = IntStream.rangeClosed(1, LINES)
                .mapToObj(no -> new LedgerRecord.Line(
                        no,
                        "I" + no,
                        "4010",
                        "Shackle and what goes with it " + no,
                        BigDecimal.ONE,
                        no == 1 ? gross : BigDecimal.ZERO,
                        BigDecimal.ZERO,
                        no == 1 ? gross : new BigDecimal("1.00"),
                        "S23",
                        null,
                        Map.of()))
                .toList();
        return new LedgerRecord(
                "B-%08d".formatted(each.id()),
                1,
                each.number(),
                "invoice",
                "IC-1",
                each.date(),
                each.date().plusDays(30),
                false,
                "hullwork:x" + each.id(),
                gross,
                new BigDecimal("0.00"),
                gross,
                new BigDecimal("0.00"),
                null,
                null,
                lines,
                List.of(new LedgerRecord.JournalEntry("1100", gross, BigDecimal.ZERO)),
                "",
                Map.of(),
                null,
                null,
                null,
                null,
                null);
    }
}
