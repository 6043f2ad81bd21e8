package alcabala.server.register;

import java.nio.charset.StandardCharsets;
import org.springframework.http.ContentDisposition;
import org.springframework.http.HttpHeaders;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;

/// Something that was printed.
///
/// @param name of the file, with its ending
public record Printed(String name, MediaType type, byte[] bytes) {
    /// Pages are looked at; all else is a file to be kept.
    public ResponseEntity<byte[]> answer() {
        ContentDisposition.Builder shown =
                type.equals(MediaType.APPLICATION_PDF) ? ContentDisposition.inline() : ContentDisposition.attachment();
        return ResponseEntity.ok()
                .contentType(type)
                .header(
                        HttpHeaders.CONTENT_DISPOSITION,
                        shown.filename(name, StandardCharsets.UTF_8).build().toString())
                .body(bytes);
    }
}
