package alcabala.accounting.settlement;

import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/// Means of payment (EN 16931 BT-81, UNCL4461), those that are known by a name here. Any other code is taken as it is.
public enum Means {
    CASH("10", false),
    CHEQUE("20", false),
    CREDIT_TRANSFER("30", true),
    PAYMENT_TO_BANK_ACCOUNT("42", true),
    BANK_CARD("48", false),
    DIRECT_DEBIT("49", true),
    CREDIT_CARD("54", false),
    DEBIT_CARD("55", false),
    SEPA_CREDIT_TRANSFER("58", true),
    SEPA_DIRECT_DEBIT("59", true);

    private static final Map<String, Means> BY_CODE =
            Stream.of(values()).collect(Collectors.toUnmodifiableMap(Means::code, means -> means));
    private final String code;
    private final boolean atBank;

    Means(String code, boolean atBank) {
        this.code = code;
        this.atBank = atBank;
    }

    public String code() {
        return code;
    }

    /// Whether the money is on the bank's statement by itself, so that the route's bank account takes it where nobody
    /// said otherwise.
    public boolean isAtBank() {
        return atBank;
    }

    public static Optional<Means> find(String code) {
        return Optional.ofNullable(BY_CODE.get(code));
    }
}
