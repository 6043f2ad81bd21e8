package alcabala.server.compile;

import alcabala.accounting.document.Document;
import alcabala.accounting.party.Party;
import alcabala.accounting.posting.Customers;
import alcabala.accounting.record.Record;
import alcabala.accounting.setting.RouteSettings;
import alcabala.server.reference.SourceCatalogue;
import alcabala.server.route.RouteRow;
import alcabala.server.route.SettingStore;
import java.util.Collection;
import java.util.LinkedHashMap;
import java.util.Map;
import org.springframework.stereotype.Component;

/// Makes projects that are customers known among the parties of their source, so that they can be mapped like any
/// other; as soon as a document of theirs is compiled on a route that says so.
@Component
class ProjectCustomers {
    private final SettingStore settings;
    private final SourceCatalogue catalogue;

    ProjectCustomers(SettingStore settings, SourceCatalogue catalogue) {
        this.settings = settings;
        this.catalogue = catalogue;
    }

    void keep(RouteRow route, Collection<? extends Record> records) {
        RouteSettings decided = settings.of(route.id());
        if (!Customers.areProjects(decided)) {
            return;
        }
        Map<String, Party> projects = new LinkedHashMap<>();
        records.stream()
                .filter(Document.class::isInstance)
                .map(record -> Customers.of((Document) record, decided))
                .filter(party -> Customers.isProject(party.code()))
                .forEach(party -> projects.putIfAbsent(party.code(), party));
        catalogue.keepNew(route.sourceId(), projects.values());
    }
}
