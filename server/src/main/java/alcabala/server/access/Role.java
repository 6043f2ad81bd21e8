package alcabala.server.access;

/// What a person may do (domain, section 9).
public enum Role {
    /// Connects, changes settings, manages people; and all that a bookkeeper does.
    ADMINISTRATOR,
    /// Maps, releases, batches, resolves.
    BOOKKEEPER,
    /// Sees what became of documents, and nothing else.
    OPERATIONS,
    /// Reads everything and changes nothing.
    REVIEWER;

    boolean mayChange() {
        return this == ADMINISTRATOR || this == BOOKKEEPER;
    }

    /// How documents are booked, beside what became of them.
    boolean seesBooks() {
        return this != OPERATIONS;
    }
}
