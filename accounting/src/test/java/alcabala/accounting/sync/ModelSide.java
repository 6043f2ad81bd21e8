package alcabala.accounting.sync;

import alcabala.accounting.field.Half;
import java.time.Instant;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/// One side of the model: fields with a version, written by people and by us; it answers a key it knows as it did
/// before.
final class ModelSide {
    private static final Instant BEGINNING = Instant.parse("2026-01-01T00:00:00Z");

    /// @param told when people changed each field
    record Snapshot(int version, Half values, Map<String, Instant> told) {}

    /// Something a person wrote that we put something else in the place of.
    record Replaced(String field, String value) {}

    sealed interface Reply {
        record Written(Snapshot now) implements Reply {}

        record Stale() implements Reply {}

        record Refused() implements Reply {}
    }

    final Set<String> locked = new HashSet<>();
    final List<Replaced> replaced = new ArrayList<>();
    final List<Snapshot> told = new ArrayList<>();
    private final Map<String, String> values = new HashMap<>();
    private final Map<String, Instant> byPeople = new HashMap<>();
    private final Map<String, Snapshot> byKey = new HashMap<>();
    private final int cut;
    private boolean there;
    private int version;
    int created;

    /// @param cut so many letters of a text are kept
    ModelSide(int cut) {
        this.cut = cut;
    }

    boolean isThere() {
        return there;
    }

    void edit(String field, String value, int time) {
        there = true;
        set(field, value == null ? null : cut(value));
        byPeople.put(field, BEGINNING.plusSeconds(30L * time));
        changed();
    }

    private void set(String field, String value) {
        if (value == null) {
            values.remove(field);
        } else {
            values.put(field, value);
        }
    }

    String cut(String value) {
        return value.length() > cut ? value.substring(0, cut) : value;
    }

    private Snapshot changed() {
        version++;
        Snapshot now = new Snapshot(version, new Half(values), Map.copyOf(byPeople));
        told.add(now);
        return now;
    }

    Snapshot now() {
        return told.getLast();
    }

    Reply create(String key, Map<String, String> wanted) {
        if (byKey.containsKey(key)) {
            return new Reply.Written(byKey.get(key));
        }
        if (there) {
            return new Reply.Refused();
        }
        created++;
        there = true;
        wanted.forEach((field, value) -> set(field, cut(value)));
        byKey.put(key, changed());
        return new Reply.Written(byKey.get(key));
    }

    Reply write(String key, int read, Map<String, Optional<String>> wanted) {
        if (byKey.containsKey(key)) {
            return new Reply.Written(byKey.get(key));
        }
        if (read != version) {
            return new Reply.Stale();
        }
        if (wanted.keySet().stream().anyMatch(locked::contains)) {
            return new Reply.Refused();
        }
        wanted.forEach((field, value) -> {
            if (byPeople.containsKey(field) && values.containsKey(field)) {
                replaced.add(new Replaced(field, values.get(field)));
            }
            set(field, value.map(this::cut).orElse(null));
            byPeople.remove(field);
        });
        byKey.put(key, changed());
        return new Reply.Written(byKey.get(key));
    }

    Optional<Snapshot> ask(String key) {
        return Optional.ofNullable(byKey.get(key));
    }
}
