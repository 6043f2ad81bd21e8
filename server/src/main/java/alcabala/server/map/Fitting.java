package alcabala.server.map;

import alcabala.accounting.crosswalk.AccountRole;
import alcabala.accounting.crosswalk.Purpose;
import alcabala.accounting.crosswalk.RowKind;
import alcabala.accounting.ledger.AccountType;
import java.util.EnumSet;
import java.util.Set;
import java.util.function.Predicate;
import java.util.stream.Stream;

/// Which types of account a row may name for a purpose.
final class Fitting {
    private static final Set<AccountType> SALES =
            EnumSet.of(AccountType.REVENUE, AccountType.EXPENSE, AccountType.LIABILITY);

    private Fitting() {}

    /// @param code of the row, which says what an account role takes
    static Predicate<AccountType> of(RowKind kind, String code, Purpose purpose) {
        return switch (purpose) {
            case ACCOUNT -> ofAccount(kind, code);
            case INCOME -> SALES::contains;
            case EXPENSE -> anyOf(AccountRole.PURCHASES);
            case DISCOUNT -> anyOf(AccountRole.DISCOUNT_GIVEN, AccountRole.PURCHASES);
            case SHIPPING -> anyOf(AccountRole.SHIPPING_INCOME, AccountRole.EXPENSES);
            case ADVANCE -> anyOf(AccountRole.CUSTOMER_ADVANCES, AccountRole.SUPPLIER_ADVANCES);
            case COST -> anyOf(AccountRole.COST_OF_SALES, AccountRole.STOCK_VARIANCE);
            case STOCK -> anyOf(AccountRole.INVENTORY, AccountRole.GOODS_IN_TRANSIT);
            case COUNTERPART, NAME, FORMAT, DIRECTION, DIMENSION -> type -> false;
        };
    }

    private static Predicate<AccountType> ofAccount(RowKind kind, String code) {
        return switch (kind) {
            case MEANS -> AccountType::takesMoney;
            case LINE -> AccountType::takesLines;
            case ROLE -> RowChecks.role(code)::takes;
            case PARTY, ITEM, CATEGORY, PROJECT, TAX, SUPPLIER, SITE, LINE_KIND, PAYER, TERMS, FIELD, CHOICE ->
                type -> false;
        };
    }

    private static Predicate<AccountType> anyOf(AccountRole... roles) {
        return type -> Stream.of(roles).anyMatch(role -> role.takes(type));
    }
}
