package standins.desk;

import java.nio.charset.Charset;
import java.util.List;
import java.util.stream.Collectors;
import org.springframework.http.ResponseEntity;

/// A list as a file, written the way the person at the desk asks for.
final class DeskFile {
    private DeskFile() {}

    static ResponseEntity<byte[]> of(
            String name, List<String> columns, List<List<String>> rows, String separator, String encoding) {
        String text = line(columns, separator)
                + rows.stream().map(row -> line(row, separator)).collect(Collectors.joining());
        return ResponseEntity.ok()
                .header("Content-Type", "text/csv")
                .header("Content-Disposition", "attachment; filename=\"" + name + ".csv\"")
                .body(text.getBytes(Charset.forName(encoding)));
    }

    private static String line(List<String> cells, String separator) {
        return cells.stream()
                        .map(cell -> cell.contains(separator) || cell.contains("\"") || cell.contains("\n")
                                ? '"' + cell.replace("\"", "\"\"") + '"'
                                : cell)
                        .collect(Collectors.joining(separator))
                + "\r\n";
    }
}
