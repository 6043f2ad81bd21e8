package alcabala.accounting.settlement;

import alcabala.accounting.crosswalk.AccountRole;
import org.joda.money.Money;

/// What was settled without money.
///
/// @param amount positive when less money moved than was settled, with tax; negative only where its kind allows it
public record Deduction(Kind kind, Money amount) {
    /// Why.
    public enum Kind {
        /// For paying early.
        DISCOUNT,
        /// Tax that the payer keeps and pays to the authority himself.
        WITHHOLDING,
        BANK_CHARGES,
        /// A few cents.
        DIFFERENCE,
        BAD_DEBT,
        /// Kept back until later; negative where it is released, so that its money settles no more of the document.
        RETENTION;

        /// Whether more money may have moved than was settled.
        public boolean mayBeNegative() {
            return this == DIFFERENCE || this == RETENTION;
        }

        /// The role that takes it.
        public AccountRole role(boolean sale) {
            return switch (this) {
                case DISCOUNT -> sale ? AccountRole.DISCOUNT_GIVEN : AccountRole.DISCOUNT_RECEIVED;
                case WITHHOLDING -> AccountRole.WITHHOLDING;
                case BANK_CHARGES -> AccountRole.BANK_CHARGES;
                case DIFFERENCE -> AccountRole.PAYMENT_DIFFERENCE;
                case BAD_DEBT -> AccountRole.BAD_DEBTS;
                case RETENTION -> sale ? AccountRole.RETENTION_RECEIVABLE : AccountRole.RETENTION_PAYABLE;
            };
        }
    }
}
