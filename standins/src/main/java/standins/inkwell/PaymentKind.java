package standins.inkwell;

import java.util.Arrays;
import standins.Refusal;

/// What a payment is: which documents it settles, and which way the money goes.
enum PaymentKind {
    PAYMENT_IN("payment-in", Kind.INVOICE, 1, 1),
    REFUND("refund", Kind.CREDIT_NOTE, -1, 1),
    RETURNED_IN("returned-in", Kind.INVOICE, -1, -1),
    PAYMENT_OUT("payment-out", Kind.BILL, -1, 1),
    SUPPLIER_REFUND("supplier-refund", Kind.SUPPLIER_CREDIT, 1, 1),
    RETURNED_OUT("returned-out", Kind.BILL, 1, -1);

    private final String word;
    private final Kind settles;
    private final int money;
    private final int paid;

    PaymentKind(String word, Kind settles, int money, int paid) {
        this.word = word;
        this.settles = settles;
        this.money = money;
        this.paid = paid;
    }

    static PaymentKind of(String word) {
        return Arrays.stream(values())
                .filter(kind -> kind.word.equals(word))
                .findFirst()
                .orElseThrow(
                        () -> Refusal.unprocessable("kind-unknown", "There is no kind of payment “" + word + "”."));
    }

    /// The plain kind that settles a document.
    static PaymentKind settling(Kind document) {
        return Arrays.stream(values())
                .filter(kind -> kind.settles == document && kind.paid > 0)
                .findFirst()
                .orElseThrow();
    }

    String word() {
        return word;
    }

    Kind settles() {
        return settles;
    }

    /// 1 when the money's account is debited.
    int money() {
        return money;
    }

    /// 1 when its documents owe less by it, -1 when they owe more again.
    int paid() {
        return paid;
    }
}
