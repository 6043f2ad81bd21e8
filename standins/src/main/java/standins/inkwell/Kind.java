package standins.inkwell;

import java.util.Arrays;
import standins.Refusal;

/// What a document is, and which side of the books its gross stands on.
enum Kind {
    INVOICE("invoice", true, 1),
    CREDIT_NOTE("credit-note", true, -1),
    BILL("bill", false, -1),
    SUPPLIER_CREDIT("supplier-credit", false, 1);

    private final String word;
    private final boolean sale;
    private final int sign;

    Kind(String word, boolean sale, int sign) {
        this.word = word;
        this.sale = sale;
        this.sign = sign;
    }

    static Kind of(String word) {
        return Arrays.stream(values())
                .filter(kind -> kind.word.equals(word))
                .findFirst()
                .orElseThrow(
                        () -> Refusal.unprocessable("kind-unknown", "There is no kind of document “" + word + "”."));
    }

    String word() {
        return word;
    }

    boolean isSale() {
        return sale;
    }

    boolean isCredit() {
        return this == CREDIT_NOTE || this == SUPPLIER_CREDIT;
    }

    /// 1 when the control account is debited with the gross, -1 when it is credited.
    int sign() {
        return sign;
    }

    /// The type of account that the gross belongs to.
    String controlType() {
        return sale ? "receivable" : "payable";
    }
}
