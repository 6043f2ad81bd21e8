package alcabala.server.demo;

import alcabala.server.intake.FileIntake;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.LocalDate;
import java.util.List;

/// Files of the harbour office, dated relative to today.
final class DemoFiles {
    private DemoFiles() {}

    /// What has come already: one in order, one whose arithmetic does not hold.
    static List<FileIntake.File> received() {
        return List.of(file("CB-7001.xml"), file("CB-7002.xml"));
    }

    /// Further files to try out, among them the corrected one.
    static void write(String folder) {
        if (folder == null || folder.isBlank()) {
            return;
        }
        try {
            Path path = Files.createDirectories(Path.of(folder));
            for (String name :
                    List.of("CB-7001.xml", "CB-7002.xml", "CB-7002-corrected.xml", "bill-from-tarpaulin-works.xml")) {
                Files.write(path.resolve(name), file(name).content());
            }
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private static FileIntake.File file(String name) {
        try (InputStream in = DemoFiles.class.getResourceAsStream("/demo/" + name)) {
            String text = new String(in.readAllBytes(), StandardCharsets.UTF_8);
            LocalDate issued = LocalDate.now().minusDays(12);
            String dated = text.replace("{issued}", issued.toString())
                    .replace("{due}", issued.plusDays(30).toString());
            return new FileIntake.File(name, "application/xml", dated.getBytes(StandardCharsets.UTF_8));
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }
}
