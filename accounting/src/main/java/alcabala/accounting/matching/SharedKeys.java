package alcabala.accounting.matching;

import java.util.Arrays;
import java.util.Collection;
import java.util.List;
import java.util.function.IntConsumer;

/// Finds who shares a key among very many, by one sorted array of hashes. Gives all of those, and now and
/// then one whose key only has the same hash: who asks compares.
final class SharedKeys {
    private static final int PLACE_BITS = 24;
    private static final long PLACE = (1L << PLACE_BITS) - 1;
    private static final long FNV_OFFSET = 0xCBF29CE484222325L;
    private static final long FNV_PRIME = 0x100000001B3L;
    private static final int FEW_IN_A_BUCKET = 4;
    /// Above the hash of the key, below the place of who has it.
    private final long[] entries;
    /// Where the entries begin whose hash begins with the number of the bucket: hashes are spread evenly.
    private final int[] buckets;
    private final int shift;

    /// @param keys those of each place, of at most 16 million
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
        int bits = Integer.SIZE - Integer.numberOfLeadingZeros(Math.max(1, size / FEW_IN_A_BUCKET));
        shift = Long.SIZE - 1 - bits;
        buckets = new int[(1 << bits) + 1];
        for (long entry : entries) {
            buckets[(int) (entry >>> shift) + 1]++;
        }
        Arrays.parallelPrefix(buckets, Integer::sum);
    }

    /// How many places have the key.
    int count(String key) {
        long first = first(key);
        int from = from(first);
        return isOf(from, first) ? from(first + PLACE + 1) - from : 0;
    }

    void find(String key, IntConsumer place) {
        long first = first(key);
        for (int i = from(first); isOf(i, first); i++) {
            place.accept((int) (entries[i] & PLACE));
        }
    }

    private boolean isOf(int place, long first) {
        return place < entries.length && (entries[place] & ~PLACE) == first;
    }

    private int from(long entry) {
        int bucket = (int) (entry >>> shift);
        if (bucket + 1 >= buckets.length) {
            return entries.length;
        }
        int found = Arrays.binarySearch(entries, buckets[bucket], buckets[bucket + 1], entry);
        return found < 0 ? -found - 1 : found;
    }

    private static long first(String key) {
        long hash = FNV_OFFSET;
        for (int i = 0; i < key.length(); i++) {
            hash = (hash ^ key.charAt(i)) * FNV_PRIME;
        }
        // All bits of the hash count, the high ones most; the sign would put the largest first.
        return (hash ^ hash << PLACE_BITS) >>> 1 & ~PLACE;
    }
}
