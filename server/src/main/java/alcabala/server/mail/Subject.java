package alcabala.server.mail;

import alcabala.server.mail.MailStore.MailFile;
import alcabala.server.route.RouteRow;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.function.Supplier;

/// What a mail tells of.
///
/// @param batch null where it is none
/// @param record of a banking; null where it is none
/// @param from the first day of a period, with the last one in `to`; null where it is none
/// @param name by which the trail calls it
/// @param words what the words in a wording stand for
/// @param names of what is attached
/// @param attached made only once it goes
record Subject(
        RouteRow route,
        Long batch,
        Long record,
        LocalDate from,
        LocalDate to,
        String name,
        Map<String, String> words,
        List<String> names,
        Supplier<List<MailFile>> attached) {
    /// How it is worded until somebody words it otherwise.
    enum About {
        BATCH(
                new Wording(
                        List.of(),
                        "{batch} for {ledger}: {records}, {gross}",
                        "{batch} of {route} is attached.\n\n{records}, net {net}, tax {tax}, gross {gross}, hash total {hash total}.\n\nFiles: {files}.\n")),
        BANKING(
                new Wording(
                        List.of(),
                        "Taken to the bank on {day}: {amount}",
                        "{banking} of {route} is attached.\n\n{receipts}, {amount} to {bank}, slip {slip}.\n\nFiles: {files}.\n")),
        REGISTER(new Wording(
                List.of(),
                "Sent to {ledger} from {first day} to {last day}",
                "What was sent from {route} from {first day} to {last day} is attached.\n\nFiles: {files}.\n"));

        private final Wording usual;

        About(Wording usual) {
            this.usual = usual;
        }

        Wording usual() {
            return usual;
        }
    }

    About about() {
        if (batch != null) {
            return About.BATCH;
        }
        return record != null ? About.BANKING : About.REGISTER;
    }
}
