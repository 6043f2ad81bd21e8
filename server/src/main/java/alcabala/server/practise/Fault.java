package alcabala.server.practise;

import java.util.List;

/// What can be made to go wrong, as the stand-ins call it; with the causes under which Resolve comes to name it.
enum Fault {
    PARTY_RENAMED_TWICE("A party renamed on both sides", "party:name"),
    ACCOUNT_SWITCHED_OFF("An account switched off", "account-unusable"),
    PERIOD_LOCKED("A period locked", "check:PERIOD", "refused:period-locked"),
    ANSWER_LOST("An answer lost", "unconfirmed"),
    NUMBER_TAKEN("A number taken", "check:NUMBERS", "refused:number-taken"),
    PAYMENT_RECORDED_TWICE("A payment recorded twice", "payment-twice"),
    LINE_EDITED("A line edited on the ledger", "changed-there"),
    CONSENT_REVOKED("A consent withdrawn", "run-failed", "check:CONSENT"),
    CLOCK_AN_HOUR_OFF("A clock an hour off", "check:CALENDAR"),
    TAX_RATE_CHANGED("A tax rate changed", "tax-rate-differs"),
    DOCUMENT_DELETED("A document deleted on the ledger", "gone-there"),
    CUSTOMER_ENTERED_TWICE("A customer entered twice", "party-doubtful"),
    CHANGED_UNDER_US("A document changed on both sides at once", "changed-both"),
    FEED_BEGUN_AGAIN("A list of changes that begins again", "set-aside:feed"),
    SOURCE_ANSWERS_RUBBISH("A source that answers rubbish", "run-failed"),
    RECORDS_UNUSABLE("Records that nobody can use", "set-aside:document");

    private final String title;
    private final List<String> causes;

    Fault(String title, String... causes) {
        this.title = title;
        this.causes = List.of(causes);
    }

    String title() {
        return title;
    }

    /// @param cause as Resolve names it, perhaps with a code behind
    boolean isNamedBy(String cause) {
        return causes.stream().anyMatch(each -> cause.equals(each) || cause.startsWith(each + ":"));
    }
}
