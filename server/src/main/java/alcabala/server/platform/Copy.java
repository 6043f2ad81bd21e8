package alcabala.server.platform;

import java.io.ByteArrayOutputStream;
import java.nio.charset.StandardCharsets;
import javax.sql.DataSource;

/// Rows for PostgreSQL's COPY in its text format, as the bytes that are sent.
public final class Copy {
    private static final byte[] HEX = "0123456789abcdef".getBytes(StandardCharsets.US_ASCII);
    private final ByteArrayOutputStream rows = new ByteArrayOutputStream();
    private boolean started;

    /// A value of the row that is being written; null is null.
    public Copy value(Object value) {
        if (started) {
            rows.write('\t');
        }
        started = true;
        switch (value) {
            case null -> write("\\N");
            case byte[] bytes -> hex(bytes);
            default -> escape(value.toString());
        }
        return this;
    }

    public Copy endRow() {
        rows.write('\n');
        started = false;
        return this;
    }

    /// On the connection of the running transaction.
    ///
    /// @param into the table with its columns, such as `finding (record_id, cause)`
    public void send(DataSource dataSource, String into) {
        try (CopyAhead ahead = CopyAhead.on(dataSource)) {
            ahead.send(this, into);
        }
    }

    boolean isEmpty() {
        return rows.size() == 0;
    }

    byte[] bytes() {
        return rows.toByteArray();
    }

    private void hex(byte[] bytes) {
        byte[] digits = new byte[bytes.length * 2];
        for (int i = 0; i < bytes.length; i++) {
            digits[2 * i] = HEX[bytes[i] >> 4 & 0xf];
            digits[2 * i + 1] = HEX[bytes[i] & 0xf];
        }
        write("\\\\x");
        rows.writeBytes(digits);
    }

    /// Most text has nothing to escape, so that it is taken in runs.
    private void escape(String text) {
        int from = 0;
        for (int i = 0; i < text.length(); i++) {
            String instead = escaped(text.charAt(i));
            if (instead != null) {
                write(text.substring(from, i));
                write(instead);
                from = i + 1;
            }
        }
        write(from == 0 ? text : text.substring(from));
    }

    private static String escaped(char c) {
        return switch (c) {
            case '\\' -> "\\\\";
            case '\t' -> "\\t";
            case '\n' -> "\\n";
            case '\r' -> "\\r";
            // PostgreSQL keeps no such character.
            case 0 -> "";
            default -> null;
        };
    }

    private void write(String text) {
        rows.writeBytes(text.getBytes(StandardCharsets.UTF_8));
    }

    /// `{a,b}` for a text array column.
    public static String array(Iterable<String> values) {
        StringBuilder array = new StringBuilder("{");
        for (String value : values) {
            array.append(array.length() > 1 ? "," : "")
                    .append('"')
                    .append(value.replace("\\", "\\\\").replace("\"", "\\\""))
                    .append('"');
        }
        return array.append('}').toString();
    }
}
