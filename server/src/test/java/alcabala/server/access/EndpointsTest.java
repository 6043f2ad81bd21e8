package alcabala.server.access;

import static org.assertj.core.api.Assertions.assertThat;

import alcabala.server.Api;
import alcabala.server.World;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.stream.Collectors;
import org.assertj.core.api.SoftAssertions;
import org.junit.jupiter.api.Test;
import org.springframework.web.bind.annotation.RequestMethod;
import org.springframework.web.servlet.mvc.method.RequestMappingInfo;
import org.springframework.web.servlet.mvc.method.annotation.RequestMappingHandlerMapping;

/// Walks every endpoint with every role. An endpoint that is not in the table fails: somebody has to say who may.
class EndpointsTest {
    private static final List<String> ROLES = List.of("administrator", "bookkeeper", "operations", "reviewer");
    private static final Map<String, String> PERSONS =
            Map.of("administrator", "admin", "bookkeeper", "ferro", "operations", "slip", "reviewer", "voss");
    private static final String OPEN = "anybody";
    private static final Map<String, String> TABLE = table("""
            GET /api/session/csrf                                  anybody
            POST /api/session                                      anybody
            GET /api/first                                         anybody
            POST /api/first                                        anybody
            GET /api/session                                       administrator bookkeeper operations reviewer
            DELETE /api/session                                    administrator bookkeeper operations reviewer
            PUT /api/session/password                              administrator bookkeeper operations reviewer
            GET /api/session/all                                   administrator bookkeeper operations reviewer
            DELETE /api/session/all                                administrator bookkeeper operations reviewer
            DELETE /api/session/all/{id}                           administrator bookkeeper operations reviewer
            GET /api/session/tokens                                administrator bookkeeper operations reviewer
            POST /api/session/tokens                               administrator bookkeeper operations reviewer
            DELETE /api/session/tokens/{id}                        administrator bookkeeper operations reviewer
            GET /api/session/conventions                           administrator bookkeeper operations reviewer
            PUT /api/session/conventions                           administrator bookkeeper operations reviewer
            PUT /api/people/conventions                            administrator
            GET /api/documents                                     administrator bookkeeper operations reviewer
            GET /api/documents/by-cause                            administrator bookkeeper operations reviewer
            GET /api/documents/{id}                                administrator bookkeeper operations reviewer
            GET /api/documents/{id}/trail                          administrator bookkeeper operations reviewer
            GET /api/summary                                       administrator bookkeeper operations reviewer
            GET /api/routes                                        administrator bookkeeper operations reviewer
            GET /api/road                                          administrator bookkeeper operations reviewer
            GET /api/news                                          administrator bookkeeper operations reviewer
            GET /api/work                                          administrator bookkeeper reviewer
            GET /api/documents/{id}/why                            administrator bookkeeper reviewer
            GET /api/setup                                         administrator bookkeeper reviewer
            POST /api/map/rows/removal                             administrator bookkeeper
            GET /api/map/bulk                                      administrator bookkeeper reviewer
            GET /api/map/bulk/file                                 administrator bookkeeper reviewer
            POST /api/map/bulk/file                                administrator bookkeeper
            POST /api/map/bulk/rows                                administrator bookkeeper
            GET /api/map/changes                                   administrator bookkeeper reviewer
            POST /api/map/bulk/codes                               administrator bookkeeper
            POST /api/map/bulk/names                               administrator bookkeeper
            GET /api/map/then                                      administrator bookkeeper reviewer
            GET /api/map/twins                                     administrator bookkeeper reviewer
            POST /api/map/twins/apart                              administrator bookkeeper
            GET /api/items/names                                   administrator bookkeeper reviewer
            GET /api/items/rewritings                              administrator bookkeeper reviewer
            GET /api/items/rewritings/{id}                         administrator bookkeeper reviewer
            POST /api/items/rewritings                             administrator bookkeeper
            POST /api/items/rewritings/{id}/running                administrator bookkeeper
            POST /api/items/rewritings/{id}/stopping               administrator bookkeeper
            POST /api/map/bulk/{id}/doing                          administrator bookkeeper
            POST /api/map/bulk/{id}/undoing                        administrator bookkeeper
            POST /api/map/parties/creation                         administrator bookkeeper
            PUT /api/map/parties/hidden                            administrator bookkeeper
            POST /api/map/fields/trial                             administrator bookkeeper
            POST /api/map/what-if                                  administrator bookkeeper
            POST /api/map/corrections                              administrator bookkeeper
            PUT /api/map/corrections/{id}                          administrator bookkeeper
            GET /api/map/corrections                               administrator bookkeeper reviewer
            GET /api/map/corrections/{id}/file                     administrator bookkeeper reviewer
            POST /api/map/suggestions                              administrator bookkeeper
            GET /api/alerts                                        administrator bookkeeper reviewer
            PUT /api/alerts                                        administrator
            POST /api/alerts/letter                                administrator
            GET /api/resolve                                       administrator bookkeeper reviewer
            GET /api/resolve/masters                               administrator bookkeeper reviewer
            POST /api/resolve/masters                              administrator bookkeeper
            GET /api/resolve/lacking                               administrator bookkeeper reviewer
            POST /api/resolve/lacking                              administrator bookkeeper
            POST /api/resolve/lacking/again                        administrator bookkeeper
            GET /api/resolve/warnings                              administrator bookkeeper reviewer
            POST /api/resolve/warnings/same-payment                administrator bookkeeper
            POST /api/resolve/warnings/entered                     administrator bookkeeper
            GET /api/practise                                      administrator
            POST /api/practise                                     administrator
            DELETE /api/practise/{id}                              administrator
            GET /api/readiness                                     administrator bookkeeper reviewer
            GET /api/readiness/{id}/report.pdf                     administrator bookkeeper reviewer
            GET /api/find                                          administrator bookkeeper reviewer
            GET /api/trail                                         administrator bookkeeper reviewer
            GET /api/map/{kind}                                    administrator bookkeeper reviewer
            GET /api/map/choices                                   administrator bookkeeper reviewer
            GET /api/map/row                                       administrator bookkeeper reviewer
            GET /api/map/summary                                   administrator bookkeeper reviewer
            GET /api/map/parties/likeness                          administrator bookkeeper reviewer
            GET /api/map/history                                   administrator bookkeeper reviewer
            GET /api/map/move                                      administrator bookkeeper reviewer
            GET /api/map/ways                                      administrator bookkeeper reviewer
            GET /api/map/ways/ending                               administrator bookkeeper reviewer
            GET /api/settings                                      administrator bookkeeper reviewer
            GET /api/settings/preview                              administrator bookkeeper reviewer
            GET /api/settings/history                              administrator bookkeeper reviewer
            GET /api/settings/numbers                              administrator bookkeeper reviewer
            PUT /api/settings                                      administrator
            GET /api/settings/crossing                             administrator bookkeeper reviewer
            GET /api/settings/crossing/effect                      administrator bookkeeper reviewer
            GET /api/settings/crossing/preview                     administrator bookkeeper reviewer
            GET /api/settings/crossing/masters                     administrator bookkeeper reviewer
            GET /api/log                                           administrator bookkeeper reviewer
            GET /api/runs                                          administrator bookkeeper reviewer
            GET /api/runs/{id}                                     administrator bookkeeper reviewer
            GET /api/runs/{id}/records                             administrator bookkeeper reviewer
            GET /api/runs/schedule                                 administrator bookkeeper reviewer
            PUT /api/runs/schedule                                 administrator bookkeeper
            DELETE /api/runs/schedule                              administrator bookkeeper
            POST /api/runs/schedule/postponement                   administrator bookkeeper
            POST /api/runs/quiet-hours                             administrator bookkeeper
            DELETE /api/runs/quiet-hours/{id}                      administrator bookkeeper
            POST /api/connect/ledgers/files                        administrator
            POST /api/connect/ledgers/{id}/lists                   administrator
            POST /api/documents/{id}/settlement                    administrator bookkeeper
            POST /api/documents/gone                               administrator bookkeeper
            GET /api/documents/{id}/choices                        administrator bookkeeper reviewer
            POST /api/documents/{id}/link/there                    administrator bookkeeper
            PUT /api/documents/{id}/link                           administrator bookkeeper
            DELETE /api/documents/{id}/link                        administrator bookkeeper
            POST /api/documents/{id}/fields-back                   administrator bookkeeper
            POST /api/pull/records                                 administrator bookkeeper
            PUT /api/documents/{id}/left-alone                     administrator bookkeeper
            DELETE /api/documents/{id}/left-alone                  administrator bookkeeper
            POST /api/documents/{id}/who-changed                   administrator bookkeeper
            GET /api/batches                                       administrator bookkeeper reviewer
            GET /api/batches/{id}                                  administrator bookkeeper reviewer
            GET /api/batches/{id}/report                           administrator bookkeeper reviewer
            GET /api/batches/{id}/mail                             administrator bookkeeper reviewer
            GET /api/register                                      administrator bookkeeper reviewer
            GET /api/register/mail                                 administrator bookkeeper reviewer
            POST /api/register/mail                                administrator bookkeeper
            GET /api/bankings/{id}/mail                            administrator bookkeeper reviewer
            POST /api/bankings/{id}/mail                           administrator bookkeeper
            GET /api/loads                                         administrator bookkeeper reviewer
            GET /api/cut-over                                      administrator bookkeeper reviewer
            POST /api/cut-over                                     administrator bookkeeper
            POST /api/cut-over/file                                administrator bookkeeper
            POST /api/cut-over/pairs                               administrator bookkeeper
            POST /api/cut-over/pairs/apart                         administrator bookkeeper
            GET /api/bankings                                      administrator bookkeeper reviewer
            GET /api/bankings/waiting                              administrator bookkeeper reviewer
            GET /api/bankings/sheet                                administrator bookkeeper reviewer
            GET /api/bankings/report                               administrator bookkeeper reviewer
            GET /api/bankings/{id}/report                          administrator bookkeeper reviewer
            GET /api/loads/preview                                 administrator bookkeeper reviewer
            GET /api/batches/{id}/own-list                         administrator bookkeeper reviewer
            GET /api/batches/{id}/files                            administrator bookkeeper reviewer
            GET /api/batches/{id}/files/download                   administrator bookkeeper reviewer
            GET /api/batches/{id}/answers/{answer}                 administrator bookkeeper reviewer
            GET /api/connect                                       administrator bookkeeper reviewer
            GET /api/connect/counts                                administrator bookkeeper reviewer
            GET /api/connect/ledgers/{id}/pulls                    administrator bookkeeper reviewer
            GET /api/connect/pulls/{pull}/changes                  administrator bookkeeper reviewer
            GET /api/connect/ledgers/{id}/reference/{kind}         administrator bookkeeper reviewer
            GET /api/connect/ledgers/{id}/reference/{kind}/uses    administrator bookkeeper reviewer
            GET /api/waiting                                       administrator bookkeeper reviewer
            GET /api/work/{id}                                     administrator bookkeeper reviewer
            GET /api/set-aside                                     administrator bookkeeper reviewer
            DELETE /api/set-aside/{id}                             administrator bookkeeper
            POST /api/strangers                                    administrator bookkeeper
            PUT /api/map/row                                       administrator bookkeeper
            POST /api/documents/approval                           administrator bookkeeper
            POST /api/intake                                       administrator bookkeeper
            POST /api/pull                                         administrator bookkeeper
            POST /api/pull/sources/{id}                            administrator bookkeeper
            POST /api/batches                                      administrator bookkeeper
            POST /api/batches/{id}/undo                            administrator bookkeeper
            POST /api/batches/{id}/mail                            administrator bookkeeper
            POST /api/loads                                        administrator bookkeeper
            POST /api/bankings                                     administrator bookkeeper
            POST /api/bankings/preview                             administrator bookkeeper
            POST /api/bankings/{id}/withdrawal                     administrator bookkeeper
            POST /api/loads/{id}/stop                              administrator bookkeeper
            POST /api/loads/{id}/go-on                             administrator bookkeeper
            POST /api/loads/{id}/end                               administrator bookkeeper
            POST /api/batches/{id}/undo/preview                    administrator bookkeeper
            POST /api/batches/dry-run                              administrator bookkeeper
            POST /api/batches/dry-run/{id}                         administrator bookkeeper
            POST /api/batches/own-list                             administrator bookkeeper
            POST /api/batches/{id}/answers                         administrator bookkeeper
            GET /api/layouts                                       administrator bookkeeper reviewer
            PUT /api/layouts                                       administrator bookkeeper
            DELETE /api/layouts/{id}                               administrator bookkeeper
            POST /api/layouts/shown                                administrator bookkeeper
            POST /api/layouts/example                              administrator bookkeeper
            POST /api/batches/{id}/settle                          administrator bookkeeper
            POST /api/batches/preview                              administrator bookkeeper
            POST /api/batches/{id}/retry                           administrator bookkeeper
            POST /api/map/move                                     administrator
            POST /api/connect/consents                             administrator
            POST /api/connect/consents/{state}                     administrator
            GET /api/connect/consents/{state}                      administrator
            POST /api/connect/ledgers                              administrator
            POST /api/connect/ledgers/{id}/test                    administrator
            POST /api/connect/ledgers/{id}/pulls                   administrator
            DELETE /api/connect/ledgers/{id}                       administrator
            PUT /api/connect/ledgers/{id}/reference/{kind}/hidden  administrator
            POST /api/connect/sources                              administrator
            POST /api/connect/sources/files                        administrator
            DELETE /api/connect/sources/{id}                       administrator
            POST /api/connect/routes                               administrator
            DELETE /api/connect/routes/{code}                      administrator
            POST /api/connect/routes/{code}/again                  administrator
            GET /api/people                                        administrator
            POST /api/people                                       administrator
            PUT /api/people/{signIn}                               administrator
            PUT /api/people/{signIn}/password                      administrator
            GET /api/people/{signIn}/tokens                        administrator
            DELETE /api/people/{signIn}/tokens/{id}                administrator
            POST /api/trail/check                                  administrator bookkeeper
            GET /api/trail/anchor                                  administrator bookkeeper reviewer""");

    @Test
    void everyEndpointLetsInWhoMayAndNobodyElse() {
        try (World world = World.inProcess()) {
            Map<String, Api> byRole = new TreeMap<>();
            for (String role : ROLES) {
                byRole.put(role, world.api(PERSONS.get(role)));
            }
            SoftAssertions softly = new SoftAssertions();
            List<String> endpoints = endpoints(world);
            assertThat(endpoints).containsExactlyInAnyOrderElementsOf(TABLE.keySet());
            for (String endpoint : endpoints) {
                String may = TABLE.get(endpoint);
                for (String role : ROLES) {
                    int status = call(byRole.get(role), endpoint);
                    boolean let =
                            may.equals(OPEN) || Arrays.asList(may.split(" ")).contains(role);
                    softly.assertThat(status == 403)
                            .as(role + " at " + endpoint + ": " + status)
                            .isEqualTo(!let);
                    softly.assertThat(status)
                            .as("an answer in words to " + endpoint)
                            .isNotEqualTo(500);
                    if (endpoint.startsWith("DELETE /api/session")) {
                        byRole.put(role, world.api(PERSONS.get(role)));
                    }
                }
                int stranger = call(new Api(world.address()), endpoint);
                softly.assertThat(stranger == 401 || stranger == 403)
                        .as("a stranger at " + endpoint + ": " + stranger)
                        .isEqualTo(!may.equals(OPEN) || endpoint.startsWith("POST"));
            }
            softly.assertAll();
        }
    }

    /// Nothing is in the requests, so nothing is done; only who may is asked here.
    private static int call(Api api, String endpoint) {
        String method = endpoint.split(" ")[0];
        String path = endpoint.split(" ")[1].replace("{kind}", "item").replaceAll("\\{[a-zA-Z]+}", "0");
        if (path.equals("/api/news")) {
            try (Api.Heard heard = api.listen()) {
                return heard.status();
            }
        }
        return switch (method) {
            case "GET" -> api.get(path).status();
            case "DELETE" -> api.delete(path).status();
            case "PUT" -> api.put(path, List.of()).status();
            default -> api.post(path, List.of()).status();
        };
    }

    private static List<String> endpoints(World world) {
        return world
                .bean("requestMappingHandlerMapping", RequestMappingHandlerMapping.class)
                .getHandlerMethods()
                .keySet()
                .stream()
                .flatMap(info -> methods(info).stream()
                        .flatMap(method -> info.getPatternValues().stream().map(path -> method + " " + path)))
                .filter(endpoint -> endpoint.contains(" /api/") && !endpoint.contains("openapi"))
                .distinct()
                .toList();
    }

    private static List<RequestMethod> methods(RequestMappingInfo info) {
        return List.copyOf(info.getMethodsCondition().getMethods());
    }

    private static Map<String, String> table(String rows) {
        return rows.lines()
                .map(row -> row.trim().split(" {2,}"))
                .collect(Collectors.toMap(row -> row[0], row -> row[1]));
    }
}
