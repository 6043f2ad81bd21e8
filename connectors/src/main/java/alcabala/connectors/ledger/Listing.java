package alcabala.connectors.ledger;

import alcabala.accounting.ledger.LedgerAccount;
import alcabala.accounting.ledger.LedgerTaxCode;
import alcabala.accounting.party.Party;
import alcabala.accounting.terms.CodedTerms;
import alcabala.formats.csv.CsvProblem;
import java.util.List;

/// One list of what a ledger owns, as far as it could be read from a file.
public sealed interface Listing {
    record Accounts(List<LedgerAccount> rows) implements Listing {}

    record TaxCodes(List<LedgerTaxCode> rows) implements Listing {}

    record Parties(List<Party> rows) implements Listing {}

    record Terms(List<CodedTerms> rows) implements Listing {}

    /// All that is wrong with it, not only the first.
    record Unusable(List<CsvProblem> problems) implements Listing {}
}
