package alcabala.accounting.matching;

import java.util.HashMap;
import java.util.Map;
import java.util.Optional;

/// Which item of one side another one may be: the same code or the same name but for case, spaces and punctuation.
/// Names
/// that are only similar are those of other sizes of the same thing.
public final class LikeItems {
    private final Map<String, String> byCode = new HashMap<>();
    private final Map<String, String> byName = new HashMap<>();

    /// @param names by code
    public LikeItems(Map<String, String> names) {
        names.keySet().stream().sorted().forEach(code -> {
            byCode.putIfAbsent(plain(code), code);
            byName.putIfAbsent(plain(names.get(code)), code);
        });
        byCode.remove("");
        byName.remove("");
    }

    /// The code of the one that it may be; of several the first.
    public Optional<String> find(String code, String name) {
        return Optional.ofNullable(byCode.get(plain(code))).or(() -> findNamed(name));
    }

    /// The same by its name alone.
    public Optional<String> findNamed(String name) {
        return Optional.ofNullable(byName.get(plain(name)));
    }

    private static String plain(String said) {
        return Names.normalise(said).replace(" ", "");
    }
}
