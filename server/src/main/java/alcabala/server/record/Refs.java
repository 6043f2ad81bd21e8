package alcabala.server.record;

import alcabala.accounting.crosswalk.Crosswalk;
import alcabala.accounting.crosswalk.RowKind;
import alcabala.accounting.custom.FieldValue;
import alcabala.accounting.document.Document;
import alcabala.accounting.document.DocumentLine;
import alcabala.accounting.posting.Customers;
import alcabala.accounting.record.Record;
import alcabala.accounting.record.RecordKind;
import alcabala.accounting.settlement.Banking;
import alcabala.accounting.settlement.Settlement;
import java.util.LinkedHashSet;
import java.util.Locale;
import java.util.Set;
import java.util.stream.Collectors;

/// The codes that a record uses, by which it is found again when one of them is mapped.
public final class Refs {
    private Refs() {}

    /// `item:RIG-0042`: how a record says that it uses a code.
    public static String of(RowKind kind, String code) {
        // Whoever pays for somebody is looked at with all that he paid.
        return kind == RowKind.PAYER
                ? of(RowKind.PARTY, code.substring(0, code.indexOf(" > ")))
                : kind.name().toLowerCase(Locale.ROOT) + ":" + code;
    }

    public static Set<String> of(Record record) {
        return switch (record) {
            case Document document -> of(document);
            case Settlement settlement -> of(settlement);
            case Banking banking -> of(banking);
        };
    }

    /// `settles:invoice HW-20417`: how a settlement says that it settles a document, and a credit note that it is of
    /// one.
    public static String settles(String document) {
        return "settles:" + document;
    }

    /// How whatever settles a record, or takes it to the bank, says so.
    public static String own(Record record) {
        return settles(record.kind().word() + " " + record.number());
    }

    /// What has to be looked at again when something became of a record.
    public static Set<String> settled(Record record) {
        return switch (record) {
            case Document document -> Set.of(own(document));
            case Settlement settlement -> {
                Set<String> refs = new LinkedHashSet<>(settled(settlement));
                refs.add(own(settlement));
                yield refs;
            }
            case Banking banking -> Set.of();
        };
    }

    private static Set<String> settled(Settlement settlement) {
        return settlement.allocations().stream()
                .map(allocation -> settles(allocation.names()))
                .collect(Collectors.toSet());
    }

    private static Set<String> of(Banking banking) {
        return banking.receipts().stream()
                .map(receipt -> settles(receipt.names()))
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
        refs.add(of(RowKind.PARTY, document.counterparty().code()));
        document.lines().stream()
                .map(DocumentLine::project)
                .distinct()
                .filter(project -> document.kind().isSale() && !project.isEmpty())
                .map(project -> Customers.code(document.buyer().code(), project))
                .forEach(customer -> refs.add(of(RowKind.PARTY, customer)));
        if (document.kind().isCredit() && !document.precedingNumber().isEmpty()) {
            refs.add(settles(credited(document)));
        }
        if (!document.kind().isSale()) {
            refs.add(of(RowKind.SUPPLIER, document.seller().code()));
        }
        addIfAny(RowKind.TERMS, document.terms(), refs);
        document.fields().stream()
                .filter(FieldValue::mayBeChosen)
                .map(each -> of(RowKind.CHOICE, Crosswalk.choiceCode(each.field(), each.value())))
                .forEach(refs::add);
        for (DocumentLine line : document.lines()) {
            if (document.kind().isSale()) {
                addSold(line, refs);
            }
            refs.add(of(RowKind.TAX, line.tax().key()));
            addIfAny(RowKind.PROJECT, line.project(), refs);
        }
        return refs;
    }

    private static String credited(Document document) {
        RecordKind kind = document.kind().isSale() ? RecordKind.INVOICE : RecordKind.BILL;
        return kind.word() + " " + document.precedingNumber();
    }

    private static void addSold(DocumentLine line, Set<String> refs) {
        addIfAny(RowKind.ITEM, line.item(), refs);
        addIfAny(RowKind.CATEGORY, line.category(), refs);
    }

    private static void addIfAny(RowKind kind, String code, Set<String> refs) {
        if (!code.isEmpty()) {
            refs.add(of(kind, code));
        }
    }
}
