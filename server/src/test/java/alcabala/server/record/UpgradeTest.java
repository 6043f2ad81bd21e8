package alcabala.server.record;

import static org.assertj.core.api.Assertions.assertThat;

import alcabala.accounting.document.Document;
import alcabala.accounting.setting.Carried;
import alcabala.accounting.setting.Setting;
import alcabala.accounting.setting.Topic;
import alcabala.server.World;
import alcabala.server.platform.KeptFindings;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.flywaydb.core.Flyway;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.jdbc.datasource.DriverManagerDataSource;

/// A database of the version before records goes on as it was: what was posted, its link and its trail.
class UpgradeTest {
    private static JdbcClient jdbc;

    @BeforeAll
    static void upgrade() {
        String name = "upgrade_" + UUID.randomUUID().toString().replace("-", "");
        World.execute("postgres", "create database " + name);
        DriverManagerDataSource database = new DriverManagerDataSource(World.url(name), "postgres", World.password());
        jdbc = JdbcClient.create(database);
        flyway(database, "25").migrate();
        World.execute(name, BEFORE);
        World.execute(name, CROSSWALK);
        flyway(database, "latest").migrate();
    }

    private static Flyway flyway(DriverManagerDataSource database, String target) {
        return Flyway.configure()
                .dataSource(database)
                .target(target)
                .placeholders(Map.of("appRole", "postgres"))
                .load();
    }

    /// One posted invoice that was said twice, and one that is blocked; in the shapes of that time.
    private static final String BEFORE = """
            insert into source (name, kind) values ('Yard', 'app');
            insert into ledger (name, system, currency, tax_rounding, name_limit, company) values ('Books', 'inkwell', 'EUR', 'PER_DOCUMENT', 40, 'c');
            insert into route (code, source_id, ledger_id, business_name, business_tax_identifiers) values ('yard', 1, 1, 'We', '{}');
            insert into received (source_id, sha256, media_type, content, received_at)
                values (1, '\\x01', 'application/json', 'first', '2026-10-01'), (1, '\\x02', 'application/json', 'second', '2026-10-02'),
                    (1, '\\x03', 'application/json', 'other', '2026-10-03');
            insert into document (route_id, source_id, source_ref, number, kind, party_code, party_name, issue_date, currency, net, tax,
                    gross, line_count, content, refs, received_id, revision, approved, blocking, cause, outcome, outcome_revision, ledger_ref,
                    ledger_number)
                select 1, 1, ref, ref, 'invoice', 'P', 'Party', '2026-10-01', 'EUR', 10000, 2300, 12300, 1, cast('{"kind": "INVOICE",
                    "number": "' || ref || '", "issueDate": "2026-10-01", "currency": "EUR", "priceMode": "NET", "taxRounding": "PER_LINE",
                    "ownership": "SELLER", "precedingNumber": "", "lines": [], "allowancesAndCharges": [], "taxes": [], "totals":
                    {"lines": "EUR 100.00", "allowances": "EUR 0.00", "charges": "EUR 0.00", "net": "EUR 100.00", "tax": "EUR 23.00",
                    "gross": "EUR 123.00"}}' as jsonb), '{}', received, 1, true, blocking, cause, outcome, 1, there, there
                from (values ('A-1', 2, 0, '', 'posted', 'L-1'), ('A-2', 3, 1, 'item-unmapped:X', null, null))
                    v (ref, received, blocking, cause, outcome, there);
            insert into finding values (2, 1, 'blocks', 'item-unmapped:X', 'Item X has no account.');
            insert into trail (at, who, route_id, document_id, action, detail) values
                (now(), 'Yard', 1, 1, 'taken-in', '{"received": 1}'), (now(), 'Yard', 1, 1, 'changed-on-source', '{"received": 2}'),
                (now(), 'Yard', 1, 2, 'taken-in', '{"received": 3}');
            select trail_seal();
            select trail_seal();
            insert into batch (route_id, created_by, created_at, currency, count, net, tax, gross, hash_total)
                values (1, 'M', '2026-10-05', 'EUR', 1, 10000, 2300, 12300, 1);
            insert into dispatch (batch_id, document_id, idempotency_key, outcome, revision, posting)
                values (1, 1, gen_random_uuid(), 'posted', 1, '{"document": {"kind": "INVOICE"}, "party": "Party", "credits": ""}');
            insert into link (document_id, ledger_id, ledger_ref, baseline, ledger_now, seen_at) select 1, 1, 'L-1', b, b, now()
                from (values (cast('{"number": "A-1", "party": "C-1", "date": "2026-10-01", "due": null, "gross": 123.00,
                    "lines": [{"account": "4010", "taxCode": "S23", "amount": 100.00}]}' as jsonb))) v (b);
            """;

    /// Rows of that time with their histories: changed, taken away, and of a line of the one that is posted.
    private static final String CROSSWALK = """
            insert into crosswalk_row (route_id, kind, code, counterpart, account, version, set_by, set_at) values
                (1, 'ITEM', 'X', 'RIG-06', '4012', 2, 'M', '2026-03-10'), (1, 'LINE', 'A-1/2', '', '4090', 1, 'M', '2026-03-01'),
                (1, 'PAYER', 'P > Q', '', '', 1, 'M', '2026-03-01');
            insert into crosswalk_history (route_id, kind, code, counterpart, account, version, set_by, set_at, removed) values
                (1, 'ITEM', 'X', '', '4010', 1, 'F', '2026-03-01', false), (1, 'ITEM', 'X', 'RIG-06', '4012', 2, 'M', '2026-03-10', false),
                (1, 'SUPPLIER', 'S', '', '5100', 1, 'F', '2026-03-01', false), (1, 'SUPPLIER', 'S', '', '', 2, 'M', '2026-03-05', true),
                (1, 'LINE', 'A-1/2', '', '4090', 1, 'M', '2026-03-01', false), (1, 'PAYER', 'P > Q', '', '', 1, 'M', '2026-03-01', false);
            insert into route_setting (route_id, setting, value, version, set_by, set_at)
                select 1, s, 'x', 1, 'M', '2026-03-01' from unnest(array['SALES_TAX', 'NEXT_CREDIT_NOTE', 'INVOICES', 'BILLS_TRIGGER',
                    'CREDIT_NOTES_CUT_OFF', 'SUPPLIER_CREDITS_WINNER', 'PAYMENTS', 'PAYMENT_DIFFERENCE', 'LINE_KIND']) s;
            insert into route_setting_history (route_id, setting, value, version, set_by, set_at)
                select route_id, setting, value, version, set_by, set_at from route_setting;
            """;

    @Test
    void theCrosswalkKnowsWhatItSaidOnEveryDay() {
        assertThat(saidOn("2026-03-03"))
                .containsExactly(
                        "ITEM X COUNTERPART ",
                        "ITEM X INCOME 4010",
                        "LINE 1/2 ACCOUNT 4090",
                        "PAYER P > Q COUNTERPART ",
                        "SUPPLIER S EXPENSE 5100");
        assertThat(saidOn("2026-03-05")).as("taken away that day").doesNotContain("SUPPLIER S EXPENSE 5100");
        assertThat(saidOn("2026-03-10"))
                .containsExactly(
                        "ITEM X COUNTERPART RIG-06",
                        "ITEM X INCOME 4012",
                        "LINE 1/2 ACCOUNT 4090",
                        "PAYER P > Q COUNTERPART ");
        assertThat(saidOn("2026-02-28")).isEmpty();
        assertThat(
                        all(
                                "select distinct kind || ' ' || version || ' ' || ended_by from crosswalk_row where ended_at is not null"))
                .containsExactlyInAnyOrder("ITEM 1 M", "SUPPLIER 1 M");
        assertThat(all("select reference_kind || ' ' || reference_code from crosswalk_use order by 1"))
                .containsExactly("ACCOUNT 4012", "ACCOUNT 4090", "ITEM RIG-06");
    }

    @Test
    void everySettingIsOneOfThoseThatThereAre() {
        List<String> settings = all("select decided_for || ' ' || topic from route_setting order by 1");
        assertThat(settings)
                .containsExactly(
                        "BILLS TRIGGER",
                        "CREDIT_NOTES CUT_OFF",
                        "CREDIT_NOTES FIRST_NUMBER",
                        "EVERYTHING LINE_KIND",
                        "EVERYTHING PAYMENT_DIFFERENCE",
                        "EVERYTHING SALES_TAX",
                        "INVOICES DIRECTION",
                        "PAYMENTS DIRECTION",
                        "SUPPLIER_CREDITS WINNER");
        assertThat(all("select decided_for || ' ' || topic from route_setting_history order by 1"))
                .isEqualTo(settings);
        settings.forEach(
                setting -> new Setting(Topic.valueOf(setting.split(" ")[1]), Carried.valueOf(setting.split(" ")[0])));
    }

    private static List<String> saidOn(String day) {
        return all("select kind || ' ' || code || ' ' || purpose || ' ' || target from crosswalk_row where set_at <= '"
                + day + "' and (ended_at is null or ended_at > '" + day + "') order by 1");
    }

    @Test
    void whatWasSaidIsKeptWithItsBytes() {
        assertThat(all("""
                select record_id || ' ' || encode(raw, 'escape') || ' ' || reconstructed || ' ' || (content is not null)
                from record_revision order by id""")).containsExactly("1 first true false", "1 second true true", "2 other true true");
        Document read = jdbc.sql("select " + Stored.COLUMN + " from record d" + Stored.JOIN + "where d.id = 1")
                .query((row, n) -> Stored.document(row.getString("content")))
                .single();
        assertThat(read.typeCode()).isEqualTo("380");
        assertThat(read.note()).isEmpty();
        assertThat(read.totals().payable()).isEqualTo(read.totals().gross());
        assertThat(read.totals().prepaid().isZero()).isTrue();
    }

    @Test
    void whatWasPostedStaysPostedWithItsLinkAndItsTrail() {
        assertThat(all("select state from record order by id")).containsExactly("Posted", "Blocked");
        assertThat(all("""
                select p.kind || ' ' || p.reconstructed || ' ' || r.record_id || ' ' || d.outcome from posting p
                join posting_record r on r.posting_id = p.id join dispatch d on d.posting_id = p.id""")).containsExactly("invoice true 1 posted");
        assertThat(
                        all(
                                "select ledger_half->>'line 1' || ' ' || (ledger_half->>'gross') || ' ' || reconstructed from link"))
                .containsExactly("4010 S23 100 123 true");
        assertThat(all("select source_half->>'number' || ' ' || (source_half->>'party') from link"))
                .containsExactly("A-1 P");
        assertThat(all("select action from trail where record_id = 1 order by id"))
                .containsExactly("taken-in", "changed-on-source");
        assertThat(all("select ok::text || ' ' || rows from trail_check()")).containsExactly("true 3");
    }

    @Test
    void aFindingSaysWhatItSaidUntilItIsCompiledAgain() {
        assertThat(all("select cause from finding")).containsExactly("item-unmapped:X");
        String facts = all("select facts::text from finding").getFirst();
        assertThat(KeptFindings.sentence("item-unmapped", facts).text()).isEqualTo("Item X has no account.");
        assertThat(KeptFindings.sentence("item-unmapped", "{\"item\": \"X\", \"description\": \"a thing\"}")
                        .text())
                .isEqualTo("Item X a thing has no account: neither the item nor the route names one.");
        assertThat(KeptFindings.sentence("gone-since", "{}").text()).isEqualTo("gone since");
    }

    /// The picture in docs/data.md shows tables and columns that there are.
    @Test
    void thePictureIsOfThisDatabase() throws IOException {
        String page = Files.readString(Path.of("../docs/data.md"));
        Matcher table = Pattern.compile("(?m)^    (\\w+) \\{\n(.*?)^    \\}", Pattern.DOTALL)
                .matcher(page);
        List<String> shown = new ArrayList<>();
        while (table.find()) {
            String name = table.group(1);
            table.group(2)
                    .lines()
                    .map(line -> line.strip().split(" ")[1])
                    .forEach(column -> shown.add(name + "." + column));
        }
        assertThat(shown).hasSizeGreaterThan(40);
        assertThat(
                        all(
                                "select table_name || '.' || column_name from information_schema.columns where table_schema = 'public'"))
                .containsAll(shown);
    }

    private static List<String> all(String sql) {
        return jdbc.sql(sql).query(String.class).list();
    }
}
