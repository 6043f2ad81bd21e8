package alcabala.accounting.posting;

import alcabala.accounting.crosswalk.AccountRole;
import alcabala.accounting.document.LineKind;
import alcabala.accounting.ledger.LedgerTaxCode;
import alcabala.accounting.record.RecordKind;
import alcabala.accounting.setting.Topic;

/// What differs between selling and buying; the rest of compiling is the same.
enum Side {
    SALE(AccountRole.RECEIVABLES_CONTROL, AccountRole.OUTPUT_TAX, Topic.UNSTATED_TAX),
    PURCHASE(AccountRole.PAYABLES_CONTROL, AccountRole.INPUT_TAX, Topic.UNSTATED_PURCHASE_TAX);

    private final AccountRole control;
    private final AccountRole tax;
    private final Topic unstatedTax;

    Side(AccountRole control, AccountRole tax, Topic unstatedTax) {
        this.control = control;
        this.tax = tax;
        this.unstatedTax = unstatedTax;
    }

    static Side of(RecordKind kind) {
        return kind.isSale() ? SALE : PURCHASE;
    }

    /// The role of the account that gets exactly the gross.
    AccountRole control() {
        return control;
    }

    /// The role that takes the tax of a code without an account of its own.
    AccountRole tax() {
        return tax;
    }

    /// The setting that names the code of lines that state no tax.
    Topic unstatedTax() {
        return unstatedTax;
    }

    AccountRole roleOf(LineKind kind) {
        return this == SALE ? AccountRole.ofIncome(kind) : AccountRole.ofPurchase(kind);
    }

    /// Where the ledger itself posts the tax of a code, or empty.
    String accountOf(LedgerTaxCode code) {
        return this == SALE ? code.account() : code.inputAccount();
    }

    /// Whether the gross is a credit: what is owed to a supplier, or given back to a customer.
    boolean isMirrored(RecordKind kind) {
        return kind.isCredit() == (this == SALE);
    }
}
