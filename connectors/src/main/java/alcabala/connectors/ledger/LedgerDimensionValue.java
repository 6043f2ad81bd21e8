package alcabala.connectors.ledger;

/// A value of one of the ledger's dimensions, by which what is booked is told apart beside its account.
///
/// @param dimension the code of the dimension, with its name
/// @param code the code of the value, with its name
public record LedgerDimensionValue(String dimension, String dimensionName, String code, String name, boolean active) {}
