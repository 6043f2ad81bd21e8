package alcabala.server.record;

import alcabala.accounting.crosswalk.Crosswalk;
import alcabala.accounting.crosswalk.RowKind;
import alcabala.accounting.document.Document;
import alcabala.accounting.document.DocumentLine;
import alcabala.accounting.record.Record;
import alcabala.accounting.settlement.Settlement;
import java.util.LinkedHashSet;
import java.util.Locale;
import java.util.Set;
import java.util.stream.Collectors;

/// The codes that a record uses, by which it is found again when one of them is mapped.
public final class Refs {
    private Refs() {}

    /// `item:RIG-0042`: how a record says that it uses a code. An override concerns its document: `line:HW-20417`.
    public static String of(RowKind kind, String code) {
        String used = switch (kind) {
            case LINE -> code.substring(0, code.lastIndexOf('/'));
            // Whoever pays for somebody is looked at with all that he paid.
            case PAYER -> code.substring(0, code.indexOf(" > "));
            case PARTY, ITEM, CATEGORY, TAX, ROLE, SUPPLIER, MEANS -> code;
        };
        return (kind == RowKind.PAYER ? RowKind.PARTY : kind).name().toLowerCase(Locale.ROOT) + ":" + used;
    }

    public static Set<String> of(Record record) {
        return switch (record) {
            case Document document -> of(document);
            case Settlement settlement -> of(settlement);
        };
    }

    /// `settles:invoice HW-20417`: how a settlement says that it settles a document.
    public static String settles(String document) {
        return "settles:" + document;
    }

    /// The settlements that have to be looked at again when something became of a record.
    public static Set<String> settled(Record record) {
        return switch (record) {
            case Document document -> Set.of(settles(document.kind().word() + " " + document.number()));
            case Settlement settlement -> settled(settlement);
        };
    }

    private static Set<String> settled(Settlement settlement) {
        return settlement.allocations().stream()
                .map(allocation -> settles(allocation.names()))
                .collect(Collectors.toSet());
    }

    private static Set<String> of(Settlement settlement) {
        Set<String> refs = new LinkedHashSet<>(settled(settlement));
        refs.add(of(RowKind.PARTY, settlement.party().code()));
        refs.add(of(
                RowKind.MEANS,
                Crosswalk.meansCode(settlement.means(), settlement.currency().getCode())));
        return refs;
    }

    private static Set<String> of(Document document) {
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
