package alcabala.server.link;

/// Something that can be done with a single record.
///
/// @param sentence what it will do
/// @param reason why it cannot be done now; empty where it can
record Choice(What what, String sentence, String reason) {
    enum What {
        LOOK,
        BRING_BACK,
        UNLINK,
        LINK,
        LEAVE_ALONE,
        LOOK_AFTER
    }
}
