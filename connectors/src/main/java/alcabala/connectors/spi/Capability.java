package alcabala.connectors.spi;

import java.util.Arrays;
import java.util.Set;
import java.util.stream.Collectors;

/// Something that a connection can do. Small ones, each an interface of its own, that are asked for by their type: what
/// is not there is said before anything is tried.
public interface Capability {
    /// All that these classes can do, so that what a kind says of itself cannot differ from what its connections do.
    static Set<Class<? extends Capability>> of(Class<?>... doers) {
        return Arrays.stream(doers)
                .flatMap(doer -> Arrays.stream(doer.getInterfaces()))
                .filter(Capability.class::isAssignableFrom)
                .<Class<? extends Capability>>map(each -> each.asSubclass(Capability.class))
                .collect(Collectors.toUnmodifiableSet());
    }
}
