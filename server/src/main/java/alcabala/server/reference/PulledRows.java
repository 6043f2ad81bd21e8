package alcabala.server.reference;

import alcabala.accounting.custom.CustomField;
import alcabala.accounting.ledger.LedgerAccount;
import alcabala.accounting.ledger.LedgerTaxCode;
import alcabala.accounting.party.Party;
import alcabala.accounting.terms.CodedTerms;
import alcabala.connectors.AnswerUnusableException;
import alcabala.connectors.ledger.LedgerDimensionValue;
import alcabala.connectors.ledger.LedgerItem;
import alcabala.connectors.ledger.LedgerRate;
import alcabala.connectors.ledger.Listing;
import alcabala.server.platform.AddedWords;
import alcabala.server.platform.Copy;
import alcabala.server.platform.News.Topic;
import alcabala.server.platform.Telling;
import java.sql.Timestamp;
import java.time.Clock;
import java.util.EnumMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import javax.sql.DataSource;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import tools.jackson.databind.json.JsonMapper;

/// What a pull has read so far, until it is merged into the tables of its ledger.
@Component
class PulledRows {
    private final JdbcClient jdbc;
    private final DataSource dataSource;
    private final JsonMapper json;
    private final Telling telling;
    private final Clock clock;

    PulledRows(JdbcClient jdbc, DataSource dataSource, JsonMapper json, Telling telling, Clock clock) {
        this.telling = telling;
        this.jdbc = jdbc;
        this.dataSource = dataSource;
        this.json = json;
        this.clock = clock;
    }

    /// @param ledger its name, for what cannot be used
    Reading read(long pull, String ledger) {
        return new Reading(pull, ledger);
    }

    void forget(long pull) {
        jdbc.sql("delete from pulled where pull_id = :id").param("id", pull).update();
    }

    /// Takes over what was read of these kinds, and writes down how many rows are new, changed, inactive or gone by it.
    int merge(long pull, long ledgerId, ReferenceKind... kinds) {
        // Without it the planner may take a hundred thousand rows for a few, and compare each with each for minutes.
        jdbc.sql("select analyze_pulled()").query().singleRow();
        int changes = 0;
        for (ReferenceKind kind : kinds) {
            for (String step : kind.mergeSteps()) {
                changes += jdbc.sql(step)
                        .param("pull", pull)
                        .param("ledger", ledgerId)
                        .param("kind", kind.name())
                        .update();
            }
        }
        forget(pull);
        return changes;
    }

    /// Takes one page after the other, so that a hundred thousand parties never stand in memory together.
    final class Reading {
        private final long pull;
        private final String ledger;
        private final Map<ReferenceKind, Integer> counts = new EnumMap<>(ReferenceKind.class);
        private final Map<ReferenceKind, Set<String>> codes = new EnumMap<>(ReferenceKind.class);
        private Copy copy = new Copy();

        Reading(long pull, String ledger) {
            this.pull = pull;
            this.ledger = ledger;
            forget(pull);
        }

        void accounts(List<LedgerAccount> page) {
            page.forEach(a -> row(
                    ReferenceKind.ACCOUNT,
                    a.code(),
                    a.name(),
                    a.active(),
                    Map.of("type", a.type().name())));
            send(ReferenceKind.ACCOUNT);
        }

        void taxCodes(List<LedgerTaxCode> page) {
            page.forEach(t -> row(
                    ReferenceKind.TAX_CODE,
                    t.code(),
                    t.name(),
                    t.active(),
                    new TreeMap<>(Map.of(
                            "rate", t.rate(),
                            "category", t.category().name(),
                            "bothSides", t.bothSides(),
                            "deductible", t.deductible(),
                            "account", t.account(),
                            "inputAccount", t.inputAccount()))));
            send(ReferenceKind.TAX_CODE);
        }

        void parties(List<Party> page) {
            page.forEach(p -> row(ReferenceKind.PARTY, p.code(), p.name(), p.active(), p));
            send(ReferenceKind.PARTY);
        }

        void items(List<LedgerItem> page) {
            page.forEach(i -> row(ReferenceKind.ITEM, i.code(), i.name(), i.active(), i));
            send(ReferenceKind.ITEM);
        }

        void dimensions(List<LedgerDimensionValue> page) {
            page.forEach(d -> row(
                    ReferenceKind.DIMENSION,
                    d.dimension() + " " + d.code(),
                    d.name(),
                    d.active(),
                    Map.of("dimension", d.dimension(), "dimensionName", d.dimensionName(), "value", d.code())));
            send(ReferenceKind.DIMENSION);
        }

        void rates(List<LedgerRate> page) {
            page.forEach(r -> row(
                    ReferenceKind.RATE,
                    r.code(),
                    r.currency(),
                    true,
                    Map.of("currency", r.currency(), "day", r.day().toString(), "rate", r.rate())));
            send(ReferenceKind.RATE);
        }

        void terms(List<CodedTerms> page) {
            page.forEach(t -> row(
                    ReferenceKind.TERM,
                    t.code(),
                    t.name(),
                    t.active(),
                    Map.of("rule", t.rule(), "words", AddedWords.terms(t.rule()))));
            send(ReferenceKind.TERM);
        }

        void fields(List<CustomField> page) {
            page.forEach(f -> row(ReferenceKind.FIELD, f.code(), f.name(), f.active(), f));
            send(ReferenceKind.FIELD);
        }

        ReferenceKind list(Listing list) {
            switch (list) {
                case Listing.Accounts l -> accounts(l.rows());
                case Listing.TaxCodes l -> taxCodes(l.rows());
                case Listing.Parties l -> parties(l.rows());
                case Listing.Terms l -> terms(l.rows());
                case Listing.Unusable l -> throw new IllegalArgumentException("not readable: " + l.problems());
            }
            return ReferenceKind.of(list);
        }

        private void row(ReferenceKind kind, String code, String name, boolean active, Object body) {
            if (code.isBlank()) {
                throw new AnswerUnusableException(ledger, "%s “%s” has no code".formatted(kind.word(), name));
            }
            if (!codes.computeIfAbsent(kind, k -> new HashSet<>()).add(code)) {
                throw new AnswerUnusableException(ledger, "%s %s comes twice".formatted(kind.word(), code));
            }
            counts.merge(kind, 1, Integer::sum);
            copy.value(pull)
                    .value(kind.name())
                    .value(code)
                    .value(name)
                    .value(active)
                    .value(json.writeValueAsString(body))
                    .endRow();
        }

        private void send(ReferenceKind kind) {
            copy.send(dataSource, "pulled (pull_id, kind, code, name, active, body)");
            copy = new Copy();
            jdbc.sql("""
                    update reference_pull set read = jsonb_set(read, array[:kind], to_jsonb(cast(:count as int))), seen_at = :now
                    where id = :id""")
                    .param("now", Timestamp.from(clock.instant()))
                    .param("kind", kind.name())
                    .param("count", counts.getOrDefault(kind, 0))
                    .param("id", pull)
                    .update();
            telling.tell(Topic.PULLS, null, null, pull);
        }
    }
}
