package alcabala.server.demo;

import alcabala.accounting.crosswalk.AccountRole;
import alcabala.accounting.crosswalk.Meaning;
import alcabala.accounting.crosswalk.RowKind;
import alcabala.server.access.People;
import alcabala.server.access.Role;
import alcabala.server.compile.CrosswalkStore;
import alcabala.server.connection.LedgerConnections;
import alcabala.server.connection.SourceConnections;
import alcabala.server.intake.FileIntake;
import alcabala.server.intake.SourcePull;
import alcabala.server.platform.Settings;
import alcabala.server.reference.ReferencePull;
import alcabala.server.route.Routes;
import java.util.List;
import java.util.Map;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.boot.ApplicationArguments;
import org.springframework.boot.ApplicationRunner;
import org.springframework.boot.autoconfigure.condition.ConditionalOnProperty;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.support.TransactionTemplate;

/// Corvane Boatyards at Saltmere, half set up, as a bookkeeper would find it after a week. Every step can be repeated.
@Component
@ConditionalOnProperty("alcabala.demo")
class DemoBusiness implements ApplicationRunner {
    private static final Logger LOG = LoggerFactory.getLogger(DemoBusiness.class);
    private static final String WHO = "M. Ferro";
    private final JdbcClient jdbc;
    private final People people;
    private final Routes routes;
    private final DemoConsent consent;
    private final LedgerConnections connections;
    private final SourceConnections sources;
    private final ReferencePull reference;
    private final CrosswalkStore store;
    private final SourcePull pull;
    private final FileIntake files;
    private final Settings settings;
    private final TransactionTemplate transaction;

    DemoBusiness(
            JdbcClient jdbc,
            People people,
            Routes routes,
            DemoConsent consent,
            LedgerConnections connections,
            SourceConnections sources,
            ReferencePull reference,
            CrosswalkStore store,
            SourcePull pull,
            FileIntake files,
            Settings settings,
            TransactionTemplate transaction) {
        this.jdbc = jdbc;
        this.people = people;
        this.routes = routes;
        this.consent = consent;
        this.connections = connections;
        this.sources = sources;
        this.reference = reference;
        this.store = store;
        this.pull = pull;
        this.files = files;
        this.settings = settings;
        this.transaction = transaction;
    }

    @Override
    public void run(ApplicationArguments arguments) {
        people.add("admin", "A. Quill", Role.ADMINISTRATOR, "admin-corvane");
        people.add("ferro", WHO, Role.BOOKKEEPER, "ferro-corvane");
        people.add("slip", "R. Slip", Role.OPERATIONS, "slip-corvane");
        people.add("voss", "T. Voss", Role.REVIEWER, "voss-corvane");
        if (routes.all().isEmpty()) {
            connect();
            pull.pull(routes.get("yard").sourceId(), WHO);
            DemoFiles.write(settings.demoFiles());
            files.take(routes.get("harbour"), DemoFiles.received(), false, WHO);
            showTheYardToOperations();
            LOG.info("loaded the demo business");
        }
    }

    /// Through the same doors as everybody: consent for Inkwell, a key for Hullwork.
    private void connect() {
        long inkwell = connections.connect(consent.give(), "saltmere", "Inkwell", WHO);
        long hullwork = sources.connect(
                null,
                "hullwork",
                new SourceConnections.Filled(
                        "Hullwork", settings.standins() + "/hullwork", Map.of(), settings.sourceKey()),
                WHO);
        long harbour = sources.addFiles("Harbour office", WHO);
        route("yard", hullwork, inkwell);
        route("harbour", harbour, inkwell);
        reference.pull(inkwell, WHO);
        transaction.executeWithoutResult(status -> {
            crosswalkOfTheYard(routes.get("yard").id());
            crosswalkOfTheHarbour(routes.get("harbour").id());
        });
    }

    private void showTheYardToOperations() {
        jdbc.sql("""
                insert into sight (person_id, source_id)
                select p.id, r.source_id from person p, route r where p.sign_in = 'slip' and r.code = 'yard'""").update();
    }

    private void route(String code, long source, long ledgerId) {
        jdbc.sql("""
                insert into route (code, source_id, ledger_id, site, business_name, business_tax_identifiers)
                values (:code, :source, :ledger, 'Saltmere', 'Corvane Boatyards', '{IE6388047V}')""")
                .param("code", code)
                .param("source", source)
                .param("ledger", ledgerId)
                .update();
    }

    private void crosswalkOfTheYard(long route) {
        role(route, AccountRole.RECEIVABLES_CONTROL, "1100");
        role(route, AccountRole.OUTPUT_TAX, "2200");
        role(route, AccountRole.ROUNDING, "6990");
        role(route, AccountRole.DISCOUNT_GIVEN, "4190");
        role(route, AccountRole.SHIPPING_INCOME, "4080");
        role(route, AccountRole.LABOUR_INCOME, "4020");
        for (String row : List.of(
                "chandlery 4010",
                "electrics 4018",
                "engine-parts 4018",
                "paint 4015",
                "rigging-labour 4020",
                "engine-labour 4025",
                "hull-labour 4020",
                "haul-out 4030",
                "berths 4040",
                "books 4060",
                "carriage 4080")) {
            set(route, RowKind.CATEGORY, row.split(" ")[0], "", row.split(" ")[1]);
        }
        set(route, RowKind.ITEM, "SHK-08", "SHACK-8", "4010");
        set(route, RowKind.TAX, "V23", "S23", "");
        set(route, RowKind.TAX, "V13", "R13", "");
        set(route, RowKind.TAX, "V0", "Z0", "");
        for (String party : List.of("1002", "1003", "1006", "1011")) {
            set(route, RowKind.PARTY, "C-" + party, "IC-" + party, "");
        }
    }

    private void crosswalkOfTheHarbour(long route) {
        role(route, AccountRole.RECEIVABLES_CONTROL, "1110");
        role(route, AccountRole.SALES, "4040");
        role(route, AccountRole.FEE_INCOME, "4090");
        role(route, AccountRole.DISCOUNT_GIVEN, "4190");
        role(route, AccountRole.OUTPUT_TAX, "2200");
        role(route, AccountRole.ROUNDING, "6990");
        set(route, RowKind.PARTY, "IE2018830C", "IC-1040", "");
        set(route, RowKind.TAX, "S23", "S23", "");
        set(route, RowKind.TAX, "S13.5", "R13", "");
        set(route, RowKind.TAX, "Z0", "Z0", "");
        set(route, RowKind.TAX, "E0", "E0", "");
    }

    private void role(long route, AccountRole role, String account) {
        set(route, RowKind.ROLE, role.name(), "", account);
    }

    private void set(long route, RowKind kind, String code, String counterpart, String account) {
        store.set(route, kind, code, Meaning.of(kind, counterpart, account), 0, WHO);
    }
}
