package alcabala.connectors.spi;

/// Something that a connection can do. Small ones, each an interface of its own, that are asked for by their type: what
/// is not there is said before anything is tried.
public interface Capability {}
