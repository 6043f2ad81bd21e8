package alcabala.server.send;

import alcabala.accounting.matching.ItemNames;
import alcabala.server.connect.RouteRow;
import alcabala.server.connect.Routes;
import alcabala.server.platform.Amounts;
import alcabala.server.platform.NotPossibleException;
import alcabala.server.readiness.ReadinessRun;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.security.Principal;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.time.Instant;
import java.time.LocalDate;
import java.util.List;
import java.util.UUID;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

@RestController
@RequestMapping("/api/batches")
class SendApi {
    private final JdbcClient jdbc;
    private final Routes routes;
    private final Batches batches;
    private final ReadinessRun readiness;

    /// Either ids, or all that are ready from one day to another: sales, or if so asked purchases.
    record ChoiceJson(
            @NotBlank String route, @Size(max = 5000) List<Long> ids, LocalDate from, LocalDate to, Boolean purchases) {
        Batches.Choice asChoice() {
            return new Batches.Choice(ids, from, to, Boolean.TRUE.equals(purchases));
        }
    }

    record PreviewJson(
            int count,
            String net,
            String tax,
            String gross,
            String hashTotal,
            int leftOut,
            List<Batches.Creation> parties,
            List<Batches.Alike> alike,
            List<Batches.Creation> items,
            List<ItemNames.Collision> collisions,
            String sentence) {}

    record SendJson(
            @NotBlank String route,
            @Size(max = 5000) List<Long> ids,
            LocalDate from,
            LocalDate to,
            Boolean purchases,
            @NotNull @Valid ShownJson shown,
            @Size(max = 40) String independentTotal,
            @Size(max = 500) String reason) {}

    /// What the preview said, so that nothing else is sent.
    record ShownJson(
            @NotNull Integer count,
            @NotNull @Size(max = 40) String net,
            @NotNull @Size(max = 40) String tax,
            @NotNull @Size(max = 40) String gross,
            @NotNull @Size(max = 60) String hashTotal) {}

    record MadeBatch(long id) {}

    record BatchJson(
            long id,
            String createdBy,
            Instant createdAt,
            Instant finishedAt,
            String currency,
            int count,
            String net,
            String tax,
            String gross,
            String hashTotal,
            String independentTotal,
            String reason,
            int posted,
            int refused,
            int unreached,
            int unconfirmed,
            int open) {}

    /// @param outcome queued, sending, unconfirmed, posted, refused or unreached
    record DispatchJson(
            long documentId,
            String number,
            String kind,
            String party,
            LocalDate issueDate,
            String gross,
            String outcome,
            String refusalCode,
            String sentence,
            String advice,
            String ledgerRef,
            String ledgerNumber,
            UUID key,
            int attempts,
            String state) {}

    record BatchDetail(BatchJson batch, List<DispatchJson> dispatches) {}

    record Retried(int documents) {}

    SendApi(JdbcClient jdbc, Routes routes, Batches batches, ReadinessRun readiness) {
        this.readiness = readiness;
        this.jdbc = jdbc;
        this.routes = routes;
        this.batches = batches;
    }

    /// What sending would do; changes nothing, though it is a POST for the length of the list.
    @PostMapping("/preview")
    PreviewJson preview(@Valid @RequestBody ChoiceJson choice) {
        RouteRow route = routes.getLeading(choice.route());
        Batches.Preview preview = batches.preview(route, choice.asChoice());
        var totals = preview.totals();
        return new PreviewJson(
                totals.count(),
                Amounts.decimal(totals.net()),
                Amounts.decimal(totals.tax()),
                Amounts.decimal(totals.gross()),
                totals.hashTotal().toString(),
                preview.leftOut(),
                preview.parties(),
                preview.alike(),
                preview.items(),
                preview.collisions(),
                sentence(route, preview));
    }

    private static String sentence(RouteRow route, Batches.Preview preview) {
        int fresh = preview.totals().count() - preview.inPlace();
        StringBuilder sentence = new StringBuilder();
        if (fresh > 0 || preview.inPlace() == 0) {
            sentence.append("Posts ").append(plural(fresh, "document"));
        }
        if (preview.inPlace() > 0) {
            sentence.append(fresh > 0 ? " and changes " : "Changes ")
                    .append(plural(preview.inPlace(), "document"))
                    .append(preview.inPlace() == 1 ? " that stands there" : " that stand there");
        }
        sentence.append(", ").append(Amounts.shown(preview.totals().gross()));
        if (!preview.parties().isEmpty() || !preview.items().isEmpty()) {
            sentence.append(", creates ");
            if (!preview.parties().isEmpty()) {
                sentence.append(
                        preview.parties().size() == 1
                                ? "1 party"
                                : preview.parties().size() + " parties");
            }
            if (!preview.items().isEmpty()) {
                sentence.append(preview.parties().isEmpty() ? "" : " and ")
                        .append(plural(preview.items().size(), "item"));
            }
            sentence.append(" on ").append(route.ledger());
        }
        return sentence.toString();
    }

    private static String plural(int count, String noun) {
        return count + " " + noun + (count == 1 ? "" : "s");
    }

    /// Readiness is judged beside it, and what it found stands on the trail; the documents go whatever it says.
    @PostMapping
    MadeBatch send(@Valid @RequestBody SendJson send, Principal who) {
        RouteRow route = routes.getLeading(send.route());
        ShownJson shown = send.shown();
        long batch = batches.send(
                route,
                new Batches.Order(
                        new Batches.Choice(send.ids(), send.from(), send.to(), Boolean.TRUE.equals(send.purchases())),
                        new Batches.Shown(shown.count(), shown.net(), shown.tax(), shown.gross(), shown.hashTotal()),
                        send.independentTotal(),
                        send.reason() == null ? "" : send.reason().trim()),
                who.getName());
        readiness.judgeSoon(route, who.getName());
        return new MadeBatch(batch);
    }

    @GetMapping
    List<BatchJson> list(@RequestParam String route, @RequestParam(required = false) Long before) {
        return jdbc.sql(BATCH
                        + " where b.route_id = :route and b.id < :before group by b.id order by b.id desc limit 100")
                .param("route", routes.getLeading(route).id())
                .param("before", before == null ? Long.MAX_VALUE : before)
                .query(SendApi::batch)
                .list();
    }

    @GetMapping("/{id}")
    BatchDetail detail(@PathVariable long id) {
        BatchJson batch = jdbc.sql(BATCH + " where b.id = :id group by b.id")
                .param("id", id)
                .query(SendApi::batch)
                .optional()
                .orElseThrow(() -> NotPossibleException.missing("batch " + id));
        routes.get(batches.routeOf(id));
        List<DispatchJson> dispatches =
                jdbc.sql("""
                select p.document_id, d.number, d.kind, d.party_name, d.issue_date, d.gross, d.currency, p.outcome, p.refusal_code,
                    p.sentence, p.ledger_ref, d.ledger_number, p.idempotency_key, p.attempts, d.state, l.name as ledger, s.name as source
                from dispatch p join document d on d.id = p.document_id join route r on r.id = d.route_id
                    join ledger l on l.id = r.ledger_id join source s on s.id = r.source_id
                where p.batch_id = :id
                order by case p.outcome when 'refused' then 0 when 'unreached' then 1 when 'unconfirmed' then 2
                    when 'posted' then 4 else 3 end, p.id""").param("id", id).query(SendApi::dispatch).list();
        return new BatchDetail(batch, dispatches);
    }

    @PostMapping("/{id}/retry")
    Retried retry(@PathVariable long id, Principal who) {
        routes.get(batches.routeOf(id));
        return new Retried(batches.retry(id, who.getName()));
    }

    private static BatchJson batch(ResultSet row, int n) throws SQLException {
        String currency = row.getString("currency");
        long independent = row.getLong("independent_total");
        boolean typed = !row.wasNull();
        return new BatchJson(
                row.getLong("id"),
                row.getString("created_by"),
                row.getTimestamp("created_at").toInstant(),
                row.getTimestamp("finished_at") == null
                        ? null
                        : row.getTimestamp("finished_at").toInstant(),
                currency,
                row.getInt("count"),
                Amounts.decimal(currency, row.getLong("net")),
                Amounts.decimal(currency, row.getLong("tax")),
                Amounts.decimal(currency, row.getLong("gross")),
                row.getBigDecimal("hash_total").toPlainString(),
                typed ? Amounts.decimal(currency, independent) : "",
                row.getString("reason"),
                row.getInt("posted"),
                row.getInt("refused"),
                row.getInt("unreached"),
                row.getInt("unconfirmed"),
                row.getInt("open"));
    }

    private static DispatchJson dispatch(ResultSet row, int n) throws SQLException {
        return new DispatchJson(
                row.getLong("document_id"),
                row.getString("number"),
                row.getString("kind"),
                row.getString("party_name"),
                row.getObject("issue_date", LocalDate.class),
                Amounts.decimal(row.getString("currency"), row.getLong("gross")),
                row.getString("outcome"),
                row.getString("refusal_code"),
                row.getString("sentence"),
                Advice.forRefusal(row.getString("refusal_code"), row.getString("source"), row.getString("ledger")),
                row.getString("ledger_ref") == null ? "" : row.getString("ledger_ref"),
                row.getString("ledger_number") == null ? "" : row.getString("ledger_number"),
                row.getObject("idempotency_key", UUID.class),
                row.getInt("attempts"),
                row.getString("state"));
    }

    private static final String BATCH = """
            select b.id, b.created_by, b.created_at, b.finished_at, b.currency, b.count, b.net, b.tax, b.gross, b.hash_total,
                b.independent_total, b.reason,
                count(*) filter (where p.outcome = 'posted') as posted,
                count(*) filter (where p.outcome = 'refused') as refused,
                count(*) filter (where p.outcome = 'unreached') as unreached,
                count(*) filter (where p.outcome = 'unconfirmed') as unconfirmed,
                count(*) filter (where p.outcome in ('queued', 'sending')) as open
            from batch b left join dispatch p on p.batch_id = b.id""";
}
