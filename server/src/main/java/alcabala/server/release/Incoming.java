package alcabala.server.release;

import alcabala.accounting.document.Document;

/// A document on its way in, with the bytes it came as.
///
/// @param sourceRef what identifies it on its source for good
public record Incoming(
        String sourceRef,
        Document document,
        byte[] raw,
        String mediaType,
        String fileName,
        boolean approved,
        boolean voided) {}
