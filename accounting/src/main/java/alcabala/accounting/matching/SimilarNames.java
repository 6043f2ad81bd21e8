package alcabala.accounting.matching;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;

/// Finds names that are like a name among very many, by an index of their three-letter pieces. Gives exactly those that
/// comparing with each of them would give ([Names#similarity]): pieces that fall into the same bucket only add names to
/// be compared.
public final class SimilarNames {
    private static final int BUCKET_BITS = 16;
    private static final long SPREAD = 0x9E3779B97F4A7C15L;
    private final List<String> names;
    private final int[] pieces;
    /// Where each bucket begins in `places`; it ends where the next one begins.
    private final int[] starts = new int[(1 << BUCKET_BITS) + 1];
    private final int[] places;

    /// @param names normalised
    public SimilarNames(List<String> names) {
        this.names = names;
        pieces = new int[names.size()];
        long[][] all = new long[names.size()][];
        for (int place = 0; place < all.length; place++) {
            all[place] = Names.pieces(names.get(place));
            pieces[place] = all[place].length;
            for (long piece : all[place]) {
                starts[bucket(piece) + 1]++;
            }
        }
        Arrays.parallelPrefix(starts, Integer::sum);
        places = new int[starts[starts.length - 1]];
        int[] next = starts.clone();
        for (int place = 0; place < all.length; place++) {
            for (long piece : all[place]) {
                places[next[bucket(piece)]++] = place;
            }
        }
    }

    private static int bucket(long piece) {
        return (int) (piece * SPREAD >>> Long.SIZE - BUCKET_BITS);
    }

    /// The places in the list of those at least so similar.
    ///
    /// @param atLeast over 0, to 1
    public List<Integer> find(String name, double atLeast) {
        long[] asked = Names.pieces(name);
        int passedOver = passedOver(asked.length, atLeast);
        int[] common = new int[pieces.length];
        for (long piece : rarest(asked, asked.length - passedOver)) {
            int bucket = bucket(piece);
            for (int i = starts[bucket]; i < starts[bucket + 1]; i++) {
                common[places[i]]++;
            }
        }
        List<Integer> found = new ArrayList<>();
        for (int place = 0; place < common.length; place++) {
            if (common[place] > 0
                    && 2.0 * (common[place] + passedOver) / (asked.length + pieces[place]) >= atLeast
                    && Names.similarity(name, names.get(place)) >= atLeast) {
                found.add(place);
            }
        }
        return found;
    }

    /// How many pieces need not be looked at. A name that is similar enough has at least `least` in common,
    /// since it has itself no fewer pieces than that; so it has one in common with any of the others but `least
    /// - 1`. What very many names have, such as a word of the trade, is passed over.
    private static int passedOver(int asked, double atLeast) {
        int least = (int) Math.ceil(atLeast * asked / (2 - atLeast) - 1e-9);
        return Math.max(0, Math.min(asked, least) - 1);
    }

    private long[] rarest(long[] asked, int count) {
        return Arrays.stream(asked)
                .boxed()
                .sorted(Comparator.comparingInt(piece -> starts[bucket(piece) + 1] - starts[bucket(piece)]))
                .limit(count)
                .mapToLong(Long::longValue)
                .toArray();
    }
}
