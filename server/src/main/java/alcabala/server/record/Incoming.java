package alcabala.server.record;

import alcabala.accounting.record.Record;
import alcabala.accounting.setting.Milestone;
import java.util.Set;

/// A record on its way in, with the bytes it came as.
///
/// @param sourceRef what identifies it on its source for good
/// @param milestones what has happened to it on its source
public record Incoming(
        String sourceRef,
        Record record,
        byte[] raw,
        String mediaType,
        String fileName,
        Set<Milestone> milestones,
        boolean voided) {
    /// Bytes as they came.
    public record Raw(byte[] bytes, String mediaType, String fileName) {}
}
