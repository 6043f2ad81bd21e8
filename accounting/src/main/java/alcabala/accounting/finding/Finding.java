package alcabala.accounting.finding;

import alcabala.accounting.crosswalk.AccountRole;
import alcabala.accounting.document.DocumentKind;
import alcabala.accounting.document.TaxCategory;
import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.List;
import java.util.Set;
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
            WRONG_TYPE,
            CONTROL_OR_BANK
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

    /// What the source says of why a tax is charged or not is not what the ledger's code says.
    ///
    /// @param categories the letters of the source's taxes
    record TaxCategoryDiffers(String tax, Set<TaxCategory> categories, String ledgerCode, TaxCategory ledgerCategory)
            implements Finding {
        @Override
        public String cause() {
            return "tax-category-differs:" + tax;
        }
    }

    /// A rate above zero under a category that charges nothing (EN 16931 BR-AE-5 and its sisters).
    record TaxNotCharged(String tax, TaxCategory category, BigDecimal rate) implements Finding {
        @Override
        public String cause() {
            return "tax-not-charged:" + tax;
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
            TAXABLE,
            TAX,
            GROSS,
            PAYABLE
        }

        @Override
        public String cause() {
            return "arithmetic";
        }
    }

    /// A document without lines (EN 16931 BR-16).
    record NoLines() implements Finding {
        @Override
        public String cause() {
            return "no-lines";
        }
    }

    /// What a document says it is, is not understood, or contradicts the rest of it (EN 16931 BT-3).
    record TypeUnknown(String typeCode) implements Finding {
        @Override
        public String cause() {
            return "type-unknown:" + typeCode;
        }
    }

    /// It takes the place of a document that is not known.
    ///
    /// @param number the one it names; empty when it names none
    record CorrectsUnknown(String number) implements Finding {
        @Override
        public String cause() {
            return "corrects-unknown:" + number;
        }
    }

    /// A part was paid before (EN 16931 BT-113), which is not applied here.
    record Prepaid(Money amount) implements Finding {
        @Override
        public String cause() {
            return "prepaid";
        }

        @Override
        public Severity severity() {
            return Severity.WARNS;
        }
    }

    /// The business is neither seller nor buyer of the document, until somebody says that it is one of them.
    record NotAParty(String seller, String sellerName, String buyer, String buyerName) implements Finding {
        @Override
        public String cause() {
            return "not-a-party:" + seller;
        }
    }
}
