package alcabala.server.files;

import alcabala.accounting.batch.AnswerLine;
import alcabala.accounting.batch.Answered;
import alcabala.accounting.batch.Answered.Given;
import alcabala.accounting.batch.Answered.Verdict;
import alcabala.accounting.batch.Answering;
import alcabala.accounting.batch.Answering.Telling;
import alcabala.connectors.ledger.FileAnswer;
import alcabala.connectors.ledger.TakesFiles;
import alcabala.server.connection.Ledgers;
import alcabala.server.crossing.FileDispatches;
import alcabala.server.platform.DocumentJson;
import alcabala.server.platform.FileSentences;
import alcabala.server.platform.NotPossibleException;
import alcabala.server.record.Hashes;
import alcabala.server.route.RouteRow;
import alcabala.server.route.Routes;
import java.sql.Timestamp;
import java.time.Clock;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.joda.money.Money;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/// What a ledger answers in a file about a batch, kept byte for byte, and what it settles.
@Component
class Answers {
    static final int LARGEST = 20 * 1024 * 1024;
    /// So many lines that settle nothing are kept; the rest is like them.
    private static final int KEPT = 500;
    private static final String BY_HAND = "by hand";

    private final JdbcClient jdbc;
    private final Ledgers ledgers;
    private final Routes routes;
    private final BatchFiles files;
    private final FileDispatches dispatches;
    private final Clock clock;

    record OddJson(int line, String sentence) {}

    /// @param accepted as they were given, or differing; those that were known before count too
    record AnswerJson(
            long id,
            String name,
            String sha256,
            Instant takenAt,
            String takenBy,
            Telling telling,
            int accepted,
            int differing,
            int refused,
            int missing,
            List<OddJson> odd) {}

    /// What somebody says of records whose outcome she has looked up there.
    ///
    /// @param number the ledger's; empty where it does not have them
    /// @param reason why it refused them; empty where it never had them
    record Said(List<Long> records, boolean accepted, String number, String reason) {}

    Answers(JdbcClient jdbc, Ledgers ledgers, Routes routes, BatchFiles files, FileDispatches dispatches, Clock clock) {
        this.jdbc = jdbc;
        this.ledgers = ledgers;
        this.routes = routes;
        this.files = files;
        this.dispatches = dispatches;
        this.clock = clock;
    }

    /// @throws NotPossibleException when the file cannot be read, or says nothing of this batch
    @Transactional
    public AnswerJson take(RouteRow route, long batch, String name, byte[] content, String who) {
        if (content.length > LARGEST) {
            throw NotPossibleException.invalid(
                    "file-unreadable", "A file of at most 20 MB is read; this has %d bytes.".formatted(content.length));
        }
        FileAnswer.Read read = read(route, content);
        routes.lock(route.id());
        String delivery = files.delivery(batch);
        List<Given> given = dispatches.given(batch);
        Answered answered = Answering.answer(
                delivery,
                read.telling(),
                given,
                read.lines(),
                dispatches.numbersOfOthers(
                        route,
                        batch,
                        read.lines().stream().map(AnswerLine::number).toList()));
        requireOfThisBatch(answered, delivery, read);
        dispatches.settle(route, batch, answered.verdicts(), name, who);
        return keep(route, batch, name, content, read.telling(), given, answered, who);
    }

    private FileAnswer.Read read(RouteRow route, byte[] content) {
        TakesFiles ledger = ledgers.of(route.ledgerId()).get(TakesFiles.class);
        return switch (ledger.read(content)) {
            case FileAnswer.Read yes -> yes;
            case FileAnswer.Unusable no ->
                throw NotPossibleException.invalid(
                        "file-unreadable",
                        no.problems().stream().limit(3).map(FileSentences::of).collect(Collectors.joining(" ")));
        };
    }

    private static void requireOfThisBatch(Answered answered, String delivery, FileAnswer.Read read) {
        if (answered.named() == 0) {
            List<String> others = read.lines().stream()
                    .map(AnswerLine::delivery)
                    .filter(each -> !each.isEmpty() && !each.equals(delivery))
                    .distinct()
                    .limit(3)
                    .toList();
            throw NotPossibleException.invalid(
                    "other-batch",
                    others.isEmpty()
                            ? "It says nothing of this batch. Nothing was settled."
                            : "It is about %s, and this batch is %s. Nothing was settled; take it in there."
                                    .formatted(String.join(", ", others), delivery));
        }
    }

    private AnswerJson keep(
            RouteRow route,
            long batch,
            String name,
            byte[] content,
            Telling telling,
            List<Given> given,
            Answered answered,
            String who) {
        Map<Long, Given> by = given.stream().collect(Collectors.toMap(Given::id, Function.identity()));
        int accepted = 0;
        int differing = 0;
        int refused = 0;
        int missing = 0;
        for (Map.Entry<Long, Verdict> each : answered.verdicts().entrySet()) {
            switch (each.getValue()) {
                case Verdict.Accepted yes -> {
                    boolean same = yes.isAsGiven(by.get(each.getKey()).gross());
                    accepted += same ? 1 : 0;
                    differing += same ? 0 : 1;
                }
                case Verdict.Refused no -> refused++;
                case Verdict.Missing none -> missing++;
            }
        }
        List<OddJson> odd = answered.odd().stream()
                .limit(KEPT)
                .map(each -> new OddJson(each.line().line(), AnswerSentences.of(each, route.ledger())))
                .toList();
        long id = jdbc.sql("""
                insert into answer_file (batch_id, name, sha256, content, taken_at, taken_by, telling, accepted, differing, refused,
                    missing, odd)
                values (:batch, :name, :hash, :content, :now, :who, :telling, :accepted, :differing, :refused, :missing,
                    cast(:odd as jsonb)) returning id""")
                .param("batch", batch)
                .param("name", name)
                .param("hash", Hashes.sha256(content))
                .param("content", content)
                .param("now", Timestamp.from(clock.instant()))
                .param("who", who)
                .param("telling", telling.name())
                .param("accepted", accepted)
                .param("differing", differing)
                .param("refused", refused)
                .param("missing", missing)
                .param("odd", DocumentJson.write(odd))
                .query(Long.class)
                .single();
        return get(id);
    }

    /// Settles by hand what somebody has looked up there.
    ///
    /// @return how many
    @Transactional
    public int settle(RouteRow route, long batch, Said said, String who) {
        routes.lock(route.id());
        Map<Long, Long> open = dispatches.openDispatches(batch);
        Map<Long, Given> given =
                dispatches.given(batch).stream().collect(Collectors.toMap(Given::id, Function.identity()));
        List<Long> meant = said.records().stream()
                .map(open::get)
                .filter(java.util.Objects::nonNull)
                .distinct()
                .toList();
        if (said.accepted() && meant.size() != 1) {
            throw NotPossibleException.invalid(
                    "one-at-a-time", "Each document has a number of its own there; settle them one by one.");
        }
        Map<String, String> taken = dispatches.numbersOfOthers(route, batch, List.of(said.number()));
        given.values().stream()
                .filter(each -> !each.number().isEmpty())
                .forEach(each -> taken.put(each.number(), each.reference()));
        if (said.accepted() && taken.containsKey(said.number())) {
            throw NotPossibleException.conflict(
                    "number-taken",
                    "%s is the number of “%s” there. Look again under which this one stands."
                            .formatted(said.number(), taken.get(said.number())));
        }
        Map<Long, Verdict> verdicts =
                meant.stream().collect(Collectors.toMap(Function.identity(), id -> verdict(given.get(id), said)));
        dispatches.settle(route, batch, verdicts, BY_HAND, who);
        return meant.size();
    }

    /// Takes out what nobody has answered for: its file was not imported, or that was undone there.
    ///
    /// @param records those meant; empty for all
    /// @return how many
    @Transactional
    public int withdraw(RouteRow route, long batch, List<Long> records, String reason, String who) {
        routes.lock(route.id());
        return dispatches.withdraw(route, batch, records, reason, who);
    }

    private static Verdict verdict(Given given, Said said) {
        Money gross = given.gross();
        AnswerLine line = new AnswerLine(
                0,
                "",
                "",
                given.reference(),
                said.accepted(),
                said.number(),
                "",
                gross.getCurrencyUnit().getCode(),
                gross.getAmount(),
                said.reason(),
                false);
        return said.accepted() ? new Verdict.Accepted(line, gross) : new Verdict.Refused(line);
    }

    private static final String SELECT = """
            select id, name, encode(sha256, 'hex') as sha256, taken_at, taken_by, telling, accepted, differing, refused, missing, odd
            from answer_file""";

    private AnswerJson get(long id) {
        return jdbc.sql(SELECT + " where id = :id")
                .param("id", id)
                .query(Answers::json)
                .single();
    }

    List<AnswerJson> list(long batch) {
        return jdbc.sql(SELECT + " where batch_id = :batch order by id desc")
                .param("batch", batch)
                .query(Answers::json)
                .list();
    }

    BatchFiles.Content original(long batch, long id) {
        return jdbc.sql("select name, content from answer_file where id = :id and batch_id = :batch")
                .param("id", id)
                .param("batch", batch)
                .query((row, n) -> new BatchFiles.Content(row.getString("name"), row.getBytes("content")))
                .optional()
                .orElseThrow(() -> NotPossibleException.missing("file " + id));
    }

    private static AnswerJson json(java.sql.ResultSet row, int n) throws java.sql.SQLException {
        return new AnswerJson(
                row.getLong("id"),
                row.getString("name"),
                row.getString("sha256"),
                row.getTimestamp("taken_at").toInstant(),
                row.getString("taken_by"),
                Telling.valueOf(row.getString("telling")),
                row.getInt("accepted"),
                row.getInt("differing"),
                row.getInt("refused"),
                row.getInt("missing"),
                List.of(DocumentJson.read(row.getString("odd"), OddJson[].class)));
    }
}
