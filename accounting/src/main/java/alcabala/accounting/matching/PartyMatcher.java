package alcabala.accounting.matching;

import alcabala.accounting.matching.Candidate.Reason;
import alcabala.accounting.party.Party;
import java.util.ArrayList;
import java.util.Collection;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;

/// Scores which party of the ledger a party of the source may be, and says why (domain, section 4).
public final class PartyMatcher {
    private static final double SIMILAR = 0.62;
    private static final int WORTH_ASKING = 40;

    private final List<Known> known;

    private record Known(Party party, String name, String email, String phone, String tax, String address) {
        static Known of(Party party) {
            return new Known(
                    party,
                    Names.normalise(party.name()),
                    party.email().trim().toLowerCase(Locale.ROOT),
                    party.phone().replaceAll("\\D", ""),
                    party.taxIdentifier().replaceAll("\\W", "").toUpperCase(Locale.ROOT),
                    Names.normalise(
                            party.billTo().street() + " " + party.billTo().postalZone()));
        }
    }

    public PartyMatcher(Collection<Party> ledgerParties) {
        known = ledgerParties.stream().filter(Party::active).map(Known::of).toList();
    }

    /// Those worth asking about, the best first; empty when the party is new to the ledger.
    public List<Candidate> rank(Party party) {
        Known asked = Known.of(party);
        return known.stream()
                .map(each -> compare(asked, each))
                .filter(candidate -> candidate.score() >= WORTH_ASKING)
                .sorted(Comparator.comparingInt(Candidate::score)
                        .reversed()
                        .thenComparing(candidate -> candidate.party().code()))
                .limit(5)
                .toList();
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
