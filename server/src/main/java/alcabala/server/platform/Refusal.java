package alcabala.server.platform;

/// @param detail for the technically minded; may be empty
public record Refusal(String code, String sentence, String detail) {}
