package alcabala.accounting.finding;

import alcabala.accounting.crosswalk.AccountRole;
import alcabala.accounting.crosswalk.Crosswalk;
import alcabala.accounting.custom.Conversion;
import alcabala.accounting.document.TaxCategory;
import alcabala.accounting.record.RecordKind;
import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.List;
import java.util.Set;
import org.joda.money.Money;

/// Something that keeps a document from crossing, or that a bookkeeper should know: a code, a place and the facts. The
/// sentence is made at the edge.
public sealed interface Finding {
    /// What it is about: the code to be mapped, the account to be mended; empty where the record itself is.
    default String subject() {
        return "";
    }

    /// Such as `item-unmapped`.
    default String kind() {
        return FindingKinds.of(getClass());
    }

    /// Groups the documents that share it; the same key wherever the same thing is to be fixed.
    default String cause() {
        return subject().isEmpty() ? kind() : kind() + ":" + subject();
    }

    default Severity severity() {
        return Severity.BLOCKS;
    }

    /// No rule gives the item an account.
    record ItemUnmapped(String item, String description) implements Finding {
        @Override
        public String subject() {
            return item;
        }
    }

    /// Neither the item nor its category has an account.
    record CategoryUnmapped(String category) implements Finding {
        @Override
        public String subject() {
            return category;
        }
    }

    /// Nothing says what is bought from the supplier, and the route has no default for it.
    record SupplierUnmapped(String supplier, String name) implements Finding {
        @Override
        public String subject() {
            return supplier;
        }
    }

    /// The route has no account for a role that the document needs.
    record RoleUnset(AccountRole role) implements Finding {
        @Override
        public String subject() {
            return role.name();
        }
    }

    /// An account that a rule names cannot be used.
    record AccountUnusable(String account, Reason reason, AccountRole role) implements Finding {
        /// Why not.
        public enum Reason {
            MISSING,
            INACTIVE,
            WRONG_TYPE,
            CONTROL_OR_BANK,
            /// No money can move on it.
            NO_MONEY
        }

        @Override
        public String subject() {
            return account;
        }
    }

    /// A value that a rule names for one of the ledger's dimensions is not there, or is no longer used.
    record DimensionUnusable(String dimension, String name, String value) implements Finding {
        @Override
        public String subject() {
            return dimension + " " + value;
        }
    }

    record TaxUnmapped(String tax, BigDecimal rate) implements Finding {
        @Override
        public String subject() {
            return tax;
        }
    }

    /// What the source says of why a tax is charged or not is not what the ledger's code says.
    ///
    /// @param categories the letters of the source's taxes
    record TaxCategoryDiffers(String tax, Set<TaxCategory> categories, String ledgerCode, TaxCategory ledgerCategory)
            implements Finding {
        @Override
        public String subject() {
            return tax;
        }
    }

    /// A rate above zero under a category that charges nothing (EN 16931 BR-AE-5 and its sisters).
    record TaxNotCharged(String tax, TaxCategory category, BigDecimal rate) implements Finding {
        @Override
        public String subject() {
            return tax;
        }
    }

    record TaxCodeUnusable(String tax, String ledgerCode) implements Finding {
        @Override
        public String subject() {
            return ledgerCode;
        }
    }

    record TaxRateDiffers(String tax, BigDecimal rate, String ledgerCode, BigDecimal ledgerRate) implements Finding {
        @Override
        public String subject() {
            return tax;
        }
    }

    /// The ledger would compute a tax that differs by more than rounding explains.
    record TaxDiffers(Money source, Money ledger, int taxedLines) implements Finding {}

    /// A ledger that decides tax itself charged another tax than the source document states; so on what is posted.
    record TaxDecidedOtherwise(Money stated, Money decided) implements Finding {
        @Override
        public Severity severity() {
            return Severity.WARNS;
        }
    }

    /// The party may already be on the ledger under another name.
    record PartyDoubtful(String party, String name, String ledgerParty, String ledgerName) implements Finding {
        @Override
        public String subject() {
            return party;
        }
    }

    /// The route creates no parties, and nobody has said which one on the ledger this is.
    record PartyMissing(String party, String name) implements Finding {
        @Override
        public String subject() {
            return party;
        }
    }

    /// The lines need several tax codes, and the ledger takes one for a document.
    record SeveralTaxCodes(List<String> codes) implements Finding {
        @Override
        public String subject() {
            return String.join("+", codes);
        }
    }

    /// Dated before the day from which documents of its kind cross on this route.
    record BeforeCutOff(LocalDate date, LocalDate cutOff) implements Finding {}

    /// Documents of its kind do not cross on this route.
    record DoesNotCross(RecordKind what) implements Finding {
        @Override
        public String subject() {
            return what.word();
        }
    }

    /// The site has no route, and its source no default one.
    record Unrouted(String site) implements Finding {
        @Override
        public String subject() {
            return site;
        }
    }

    record CurrencyUnavailable(String currency, String ledgerCurrency) implements Finding {
        @Override
        public String subject() {
            return currency;
        }
    }

    /// Neither the record nor the ledger says at which rate it is converted.
    record RateUnknown(String currency, String base, LocalDate day) implements Finding {
        @Override
        public String subject() {
            return currency + " " + day;
        }
    }

    /// A settlement in one currency for a document in another, of which it states one amount only.
    ///
    /// @param document such as `bill HL-20417`
    record CurrencyDiffers(String document, String currency, String settled) implements Finding {}

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
    }

    /// A document without lines (EN 16931 BR-16).
    record NoLines() implements Finding {}

    /// What a document says it is, is not understood, or contradicts the rest of it (EN 16931 BT-3).
    record TypeUnknown(String typeCode) implements Finding {
        @Override
        public String subject() {
            return typeCode;
        }
    }

    /// It takes the place of a document that is not known.
    ///
    /// @param number the one it names; empty when it names none
    record CorrectsUnknown(String number) implements Finding {
        @Override
        public String subject() {
            return number;
        }
    }

    /// A part was paid before (EN 16931 BT-113), which is not applied here.
    record Prepaid(Money amount) implements Finding {

        @Override
        public Severity severity() {
            return Severity.WARNS;
        }
    }

    /// The business is neither seller nor buyer of the document, until somebody says that it is one of them.
    record NotAParty(String seller, String sellerName, String buyer, String buyerName) implements Finding {
        @Override
        public String subject() {
            return seller;
        }
    }

    /// It needs a record that has not crossed, and is released by itself when that has.
    record WaitsFor(RecordKind needed, String number) implements Finding {
        @Override
        public String subject() {
            return needed.word() + " " + number;
        }
    }

    /// Nothing says which account takes a means of payment (UNCL4461) in a currency.
    record MeansUnmapped(String means, String currency) implements Finding {
        @Override
        public String subject() {
            return means + " " + currency;
        }
    }

    /// The ledger's terms that stand for those of the document are not there, or no longer used.
    record TermsUnusable(String terms, String ledgerTerms) implements Finding {
        @Override
        public String subject() {
            return ledgerTerms;
        }
    }

    /// By the ledger's terms the document would be due on another day than it states; the stated one is sent.
    record TermsDiffer(String terms, String ledgerTerms, LocalDate stated, LocalDate computed) implements Finding {
        @Override
        public String subject() {
            return terms;
        }

        @Override
        public Severity severity() {
            return Severity.WARNS;
        }
    }

    /// The ledger's field that stands for one of the source is not there, or no longer used.
    record FieldUnusable(String field, String ledgerField) implements Finding {
        @Override
        public String subject() {
            return ledgerField;
        }
    }

    /// Nothing says which choice there stands for one of the source's.
    record ChoiceUnmapped(String field, String choice) implements Finding {
        @Override
        public String subject() {
            return Crosswalk.choiceCode(field, choice);
        }
    }

    /// A value that the ledger's field cannot take.
    record FieldUnconvertible(String field, String ledgerField, String value, Conversion.Reason reason)
            implements Finding {
        @Override
        public String subject() {
            return field;
        }
    }

    /// Projects are to be customers below their client, and the ledger has nothing below a customer.
    record SubRecordsUnavailable(String ledger) implements Finding {
        @Override
        public String subject() {
            return ledger;
        }
    }

    /// Somebody else paid than the document is made out to, and nobody has said that he pays for them.
    record PayerDiffers(String payer, String payerName, String party, String partyName) implements Finding {
        @Override
        public String subject() {
            return payer + " > " + party;
        }
    }

    /// One settlement for documents of several parties.
    record SeveralParties(List<String> names) implements Finding {}

    /// Something that was received cannot be taken to the bank as the banking has it.
    ///
    /// @param receipt such as `payment-in PM-17`
    record ReceiptUnfit(String receipt, Because because) implements Finding {
        /// Why it cannot.
        public enum Because {
            VOIDED,
            NOT_ON_LEDGER,
            AMOUNT_DIFFERS,
            /// Its money is on another account than that of what waits to be banked.
            ELSEWHERE
        }

        @Override
        public String subject() {
            return receipt;
        }
    }

    /// More is settled than the money that moved.
    record AllocatedTooMuch(Money amount, Money allocated) implements Finding {}

    /// A settlement of its kind cannot settle such a document.
    ///
    /// @param document such as `bill HL-20417`
    record AllocationUnfit(String document) implements Finding {}

    /// A document is missed by more than a few cents.
    record DifferenceTooLarge(String document, Money difference, Money most) implements Finding {}

    /// Money that its document cannot take, so that it stays an open credit of the party.
    record StaysOpen(String document, Because because, Money amount) implements Finding {
        /// Why it cannot.
        public enum Because {
            VOIDED,
            NOT_ON_LEDGER,
            SETTLED_OTHERWISE,
            /// What is to be released was not kept back, or was released by now.
            NOT_RETAINED
        }

        @Override
        public Severity severity() {
            return Severity.WARNS;
        }
    }
}
