package alcabala.connectors.spi;

/// Which side of the crossing a system stands on.
public enum Side {
    SOURCE,
    LEDGER
}
