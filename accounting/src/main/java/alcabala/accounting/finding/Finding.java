package alcabala.accounting.finding;

import alcabala.accounting.crosswalk.AccountRole;
import alcabala.accounting.document.DocumentKind;
import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.List;
import org.joda.money.Money;

/// Something that keeps a document from crossing, or that a bookkeeper should know: a code, a place and the facts. The
/// sentence is made at the edge.
public sealed interface Finding {
    /// Groups the documents that share it; the same key wherever the same thing is to be fixed.
    String cause();

    default Severity severity() {
        return Severity.BLOCKS;
    }

    /// No rule gives the item an account.
    record ItemUnmapped(String item, String description) implements Finding {
        @Override
        public String cause() {
            return "item-unmapped:" + item;
        }
    }

    /// Neither the item nor its category has an account.
    record CategoryUnmapped(String category) implements Finding {
        @Override
        public String cause() {
            return "category-unmapped:" + category;
        }
    }

    /// Nothing says what is bought from the supplier, and the route has no default for it.
    record SupplierUnmapped(String supplier, String name) implements Finding {
        @Override
        public String cause() {
            return "supplier-unmapped:" + supplier;
        }
    }

    /// The route has no account for a role that the document needs.
    record RoleUnset(AccountRole role) implements Finding {
        @Override
        public String cause() {
            return "role-unset:" + role.name();
        }
    }

    /// An account that a rule names cannot be used.
    record AccountUnusable(String account, Reason reason, AccountRole role) implements Finding {
        /// Why not.
        public enum Reason {
            MISSING,
            INACTIVE,
            WRONG_TYPE
        }

        @Override
        public String cause() {
            return "account-unusable:" + account;
        }
    }

    record TaxUnmapped(String tax, BigDecimal rate) implements Finding {
        @Override
        public String cause() {
            return "tax-unmapped:" + tax;
        }
    }

    record TaxCodeUnusable(String tax, String ledgerCode) implements Finding {
        @Override
        public String cause() {
            return "tax-code-unusable:" + ledgerCode;
        }
    }

    record TaxRateDiffers(String tax, BigDecimal rate, String ledgerCode, BigDecimal ledgerRate) implements Finding {
        @Override
        public String cause() {
            return "tax-rate-differs:" + tax;
        }
    }

    /// The ledger would compute a tax that differs by more than rounding explains.
    record TaxDiffers(Money source, Money ledger, int taxedLines) implements Finding {
        @Override
        public String cause() {
            return "tax-differs";
        }
    }

    /// The party may already be on the ledger under another name.
    record PartyDoubtful(String party, String name, String ledgerParty, String ledgerName) implements Finding {
        @Override
        public String cause() {
            return "party-doubtful:" + party;
        }
    }

    /// The route creates no parties, and nobody has said which one on the ledger this is.
    record PartyMissing(String party, String name) implements Finding {
        @Override
        public String cause() {
            return "party-missing:" + party;
        }
    }

    /// The lines need several tax codes, and the ledger takes one for a document.
    record SeveralTaxCodes(List<String> codes) implements Finding {
        @Override
        public String cause() {
            return "several-tax-codes:" + String.join("+", codes);
        }
    }

    /// Dated before the day from which documents of its kind cross on this route.
    record BeforeCutOff(LocalDate date, LocalDate cutOff) implements Finding {
        @Override
        public String cause() {
            return "before-cut-off";
        }
    }

    /// Documents of its kind do not cross on this route.
    record DoesNotCross(DocumentKind kind) implements Finding {
        @Override
        public String cause() {
            return "does-not-cross:" + kind.word();
        }
    }

    /// The site has no route, and its source no default one.
    record Unrouted(String site) implements Finding {
        @Override
        public String cause() {
            return "unrouted:" + site;
        }
    }

    record CurrencyUnavailable(String currency, String ledgerCurrency) implements Finding {
        @Override
        public String cause() {
            return "currency-unavailable:" + currency;
        }
    }

    /// A figure the document states is not what its own other figures give.
    record ArithmeticDiffers(Figure figure, String place, Money stated, Money computed) implements Finding {
        /// Which figure.
        public enum Figure {
            LINE_AMOUNT,
            LINE_TOTAL,
            ALLOWANCES,
            CHARGES,
            NET,
            TAX,
            GROSS
        }

        @Override
        public String cause() {
            return "arithmetic";
        }
    }

    /// The business is neither seller nor buyer of the document.
    record NotAParty(String seller, String buyer) implements Finding {
        @Override
        public String cause() {
            return "not-a-party";
        }

        @Override
        public Severity severity() {
            return Severity.WARNS;
        }
    }
}
