package alcabala.server.release;

import alcabala.accounting.crosswalk.Crosswalk;
import alcabala.accounting.crosswalk.RowKind;
import alcabala.accounting.document.Document;
import alcabala.accounting.document.DocumentLine;
import alcabala.accounting.finding.Finding;
import alcabala.accounting.finding.Severity;
import alcabala.accounting.posting.Compilation;
import alcabala.accounting.posting.ResolvedLine;
import alcabala.server.map.Mapping;
import alcabala.server.platform.Sentences;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;

/// What of a compilation is kept beside the document, to be listed and filtered by.
record Compiled(List<FindingRow> findings, int blocking, String cause, String landsIn, String taxCodes, long rounding) {
    /// @param severity `blocks` or `warns`
    record FindingRow(String severity, String cause, String sentence) {
        static FindingRow of(Finding finding) {
            return new FindingRow(
                    finding.severity() == Severity.BLOCKS ? "blocks" : "warns", finding.cause(), Sentences.of(finding));
        }
    }

    static Compiled of(Compilation compilation) {
        List<FindingRow> findings =
                compilation.findings().stream().map(FindingRow::of).toList();
        List<FindingRow> blocking =
                findings.stream().filter(f -> f.severity().equals("blocks")).toList();
        return new Compiled(
                findings,
                blocking.size(),
                blocking.isEmpty() ? "" : blocking.getFirst().cause(),
                join(compilation.lines(), ResolvedLine::account),
                join(compilation.lines(), ResolvedLine::taxCode),
                compilation.tax().map(t -> t.rounding().getAmountMinorLong()).orElse(0L));
    }

    /// The codes a document uses, by which it is found again when one of them is mapped.
    static Set<String> refs(Document document) {
        Set<String> refs = new LinkedHashSet<>();
        refs.add(Mapping.ref(RowKind.LINE, Crosswalk.lineCode(document, "")));
        refs.add(Mapping.ref(RowKind.PARTY, document.counterparty().code()));
        if (!document.kind().isSale()) {
            refs.add(Mapping.ref(RowKind.SUPPLIER, document.seller().code()));
        }
        for (DocumentLine line : document.lines()) {
            if (document.kind().isSale()) {
                addSold(line, refs);
            }
            refs.add(Mapping.ref(RowKind.TAX, line.tax().key()));
        }
        return refs;
    }

    private static void addSold(DocumentLine line, Set<String> refs) {
        if (!line.item().isEmpty()) {
            refs.add(Mapping.ref(RowKind.ITEM, line.item()));
        }
        if (!line.category().isEmpty()) {
            refs.add(Mapping.ref(RowKind.CATEGORY, line.category()));
        }
    }

    private static String join(List<ResolvedLine> lines, java.util.function.Function<ResolvedLine, String> what) {
        return lines.stream()
                .map(what)
                .filter(text -> !text.isEmpty())
                .distinct()
                .sorted()
                .collect(Collectors.joining(", "));
    }
}
