package alcabala.server.platform;

import java.io.IOException;
import java.io.StringReader;
import java.sql.SQLException;
import java.util.HexFormat;
import javax.sql.DataSource;
import org.postgresql.PGConnection;
import org.springframework.dao.DataAccessResourceFailureException;
import org.springframework.jdbc.datasource.DataSourceUtils;

/// Rows for PostgreSQL's COPY in its text format, sent on the connection of the running transaction.
public final class Copy {
    private final StringBuilder rows = new StringBuilder();
    private boolean started;

    /// A value of the row that is being written; null is null.
    public Copy value(Object value) {
        rows.append(started ? "\t" : "");
        started = true;
        switch (value) {
            case null -> rows.append("\\N");
            case byte[] bytes -> rows.append("\\\\x").append(HexFormat.of().formatHex(bytes));
            default -> escape(value.toString());
        }
        return this;
    }

    public Copy endRow() {
        rows.append('\n');
        started = false;
        return this;
    }

    /// @param into the table with its columns, such as `finding (record_id, cause)`
    public void send(DataSource dataSource, String into) {
        if (rows.isEmpty()) {
            return;
        }
        var connection = DataSourceUtils.getConnection(dataSource);
        try {
            connection
                    .unwrap(PGConnection.class)
                    .getCopyAPI()
                    .copyIn("copy " + into + " from stdin", new StringReader(rows.toString()));
        } catch (SQLException | IOException e) {
            throw new DataAccessResourceFailureException("copying into " + into, e);
        } finally {
            DataSourceUtils.releaseConnection(connection, dataSource);
        }
    }

    private void escape(String text) {
        for (int i = 0; i < text.length(); i++) {
            char c = text.charAt(i);
            switch (c) {
                case '\\' -> rows.append("\\\\");
                case '\t' -> rows.append("\\t");
                case '\n' -> rows.append("\\n");
                case '\r' -> rows.append("\\r");
                case 0 -> {}
                default -> rows.append(c);
            }
        }
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
