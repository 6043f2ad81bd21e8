package alcabala.server.readiness;

import alcabala.accounting.readiness.Check;
import alcabala.accounting.readiness.Result;
import alcabala.accounting.readiness.Result.Verdict;
import alcabala.server.readiness.ReadinessRun.Judged;
import alcabala.server.route.RouteRow;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Timestamp;
import java.time.Instant;
import java.util.List;
import java.util.function.Predicate;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;

/// What checks found when a route was last judged, so that it can be looked at without asking the ledger.
@Component
public class LastJudged {
    private final JdbcClient jdbc;

    /// A check that did not pass, in words.
    ///
    /// @param since when it was first found, without passing in between
    /// @param remedy where to change it, in exact words
    /// @param link a place in Alcabala where it can be changed; empty when it is changed elsewhere
    public record Failing(
            Check check,
            boolean blocks,
            List<String> subjects,
            String found,
            String otherwise,
            String remedy,
            String link,
            int documents,
            Money amount,
            Instant since) {}

    private record Kept(Result result, Instant since) {}

    LastJudged(JdbcClient jdbc) {
        this.jdbc = jdbc;
    }

    void keep(long routeId, Judged judged) {
        List<Result> failing = judged.results().stream()
                .filter(each -> each.verdict() != Verdict.PASSES)
                .toList();
        jdbc.sql("delete from readiness_result where route_id = :route and name <> all(:names)")
                .param("route", routeId)
                .param(
                        "names",
                        failing.stream().map(each -> each.check().name()).toArray(String[]::new))
                .update();
        failing.forEach(each -> keep(routeId, each, judged.at()));
    }

    private void keep(long routeId, Result result, Instant at) {
        jdbc.sql("""
                insert into readiness_result (route_id, name, verdict, subjects, proposal, documents, amount, currency, since)
                values (:route, :name, :verdict, :subjects, :proposal, :documents, :amount, :currency, :at)
                on conflict (route_id, name) do update set verdict = excluded.verdict, subjects = excluded.subjects,
                    proposal = excluded.proposal, documents = excluded.documents, amount = excluded.amount,
                    currency = excluded.currency""")
                .param("route", routeId)
                .param("name", result.check().name())
                .param("verdict", result.verdict().name())
                .param("subjects", result.subjects().toArray(String[]::new))
                .param("proposal", result.proposal())
                .param("documents", result.documents())
                .param("amount", result.amount().getAmountMinorLong())
                .param("currency", result.amount().getCurrencyUnit().getCode())
                .param("at", Timestamp.from(at))
                .update();
    }

    /// The longest failing first.
    public List<Failing> failing(RouteRow route, Predicate<Check> which) {
        ReadinessSentences sentences = new ReadinessSentences(route);
        return jdbc
                .sql("select * from readiness_result where route_id = :route order by since, name")
                .param("route", route.id())
                .query(LastJudged::kept)
                .list()
                .stream()
                .filter(each -> which.test(each.result().check()))
                .map(each -> failing(each, sentences.say(each.result())))
                .toList();
    }

    private static Failing failing(Kept kept, ReadinessSentences.Said said) {
        Result result = kept.result();
        return new Failing(
                result.check(),
                result.verdict() == Verdict.BLOCKS,
                result.subjects(),
                said.found(),
                said.otherwise(),
                said.remedy(),
                said.link(),
                result.documents(),
                result.amount(),
                kept.since());
    }

    private static Kept kept(ResultSet row, int n) throws SQLException {
        return new Kept(
                new Result(
                        Check.valueOf(row.getString("name")),
                        Verdict.valueOf(row.getString("verdict")),
                        List.of((String[]) row.getArray("subjects").getArray()),
                        row.getString("proposal"),
                        row.getInt("documents"),
                        Money.ofMinor(CurrencyUnit.of(row.getString("currency")), row.getLong("amount"))),
                row.getTimestamp("since").toInstant());
    }
}
