package alcabala.formats.layout;

import alcabala.formats.grid.Grid;
import alcabala.formats.grid.GridFile;
import alcabala.formats.layout.Layout.Carries;
import alcabala.formats.layout.LayoutField.Scope;
import java.nio.charset.CharacterCodingException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.regex.Pattern;
import java.util.stream.Stream;

/// Makes a layout after a file of the ledger's own: how it is written is seen from it, and what its columns hold is
/// guessed from their headings. Whatever is not recognised stays, as a fixed text, and is for a person to say.
public final class LayoutExample {
    /// Words of headings, without blanks and signs; the first that fits.
    private static final Map<LayoutField, Pattern> WORDS = new LinkedHashMap<>();

    static {
        word(LayoutField.DUE_DATE, "due(date|on)?|payby|maturity");
        word(LayoutField.PRECEDING_NUMBER, "corrects|credits?(of|no|number)|original(no|number|invoice)?");
        word(LayoutField.REFERENCE, "(our|external|source|your)?(reference|ref|key|id)");
        word(LayoutField.DELIVERY, "delivery|batch(no|number|id)?");
        word(LayoutField.KIND, "(doc(ument)?)?(type|kind)");
        word(LayoutField.PARTY_NAME, "(party|customer|supplier|client|vendor)?name|(customer|supplier|client|vendor)");
        word(LayoutField.PARTY, "(party|customer|supplier|client|vendor|contact)(no|number|code|id)?");
        word(LayoutField.CURRENCY, "(currency|ccy|cur)(code)?");
        word(LayoutField.RATE, "(exchange|fx|currency)?rate");
        word(LayoutField.RECORD_TAX_CODE, "(tax|vat|gst)code");
        word(LayoutField.DEBIT, "debit|dr");
        word(LayoutField.CREDIT, "credit|cr");
        word(LayoutField.QUANTITY, "quantity|qty|units?");
        word(LayoutField.PRICE, "(unit)?price|each");
        word(LayoutField.ITEM, "(item|product|article|sku)(no|number|code)?");
        word(LayoutField.ACCOUNT, "(gl|ledger|nominal|revenue|income|expense)?(account|acc)(no|number|code)?");
        word(LayoutField.DESCRIPTION, "(line)?(description|text|details?|memo|narrative|particulars)");
        word(LayoutField.TERMS, "(payment)?terms(code)?");
        word(LayoutField.TAX, "(tax|vat|gst)(amount|total)?");
        word(LayoutField.GROSS, "gross(amount|total)?|(grand)?total|amountdue");
        word(LayoutField.AMOUNT, "(line|net)?(amount|total|value)|net|sum");
        word(LayoutField.DATE, "((doc(ument)?|invoice|posting|bill|journal|transaction)?date|day)");
        word(LayoutField.NUMBER, "(doc(ument)?|invoice|bill|journal|voucher|supplier's|suppliers)?(no|number|num)");
        word(LayoutField.NOTE, "notes?|comments?|remarks?");
    }

    private static final Pattern DAY = Pattern.compile("(\\d{1,4})([-/. ])(\\d{1,2})\\2(\\d{1,4})");
    private static final Pattern COMMA_LAST = Pattern.compile("-?[\\d. ']*\\d,\\d{1,4}");

    /// As long as the name of a sheet may be.
    private static final int LONGEST_NAME = 30;
    private static final int LONGEST_TEXT = 200;

    private final Grid grid;
    private final Carries carries;

    private LayoutExample(Grid grid, Carries carries) {
        this.grid = grid;
        this.carries = carries;
    }

    private static void word(LayoutField field, String pattern) {
        WORDS.put(field, Pattern.compile(pattern));
    }

    /// @return empty when there is no table in it
    public static Optional<Layout> understand(String name, Carries carries, byte[] content) {
        if (!(GridFile.read(content) instanceof GridFile.Outcome.Read read)) {
            return Optional.empty();
        }
        return read.file().sheets().stream()
                .filter(sheet -> !sheet.rows().isEmpty()
                        && sheet.rows().getFirst().cells().size() <= LayoutFile.MOST_COLUMNS)
                .findFirst()
                .map(sheet -> new LayoutExample(sheet, carries).layout(name, content));
    }

    private Layout layout(String name, byte[] content) {
        boolean book = content.length > 1 && content[0] == 'P' && content[1] == 'K';
        List<String> heads = grid.rows().getFirst().cells().stream()
                .map(cell -> cut(cell.text().strip()))
                .toList();
        Scope per = per(heads);
        List<LayoutColumn> columns = new ArrayList<>(heads.size());
        for (int i = 0; i < heads.size(); i++) {
            columns.add(column(heads.get(i), i, per));
        }
        String bare = name.replaceAll("[^\\p{L}\\p{Nd}-]+", "-").toLowerCase(Locale.ROOT);
        String file = bare.isEmpty() ? "file" : bare.substring(0, Math.min(bare.length(), LONGEST_NAME));
        return new Layout(
                name,
                carries,
                book ? Layout.Medium.XLSX : Layout.Medium.CSV,
                book ? TextForm.PLAIN : form(content),
                false,
                List.of(new LayoutFile(file, per, true, columns, List.of())));
    }

    /// With debits or credits a row is a booking; where one number stands on several rows, a line.
    private Scope per(List<String> heads) {
        List<LayoutField> fields = heads.stream()
                .map(head -> field(head).orElse(LayoutField.FIXED))
                .toList();
        if (fields.contains(LayoutField.DEBIT) || carries == Carries.SETTLEMENTS) {
            return Scope.BOOKING;
        }
        boolean ofLines = fields.stream().anyMatch(field -> field.scope() == Scope.LINE && field != LayoutField.AMOUNT);
        int number = Math.max(fields.indexOf(LayoutField.NUMBER), fields.indexOf(LayoutField.REFERENCE));
        boolean repeats = number >= 0
                && values(number).distinct().count() < values(number).count();
        return ofLines || repeats ? Scope.LINE : Scope.RECORD;
    }

    private static String cut(String text) {
        return text.substring(0, Math.min(text.length(), LONGEST_TEXT));
    }

    private Stream<String> values(int column) {
        return grid.rows().stream()
                .skip(1)
                .map(row -> row.cell(column).text().strip())
                .filter(text -> !text.isEmpty());
    }

    static Optional<LayoutField> field(String head) {
        String bare = head.toLowerCase(Locale.ROOT).replaceAll("[^\\p{L}']+", "");
        return WORDS.entrySet().stream()
                .filter(each -> each.getValue().matcher(bare).matches())
                .map(Map.Entry::getKey)
                .findFirst();
    }

    private LayoutColumn column(String head, int place, Scope per) {
        Optional<LayoutField> field = field(head).map(each -> within(each, per)).filter(each -> fits(each, per));
        if (field.isEmpty()) {
            List<String> texts = values(place).distinct().limit(2).toList();
            return new LayoutColumn(head, LayoutField.FIXED, texts.size() == 1 ? cut(texts.getFirst()) : "", Map.of());
        }
        return new LayoutColumn(
                head,
                field.get(),
                "",
                field.get() == LayoutField.KIND ? kinds(values(place).distinct().toList()) : Map.of());
    }

    /// What a heading means depends on what a row is.
    private static LayoutField within(LayoutField field, Scope per) {
        return switch (field) {
            case ACCOUNT ->
                per == Scope.BOOKING
                        ? LayoutField.BOOKED_ACCOUNT
                        : per == Scope.RECORD ? LayoutField.CONTROL_ACCOUNT : field;
            case AMOUNT -> per == Scope.BOOKING ? LayoutField.SIGNED : per == Scope.RECORD ? LayoutField.NET : field;
            case DESCRIPTION -> per == Scope.LINE ? field : LayoutField.NOTE;
            case PARTY -> per == Scope.BOOKING ? LayoutField.BOOKED_PARTY : field;
            default -> field;
        };
    }

    private static boolean fits(LayoutField field, Scope per) {
        return field.scope().compareTo(Scope.RECORD) <= 0 || field.scope() == per;
    }

    /// The words of a ledger for what it takes, told by their first letters.
    private Map<String, String> kinds(List<String> words) {
        List<String> ours = switch (carries) {
            case SALES -> List.of("invoice", "credit-note");
            case PURCHASES -> List.of("bill", "supplier-credit");
            case SETTLEMENTS -> List.of("payment-in", "refund");
        };
        Map<String, String> kinds = new LinkedHashMap<>();
        for (String word : words) {
            boolean credit = word.toLowerCase(Locale.ROOT).matches(".*(c(r|n)|credit|refund).*");
            kinds.putIfAbsent(ours.get(credit ? 1 : 0), word);
        }
        return kinds;
    }

    private TextForm form(byte[] content) {
        TextForm.Encoding encoding = encoding(content);
        boolean marked = content.length > 2 && content[0] == (byte) 0xEF && content[1] == (byte) 0xBB;
        String text = new String(content, encoding.charset());
        String head = text.lines().findFirst().orElse("");
        char separator = Stream.of(';', '\t', ',', '|')
                .max(java.util.Comparator.comparingLong(
                        sign -> head.chars().filter(each -> each == sign).count()))
                .orElse(';');
        boolean comma = grid.rows().stream()
                .skip(1)
                .flatMap(row -> row.cells().stream())
                .anyMatch(cell -> COMMA_LAST.matcher(cell.text().strip()).matches());
        return new TextForm(encoding, marked, separator, text.contains("\r\n"), days(), comma ? ',' : '.', "");
    }

    private static TextForm.Encoding encoding(byte[] content) {
        if (content.length > 1 && content[0] == (byte) 0xFF && content[1] == (byte) 0xFE) {
            return TextForm.Encoding.UTF_16;
        }
        try {
            StandardCharsets.UTF_8.newDecoder().decode(java.nio.ByteBuffer.wrap(content));
            return TextForm.Encoding.UTF_8;
        } catch (CharacterCodingException e) {
            return TextForm.Encoding.WINDOWS_1252;
        }
    }

    /// Which part is the day shows where one of them is above twelve.
    private String days() {
        List<java.util.regex.Matcher> found = grid.rows().stream()
                .skip(1)
                .flatMap(row -> row.cells().stream())
                .map(cell -> DAY.matcher(cell.text().strip()))
                .filter(java.util.regex.Matcher::matches)
                .toList();
        if (found.isEmpty()) {
            return TextForm.PLAIN.days();
        }
        String sign = found.getFirst().group(2);
        if (found.getFirst().group(1).length() == 4) {
            return "uuuu" + sign + "MM" + sign + "dd";
        }
        boolean monthFirst = found.stream().anyMatch(day -> Integer.parseInt(day.group(3)) > 12);
        String year = found.getFirst().group(4).length() == 4 ? "uuuu" : "uu";
        return monthFirst ? "MM" + sign + "dd" + sign + year : "dd" + sign + "MM" + sign + year;
    }
}
