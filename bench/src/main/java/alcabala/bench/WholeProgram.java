package alcabala.bench;

import alcabala.accounting.crosswalk.AccountRole;
import alcabala.accounting.crosswalk.Meaning;
import alcabala.accounting.crosswalk.RowKind;
import alcabala.connectors.adapters.hullwork.HullworkMapping;
import alcabala.connectors.source.SourceChange;
import alcabala.server.AlcabalaApplication;
import alcabala.server.access.People;
import alcabala.server.access.Role;
import alcabala.server.compile.CrosswalkStore;
import alcabala.server.intake.SourcePull;
import alcabala.server.route.RouteRow;
import alcabala.server.route.Routes;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.sql.Connection;
import java.sql.SQLException;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import javax.sql.DataSource;
import org.postgresql.PGConnection;
import org.postgresql.copy.CopyManager;
import org.springframework.boot.SpringApplication;
import org.springframework.context.ConfigurableApplicationContext;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.transaction.support.TransactionTemplate;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/// The real server on a real database at scale: intake against bare COPY, and pages of Release over HTTP.
final class WholeProgram {
    private static final int PORT = 8489;
    private static final int INTAKE = 10_000;
    private static final int ROUNDS = 5;
    private static final List<String> TABLES = List.of("record", "record_revision", "finding", "trail");
    private final ConfigurableApplicationContext context;
    private final JdbcClient jdbc;
    private final RouteRow route;
    private final JsonMapper json = new JsonMapper();

    private WholeProgram(ConfigurableApplicationContext context) {
        this.context = context;
        this.jdbc = context.getBean(JdbcClient.class);
        setUp();
        this.route = context.getBean(Routes.class).get("yard");
    }

    static void run(List<String> wanted) {
        String base = System.getenv("ALCABALA_TEST_DB");
        String database = "bench_" + System.nanoTime();
        execute(base, "create database " + database);
        try (ConfigurableApplicationContext context = SpringApplication.run(
                AlcabalaApplication.class,
                "--server.port=" + PORT,
                "--spring.datasource.url=" + base + database,
                "--spring.datasource.password=" + System.getenv("PGPASSWORD"),
                "--alcabala.key=YmVuY2gta2V5LW9mLTMyLWJ5dGVzLXNlYWxpbmctMDA=")) {
            WholeProgram program = new WholeProgram(context);
            if (wanted.contains("intake")) {
                program.intake();
            }
            if (wanted.contains("release")) {
                program.pages(100_000);
            }
            if (wanted.contains("rule")) {
                program.fill(8 * RuleChange.DOCUMENTS);
                RuleChange.measure(context, program.route);
            }
            if (wanted.contains("screens")) {
                program.fill(200_000);
                program.fillCodes(200_000);
                ScreensBenchmark.measure("http://127.0.0.1:" + PORT);
            }
            if (wanted.contains("files")) {
                FilesBenchmark.setUp(program.jdbc, (kind, code, there) -> program.set(kind, code, there));
                program.fill(8 * FilesBenchmark.DOCUMENTS);
                FilesBenchmark.measure(program.jdbc, "http://127.0.0.1:" + PORT);
            }
            if (wanted.contains("again")) {
                program.fill(NewsAgain.RECORDS);
                NewsAgain.measure(context, program.route, () -> program.takeAll(NewsAgain.RECORDS));
            }
            if (wanted.contains("million")) {
                program.pages(1_000_000);
            }
        }
        execute(base, "drop database " + database + " with (force)");
    }

    /// Medians of several rounds, intake and COPY in turn on the same rows, tables emptied before each.
    private void intake() {
        List<JsonNode> records = HullworkRecords.make(json, INTAKE, 0);
        List<Double> ours = new ArrayList<>();
        List<Double> copies = new ArrayList<>();
        for (int round = 0; round <= ROUNDS; round++) {
            empty();
            double mine = seconds(() -> take(records));
            Map<String, byte[]> rows = copyOut();
            empty();
            double bare = seconds(() -> copyIn(rows));
            if (round > 0) {
                ours.add(mine);
                copies.add(bare);
            }
        }
        double mine = median(ours);
        double bare = median(copies);
        Benchmarks.report("intake of 10,000 documents, seconds", mine, "-");
        Benchmarks.report("COPY of the same rows into the same tables, seconds", bare, "-");
        Benchmarks.report("intake as a multiple of COPY", mine / bare, "at most 2.2");
    }

    private void pages(int documents) {
        fill(documents);
        ReleasePages.measure("http://127.0.0.1:" + PORT, documents);
    }

    private void fill(int documents) {
        empty();
        takeAll(documents);
        jdbc.sql(
                        "update record set outcome = 'posted', outcome_revision = 1, ledger_ref = 'B-' || id where id % 3 = 0 and blocking = 0")
                .update();
        jdbc.sql("vacuum analyze").update();
        requireAllOnTheRoute(documents);
    }

    private void takeAll(int documents) {
        for (int from = 0; from < documents; from += INTAKE) {
            take(HullworkRecords.make(json, INTAKE, from));
        }
    }

    /// As many items and parties of the source, a third of the items without an answer, and half as many of each on the
    /// ledger.
    private void fillCodes(int count) {
        String party = """
                jsonb_build_object('code', '%1$s' || n, 'name', initcap(translate(md5(n::text), '0123456789', 'ghijklmnop')),
                    'taxIdentifier', 'IE' || 1000000 + n || 'X', 'email', 'office@' || n || '.example',
                    'phone', '053 ' || 5000000 + n, 'billTo', place, 'shipTo', place, 'active', true)
                from generate_series(1, :count) n, (select jsonb_build_object('street', '1 Quay', 'city', 'Saltmere',
                    'postalZone', '', 'country', 'IE') as place) p""";
        jdbc.sql("""
                insert into source_item (source_id, code, name, category, kind)
                    select 1, 'I' || n, 'Shackle ' || md5(n::text), case n % 3 when 0 then 'unsorted' else 'chandlery' end, 'GOODS'
                    from generate_series(1, :count) n""").param("count", count).update();
        jdbc.sql("""
                insert into ledger_item (ledger_id, code, name, account, active)
                    select 1, 'L' || n, 'Shackle ' || md5((7 * n)::text), '4010', true from generate_series(1, :count) n""").param("count", count / 2).update();
        jdbc.sql(
                        "with made as (select n, " + party.formatted("P-") + ") "
                                + "insert into source_party (source_id, code, name, body) select 1, 'P-' || n, b->>'name', b from made m(n, b)")
                .param("count", count)
                .update();
        jdbc.sql(
                        "with made as (select n, " + party.formatted("L-") + ") "
                                + "insert into ledger_party (ledger_id, code, name, body, active) select 1, 'L-' || n, b->>'name', b, true from made m(n, b)")
                .param("count", count / 2)
                .update();
        jdbc.sql("update source set catalogue_version = catalogue_version + 1").update();
        jdbc.sql("vacuum analyze").update();
    }

    /// Figures of an empty list are worth nothing.
    private void requireAllOnTheRoute(int documents) {
        int there = jdbc.sql("select count(*) from record where route_id = :route")
                .param("route", route.id())
                .query(Integer.class)
                .single();
        if (there != documents) {
            throw new IllegalStateException(there + " of " + documents + " documents are on the route");
        }
    }

    /// From the bytes as they came over the wire to the committed rows.
    private void take(List<JsonNode> records) {
        List<String> wire = records.stream().map(JsonNode::toString).toList();
        List<SourceChange> changes = wire.stream()
                .map(json::readTree)
                .map(record -> HullworkMapping.change("document", record).orElseThrow())
                .toList();
        context.getBean(TransactionTemplate.class)
                .executeWithoutResult(
                        status -> context.getBean(SourcePull.class).take(route.sourceId(), changes, "bench"));
    }

    private void empty() {
        // The trail is not emptied by anybody but here, where it is the owner's own and worth nothing.
        jdbc.sql("""
                alter table trail disable trigger user; alter table trail_block disable trigger user;
                alter table record_revision disable trigger user; alter table posting disable trigger user;
                alter table posting_record disable trigger user; alter table posting_line disable trigger user;
                truncate apart, left_alone, held_back, payment_apart, readiness_result, practice, master_lacking, master_write, master_question, master_link, banking_receipt, banking, mail_file, mail, history_load_batch, history_load, answer_file, batch_file, batch_layout, field_return, record_revision, record_find, record, finding, trail, trail_block, link, dispatch, batch, posting, posting_record,
                    posting_line, approval_claim, allocation, correction, correction_journal, correction_line,
                    correction_record restart identity;
                update trail_watch set up_to = 0, writers = '{}';
                alter table trail enable trigger user; alter table trail_block enable trigger user;
                alter table record_revision enable trigger user; alter table posting enable trigger user;
                alter table posting_record enable trigger user; alter table posting_line enable trigger user""").update();
    }

    private Map<String, byte[]> copyOut() {
        Map<String, byte[]> rows = new LinkedHashMap<>();
        for (String table : TABLES) {
            ByteArrayOutputStream out = new ByteArrayOutputStream();
            copy(manager -> manager.copyOut("copy " + columns(table) + " to stdout", out));
            rows.put(table, out.toByteArray());
        }
        return rows;
    }

    private void copyIn(Map<String, byte[]> rows) {
        context.getBean(TransactionTemplate.class)
                .executeWithoutResult(status -> rows.forEach((table, bytes) -> copy(manager ->
                        manager.copyIn("copy " + columns(table) + " from stdin", new ByteArrayInputStream(bytes)))));
    }

    /// All but the generated columns.
    private String columns(String table) {
        return table + " ("
                + String.join(
                        ", ",
                        jdbc.sql("""
                                select column_name from information_schema.columns
                                where table_name = :table and is_generated = 'NEVER'
                                    and not (table_name = 'trail' and column_name = 'id') order by ordinal_position""").param("table", table).query(String.class).list())
                + ")";
    }

    private interface Copying {
        void with(CopyManager manager) throws SQLException, IOException;
    }

    private void copy(Copying copying) {
        DataSource dataSource = context.getBean(DataSource.class);
        Connection connection = org.springframework.jdbc.datasource.DataSourceUtils.getConnection(dataSource);
        try {
            copying.with(connection.unwrap(PGConnection.class).getCopyAPI());
        } catch (SQLException | IOException e) {
            throw new IllegalStateException(e);
        } finally {
            org.springframework.jdbc.datasource.DataSourceUtils.releaseConnection(connection, dataSource);
        }
    }

    private void setUp() {
        context.getBean(People.class).add("bench", "Bench", Role.BOOKKEEPER, "bench-corvane");
        jdbc.sql("""
                insert into ledger (name, system, company, currency, tax_rounding, name_limit)
                    values ('Inkwell', 'inkwell', 'bench', 'EUR', 'PER_DOCUMENT', 31);
                insert into source (name, kind, system) values ('Hullwork', 'app', 'hullwork');
                insert into route (code, source_id, ledger_id, site, business_name, business_tax_identifiers)
                    values ('yard', 1, 1, 'Saltmere', 'Corvane Boatyards', '{}');
                insert into ledger_account values (1, '1100', 'Receivables', 'RECEIVABLE', true),
                    (1, '2200', 'Tax', 'TAX', true), (1, '4010', 'Sales', 'REVENUE', true),
                    (1, '4011', 'Other sales', 'REVENUE', true), (1, '6990', 'Rounding', 'EXPENSE', true);
                insert into ledger_tax_code values (1, 'S23', 'Standard', 23, 'S', '2200', true),
                    (1, 'R13', 'Reduced', 13.5, 'S', '2200', true)""").update();
        CrosswalkStore store = context.getBean(CrosswalkStore.class);
        set(store, RowKind.TAX, "V23", "S23", "");
        set(store, RowKind.TAX, "V13", "R13", "");
        set(store, RowKind.CATEGORY, "chandlery", "", "4010");
        set(store, RowKind.ROLE, AccountRole.RECEIVABLES_CONTROL.name(), "", "1100");
        set(store, RowKind.ROLE, AccountRole.ROUNDING.name(), "", "6990");
    }

    private void set(RowKind kind, String code, String counterpart) {
        set(context.getBean(CrosswalkStore.class), kind, code, counterpart, "");
    }

    private static void set(CrosswalkStore store, RowKind kind, String code, String counterpart, String account) {
        store.set(1, kind, code, Meaning.of(kind, counterpart, account), 0, "bench");
    }

    private static void execute(String base, String sql) {
        try (Connection connection = java.sql.DriverManager.getConnection(
                        base + "postgres", "postgres", System.getenv("PGPASSWORD"));
                var statement = connection.createStatement()) {
            statement.execute(sql);
        } catch (SQLException e) {
            throw new IllegalStateException(e);
        }
    }

    private static double seconds(Runnable work) {
        long start = System.nanoTime();
        work.run();
        return (System.nanoTime() - start) / 1e9;
    }

    private static double median(List<Double> figures) {
        return figures.stream().sorted().toList().get(figures.size() / 2);
    }
}
