package alcabala.accounting.matching;

import java.util.Arrays;
import java.util.Collection;
import java.util.List;
import java.util.function.IntConsumer;

/// Finds who shares a key among very many, by one sorted array of hashes. Gives all of those, and now and then one
/// whose key only has the same hash: who asks compares.
final class SharedKeys {
    private static final long LOW = 0xFFFF_FFFFL;
    /// Above the hash of the key, below the place of who has it.
    private final long[] entries;

    /// @param keys those of each place
    SharedKeys(List<? extends Collection<String>> keys) {
        long[] unsorted = new long[keys.stream().mapToInt(Collection::size).sum()];
        int size = 0;
        for (int place = 0; place < keys.size(); place++) {
            for (String key : keys.get(place)) {
                unsorted[size++] = first(key) | place;
            }
        }
        Arrays.sort(unsorted);
        entries = unsorted;
    }

    void find(String key, IntConsumer place) {
        long from = first(key);
        int found = Arrays.binarySearch(entries, from);
        for (int i = found < 0 ? -found - 1 : found; i < entries.length && (entries[i] & ~LOW) == from; i++) {
            place.accept((int) entries[i]);
        }
    }

    private static long first(String key) {
        return (long) key.hashCode() << Integer.SIZE;
    }
}
