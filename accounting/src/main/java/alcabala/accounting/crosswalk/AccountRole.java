package alcabala.accounting.crosswalk;

import alcabala.accounting.document.LineKind;
import alcabala.accounting.ledger.AccountType;
import java.util.EnumSet;
import java.util.Set;

/// A purpose an account serves on a route, the types of account that may serve it, and what it is needed for.
public enum AccountRole {
    RECEIVABLES_CONTROL(RecordType.SALES, Need.REQUIRED, AccountType.RECEIVABLE),
    SALES(RecordType.SALES, Need.OPTIONAL, AccountType.REVENUE),
    LABOUR_INCOME(RecordType.SALES, Need.OPTIONAL, AccountType.REVENUE),
    EXPENSE_RECHARGED(RecordType.SALES, Need.OPTIONAL, AccountType.REVENUE, AccountType.EXPENSE),
    SHIPPING_INCOME(RecordType.SALES, Need.OPTIONAL, AccountType.REVENUE),
    FEE_INCOME(RecordType.SALES, Need.OPTIONAL, AccountType.REVENUE),
    DISCOUNT_GIVEN(RecordType.SALES, Need.OPTIONAL, AccountType.REVENUE, AccountType.EXPENSE),
    OUTPUT_TAX(RecordType.SALES, Need.REQUIRED, AccountType.TAX, AccountType.LIABILITY),
    ROUNDING(
            EnumSet.of(RecordType.SALES, RecordType.PURCHASES),
            Need.REQUIRED,
            AccountType.REVENUE,
            AccountType.EXPENSE),
    CUSTOMER_ADVANCES(RecordType.SALES, Need.OPTIONAL, AccountType.LIABILITY),
    GIFT_VOUCHERS(RecordType.SALES, Need.OPTIONAL, AccountType.LIABILITY),
    PAYABLES_CONTROL(RecordType.PURCHASES, Need.REQUIRED, AccountType.PAYABLE),
    PURCHASES(
            RecordType.PURCHASES,
            Need.OPTIONAL,
            AccountType.COST,
            AccountType.EXPENSE,
            AccountType.STOCK,
            AccountType.ASSET),
    EXPENSES(RecordType.PURCHASES, Need.OPTIONAL, AccountType.EXPENSE, AccountType.COST),
    INPUT_TAX(RecordType.PURCHASES, Need.REQUIRED, AccountType.TAX, AccountType.ASSET),
    SUPPLIER_ADVANCES(RecordType.PURCHASES, Need.OPTIONAL, AccountType.ASSET),
    BANK(RecordType.SETTLEMENTS, Need.OPTIONAL, AccountType.BANK),
    RECEIPTS_AWAITING_BANKING(RecordType.SETTLEMENTS, Need.OPTIONAL, AccountType.ASSET, AccountType.BANK),
    DISCOUNT_RECEIVED(
            RecordType.SETTLEMENTS, Need.OPTIONAL, AccountType.REVENUE, AccountType.COST, AccountType.EXPENSE),
    WITHHOLDING(RecordType.SETTLEMENTS, Need.OPTIONAL, AccountType.ASSET, AccountType.LIABILITY, AccountType.TAX),
    BANK_CHARGES(RecordType.SETTLEMENTS, Need.OPTIONAL, AccountType.EXPENSE),
    PAYMENT_DIFFERENCE(RecordType.SETTLEMENTS, Need.OPTIONAL, AccountType.REVENUE, AccountType.EXPENSE),
    BAD_DEBTS(RecordType.SETTLEMENTS, Need.OPTIONAL, AccountType.EXPENSE),
    RETENTION_RECEIVABLE(RecordType.SETTLEMENTS, Need.OPTIONAL, AccountType.ASSET),
    RETENTION_PAYABLE(RecordType.SETTLEMENTS, Need.OPTIONAL, AccountType.LIABILITY),
    EXCHANGE_DIFFERENCE(RecordType.SETTLEMENTS, Need.OPTIONAL, AccountType.REVENUE, AccountType.EXPENSE),
    COST_OF_SALES(RecordType.STOCK_JOURNALS, Need.REQUIRED, AccountType.COST),
    INVENTORY(RecordType.STOCK_JOURNALS, Need.REQUIRED, AccountType.STOCK),
    STOCK_VARIANCE(RecordType.STOCK_JOURNALS, Need.OPTIONAL, AccountType.COST, AccountType.EXPENSE),
    GOODS_RECEIVED_NOT_INVOICED(RecordType.STOCK_JOURNALS, Need.OPTIONAL, AccountType.LIABILITY),
    GOODS_IN_TRANSIT(RecordType.STOCK_JOURNALS, Need.OPTIONAL, AccountType.STOCK, AccountType.ASSET),
    PROCESSOR_CLEARING(RecordType.CARD_PAYOUTS, Need.REQUIRED, AccountType.ASSET, AccountType.BANK),
    PROCESSOR_FEES(RecordType.CARD_PAYOUTS, Need.REQUIRED, AccountType.EXPENSE),
    PROCESSOR_RESERVE(RecordType.CARD_PAYOUTS, Need.OPTIONAL, AccountType.ASSET),
    CASH_DIFFERENCE(RecordType.BANKINGS, Need.OPTIONAL, AccountType.REVENUE, AccountType.EXPENSE),
    CASH_IN_TRANSIT(RecordType.BANKINGS, Need.OPTIONAL, AccountType.ASSET, AccountType.BANK),
    VOUCHER_BREAKAGE(RecordType.VOUCHERS, Need.OPTIONAL, AccountType.REVENUE);

    /// Whether a route that carries the role's records cannot do without it.
    public enum Need {
        REQUIRED,
        OPTIONAL
    }

    private final Set<RecordType> carries;
    private final Need need;
    private final Set<AccountType> types;

    AccountRole(RecordType carries, Need need, AccountType first, AccountType... others) {
        this(EnumSet.of(carries), need, first, others);
    }

    AccountRole(Set<RecordType> carries, Need need, AccountType first, AccountType... others) {
        this.carries = carries;
        this.need = need;
        types = EnumSet.of(first, others);
    }

    public boolean takes(AccountType type) {
        return types.contains(type);
    }

    public Set<AccountType> types() {
        return types;
    }

    /// Whether a route that carries these records needs an account for it.
    public boolean isRequired(Set<RecordType> carried) {
        return need == Need.REQUIRED && serves(carried);
    }

    /// The records that use it.
    public Set<RecordType> carries() {
        return carries;
    }

    /// Whether it can be of use on a route that carries these records.
    public boolean serves(Set<RecordType> carried) {
        return carries.stream().anyMatch(carried::contains);
    }

    /// The role that gives the income account of a line when nothing more specific does.
    public static AccountRole ofIncome(LineKind kind) {
        return switch (kind) {
            case GOODS -> SALES;
            case LABOUR -> LABOUR_INCOME;
            case EXPENSE -> EXPENSE_RECHARGED;
            case SHIPPING -> SHIPPING_INCOME;
            case FEE -> FEE_INCOME;
            case DISCOUNT -> DISCOUNT_GIVEN;
            case ADVANCE -> CUSTOMER_ADVANCES;
        };
    }

    /// The role that gives the account for a purpose when nothing more specific does.
    ///
    /// @throws IllegalArgumentException for a purpose that no role gives an account for
    public static AccountRole of(Purpose purpose, LineKind kind) {
        return switch (purpose) {
            case INCOME -> ofIncome(kind);
            case EXPENSE -> ofPurchase(kind);
            case COST -> COST_OF_SALES;
            case STOCK -> INVENTORY;
            default -> throw new IllegalArgumentException("no role for " + purpose);
        };
    }

    /// The role that gives the account of a line that was bought when nothing more specific does.
    public static AccountRole ofPurchase(LineKind kind) {
        return switch (kind) {
            case GOODS, DISCOUNT -> PURCHASES;
            case ADVANCE -> SUPPLIER_ADVANCES;
            case LABOUR, EXPENSE, SHIPPING, FEE -> EXPENSES;
        };
    }
}
