package alcabala.accounting.crosswalk;

/// The rules that can answer for a line, the most specific first (domain, section 3).
public enum Step {
    LINE_OVERRIDE,
    ITEM,
    CATEGORY,
    PROJECT,
    PARTY,
    SITE,
    LINE_KIND,
    ROLE
}
