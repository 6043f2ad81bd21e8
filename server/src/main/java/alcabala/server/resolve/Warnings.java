package alcabala.server.resolve;

import alcabala.accounting.readiness.Check;
import alcabala.server.connection.SetAsides;
import alcabala.server.connection.SetAsides.SetAside;
import alcabala.server.crossing.EnteredHeld;
import alcabala.server.crossing.EnteredTwice;
import alcabala.server.platform.KeptFindings;
import alcabala.server.platform.Sentence;
import alcabala.server.readiness.LastJudged;
import alcabala.server.readiness.LastJudged.Failing;
import alcabala.server.route.RouteRow;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.EnumSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.stream.Collectors;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;

/// What stands in the way before anything is sent: what checks found that comes up in daily work, what was right and is
/// no longer, and what came and could not be used. What was never mapped is asked on Release.
@Component
public class Warnings {
    /// Findings of records that fitted until something changed on either side.
    private static final String[] NO_LONGER = {
        "account-unusable",
        "allocated-too-much",
        "allocation-unfit",
        "dimension-unusable",
        "field-unusable",
        "party-doubtful",
        "tax-category-differs",
        "tax-code-unusable",
        "tax-rate-differs",
        "terms-unusable"
    };

    /// Checks whose subjects are numbers of documents.
    private static final Set<Check> OF_NUMBERS = EnumSet.of(Check.NUMBERS, Check.PERIOD);
    private final LastJudged judged;
    private final SetAsides setAsides;
    private final EnteredTwice twice;
    private final EnteredHeld entered;
    private final JdbcClient jdbc;

    /// @param cause that of a finding; `check:` with the check's name; `payment-twice:` with the two ids;
    /// `set-aside:` with what kind of record it is; `entered-there:` with why it stays there
    /// @param says what was found, in parts
    /// @param otherwise what happens if it is left; empty where that goes without saying
    /// @param remedy what to do; empty where a finding says enough by its cause
    /// @param link a place in Alcabala where it is put right; empty where there is none
    /// @param subjects what it is about: numbers, codes, names; the ledger's ids of what was entered there
    /// @param sums minor units by currency
    public record Warning(
            String cause,
            Sentence says,
            String otherwise,
            String remedy,
            String link,
            List<String> subjects,
            int count,
            Map<String, Long> sums,
            Instant since) {}

    Warnings(LastJudged judged, SetAsides setAsides, EnteredTwice twice, EnteredHeld entered, JdbcClient jdbc) {
        this.judged = judged;
        this.setAsides = setAsides;
        this.twice = twice;
        this.entered = entered;
        this.jdbc = jdbc;
    }

    public List<Warning> of(RouteRow route) {
        List<Warning> all = new ArrayList<>(found(route));
        judged.failing(route, Check::comesUp).stream()
                .filter(each -> !isSaidAlready(route, each))
                .map(Warnings::checked)
                .forEach(all::add);
        all.addAll(PaymentsTwice.of(twice, route));
        all.addAll(StaysThere.of(entered, route));
        all.addAll(setAside(route));
        return all;
    }

    /// What the ledger has refused for it is named as refused.
    private boolean isSaidAlready(RouteRow route, Failing failing) {
        return OF_NUMBERS.contains(failing.check())
                && jdbc.sql(
                                        "select count(*) from record where route_id = :route and state = 'Refused' and number = any(:numbers)")
                                .param("route", route.id())
                                .param("numbers", failing.subjects().toArray(String[]::new))
                                .query(Integer.class)
                                .single()
                        >= failing.subjects().size();
    }

    private static Warning checked(Failing failing) {
        return new Warning(
                "check:" + failing.check().name(),
                Sentence.plain(failing.found()),
                failing.otherwise(),
                failing.remedy(),
                failing.link(),
                failing.subjects(),
                failing.documents(),
                failing.amount().isZero()
                        ? Map.of()
                        : Map.of(
                                failing.amount().getCurrencyUnit().getCode(),
                                failing.amount().getAmountMinorLong()),
                failing.since());
    }

    private List<Warning> found(RouteRow route) {
        Map<String, Warning> byCause = new LinkedHashMap<>();
        jdbc.sql("""
                select f.cause, min(f.kind) as kind, min(f.facts::text) as facts, d.currency, count(*) as count,
                    sum(signed(d.kind, d.gross)) as gross, min(v.received_at) as since, array_agg(d.number) as numbers
                from record d join finding f on f.record_id = d.id join record_revision v on v.id = d.revision_id
                where d.route_id = :route and d.state = 'Blocked' and not d.voided and f.severity = 'blocks'
                    and f.kind = any(:kinds)
                group by f.cause, d.currency order by min(v.received_at), f.cause""")
                .param("route", route.id())
                .param("kinds", NO_LONGER)
                .query(Warnings::found)
                .list()
                .forEach(each -> byCause.merge(each.cause(), each, Warnings::both));
        return List.copyOf(byCause.values());
    }

    private static Warning found(ResultSet row, int n) throws SQLException {
        return new Warning(
                row.getString("cause"),
                KeptFindings.sentence(row.getString("kind"), row.getString("facts")),
                "",
                "",
                "",
                List.of((String[]) row.getArray("numbers").getArray()),
                row.getInt("count"),
                Map.of(row.getString("currency"), row.getLong("gross")),
                row.getTimestamp("since").toInstant());
    }

    /// Of two currencies.
    private static Warning both(Warning one, Warning other) {
        Map<String, Long> sums = new LinkedHashMap<>(one.sums());
        sums.putAll(other.sums());
        List<String> subjects = new ArrayList<>(one.subjects());
        subjects.addAll(other.subjects());
        return new Warning(
                one.cause(),
                one.says(),
                one.otherwise(),
                one.remedy(),
                one.link(),
                subjects,
                one.count() + other.count(),
                sums,
                one.since().isBefore(other.since()) ? one.since() : other.since());
    }

    /// One for each kind of record: an app on a bad day may send hundreds.
    private List<Warning> setAside(RouteRow route) {
        Map<String, List<SetAside>> byType = setAsides.openOf(route.sourceId(), route.ledgerId()).stream()
                .collect(Collectors.groupingBy(SetAside::type, TreeMap::new, Collectors.toList()));
        return byType.entrySet().stream()
                .map(each -> setAside(each.getKey(), each.getValue()))
                .toList();
    }

    private static Warning setAside(String type, List<SetAside> records) {
        SetAside latest = records.getFirst();
        String others = records.size() == 1 ? "" : " So are " + (records.size() - 1) + " more.";
        return new Warning(
                "set-aside:" + type,
                Sentence.plain("From " + latest.system() + ": " + said(latest) + "." + others),
                "",
                type.equals("feed")
                        ? "Nothing has to be done: what was known already changed nothing. Put this away once it is seen."
                        : "Put each right where it comes from, and fetch: it then goes by itself. Put away what is not needed.",
                "",
                records.stream().map(SetAside::name).toList(),
                records.size(),
                Map.of(),
                records.stream()
                        .map(SetAside::firstAt)
                        .min(Comparator.naturalOrder())
                        .orElseThrow());
    }

    /// Most reasons begin with what they are about.
    private static String said(SetAside record) {
        return record.reason().startsWith(record.name()) ? record.reason() : record.name() + ": " + record.reason();
    }
}
