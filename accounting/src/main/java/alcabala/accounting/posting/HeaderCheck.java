package alcabala.accounting.posting;

import alcabala.accounting.crosswalk.Crosswalk;
import alcabala.accounting.crosswalk.CrosswalkRow;
import alcabala.accounting.crosswalk.RowKind;
import alcabala.accounting.finding.Finding;
import alcabala.accounting.matching.Candidate;
import alcabala.accounting.matching.Names;
import alcabala.accounting.party.Party;
import alcabala.accounting.record.Record;
import alcabala.accounting.setting.RouteSettings;
import alcabala.accounting.setting.Topic;
import java.time.LocalDate;
import java.util.Optional;
import java.util.function.Consumer;

/// What is asked of every record, whatever its family.
record HeaderCheck(Record record, Crosswalk crosswalk, RouteSettings settings, Consumer<Finding> findings) {
    /// What goes under the day of its batch is held against that day when the batch is made.
    ///
    /// @param day under which it will be booked
    void cutOff(LocalDate day) {
        Optional<LocalDate> from = settings.findCutOff(record.kind());
        if (from.isPresent() && day.isBefore(from.get())) {
            findings.accept(new Finding.BeforeCutOff(day, from.get()));
        }
    }

    /// A project's customer resembles its client, as it should: only one of its very name is asked about.
    private Optional<Candidate> doubt(Party party) {
        return crosswalk
                .findDoubt(party)
                .filter(candidate -> !Customers.isProject(party.code())
                        || Names.normalise(candidate.party().name()).equals(Names.normalise(party.name())));
    }

    void party(Party party) {
        if (crosswalk
                .find(RowKind.PARTY, party.code())
                .filter(CrosswalkRow::saysCounterpart)
                .isPresent()) {
            return;
        }
        Optional<Candidate> doubt = doubt(party);
        if (doubt.isPresent()) {
            Party known = doubt.get().party();
            findings.accept(new Finding.PartyDoubtful(party.code(), party.name(), known.code(), known.name()));
        } else if (settings.is(Topic.NEW_PARTIES, "ask")) {
            findings.accept(new Finding.PartyMissing(party.code(), party.name()));
        }
    }
}
