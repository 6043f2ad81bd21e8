package alcabala.server.compile;

import alcabala.accounting.finding.Finding;
import alcabala.server.platform.Copy;
import alcabala.server.platform.CopyAhead;
import alcabala.server.platform.KeptFindings;
import java.util.Map;
import java.util.Set;
import java.util.function.Function;
import java.util.function.IntFunction;
import javax.sql.DataSource;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;

/// What the last compiling said of each record: the columns of `record` and the findings that only this package writes.
@Component
public class CompiledFacts {
    /// In the order in which [#put] writes them.
    public static final String COLUMNS = "blocking, cause, lands_in, tax_codes, rounding";
    private final JdbcClient jdbc;
    private final DataSource dataSource;

    CompiledFacts(JdbcClient jdbc, DataSource dataSource) {
        this.jdbc = jdbc;
        this.dataSource = dataSource;
    }

    /// The part of a new row that is the compiler's.
    public static void put(Copy copy, Compiled compiled) {
        copy.value(compiled.blocking())
                .value(compiled.cause())
                .value(compiled.landsIn())
                .value(compiled.taxCodes())
                .value(compiled.rounding());
    }

    /// What a new compiling says of records that are there, each by its number.
    public void update(Map<Long, Compiled> compiled) {
        updateRecords(compiled);
        updateFindings(compiled);
    }

    /// Nothing is said of it any more.
    void clear(long id) {
        jdbc.sql("update record set blocking = 0, cause = '' where id = :id")
                .param("id", id)
                .update();
        forget(Set.of(id));
    }

    /// The half of it that decides in which state they are.
    void updateRecords(Map<Long, Compiled> compiled) {
        // As one statement: a statement for each takes half as long again.
        jdbc.sql("""
                update record d set blocking = v.blocking, cause = v.cause, lands_in = v.lands_in, tax_codes = v.tax_codes,
                    rounding = v.rounding, version = d.version + 1
                from unnest(cast(:ids as bigint[]), cast(:blocking as int[]), cast(:causes as text[]), cast(:landsIn as text[]),
                    cast(:taxCodes as text[]), cast(:rounding as bigint[])) v(id, blocking, cause, lands_in, tax_codes, rounding)
                where d.id = v.id""")
                .param("ids", compiled.keySet().toArray(Long[]::new))
                .param("blocking", each(compiled, Compiled::blocking, Integer[]::new))
                .param("causes", each(compiled, Compiled::cause, String[]::new))
                .param("landsIn", each(compiled, Compiled::landsIn, String[]::new))
                .param("taxCodes", each(compiled, Compiled::taxCodes, String[]::new))
                .param("rounding", each(compiled, Compiled::rounding, Long[]::new))
                .update();
    }

    /// The other half: why.
    void updateFindings(Map<Long, Compiled> compiled) {
        forget(compiled.keySet());
        try (CopyAhead ahead = CopyAhead.on(dataSource)) {
            writeFindings(ahead, compiled);
        }
    }

    private static <T> T[] each(Map<Long, Compiled> compiled, Function<Compiled, T> column, IntFunction<T[]> array) {
        return compiled.values().stream().map(column).toArray(array);
    }

    private void forget(Set<Long> ids) {
        if (!ids.isEmpty()) {
            jdbc.sql("delete from finding where record_id = any(:ids)")
                    .param("ids", ids.toArray(Long[]::new))
                    .update();
        }
    }

    /// Of records that have none yet.
    public void writeFindings(CopyAhead ahead, Map<Long, Compiled> compiled) {
        Copy copy = new Copy();
        compiled.forEach((id, each) -> {
            int ordinal = 0;
            for (Finding finding : each.findings()) {
                copy.value(id)
                        .value(++ordinal)
                        .value(Compiled.severity(finding))
                        .value(finding.kind())
                        .value(finding.subject())
                        .value(KeptFindings.facts(finding))
                        .endRow();
            }
        });
        ahead.send(copy, "finding (record_id, ordinal, severity, kind, subject, facts)");
    }
}
