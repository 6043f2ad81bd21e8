package alcabala.accounting.matching;

import alcabala.accounting.matching.Candidate.Reason;
import alcabala.accounting.party.Party;
import java.util.ArrayList;
import java.util.Collection;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import java.util.regex.Pattern;
import java.util.stream.Stream;

/// Scores which party of the ledger a party of the source may be, and says why (domain, section 4).
public final class PartyMatcher {
    private static final double SIMILAR = 0.62;
    private static final int WORTH_ASKING = 40;
    private static final int MOST = 5;
    private static final int FEW = 64;
    private static final Pattern NO_DIGIT = Pattern.compile("\\D+");
    private static final Pattern NO_WORD = Pattern.compile("\\W+");

    private final List<Known> known;
    private final SimilarNames similar;
    private final SharedKeys sharing;
    private final PartyMatcher base;

    private record Known(Party party, String name, String email, String phone, String tax, String address) {
        /// What two parties may share to the letter, each marked by what it is.
        List<String> keys() {
            return Stream.of("n" + name, "e" + email, "p" + phone, "t" + tax, "a" + address)
                    .filter(key -> key.length() > 1)
                    .toList();
        }

        static Known of(Party party) {
            return new Known(
                    party,
                    Names.normalise(party.name()),
                    party.email().trim().toLowerCase(Locale.ROOT),
                    NO_DIGIT.matcher(party.phone()).replaceAll(""),
                    NO_WORD.matcher(party.taxIdentifier()).replaceAll("").toUpperCase(Locale.ROOT),
                    Names.normalise(
                            party.billTo().street() + " " + party.billTo().postalZone()));
        }
    }

    public PartyMatcher(Collection<Party> ledgerParties) {
        this(ledgerParties, null);
    }

    private PartyMatcher(Collection<Party> ledgerParties, PartyMatcher base) {
        known = ledgerParties.stream().filter(Party::active).map(Known::of).toList();
        boolean few = known.size() <= FEW;
        similar = few ? null : new SimilarNames(known.stream().map(Known::name).toList());
        sharing = few ? null : new SharedKeys(known.stream().map(Known::keys).toList());
        this.base = base;
    }

    /// This one and a few more parties, without indexing those it has again.
    public PartyMatcher and(Collection<Party> more) {
        return more.isEmpty() ? this : new PartyMatcher(more, this);
    }

    /// Those worth asking about, the best first; empty when the party is new to the ledger. Only parties that share
    /// something are compared, so that a hundred thousand others cost nothing.
    public List<Candidate> rank(Party party) {
        return all(party).limit(MOST).toList();
    }

    /// As [#rank], however many they are.
    public Stream<Candidate> all(Party party) {
        return candidates(Known.of(party))
                .sorted(Comparator.comparingInt(Candidate::score)
                        .reversed()
                        .thenComparing(candidate -> candidate.party().code()));
    }

    private Stream<Candidate> candidates(Known asked) {
        Stream<Candidate> own = comparable(asked)
                .map(other -> compare(asked, other))
                .filter(candidate -> candidate.score() >= WORTH_ASKING);
        return base == null ? own : Stream.concat(own, base.candidates(asked));
    }

    /// Those that share something; of few all, since to index them costs more than to compare each.
    private Stream<Known> comparable(Known asked) {
        if (similar == null) {
            return known.stream();
        }
        Set<Integer> places = new HashSet<>(similar.find(asked.name(), SIMILAR));
        asked.keys().forEach(key -> sharing.find(key, places::add));
        return places.stream().map(known::get);
    }

    private static Candidate compare(Known asked, Known other) {
        List<Reason> reasons = new ArrayList<>();
        int score = 0;
        score += agree(asked.tax(), other.tax(), Reason.TAX_IDENTIFIER, 90, reasons);
        score += agree(asked.email(), other.email(), Reason.EMAIL, 45, reasons);
        int name = agree(asked.name(), other.name(), Reason.NAME, 50, reasons);
        if (name == 0 && Names.similarity(asked.name(), other.name()) >= SIMILAR) {
            reasons.add(Reason.SIMILAR_NAME);
            name = 40;
        }
        score += name;
        score += agree(asked.phone(), other.phone(), Reason.PHONE, 30, reasons);
        score += agree(asked.address(), other.address(), Reason.ADDRESS, 15, reasons);
        return new Candidate(other.party(), Math.min(score, 100), List.copyOf(reasons));
    }

    private static int agree(String one, String other, Reason reason, int points, List<Reason> reasons) {
        if (one.isEmpty() || !one.equals(other)) {
            return 0;
        }
        reasons.add(reason);
        return points;
    }
}
