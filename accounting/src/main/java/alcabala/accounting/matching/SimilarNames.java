package alcabala.accounting.matching;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;

/// Finds names that are like a name among very many, by an index of their three-letter pieces. Gives exactly those that
/// comparing with each of them would give ([Names#similarity]).
final class SimilarNames {
    private static final int[] NONE = {};
    private final Map<String, int[]> byPiece = new HashMap<>();
    private final int[] pieces;

    /// @param names normalised
    SimilarNames(List<String> names) {
        pieces = new int[names.size()];
        Map<String, Growing> growing = new HashMap<>();
        for (int i = 0; i < names.size(); i++) {
            Set<String> own = Names.pieces(names.get(i));
            pieces[i] = own.size();
            for (String piece : own) {
                growing.computeIfAbsent(piece, p -> new Growing()).add(i);
            }
        }
        growing.forEach((piece, list) -> byPiece.put(piece, list.trimmed()));
    }

    /// The places in the list of those at least so similar.
    ///
    /// @param atLeast 0 to 1
    List<Integer> find(String name, double atLeast) {
        Set<String> asked = Names.pieces(name);
        int[] common = new int[pieces.length];
        for (String piece : asked) {
            for (int place : byPiece.getOrDefault(piece, NONE)) {
                common[place]++;
            }
        }
        List<Integer> found = new ArrayList<>();
        for (int place = 0; place < common.length; place++) {
            if (common[place] > 0 && 2.0 * common[place] / (asked.size() + pieces[place]) >= atLeast) {
                found.add(place);
            }
        }
        return found;
    }

    private static final class Growing {
        private int[] places = new int[2];
        private int size;

        void add(int place) {
            if (size == places.length) {
                places = Arrays.copyOf(places, size * 2);
            }
            places[size++] = place;
        }

        int[] trimmed() {
            return Arrays.copyOf(places, size);
        }
    }
}
