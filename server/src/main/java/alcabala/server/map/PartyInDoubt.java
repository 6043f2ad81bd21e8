package alcabala.server.map;

import alcabala.accounting.matching.Candidate;
import alcabala.accounting.matching.evidence.Agreement;
import alcabala.accounting.matching.evidence.Evidence;
import alcabala.accounting.party.Address;
import alcabala.accounting.party.Party;
import java.util.List;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/// A party of the source beside those on the ledger that it may be.
///
/// @param version of its row; 0 when there is none yet
/// @param blockedDocuments that wait for the answer
/// @param blockedAmount what they come to, a decimal in the route's currency
/// @param candidates the likeliest first
record PartyInDoubt(
        KnownOf party, int version, int blockedDocuments, String blockedAmount, List<CandidateJson> candidates) {
    /// What is known of a party; each part is empty when it is not.
    record KnownOf(
            String code, String name, String taxIdentifier, String email, String phone, String billTo, String shipTo) {
        static KnownOf of(Party party) {
            return new KnownOf(
                    party.code(),
                    party.name(),
                    party.taxIdentifier(),
                    party.email(),
                    party.phone(),
                    line(party.billTo()),
                    line(party.shipTo()));
        }

        private static String line(Address address) {
            return Stream.of(address.street(), address.postalZone(), address.city(), address.country())
                    .filter(part -> !part.isEmpty())
                    .collect(Collectors.joining(", "));
        }
    }

    /// @param score 0 to 100
    /// @param standsFor codes of the source that are it already
    record CandidateJson(
            KnownOf party, boolean certain, int score, List<EvidenceJson> evidence, List<String> standsFor) {
        static CandidateJson of(Candidate candidate, boolean isDisputed, List<String> standsFor) {
            return new CandidateJson(
                    KnownOf.of(candidate.party()),
                    candidate.certain() && !isDisputed,
                    candidate.score(),
                    candidate.evidence().stream().map(EvidenceJson::of).toList(),
                    standsFor);
        }
    }

    /// @param bits for, or below 0 against; rounded to tenths
    /// @param shared by how many parties of the ledger
    record EvidenceJson(
            Evidence.Topic topic, Agreement agreement, Evidence.Strength strength, double bits, int shared) {
        static EvidenceJson of(Evidence evidence) {
            return new EvidenceJson(
                    evidence.topic(),
                    evidence.agreement(),
                    evidence.strength(),
                    Math.round(evidence.bits() * 10) / 10.0,
                    evidence.shared());
        }
    }
}
