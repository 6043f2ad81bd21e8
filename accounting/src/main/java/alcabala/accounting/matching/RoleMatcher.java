package alcabala.accounting.matching;

import alcabala.accounting.crosswalk.AccountRole;
import alcabala.accounting.crosswalk.RecordType;
import alcabala.accounting.ledger.LedgerAccount;
import java.util.Comparator;
import java.util.EnumSet;
import java.util.List;
import java.util.Optional;

/// Proposes an account of the chart for a role, by the account's type, name and number.
public final class RoleMatcher {
    private final List<LedgerAccount> chart;

    /// Why an account was proposed.
    public enum Reason {
        /// The only active account of a type that the role takes.
        ONLY_OF_TYPE,
        /// Its name says the role.
        NAME,
        /// Several names say it; this one has the lowest number.
        NAME_AND_NUMBER
    }

    /// @param certain may be accepted without looking
    public record Proposal(LedgerAccount account, Reason reason, boolean certain) {}

    public RoleMatcher(List<LedgerAccount> chart) {
        this.chart = chart.stream().filter(LedgerAccount::active).toList();
    }

    /// Empty when nothing speaks for any account: a wrong proposal is worse than none. So is taking an
    /// optional role for certain: what it would catch is better asked about.
    public Optional<Proposal> propose(AccountRole role) {
        List<LedgerAccount> taken =
                chart.stream().filter(account -> role.takes(account.type())).toList();
        List<LedgerAccount> named = taken.stream()
                .filter(account -> says(account.name(), words(role)))
                .sorted(Comparator.comparing(LedgerAccount::code))
                .toList();
        if (!named.isEmpty()) {
            boolean alone = named.size() == 1;
            boolean required = role.isRequired(EnumSet.allOf(RecordType.class));
            return Optional.of(
                    new Proposal(named.getFirst(), alone ? Reason.NAME : Reason.NAME_AND_NUMBER, alone && required));
        }
        return taken.size() == 1 && role.types().size() == 1 && role.isRequired(EnumSet.allOf(RecordType.class))
                ? Optional.of(new Proposal(taken.getFirst(), Reason.ONLY_OF_TYPE, false))
                : Optional.empty();
    }

    private static boolean says(String name, List<String> words) {
        String plain = " " + Names.normalise(name) + " ";
        return words.stream().anyMatch(word -> plain.contains(" " + word));
    }

    /// Beginnings of words, as charts in English use them.
    private static List<String> words(AccountRole role) {
        return switch (role) {
            case RECEIVABLES_CONTROL ->
                List.of("receivables control", "debtors", "trade receivable", "accounts receivable");
            case SALES -> List.of("sales", "turnover");
            case LABOUR_INCOME -> List.of("labour", "labor", "service income");
            case EXPENSE_RECHARGED -> List.of("recharged expense", "expenses recharged");
            case SHIPPING_INCOME -> List.of("carriage", "shipping", "freight", "postage");
            case FEE_INCOME -> List.of("fee", "other income", "sundry income");
            case DISCOUNT_GIVEN -> List.of("discount", "price reduction", "rebate");
            case OUTPUT_TAX -> List.of("output tax", "vat on sales", "sales tax", "tax owed", "output vat");
            case ROUNDING -> List.of("rounding", "cent difference");
            case CUSTOMER_ADVANCES ->
                List.of("customer deposit", "customer advance", "deposits received", "charter deposit");
            case GIFT_VOUCHERS -> List.of("voucher", "gift");
            case PAYABLES_CONTROL -> List.of("payables control", "creditors", "trade payable", "accounts payable");
            case PURCHASES -> List.of("purchases", "goods for resale");
            case EXPENSES -> List.of("general expense", "sundry expense");
            case INPUT_TAX -> List.of("input tax", "input vat", "vat on purchases");
            case SUPPLIER_ADVANCES -> List.of("supplier deposit", "supplier advance", "deposits paid");
            case BANK -> List.of("current account", "bank");
            case RECEIPTS_AWAITING_BANKING -> List.of("not yet banked", "awaiting banking", "cash in hand");
            case DISCOUNT_RECEIVED -> List.of("discount received", "discounts received", "settlement discount");
            case WITHHOLDING -> List.of("withholding", "tax withheld");
            case BANK_CHARGES -> List.of("bank charge", "bank fee");
            case PAYMENT_DIFFERENCE -> List.of("payment difference", "underpayment", "small difference");
            case BAD_DEBTS -> List.of("bad debt", "debts written off");
            case EXCHANGE_DIFFERENCE -> List.of("exchange");
            case RETENTION_RECEIVABLE -> List.of("retention receivable", "retentions held by customers");
            case RETENTION_PAYABLE -> List.of("retention payable", "retentions held for suppliers");
            case COST_OF_SALES -> List.of("cost of sales", "cost of goods", "cost of parts");
            case INVENTORY -> List.of("stock", "inventory");
            case STOCK_VARIANCE -> List.of("stock variance", "stock difference", "shrinkage");
            case GOODS_RECEIVED_NOT_INVOICED -> List.of("received not invoiced", "accrued purchases");
            case GOODS_IN_TRANSIT -> List.of("in transit");
            case PROCESSOR_CLEARING -> List.of("card clearing", "processor clearing");
            case PROCESSOR_FEES -> List.of("card fee", "processor fee", "card charge");
            case PROCESSOR_RESERVE -> List.of("card reserve", "processor reserve");
            case CASH_DIFFERENCE -> List.of("cash difference", "over and short", "till difference");
            case CASH_IN_TRANSIT -> List.of("cash in transit", "in transit to bank", "between own accounts");
            case VOUCHER_BREAKAGE -> List.of("voucher breakage", "expired voucher", "vouchers expired");
        };
    }
}
