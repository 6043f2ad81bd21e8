package alcabala.accounting.finding;

import java.util.Arrays;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import java.util.stream.Collectors;

/// The kinds of findings, each named after its type: `ItemUnmapped` is `item-unmapped`.
public final class FindingKinds {
    private static final ClassValue<String> WORDS = new ClassValue<>() {
        @Override
        protected String computeValue(Class<?> type) {
            return type.getSimpleName().replaceAll("(?<=.)(?=[A-Z])", "-").toLowerCase(Locale.ROOT);
        }
    };
    private static final Map<String, Class<?>> TYPES = Arrays.stream(Finding.class.getPermittedSubclasses())
            .collect(Collectors.toMap(FindingKinds::of, Function.identity()));

    private FindingKinds() {}

    static String of(Class<?> type) {
        return WORDS.get(type);
    }

    /// Empty for a kind that there is none of (any more).
    public static Optional<Class<? extends Finding>> find(String kind) {
        return Optional.ofNullable(TYPES.get(kind)).map(type -> type.asSubclass(Finding.class));
    }
}
