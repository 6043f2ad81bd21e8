package alcabala.server.record;

import alcabala.accounting.crosswalk.Crosswalk;
import alcabala.accounting.crosswalk.RowKind;
import alcabala.accounting.document.Document;
import alcabala.accounting.document.DocumentLine;
import java.util.LinkedHashSet;
import java.util.Locale;
import java.util.Set;

/// The codes that a record uses, by which it is found again when one of them is mapped.
public final class Refs {
    private Refs() {}

    /// `item:RIG-0042`: how a record says that it uses a code. An override concerns its document: `line:HW-20417`.
    public static String of(RowKind kind, String code) {
        String used = kind == RowKind.LINE ? code.substring(0, code.lastIndexOf('/')) : code;
        return kind.name().toLowerCase(Locale.ROOT) + ":" + used;
    }

    public static Set<String> of(Document document) {
        Set<String> refs = new LinkedHashSet<>();
        refs.add(of(RowKind.LINE, Crosswalk.lineCode(document, "")));
        refs.add(of(RowKind.PARTY, document.counterparty().code()));
        if (!document.kind().isSale()) {
            refs.add(of(RowKind.SUPPLIER, document.seller().code()));
        }
        for (DocumentLine line : document.lines()) {
            if (document.kind().isSale()) {
                addSold(line, refs);
            }
            refs.add(of(RowKind.TAX, line.tax().key()));
        }
        return refs;
    }

    private static void addSold(DocumentLine line, Set<String> refs) {
        if (!line.item().isEmpty()) {
            refs.add(of(RowKind.ITEM, line.item()));
        }
        if (!line.category().isEmpty()) {
            refs.add(of(RowKind.CATEGORY, line.category()));
        }
    }
}
