package alcabala.accounting;

import java.lang.reflect.RecordComponent;
import java.util.Arrays;

/// A record that differs from another in one component.
public final class Changed {
    private Changed() {}

    @SuppressWarnings("unchecked")
    public static <R extends Record> R in(R from, String component, Object value) {
        RecordComponent[] components = from.getClass().getRecordComponents();
        Class<?>[] types =
                Arrays.stream(components).map(RecordComponent::getType).toArray(Class<?>[]::new);
        Object[] values = new Object[components.length];
        boolean known = false;
        try {
            for (int i = 0; i < components.length; i++) {
                boolean other = components[i].getName().equals(component);
                known |= other;
                values[i] = other ? value : components[i].getAccessor().invoke(from);
            }
            if (!known) {
                throw new IllegalArgumentException("no " + component + " in " + from.getClass());
            }
            return (R) from.getClass().getDeclaredConstructor(types).newInstance(values);
        } catch (ReflectiveOperationException e) {
            throw new IllegalStateException(e);
        }
    }
}
