package alcabala.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.regex.MatchResult;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;

/// Each table is written by the package that owns it, and of `record` each group of columns is.
class OwnersTest {
    private static final Path SERVER = Path.of("src/main/java/alcabala/server");
    private static final Map<String, String> OWNERS = owners();
    /// Tables that several packages write, each its own columns.
    private static final Map<String, Map<String, String>> GROUPS = Map.of(
            "record",
            columns(Map.of(
                    "record",
                    "route_id source_ref number kind party_code party_name site issue_date due_date currency net tax gross"
                            + " line_count refs corrects stranger milestones approved voided revision revision_id origin",
                    "compile",
                    "blocking cause lands_in tax_codes rounding",
                    "crossing",
                    "outcome outcome_revision refusal ledger_ref ledger_number ledger_version ledger_gross ledger_due"
                            + " ledger_differs paid crossed_at gone")),
            "ledger",
            columns(Map.of(
                    "connection",
                    "name system company desk address answers connected connected_by connected_at",
                    "reference",
                    "company_name currency tax_rounding name_limit name_forbids locked_through applies_credits tracks_quantities features"
                            + " books_id pulled_at kept_version reference_version",
                    "crossing",
                    "cursor asks_first_until accounted paused_until")),
            "source",
            columns(Map.of(
                    "connection",
                    "name kind system desk address answers connected",
                    "route",
                    "cursor feed_begun",
                    "reference",
                    "catalogue_version")),
            "route",
            columns(Map.of("route", "ledger_id ended_at crosswalk_version")));
    private static final Pattern WRITES = Pattern.compile("(?:insert into|update|delete from)\\s+([a-z_]+)\\b");
    private static final Pattern COPIES = Pattern.compile("\"([a-z_]+) \\([a-z_]+, ");
    private static final Pattern UPDATES = Pattern.compile(
            "update (record|ledger|source|route) (?:d )?set (.*?)(?:\\bwhere\\b|\"\"\"|\"\\))", Pattern.DOTALL);
    private static final Pattern ASSIGNED = Pattern.compile("(?:^|,)\\s*([a-z_]+) = ");

    private static Map<String, String> owners() {
        Map<String, String> owners = new HashMap<>();
        Map.of(
                        "access",
                                "access_token attempt convention known_browser person session_browser sight spring_session",
                        "connection", "consent_request credential set_aside",
                        "reference",
                                "ledger_account ledger_dimension ledger_item ledger_party ledger_rate ledger_tax_code ledger_term ledger_field pulled reference_change"
                                        + " reference_pull source_category source_choice source_field source_terms source_item source_means source_party source_project source_site source_tax",
                        "route", "route_setting route_setting_history",
                        "record", "allocation record_find record_revision",
                        "compile", "compiled_by crosswalk_row finding",
                        "crossing",
                                "apart batch beyond dispatch entered_there field_return held_back left_alone link payment_apart posting posting_line posting_record restoration",
                        "release", "approval_claim known_as",
                        "trail", "trail trail_checked")
                .forEach((owner, tables) -> Stream.of(tables.split(" ")).forEach(table -> owners.put(table, owner)));
        Map.of(
                        "items",
                        "item_rewriting item_rewriting_row",
                        "map",
                        "party_apart",
                        "send",
                        "own_list",
                        "alerts",
                        "alert_digest alert_rule",
                        "practise",
                        "practice",
                        "readiness",
                        "readiness readiness_result",
                        "run",
                        "quiet_window run run_schedule",
                        "masters",
                        "master_lacking master_link master_question master_write",
                        "clear",
                        "banking banking_receipt",
                        "cutover",
                        "cut_over cut_over_there")
                .forEach((owner, tables) -> Stream.of(tables.split(" ")).forEach(table -> owners.put(table, owner)));
        return owners;
    }

    private static Map<String, String> columns(Map<String, String> groups) {
        Map<String, String> columns = new HashMap<>();
        groups.forEach((owner, names) -> Stream.of(names.split(" ")).forEach(name -> columns.put(name, owner)));
        return columns;
    }

    /// The demo furnishes a business, and is nobody's stop.
    private static Map<String, String> sources() throws IOException {
        Map<String, String> sources = new TreeMap<>();
        try (Stream<Path> files = Files.walk(SERVER)) {
            for (Path file : files.filter(each -> each.toString().endsWith(".java"))
                    .filter(each -> !each.toString().contains("/demo/"))
                    .toList()) {
                sources.put(
                        SERVER.relativize(file).toString(),
                        Files.readString(file).replaceAll("(?m)^\\s*//.*$", ""));
            }
        }
        return sources;
    }

    @Test
    void eachTableIsWrittenByItsOwner() throws IOException {
        List<String> strangers = new ArrayList<>();
        Set<String> written = new TreeSet<>();
        sources()
                .forEach((file, text) -> Stream.of(WRITES, COPIES)
                        .flatMap(pattern -> pattern.matcher(text).results())
                        .map(found -> found.group(1))
                        .filter(OWNERS::containsKey)
                        .forEach(table -> {
                            written.add(table);
                            if (!file.startsWith(OWNERS.get(table) + "/")) {
                                strangers.add(file + " writes " + table);
                            }
                        }));
        assertThat(strangers).isEmpty();
        assertThat(written).contains("dispatch", "posting_line", "finding", "record_revision", "link", "trail");
    }

    @Test
    void eachGroupOfColumnsIsWrittenByItsOwner() throws IOException {
        List<String> strangers = new ArrayList<>();
        Set<String> written = new TreeSet<>();
        sources()
                .forEach((file, text) -> UPDATES.matcher(text)
                        .results()
                        .forEach(update -> ASSIGNED.matcher(update.group(2))
                                .results()
                                .map((MatchResult column) -> column.group(1))
                                .filter(column -> !column.equals("version"))
                                .forEach(column -> {
                                    written.add(update.group(1) + " " + column);
                                    String owner = GROUPS.get(update.group(1)).getOrDefault(column, "nobody");
                                    if (!file.startsWith(owner + "/")) {
                                        strangers.add(file + " writes " + column + " of " + update.group(1));
                                    }
                                })));
        assertThat(strangers).isEmpty();
        assertThat(written)
                .contains(
                        "record outcome",
                        "record blocking",
                        "record approved",
                        "record paid",
                        "ledger cursor",
                        "ledger books_id");
    }
}
