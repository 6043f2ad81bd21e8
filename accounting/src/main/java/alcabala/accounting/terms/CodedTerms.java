package alcabala.accounting.terms;

/// Terms of payment as one side has them under a code of its own.
public record CodedTerms(String code, String name, PaymentTerms rule, boolean active) {}
