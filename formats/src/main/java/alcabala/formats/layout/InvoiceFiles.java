package alcabala.formats.layout;

import alcabala.accounting.posting.LedgerDocument;
import alcabala.formats.ubl.writing.UblDocument;
import alcabala.formats.ubl.writing.UblWriter;
import alcabala.formats.zip.ZipFile;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;

/// One file for each record: by itself if it is one, else in a ZIP.
final class InvoiceFiles {
    private static final String NO_PART_OF_A_NAME = "[^\\p{L}\\p{Nd}._-]+";
    /// So many are written side by side before they are packed: all of them would not fit into memory.
    private static final int AT_ONCE = 500;

    private final Layout layout;
    private final InvoiceFacts facts;

    private record Made(String reference, UblWriter.Invoice invoice) {}

    InvoiceFiles(Layout layout, InvoiceFacts facts) {
        this.layout = layout;
        this.facts = facts;
    }

    Written of(List<Exported> records, String delivery) {
        String name = layout.files().getFirst().name() + "-" + delivery;
        List<Written.Place> places = new ArrayList<>(records.size());
        List<Written.Gap> gaps = new ArrayList<>();
        Set<String> names = new HashSet<>();
        ZipFile zip = new ZipFile();
        byte[] last = new byte[0];
        for (int at = 0; at < records.size(); at += AT_ONCE) {
            List<Exported> some = records.subList(at, Math.min(at + AT_ONCE, records.size()));
            for (Made made : some.parallelStream().map(this::made).toList()) {
                last = made.invoice().content();
                String file = records.size() == 1 ? name + ".xml" : named(made.reference(), names);
                zip.add(file, last);
                places.add(new Written.Place(made.reference(), file, 1, 1));
                made.invoice().missing().forEach(missing -> gaps.add(new Written.Gap(made.reference(), missing)));
            }
        }
        Written.File file = records.size() == 1
                ? new Written.File(name + ".xml", last)
                : new Written.File(name + ".zip", zip.bytes());
        return new Written(List.of(file), List.copyOf(places), List.of(), List.copyOf(gaps));
    }

    private Made made(Exported record) {
        return new Made(record.reference(), UblWriter.write(document(record)));
    }

    private UblDocument document(Exported record) {
        if (!(record.entry() instanceof LedgerDocument document)) {
            throw new IllegalArgumentException(record.reference() + " is no document");
        }
        return new UblDocument(
                document,
                record.journal(),
                record.reference(),
                layout.own(),
                facts.party(record),
                facts.taxCodes(),
                facts.units());
    }

    /// What is left of two references may be the same.
    private static String named(String reference, Set<String> names) {
        String plain = reference.replaceAll(NO_PART_OF_A_NAME, "-");
        String name = plain;
        for (int n = 2; !names.add(name); n++) {
            name = plain + "-" + n;
        }
        return name + ".xml";
    }
}
