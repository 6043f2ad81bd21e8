package alcabala.formats.layout;

import alcabala.accounting.posting.LedgerDocument;
import alcabala.formats.ubl.writing.Missing;
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
    private final Layout layout;
    private final InvoiceFacts facts;

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
        for (Exported record : records) {
            UblDocument document = document(record);
            last = UblWriter.write(document);
            String file = records.size() == 1 ? name + ".xml" : named(record.reference(), names);
            zip.add(file, last);
            places.add(new Written.Place(record.reference(), file, 1, 1));
            Missing.of(document).forEach(missing -> gaps.add(new Written.Gap(record.reference(), missing)));
        }
        Written.File file = records.size() == 1
                ? new Written.File(name + ".xml", last)
                : new Written.File(name + ".zip", zip.bytes());
        return new Written(List.of(file), List.copyOf(places), List.of(), List.copyOf(gaps));
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
