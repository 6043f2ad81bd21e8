package alcabala.accounting.document;

import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/// What a document says it is (EN 16931 BT-3, UNCL1001), as far as that is understood here. Any other code is a
/// finding.
public enum TypeCode {
    INVOICE("380", false),
    CREDIT_NOTE("381", true),
    /// Takes the place of the document that it names.
    CORRECTED_INVOICE("384", false),
    /// Its lines are advances.
    PREPAYMENT("386", false),
    /// An invoice made out by its buyer.
    SELF_BILLED_INVOICE("389", false),
    SELF_BILLED_CREDIT_NOTE("261", true);

    private static final Map<String, TypeCode> BY_CODE =
            Stream.of(values()).collect(Collectors.toUnmodifiableMap(TypeCode::code, type -> type));
    private final String code;
    private final boolean credit;

    TypeCode(String code, boolean credit) {
        this.code = code;
        this.credit = credit;
    }

    public String code() {
        return code;
    }

    public boolean isCredit() {
        return credit;
    }

    public static Optional<TypeCode> find(String code) {
        return Optional.ofNullable(BY_CODE.get(code));
    }
}
