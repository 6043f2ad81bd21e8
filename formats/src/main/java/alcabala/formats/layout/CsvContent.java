package alcabala.formats.layout;

import de.siegmar.fastcsv.writer.CsvWriter;
import de.siegmar.fastcsv.writer.LineDelimiter;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.StringWriter;
import java.io.UncheckedIOException;
import java.math.BigDecimal;
import java.nio.ByteBuffer;
import java.nio.CharBuffer;
import java.nio.charset.CharacterCodingException;
import java.nio.charset.CharsetEncoder;
import java.nio.charset.CodingErrorAction;
import java.time.format.DateTimeFormatter;
import java.util.List;

/// Text with separators, as the form says.
final class CsvContent {
    private static final int[] UTF_8_MARK = {0xEF, 0xBB, 0xBF};
    private static final int[] UTF_16_MARK = {0xFF, 0xFE};
    private final TextForm form;
    private final DateTimeFormatter day;

    CsvContent(TextForm form) {
        this.form = form;
        this.day = form.day();
    }

    /// @throws CharacterCodingException with the first text that the encoding cannot write
    byte[] of(LayoutFile file, List<LayoutRow> rows) throws CharacterCodingException {
        StringWriter text = new StringWriter();
        try (CsvWriter csv = CsvWriter.builder()
                .fieldSeparator(form.separator())
                .lineDelimiter(form.crlf() ? LineDelimiter.CRLF : LineDelimiter.LF)
                .build(text)) {
            if (file.headed()) {
                csv.writeRecord(
                        file.columns().stream().map(LayoutColumn::heading).toList());
            }
            for (LayoutRow row : rows) {
                csv.writeRecord(row.cells().stream().map(this::cell).toList());
            }
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return encoded(text.toString());
    }

    /// As it stands in the file, but for quotation marks.
    String cell(Value value) {
        return switch (value) {
            case Value.Text text -> text.text();
            case Value.Day date -> day.format(date.day());
            case Value.Number number -> number(number.scaled());
        };
    }

    private String number(BigDecimal number) {
        String plain = number.abs().toPlainString();
        int point = plain.indexOf('.');
        String whole = point < 0 ? plain : plain.substring(0, point);
        String rest = point < 0 ? "" : form.decimalSign() + plain.substring(point + 1);
        StringBuilder grouped = new StringBuilder(whole);
        for (int i = whole.length() - 3; i > 0 && !form.grouping().isEmpty(); i -= 3) {
            grouped.insert(i, form.grouping());
        }
        return (number.signum() < 0 ? "-" : "") + grouped + rest;
    }

    private byte[] encoded(String text) throws CharacterCodingException {
        ByteArrayOutputStream bytes = new ByteArrayOutputStream();
        boolean wide = form.encoding() == TextForm.Encoding.UTF_16;
        boolean marked = wide || (form.marked() && form.encoding() == TextForm.Encoding.UTF_8);
        for (int each : marked ? (wide ? UTF_16_MARK : UTF_8_MARK) : new int[0]) {
            bytes.write(each);
        }
        CharsetEncoder encoder = form.encoding()
                .charset()
                .newEncoder()
                .onUnmappableCharacter(CodingErrorAction.REPORT)
                .onMalformedInput(CodingErrorAction.REPORT);
        CharBuffer in = CharBuffer.wrap(text);
        try {
            ByteBuffer out = encoder.encode(in);
            bytes.write(out.array(), out.arrayOffset(), out.remaining());
        } catch (CharacterCodingException e) {
            throw new Unwritable(lineAt(text, in.position()));
        }
        return bytes.toByteArray();
    }

    private static String lineAt(String text, int at) {
        int from = text.lastIndexOf('\n', Math.max(at - 1, 0)) + 1;
        int to = text.indexOf('\n', at);
        return text.substring(from, to < 0 ? text.length() : to).strip();
    }

    private static final class Unwritable extends CharacterCodingException {
        private final String line;

        Unwritable(String line) {
            this.line = line;
        }

        @Override
        public String getMessage() {
            return line;
        }
    }
}
