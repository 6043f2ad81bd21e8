package alcabala.server.register;

import org.springframework.http.MediaType;

/// Something that was printed.
///
/// @param name of the file, with its ending
public record Printed(String name, MediaType type, byte[] bytes) {}
