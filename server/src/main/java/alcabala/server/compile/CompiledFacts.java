package alcabala.server.compile;

import alcabala.accounting.finding.Finding;
import alcabala.server.platform.Copy;
import alcabala.server.platform.CopyAhead;
import alcabala.server.platform.KeptFindings;
import java.util.Map;
import java.util.Set;
import javax.sql.DataSource;
import org.springframework.jdbc.core.namedparam.MapSqlParameterSource;
import org.springframework.jdbc.core.namedparam.NamedParameterJdbcTemplate;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;

/// What the last compiling said of each record: the columns of `record` and the findings that only this package writes.
@Component
public class CompiledFacts {
    /// In the order in which [#put] writes them.
    public static final String COLUMNS = "blocking, cause, lands_in, tax_codes, rounding";
    private final JdbcClient jdbc;
    private final NamedParameterJdbcTemplate template;
    private final DataSource dataSource;

    CompiledFacts(JdbcClient jdbc, NamedParameterJdbcTemplate template, DataSource dataSource) {
        this.jdbc = jdbc;
        this.template = template;
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
        template.batchUpdate(
                """
                update record set blocking = :blocking, cause = :cause, lands_in = :landsIn, tax_codes = :taxCodes,
                    rounding = :rounding, version = version + 1
                where id = :id""",
                compiled.entrySet().stream()
                        .map(each -> values(each.getKey(), each.getValue()))
                        .toArray(MapSqlParameterSource[]::new));
        forget(compiled.keySet());
        try (CopyAhead ahead = CopyAhead.on(dataSource)) {
            writeFindings(ahead, compiled);
        }
    }

    private static MapSqlParameterSource values(long id, Compiled compiled) {
        return new MapSqlParameterSource("id", id)
                .addValue("blocking", compiled.blocking())
                .addValue("cause", compiled.cause())
                .addValue("landsIn", compiled.landsIn())
                .addValue("taxCodes", compiled.taxCodes())
                .addValue("rounding", compiled.rounding());
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
