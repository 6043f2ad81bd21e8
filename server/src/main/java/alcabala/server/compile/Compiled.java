package alcabala.server.compile;

import alcabala.accounting.finding.Finding;
import alcabala.accounting.finding.Severity;
import alcabala.accounting.posting.Compilation;
import alcabala.accounting.posting.LedgerJournal;
import alcabala.accounting.posting.LedgerSettlement;
import alcabala.accounting.posting.ResolvedLine;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.Function;
import java.util.stream.Collectors;

/// What of a compilation is kept beside the record, to be listed and filtered by.
public record Compiled(
        List<Finding> findings, int blocking, String cause, String landsIn, String taxCodes, long rounding) {
    public static Compiled of(Compilation compilation) {
        List<Finding> blocking = compilation.findings().stream()
                .filter(finding -> finding.severity() == Severity.BLOCKS)
                .toList();
        return new Compiled(
                compilation.findings(),
                blocking.size(),
                blocking.isEmpty() ? "" : blocking.getFirst().cause(),
                landsIn(compilation),
                join(compilation.lines(), ResolvedLine::taxCode),
                compilation.tax().map(t -> t.rounding().getAmountMinorLong()).orElse(0L));
    }

    private static String landsIn(Compilation compilation) {
        return switch (compilation.entry().orElse(null)) {
            case LedgerSettlement settlement -> settlement.account();
            case LedgerJournal journal -> journal.entries().getFirst().account();
            case null, default -> join(compilation.lines(), ResolvedLine::account);
        };
    }

    /// `blocks` or `warns`.
    public static String severity(Finding finding) {
        return finding.severity() == Severity.BLOCKS ? "blocks" : "warns";
    }

    /// What the trail says of it.
    public Map<String, Object> told() {
        Set<String> causes = findings.stream().map(Finding::cause).collect(Collectors.toSet());
        return Map.of("blocking", blocking, "causes", causes, "landsIn", landsIn);
    }

    /// The same, of what was looked at anew.
    ///
    /// @param because the change that made it so
    Map<String, Object> told(String because) {
        Map<String, Object> told = new LinkedHashMap<>(told());
        told.put("change", because);
        return told;
    }

    private static String join(List<ResolvedLine> lines, Function<ResolvedLine, String> what) {
        return lines.stream()
                .map(what)
                .filter(text -> !text.isEmpty())
                .distinct()
                .sorted()
                .collect(Collectors.joining(", "));
    }
}
