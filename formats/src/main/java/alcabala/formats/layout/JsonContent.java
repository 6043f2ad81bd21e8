package alcabala.formats.layout;

import java.io.StringWriter;
import java.nio.charset.StandardCharsets;
import java.util.List;
import tools.jackson.core.JsonGenerator;
import tools.jackson.core.json.JsonFactory;

/// One object in each line, by the headings of its columns; the rows that follow a record's own stand in it as `lines`.
final class JsonContent {
    private static final JsonFactory JSON = new JsonFactory();

    private JsonContent() {}

    static byte[] of(LayoutFile file, List<LayoutRow> rows) {
        StringBuilder all = new StringBuilder();
        int next = 0;
        while (next < rows.size()) {
            int end = next + 1;
            while (end < rows.size() && rows.get(end).split()) {
                end++;
            }
            all.append(object(file, rows.get(next), rows.subList(next + 1, end)))
                    .append('\n');
            next = end;
        }
        return all.toString().getBytes(StandardCharsets.UTF_8);
    }

    private static String object(LayoutFile file, LayoutRow row, List<LayoutRow> splits) {
        StringWriter text = new StringWriter();
        try (JsonGenerator json = JSON.createGenerator(tools.jackson.core.ObjectWriteContext.empty(), text)) {
            json.writeStartObject();
            cells(json, file.columns(), row.cells());
            if (!file.splits().isEmpty()) {
                json.writeArrayPropertyStart("lines");
                for (LayoutRow split : splits) {
                    json.writeStartObject();
                    cells(json, file.splits(), split.cells());
                    json.writeEndObject();
                }
                json.writeEndArray();
            }
            json.writeEndObject();
        }
        return text.toString();
    }

    private static void cells(JsonGenerator json, List<LayoutColumn> columns, List<Value> cells) {
        for (int i = 0; i < cells.size(); i++) {
            json.writeName(columns.get(i).heading());
            switch (cells.get(i)) {
                case Value.Text text -> json.writeString(text.text());
                case Value.Day date -> json.writeString(date.day().toString());
                case Value.Number number -> json.writeNumber(number.scaled());
            }
        }
    }
}
