package alcabala.server.practise;

import alcabala.server.platform.NotPossibleException;
import alcabala.server.route.RouteRow;
import java.security.SecureRandom;
import java.util.HashMap;
import java.util.Map;
import java.util.Set;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;

/// Whom or what a fault befalls: something of a route that is as it should be by now, any of it.
@Component
class Victims {
    private static final int CODES = 1000;
    private final JdbcClient jdbc;
    private final SecureRandom random = new SecureRandom();

    /// @param subjects by which Resolve may come to know it; empty for the route as a whole
    /// @param about what the stand-ins are told
    record Victim(Set<String> subjects, Map<String, String> about) {
        static Victim route(Map<String, String> about) {
            return new Victim(Set.of(), about);
        }
    }

    private record Sent(
            long id,
            String number,
            String sourceRef,
            String ledgerRef,
            String party,
            String landsIn,
            String taxCodes) {}

    private record Pair(String code, String counterpart) {}

    Victims(JdbcClient jdbc) {
        this.jdbc = jdbc;
    }

    /// @throws NotPossibleException when there is none that the fault could befall
    Victim choose(Fault fault, RouteRow route) {
        Victim chosen = switch (fault) {
            case PARTY_RENAMED_TWICE -> party(route);
            case ACCOUNT_SWITCHED_OFF -> {
                Sent ready = ready(route);
                yield byNumber(ready, Map.of("account", first(ready.landsIn())));
            }
            case TAX_RATE_CHANGED -> {
                Sent ready = ready(route);
                yield byNumber(ready, Map.of("taxCode", first(ready.taxCodes())));
            }
            case PERIOD_LOCKED -> {
                Sent ready = ready(route);
                yield byNumber(ready, Map.of("day", day(ready)));
            }
            case NUMBER_TAKEN -> {
                Sent ready = ready(route);
                yield byNumber(ready, Map.of("number", ready.number()));
            }
            case ANSWER_LOST -> {
                ready(route);
                yield Victim.route(Map.of());
            }
            case PAYMENT_RECORDED_TWICE -> {
                Sent posted = posted(route);
                yield new Victim(Set.of(posted.number()), both(posted));
            }
            case LINE_EDITED, DOCUMENT_DELETED, CHANGED_UNDER_US -> {
                Sent posted = posted(route);
                yield new Victim(Set.of(String.valueOf(posted.id())), both(posted));
            }
            case CUSTOMER_ENTERED_TWICE -> customer(route);
            case CONSENT_REVOKED, CLOCK_AN_HOUR_OFF, FEED_BEGUN_AGAIN, SOURCE_ANSWERS_RUBBISH, RECORDS_UNUSABLE ->
                Victim.route(Map.of());
        };
        Map<String, String> about = new HashMap<>(chosen.about());
        about.put("company", company(route));
        return new Victim(chosen.subjects(), about);
    }

    private static Victim byNumber(Sent record, Map<String, String> about) {
        return new Victim(Set.of(record.number(), String.valueOf(record.id())), about);
    }

    private static Map<String, String> both(Sent posted) {
        return Map.of("document", posted.sourceRef(), "ledgerDocument", posted.ledgerRef());
    }

    private static String first(String several) {
        return several.split("[ ,]")[0];
    }

    private Sent ready(RouteRow route) {
        return find(
                route,
                "d.state = 'Ready' and d.approved and d.lands_in <> '' and d.tax_codes <> ''",
                "There is nothing ready to go that it could befall.");
    }

    private Sent posted(RouteRow route) {
        return find(
                route,
                "d.state = 'Posted' and d.paid = 0 and d.issue_date > coalesce(l.locked_through, '2000-01-01')",
                "Nothing that it could befall was posted yet: send some invoices first.");
    }

    private Sent find(RouteRow route, String which, String otherwise) {
        return jdbc.sql("""
                select d.id, d.number, d.source_ref, d.ledger_ref, d.party_code as party, d.lands_in, d.tax_codes
                from record d join ledger l on l.id = :ledger
                where d.route_id = :route and d.kind = 'invoice' and d.origin = 'source' and not d.voided and\s""" + which + " order by random() limit 1")
                .param("route", route.id())
                .param("ledger", route.ledgerId())
                .query(Sent.class)
                .optional()
                .orElseThrow(() -> NotPossibleException.conflict("nothing-to-befall", otherwise));
    }

    private String day(Sent record) {
        return jdbc.sql("select issue_date::text from record where id = :id")
                .param("id", record.id())
                .query(String.class)
                .single();
    }

    private Victim party(RouteRow route) {
        Pair pair = jdbc.sql("""
                select p.code, p.counterpart from party_link p where p.route_id = :route and not exists (
                    select 1 from party_question q where q.route_id = p.route_id and q.code = p.code)
                order by random() limit 1""")
                .param("route", route.id())
                .query(Pair.class)
                .optional()
                .orElseThrow(() -> NotPossibleException.conflict(
                        "nothing-to-befall", "No party stands on both sides yet: fetch both sides first."));
        return new Victim(Set.of(pair.code()), Map.of("customer", pair.code(), "party", pair.counterpart()));
    }

    private Victim customer(RouteRow route) {
        Sent known = find(
                route,
                "d.party_code in (select code from party_link where route_id = :route) and d.state in ('Ready', 'Posted')",
                "No party of an invoice stands on both sides yet: fetch both sides first.");
        String code = "C-9%03d".formatted(random.nextInt(CODES));
        return new Victim(Set.of(code), Map.of("customer", known.party(), "document", known.sourceRef(), "as", code));
    }

    private String company(RouteRow route) {
        return jdbc.sql("select company from ledger where id = :id")
                .param("id", route.ledgerId())
                .query(String.class)
                .single();
    }
}
