package alcabala.server.practise;

import alcabala.server.platform.NotPossibleException;
import alcabala.server.route.RouteRow;
import java.security.SecureRandom;
import java.util.HashMap;
import java.util.Map;
import java.util.Set;
import java.util.function.Function;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;

/// Whom or what a fault befalls: something of a route that is as it should be by now, any of it.
@Component
class Victims {
    private static final int CODES = 1000;
    private static final String NOT_STRUCK_OUT =
            "not exists (select 1 from link v where v.record_id = d.id and v.ledger_now->>'taken' = 'true')";
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
            String day,
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
            case ACCOUNT_SWITCHED_OFF -> waiting(route, "account", each -> first(each.landsIn()));
            case TAX_RATE_CHANGED -> waiting(route, "taxCode", each -> first(each.taxCodes()));
            case PERIOD_LOCKED -> waiting(route, "day", Sent::day);
            case NUMBER_TAKEN -> waiting(route, "number", Sent::number);
            case ANSWER_LOST ->
                Victim.route(waiting(route, "number", Sent::number).about());
            case PAYMENT_RECORDED_TWICE -> standing(route, Sent::number);
            case LINE_EDITED, DOCUMENT_DELETED, CHANGED_UNDER_US -> standing(route, each -> String.valueOf(each.id()));
            case CUSTOMER_ENTERED_TWICE -> customer(route);
            case CONSENT_REVOKED, CLOCK_AN_HOUR_OFF, FEED_BEGUN_AGAIN, SOURCE_ANSWERS_RUBBISH, RECORDS_UNUSABLE ->
                Victim.route(Map.of());
        };
        Map<String, String> about = new HashMap<>(chosen.about());
        about.put("company", company(route));
        return new Victim(chosen.subjects(), about);
    }

    /// One that is ready to go.
    ///
    /// @param what of it the stand-ins are told, under this name
    private Victim waiting(RouteRow route, String name, Function<Sent, String> what) {
        Sent record = find(
                route,
                "d.state = 'Ready' and d.approved and d.lands_in <> '' and d.tax_codes <> ''",
                "There is nothing ready to go that it could befall.");
        return new Victim(Set.of(record.number(), String.valueOf(record.id())), Map.of(name, what.apply(record)));
    }

    /// One that both sides have.
    ///
    /// @param subject by which Resolve will know it
    private Victim standing(RouteRow route, Function<Sent, String> subject) {
        Sent posted = find(
                route,
                "d.state = 'Posted' and d.paid = 0 and d.issue_date > coalesce(l.locked_through, '2000-01-01') and "
                        + NOT_STRUCK_OUT,
                "Nothing that it could befall was posted yet: send some invoices first.");
        return new Victim(
                Set.of(subject.apply(posted)),
                Map.of("document", posted.sourceRef(), "ledgerDocument", posted.ledgerRef()));
    }

    private static String first(String several) {
        return several.split("[ ,]")[0];
    }

    private Sent find(RouteRow route, String which, String otherwise) {
        return jdbc.sql("""
                select d.id, d.number, d.issue_date::text as day, d.source_ref, d.ledger_ref, d.party_code as party, d.lands_in, d.tax_codes
                from record d join ledger l on l.id = :ledger
                where d.route_id = :route and d.kind = 'invoice' and d.origin = 'source' and not d.voided and\s""" + which + " order by random() limit 1")
                .param("route", route.id())
                .param("ledger", route.ledgerId())
                .query(Sent.class)
                .optional()
                .orElseThrow(() -> NotPossibleException.conflict("nothing-to-befall", otherwise));
    }

    private Victim party(RouteRow route) {
        Pair pair = jdbc.sql("""
                select p.code, p.counterpart from master_link p where p.route_id = :route and p.kind = 'PARTIES' and not exists (
                    select 1 from master_question q where q.route_id = p.route_id and q.kind = p.kind and q.code = p.code)
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
                "d.party_code in (select code from master_link where route_id = :route and kind = 'PARTIES') and d.state in ('Ready', 'Posted')",
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
