package alcabala.accounting.matching;

import alcabala.accounting.matching.name.Letters;
import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.Consumer;
import java.util.stream.Stream;

/// Parties of a ledger with an index of what they are found by.
final class KnownParties {
    /// By a key that more have nobody is found: it tells too little, and looking at all of them would take
    /// long.
    private static final int MOST_SHARING = 40;

    private final List<Profile> profiles;
    private final SharedKeys keys;
    private final List<String> sounds;
    private final SharedKeys soundsLeftOut;

    KnownParties(Collection<Profile> parties) {
        profiles = List.copyOf(parties);
        Set<String> all = new HashSet<>();
        List<List<String>> keysOf = new ArrayList<>(profiles.size());
        for (Profile each : profiles) {
            Set<String> words = ProfileKeys.words(each);
            all.addAll(words);
            Set<String> own = new LinkedHashSet<>(ProfileKeys.identifiers(each));
            each.places().stream().map(ProfileKeys::town).forEach(own::add);
            words.forEach(word -> own.add(ProfileKeys.word(word)));
            own.addAll(ProfileKeys.combined(each));
            keysOf.add(List.copyOf(own));
        }
        keys = new SharedKeys(keysOf);
        sounds = List.copyOf(all);
        soundsLeftOut =
                new SharedKeys(sounds.stream().map(KnownParties::leftOut).toList());
    }

    int size() {
        return profiles.size();
    }

    int count(String key) {
        return keys.count(key);
    }

    /// Words of these parties that a word is, or is but for a slip.
    Stream<String> like(String sound) {
        Set<Integer> places = new HashSet<>();
        leftOut(sound).forEach(each -> soundsLeftOut.find(each, places::add));
        return places.stream().map(sounds::get).filter(each -> Letters.slips(each, sound, 1) <= 1);
    }

    /// A word, and it with each of its letters left out.
    private static Set<String> leftOut(String sound) {
        Set<String> all = new LinkedHashSet<>();
        all.add(sound);
        for (int i = 0; i < sound.length() && sound.length() > 3; i++) {
            all.add(sound.substring(0, i) + sound.substring(i + 1));
        }
        return all;
    }

    void find(Profile asked, Consumer<Profile> found) {
        Map<Integer, Profile> all = new HashMap<>();
        Consumer<String> by = key -> {
            if (keys.count(key) <= MOST_SHARING) {
                keys.find(key, place -> all.computeIfAbsent(place, profiles::get));
            }
        };
        ProfileKeys.identifiers(asked).forEach(by);
        ProfileKeys.words(asked)
                .forEach(word -> like(word).map(ProfileKeys::word).forEach(by));
        ProfileKeys.combined(asked).forEach(by);
        all.values().forEach(found);
    }
}
