package alcabala.accounting.crosswalk;

/// The rules that can decide an account, the most specific first (domain, section 3).
public enum Step {
    LINE_OVERRIDE,
    ITEM,
    CATEGORY,
    SUPPLIER,
    ROLE
}
