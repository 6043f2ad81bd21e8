package alcabala.accounting.matching.name;

import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/// Words that many names share, in trades as among people. They say little even where few parties have them.
final class UsualWords {
    private static final Set<String> SOUNDS =
            Stream.of("""
                    marine boat boats boatyard yard yacht yachts yachting sailing sail sails club marina harbour harbor
                    port quay ship shipping ships charter charters fishing fisheries sea coast coastal ocean river lake
                    services service supplies supply systems solutions trading trade traders group holdings
                    international global national european europe products partners partnership associates
                    consulting consultants management engineering engineers electrical electronics mechanical technical
                    technology technologies construction builders building contractors transport logistics haulage
                    motors garage store stores shop market retail wholesale distribution import export imports exports
                    hotel restaurant bar cafe foods food farm farms estate estates properties property rentals hire
                    school university college council county city town department trust society association foundation
                    centre center works workshop industries industrial manufacturing design studio media print
                    north south east west new old royal grand first general united brothers bros sons son daughters
                    john james mary michael patrick david paul peter thomas anna anne maria mark sean brian kevin
                    william robert joseph george elena nikos ivan olga hans karl jean pierre jose juan luis carlos
                    """.strip().split("\\s+")).map(Letters::sound).collect(Collectors.toUnmodifiableSet());

    private UsualWords() {}

    static boolean has(Word word) {
        return SOUNDS.contains(word.sound());
    }
}
