package alcabala.accounting.custom;

/// What a record says in one field.
///
/// @param value as [FieldType] tells, never empty
public record FieldValue(String field, FieldType type, String value) {
    /// Characters of a text that can stand for a choice.
    static final int LONGEST_CHOICE = 60;

    /// Whether it may have to be looked up what stands for it there: a choice, or a text short enough to be one.
    public boolean mayBeChosen() {
        return type == FieldType.CHOICE || (type == FieldType.TEXT && value.length() <= LONGEST_CHOICE);
    }
}
