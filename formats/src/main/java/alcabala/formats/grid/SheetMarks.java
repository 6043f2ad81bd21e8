package alcabala.formats.grid;

import java.io.IOException;
import java.io.InputStream;
import java.util.ArrayList;
import java.util.BitSet;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import javax.xml.stream.XMLInputFactory;
import javax.xml.stream.XMLStreamConstants;
import javax.xml.stream.XMLStreamException;
import javax.xml.stream.XMLStreamReader;
import org.apache.commons.compress.archivers.zip.ZipArchiveEntry;
import org.apache.commons.compress.archivers.zip.ZipFile;

/// What a sheet says of its cells beside what is in them: which columns are out of sight, and which cells were merged
/// (ECMA-376, 18.3.1.13 and 18.3.1.55).
final class SheetMarks {
    private static final String BOOK = "xl/workbook.xml";
    private static final String RELATIONS = "xl/_rels/workbook.xml.rels";
    /// What more was merged is read as it stands.
    private static final int MOST_MERGED_ROWS = 200_000;
    private static final Pattern SPAN = Pattern.compile("([A-Z]{1,3})(\\d{1,7}):([A-Z]{1,3})(\\d{1,7})");
    private final BitSet hidden = new BitSet();
    private int room = MOST_MERGED_ROWS;
    /// By row, so that a cell is looked up among those of its row.
    private final Map<Integer, List<Span>> byRow = new HashMap<>();

    /// Places from 0 on, both ends included.
    private record Span(int top, int left, int bottom, int right) {
        boolean covers(int row, int column) {
            return row >= top && row <= bottom && column >= left && column <= right && !(row == top && column == left);
        }
    }

    /// Of all sheets by their names.
    record All(Map<String, SheetMarks> marks) {
        SheetMarks of(String sheet) {
            return marks.getOrDefault(sheet, new SheetMarks());
        }
    }

    boolean isHidden(int column) {
        return hidden.get(column);
    }

    boolean isCovered(int row, int column) {
        return byRow.getOrDefault(row, List.of()).stream().anyMatch(span -> span.covers(row, column));
    }

    static All read(byte[] content) throws IOException {
        Map<String, SheetMarks> marks = new HashMap<>();
        try (ZipFile zip = ZipFile.builder().setByteArray(content).get()) {
            Map<String, String> parts = new HashMap<>();
            elements(zip, RELATIONS, xml -> {
                if (xml.getLocalName().equals("Relationship")) {
                    parts.put(attribute(xml, "Id"), attribute(xml, "Target"));
                }
            });
            Map<String, String> sheets = new HashMap<>();
            elements(zip, BOOK, xml -> {
                if (xml.getLocalName().equals("sheet")) {
                    sheets.put(attribute(xml, "name"), parts.getOrDefault(attribute(xml, "id"), ""));
                }
            });
            for (Map.Entry<String, String> sheet : sheets.entrySet()) {
                SheetMarks found = new SheetMarks();
                elements(zip, partOf(sheet.getValue()), found::take);
                marks.put(sheet.getKey(), found);
            }
        } catch (XMLStreamException e) {
            // Whoever reads the cells says that it is damaged.
            return new All(Map.of());
        }
        return new All(marks);
    }

    private static String partOf(String target) {
        return target.startsWith("/") ? target.substring(1) : "xl/" + target;
    }

    private void take(XMLStreamReader xml) {
        if (xml.getLocalName().equals("col") && isTrue(attribute(xml, "hidden"))) {
            int from = number(attribute(xml, "min"));
            int to = Math.min(number(attribute(xml, "max")), GridFile.MOST_COLUMNS + 1);
            if (from > 0 && to >= from) {
                hidden.set(from - 1, to);
            }
        } else if (xml.getLocalName().equals("mergeCell")) {
            Matcher span = SPAN.matcher(attribute(xml, "ref"));
            if (span.matches()) {
                merge(new Span(
                        number(span.group(2)) - 1,
                        column(span.group(1)),
                        number(span.group(4)) - 1,
                        column(span.group(3))));
            }
        }
    }

    private void merge(Span span) {
        for (int row = span.top(); row <= span.bottom() && room > 0; row++, room--) {
            byRow.computeIfAbsent(row, key -> new ArrayList<>()).add(span);
        }
    }

    private static boolean isTrue(String value) {
        return value.equals("1") || value.equals("true");
    }

    private static int number(String digits) {
        return digits.matches("\\d{1,7}") ? Integer.parseInt(digits) : 0;
    }

    private static int column(String letters) {
        return letters.chars().reduce(0, (sum, letter) -> sum * 26 + letter - 'A' + 1) - 1;
    }

    private static String attribute(XMLStreamReader xml, String name) {
        for (int i = 0; i < xml.getAttributeCount(); i++) {
            if (xml.getAttributeLocalName(i).equals(name)) {
                return xml.getAttributeValue(i);
            }
        }
        return "";
    }

    private interface Taker {
        void take(XMLStreamReader xml);
    }

    private static void elements(ZipFile zip, String part, Taker taker) throws IOException, XMLStreamException {
        ZipArchiveEntry entry = zip.getEntry(part);
        if (entry == null) {
            return;
        }
        XMLInputFactory factory = XMLInputFactory.newDefaultFactory();
        factory.setProperty(XMLInputFactory.SUPPORT_DTD, false);
        factory.setProperty(XMLInputFactory.IS_SUPPORTING_EXTERNAL_ENTITIES, false);
        try (InputStream in = zip.getInputStream(entry)) {
            XMLStreamReader xml = factory.createXMLStreamReader(in);
            while (xml.hasNext()) {
                if (xml.next() == XMLStreamConstants.START_ELEMENT) {
                    taker.take(xml);
                }
            }
        }
    }
}
