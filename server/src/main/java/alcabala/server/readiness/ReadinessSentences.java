package alcabala.server.readiness;

import alcabala.accounting.crosswalk.AccountRole;
import alcabala.accounting.readiness.Check;
import alcabala.accounting.readiness.Result;
import alcabala.accounting.readiness.Result.Verdict;
import alcabala.server.platform.Amounts;
import alcabala.server.platform.Sentences;
import alcabala.server.route.RouteRow;
import java.util.List;
import java.util.stream.Collectors;
import org.joda.money.Money;

/// The edge where judgements become words: what was found, what happens otherwise, and where to change it.
final class ReadinessSentences {
    private static final int SHOWN = 4;
    private final RouteRow route;

    /// @param otherwise what will happen if it is left; empty when it passes
    /// @param remedy where to change it, in exact words; empty when it passes
    /// @param link a place in Alcabala where it can be changed; empty when it is changed elsewhere
    record Said(String title, String found, String otherwise, String remedy, String link) {}

    ReadinessSentences(RouteRow route) {
        this.route = route;
    }

    Said say(Result result) {
        String title = title(result.check());
        if (result.verdict() == Verdict.PASSES) {
            return new Said(title, passes(result), "", "", "");
        }
        return new Said(title, found(result), otherwise(result), remedy(result), link(result.check()));
    }

    private String title(Check check) {
        return switch (check) {
            case CONSENT -> route.ledger() + " lets Alcabala in";
            case SAME_BOOKS -> route.ledger() + " answers for the same books";
            case ROUTES -> "Every site has a route";
            case TAX_OFF -> "Tax crosses as tax";
            case ACCOUNT_ROLES -> "Every needed role has a fitting account";
            case DEFAULT_FOR_SALES -> "There is a default for sales";
            case DEFAULT_FOR_PURCHASES -> "There is a default for purchases";
            case TAX_CODES -> "Every tax in use has an active code";
            case TAX_RATES -> "Taxes have the same rate and category on both sides";
            case APPLIES_CREDITS -> "Credits stay where they are put";
            case TRACKS_QUANTITIES -> "Cost is booked on one side only";
            case NUMBERS -> "Document numbers are free";
            case PERIOD -> "The period is open";
            case CURRENCIES -> "The books keep the currencies in use";
            case PURCHASE_ORDERS -> "Purchase orders have a place";
            case DIMENSIONS -> "Sites and work orders have a place";
            case ITEM_NAMES -> "Names of new items stay different";
            case ONE_WAY_ONLY -> "Each document comes one way only";
            case TRAIL -> "The trail is whole";
            case CALENDAR -> "Both sides are on the same day";
        };
    }

    private String passes(Result result) {
        return switch (result.check()) {
            case CONSENT -> "The consent is good for more than two weeks.";
            case SAME_BOOKS -> "They are those that were connected.";
            case ROUTES -> "Every document of " + route.source() + " has a way to go.";
            case TAX_OFF -> "It is not switched off, or no waiting document is taxed.";
            case ACCOUNT_ROLES -> "All are set, active, and of a type that fits.";
            case DEFAULT_FOR_SALES -> "The role sales has an account, or no sales cross on this route.";
            case DEFAULT_FOR_PURCHASES -> "The role purchases has an account, or no bills cross on this route.";
            case TAX_CODES -> "Each has one.";
            case TAX_RATES -> "They are.";
            case APPLIES_CREDITS -> route.ledger() + " does not apply credits by itself.";
            case TRACKS_QUANTITIES -> route.ledger() + " does not track quantities.";
            case NUMBERS -> "None of the waiting numbers is in use there.";
            case PERIOD -> "No waiting document lies in a locked period.";
            case CURRENCIES -> route.ledger() + " takes what is waiting in its currency.";
            case PURCHASE_ORDERS -> "It has them, or no bill waits on this route.";
            case DIMENSIONS -> route.ledger() + " has dimensions.";
            case ITEM_NAMES -> "They stay different after " + route.ledger() + " cuts them.";
            case ONE_WAY_ONLY ->
                result.subjects().isEmpty()
                        ? "No other route leads to these books."
                        : "Other routes lead there too, but no number comes twice.";
            case TRAIL -> "Nothing on it was changed, taken out or slipped in after it was sealed.";
            case CALENDAR -> "Same time zone, clocks agree.";
        };
    }

    private String found(Result result) {
        List<String> subjects = result.subjects();
        return switch (result.check()) {
            case CONSENT ->
                result.verdict() == Verdict.BLOCKS
                        ? route.ledger() + " no longer lets Alcabala in."
                        : "The consent ends in " + days(subjects.getFirst()) + ".";
            case SAME_BOOKS -> route.ledger() + " now answers for other books than those that were connected.";
            case ROUTES ->
                "Without a route: "
                        + subjects.stream().map(ReadinessSentences::unrouted).collect(Collectors.joining("; ")) + ".";
            case TAX_OFF -> "Tax on sales is switched off, and taxed documents wait.";
            case ACCOUNT_ROLES -> "Without an account that can be used: " + roles(subjects) + ".";
            case DEFAULT_FOR_SALES -> "The role sales has no account.";
            case DEFAULT_FOR_PURCHASES -> "The role purchases has no account, and bills cross on this route.";
            case TAX_CODES ->
                "Without an active code: "
                        + subjects.stream().map(ReadinessSentences::tax).collect(Collectors.joining(", ")) + ".";
            case TAX_RATES -> subjects.stream().map(ReadinessSentences::rates).collect(Collectors.joining(", ")) + ".";
            case APPLIES_CREDITS -> route.ledger() + " applies open credits to the oldest invoice by itself.";
            case TRACKS_QUANTITIES -> route.ledger() + " tracks quantities and books the cost of what is sold.";
            case NUMBERS -> "In use on " + route.ledger() + " by other documents: " + some(subjects) + ".";
            case PERIOD -> "In a period that " + route.ledger() + " has locked: " + some(subjects) + ".";
            case CURRENCIES -> "In another currency than " + route.currency() + ": " + some(subjects) + ".";
            case PURCHASE_ORDERS ->
                route.ledger() + " has no purchase orders in its plan; bills wait: " + some(subjects) + ".";
            case DIMENSIONS -> route.ledger() + " has dimensions switched off.";
            case ITEM_NAMES -> "The same after cutting: " + String.join("; ", subjects) + ".";
            case ONE_WAY_ONLY ->
                subjects.stream()
                        .filter(each -> !each.endsWith(" 0"))
                        .map(each -> each.replaceFirst(" (\\d+)$", " has $1 of the same numbers"))
                        .collect(Collectors.joining(", ", "", "."));
            case TRAIL -> "When it was last looked at: " + subjects.getFirst() + ".";
            case CALENDAR ->
                "Alcabala keeps the time of %s, %s that of %s; the clocks are %s minutes apart."
                        .formatted(subjects.get(0), route.ledger(), subjects.get(1), subjects.get(2));
        };
    }

    private String otherwise(Result result) {
        String documents = documents(result);
        return switch (result.check()) {
            case CONSENT ->
                result.verdict() == Verdict.BLOCKS
                        ? documents + ", cannot cross."
                        : "After that " + documents + ", cannot cross.";
            case SAME_BOOKS ->
                "What was posted before is not in them, and " + documents + ", would go to the wrong books.";
            case ROUTES -> "They stay here, and are missing on the books.";
            case TAX_OFF -> "Tax of " + documents + ", would be booked as revenue.";
            case ACCOUNT_ROLES -> documents + (result.documents() == 1 ? ", is blocked." : ", are blocked.");
            case DEFAULT_FOR_SALES -> "Goods that nothing else maps are asked about one by one. That may be meant.";
            case DEFAULT_FOR_PURCHASES -> "Each new supplier is asked about once. That may be meant.";
            case TAX_CODES, TAX_RATES -> documents + (result.documents() == 1 ? ", is blocked." : ", are blocked.");
            case APPLIES_CREDITS -> "Credit notes are set off against the wrong invoices: " + documents + ".";
            case TRACKS_QUANTITIES -> "Cost of sales is booked twice, once here and once there, for " + documents + ".";
            case NUMBERS, PERIOD, CURRENCIES -> documents + ", will be refused.";
            case PURCHASE_ORDERS -> "The orders behind " + documents + ", cannot be closed by their bills there.";
            case DIMENSIONS -> "The site and work order of " + documents + ", will not be on the books.";
            case ITEM_NAMES -> "The batch is stopped before its first document.";
            case ONE_WAY_ONLY -> "What both routes bring is booked twice.";
            case TRAIL -> "Who did what can no longer be proved, and somebody may have changed more than the trail.";
            case CALENDAR -> "Documents made around midnight are booked on another day, perhaps in another month.";
        };
    }

    private String remedy(Result result) {
        String desk = "In " + route.ledger() + ", under Chart and settings: ";
        return switch (result.check()) {
            case CONSENT -> "Connect it again under Connections.";
            case SAME_BOOKS ->
                "Put the right books back in " + route.ledger()
                        + "; or disconnect it, connect it anew, and move the route on purpose.";
            case ROUTES -> "Add a route for the site, or a default one, under Connections.";
            case TAX_OFF -> "Set “Tax on sales” to “as the crosswalk says” under Settings.";
            case ACCOUNT_ROLES, DEFAULT_FOR_SALES, DEFAULT_FOR_PURCHASES -> "Choose accounts under Map, Account roles.";
            case TAX_CODES -> "Choose a code under Map, Tax codes.";
            case TAX_RATES ->
                "Choose a code with the right rate and category under Map, Tax codes; or put it right in "
                        + route.ledger() + " and pull.";
            case APPLIES_CREDITS -> desk + "switch off “applies open credits to the oldest invoice by itself”.";
            case TRACKS_QUANTITIES -> desk + "switch off “tracks quantities and books the cost of what is sold”.";
            case NUMBERS ->
                "Number in %s from %s on, which neither side has used, and fetch; or set letters before the number under Settings; or renumber what stands in %s."
                        .formatted(route.source(), result.proposal(), route.ledger());
            case PERIOD ->
                desk + "set “Books locked through” to an earlier day; or date the documents in an open period in "
                        + route.source() + ".";
            case CURRENCIES -> "Send them to a ledger that keeps their currency.";
            case PURCHASE_ORDERS -> desk + "switch on “has purchase orders”, if orders are kept there.";
            case DIMENSIONS -> desk + "switch on “has dimensions”, if sites and work orders are wanted on the books.";
            case ITEM_NAMES -> "Rename one in " + route.source() + ", or map it to an item that is there.";
            case ONE_WAY_ONLY -> "Void or leave out one of each pair, then look again.";
            case TRAIL ->
                "Find out who has write access to the database; compare with a backup and with an anchor that was kept elsewhere.";
            case CALENDAR -> desk + "set the time zone; and set the clock of whichever machine is wrong.";
        };
    }

    private String link(Check check) {
        return switch (check) {
            case CONSENT, ROUTES -> "/connect?view=connections&route=" + route.code();
            case TAX_OFF, NUMBERS -> "/connect?view=settings&route=" + route.code();
            case ACCOUNT_ROLES, DEFAULT_FOR_SALES, DEFAULT_FOR_PURCHASES -> "/map?kind=role&route=" + route.code();
            case TAX_CODES, TAX_RATES -> "/map?kind=tax&route=" + route.code();
            case ITEM_NAMES -> "/map?kind=item&route=" + route.code();
            default -> "";
        };
    }

    private static String documents(Result result) {
        String count = result.documents() == 1 ? "1 document" : "%,d documents".formatted(result.documents());
        return count + ", " + Amounts.shown(result.amount());
    }

    private static String roles(List<String> names) {
        return names.stream()
                .map(name -> Sentences.role(AccountRole.valueOf(name)))
                .collect(Collectors.joining(", "));
    }

    private static String tax(String subject) {
        String[] part = subject.split("\\|", -1);
        return part[0] + " (" + part[1] + " %)";
    }

    private static String rates(String subject) {
        String[] part = subject.split("\\|", -1);
        return part[0] + " is " + part[1] + " % of category " + part[2] + ", but " + part[3] + " is " + part[4]
                + " % of category " + part[5];
    }

    private static String some(List<String> subjects) {
        String first = subjects.stream().limit(SHOWN).collect(Collectors.joining(", "));
        return subjects.size() > SHOWN ? first + " and " + (subjects.size() - SHOWN) + " more" : first;
    }

    private static String unrouted(String subject) {
        String[] part = subject.split("\\|");
        String site = part[0].isEmpty() ? "documents without a site" : part[0];
        String documents = part[1].equals("1") ? "1 document" : part[1] + " documents";
        return "%s, %s, %s".formatted(site, documents, Amounts.shown(Money.parse(part[2])));
    }

    private static String days(String days) {
        return days.equals("1") ? "1 day" : days + " days";
    }
}
