package alcabala.connectors.ledger;

import alcabala.accounting.party.Party;
import alcabala.accounting.party.PartyField;
import alcabala.connectors.spi.Capability;
import java.util.Optional;
import java.util.Set;

/// Changes parties that stand there; either side can. The same key gets the same answer again.
public interface RewritesParties extends Capability {
    /// A party as it was read there.
    ///
    /// @param version as that side names it
    record PartyThere(Party party, String version) {}

    /// The fields in which it takes another value.
    Set<PartyField> partyFields();

    /// Empty when it is not there (any more).
    Optional<PartyThere> findParty(String code);

    /// Refused with [#STALE] when somebody changed it since it was read.
    ///
    /// @param party as it is to be; fields that it does not take are as they stand
    /// @return accepted with what stands there by now
    Answer<Party> change(PartyThere standing, Party party, String key);

    /// The status of a refusal because of what stands there by now.
    int STALE = 409;
}
