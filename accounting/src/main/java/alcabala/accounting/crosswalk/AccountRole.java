package alcabala.accounting.crosswalk;

import alcabala.accounting.document.LineKind;
import alcabala.accounting.ledger.AccountType;
import java.util.EnumSet;
import java.util.Set;

/// A purpose an account serves on a route, and the types of account that may serve it.
public enum AccountRole {
    RECEIVABLES_CONTROL(AccountType.RECEIVABLE),
    SALES(AccountType.REVENUE),
    LABOUR_INCOME(AccountType.REVENUE),
    EXPENSE_RECHARGED(AccountType.REVENUE, AccountType.EXPENSE),
    SHIPPING_INCOME(AccountType.REVENUE),
    FEE_INCOME(AccountType.REVENUE),
    DISCOUNT_GIVEN(AccountType.REVENUE, AccountType.EXPENSE),
    ADVANCES(AccountType.LIABILITY),
    OUTPUT_TAX(AccountType.TAX, AccountType.LIABILITY),
    ROUNDING(AccountType.REVENUE, AccountType.EXPENSE);

    private final Set<AccountType> types;

    AccountRole(AccountType first, AccountType... others) {
        types = EnumSet.of(first, others);
    }

    public boolean takes(AccountType type) {
        return types.contains(type);
    }

    public Set<AccountType> types() {
        return types;
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
            case ADVANCE -> ADVANCES;
        };
    }
}
