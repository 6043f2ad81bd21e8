package alcabala.accounting.setting;

import alcabala.accounting.ledger.AccountType;
import alcabala.accounting.ledger.LedgerAccount;
import alcabala.accounting.ledger.LedgerProfile;
import alcabala.accounting.ledger.LedgerTaxCode;
import java.time.LocalDate;
import java.time.format.DateTimeParseException;
import java.util.List;
import java.util.stream.Stream;

/// Which values a setting takes, written as text; an empty text is "not set" wherever a shape allows it.
public sealed interface Shape {
    /// Whether the value can be set on a route to this ledger.
    boolean takes(String value, LedgerProfile ledger);

    /// One of a few words.
    record Choice(List<String> words) implements Shape {
        @Override
        public boolean takes(String value, LedgerProfile ledger) {
            return words.contains(value);
        }

        /// The same, or none of them.
        Choice orNone() {
            return new Choice(Stream.concat(Stream.of(""), words.stream()).toList());
        }
    }

    /// An ISO date, or none.
    record Day() implements Shape {
        @Override
        public boolean takes(String value, LedgerProfile ledger) {
            try {
                return value.isEmpty() || LocalDate.parse(value).getYear() > 1900;
            } catch (DateTimeParseException e) {
                return false;
            }
        }
    }

    /// A whole number above zero, or none.
    record Count() implements Shape {
        @Override
        public boolean takes(String value, LedgerProfile ledger) {
            return value.isEmpty() || value.matches("[1-9]\\d{0,11}");
        }
    }

    /// What may stand before a document's number.
    record Prefix() implements Shape {
        @Override
        public boolean takes(String value, LedgerProfile ledger) {
            return value.matches("[\\p{L}\\d/_.-]{0,12}");
        }
    }

    /// An active tax code of the ledger, or none.
    record TaxCode() implements Shape {
        @Override
        public boolean takes(String value, LedgerProfile ledger) {
            return value.isEmpty()
                    || ledger.findTaxCode(value).filter(LedgerTaxCode::active).isPresent();
        }
    }

    /// An active account of the ledger of one type, or none.
    record Account(AccountType type) implements Shape {
        @Override
        public boolean takes(String value, LedgerProfile ledger) {
            return value.isEmpty()
                    || ledger.findAccount(value)
                            .filter(LedgerAccount::active)
                            .filter(account -> account.type() == type)
                            .isPresent();
        }
    }
}
