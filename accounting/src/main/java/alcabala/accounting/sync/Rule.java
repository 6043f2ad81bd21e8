package alcabala.accounting.sync;

/// What a route says of a field.
public record Rule(Direction direction, Owner owner, Policy policy) {}
