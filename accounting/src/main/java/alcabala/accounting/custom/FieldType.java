package alcabala.accounting.custom;

/// What values of a field are. As text a number is plain decimal (`1234.5`), a date is `2026-11-28`, a choice is its
/// code.
public enum FieldType {
    TEXT,
    NUMBER,
    DATE,
    CHOICE
}
