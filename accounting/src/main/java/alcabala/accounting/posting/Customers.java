package alcabala.accounting.posting;

import alcabala.accounting.document.Document;
import alcabala.accounting.document.DocumentLine;
import alcabala.accounting.party.Party;
import alcabala.accounting.setting.RouteSettings;
import alcabala.accounting.setting.Topic;
import java.util.List;

/// Which customer of the ledger a document is for: the client itself, or its project, as the route says (domain,
/// section 4). A project's customer has a code of its own, `C-1002 > WO-7001`, and so a row of its own.
public final class Customers {
    /// Under the client's name, beside the client.
    public static final String PROJECT = "project";
    /// Below the client, where the ledger has that.
    public static final String SUB_PROJECT = "sub-project";
    /// The client with those to speak to.
    public static final String WITH_CONTACTS = "with-contacts";

    private static final String BELOW = " > ";

    private Customers() {}

    /// The other party of the document as the ledger is to have it. A document for several projects, or none, is the
    /// client's own; so is everything bought.
    public static Party of(Document document, RouteSettings settings) {
        Party party = document.counterparty();
        if (!document.kind().isSale() || !areProjects(settings)) {
            return party;
        }
        List<String> projects = document.lines().stream()
                .map(DocumentLine::project)
                .distinct()
                .limit(2)
                .toList();
        return projects.size() == 1 && !projects.getFirst().isEmpty() ? ofProject(party, projects.getFirst()) : party;
    }

    /// Whether projects are customers on a route.
    public static boolean areProjects(RouteSettings settings) {
        return settings.is(Topic.CUSTOMERS, PROJECT) || settings.is(Topic.CUSTOMERS, SUB_PROJECT);
    }

    /// A project of a client as a customer.
    public static Party ofProject(Party client, String project) {
        return new Party(
                        code(client.code(), project),
                        client.name() + ", " + project,
                        client.taxIdentifier(),
                        client.email(),
                        client.phone(),
                        client.billTo(),
                        client.shipTo(),
                        client.active())
                .withTerms(client.terms());
    }

    public static String code(String client, String project) {
        return client + BELOW + project;
    }

    /// Whether a code is that of a project's customer.
    public static boolean isProject(String code) {
        return code.contains(BELOW);
    }

    /// The client of a project's customer, by its code; of a client, itself.
    public static String client(String code) {
        return isProject(code) ? code.substring(0, code.indexOf(BELOW)) : code;
    }

    /// The project of a project's customer, by its code; empty for a client.
    public static String project(String code) {
        return isProject(code) ? code.substring(code.indexOf(BELOW) + BELOW.length()) : "";
    }
}
