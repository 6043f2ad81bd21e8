package alcabala.server.access;

/// What a person may do (domain, section 9).
public enum Role {
    ADMINISTRATOR,
    BOOKKEEPER,
    REVIEWER
}
