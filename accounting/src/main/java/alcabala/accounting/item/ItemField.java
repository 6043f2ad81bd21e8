package alcabala.accounting.item;

import alcabala.accounting.document.ItemKind;
import alcabala.accounting.field.MasterField;
import alcabala.accounting.field.Use;
import java.util.Locale;
import java.util.stream.Stream;

/// A field of an item that both sides have. Its accounts are the crosswalk's, its tax code is the ledger's.
public enum ItemField implements MasterField {
    NAME,
    /// In which it is sold.
    UNIT,
    /// What it is, by the names of [ItemKind].
    KIND,
    IN_USE;

    @Override
    public String code() {
        return name().toLowerCase(Locale.ROOT).replace('_', '-');
    }

    @Override
    public boolean isUse() {
        return this == IN_USE;
    }

    /// One without a name cannot be kept; a kind is one of a few.
    @Override
    public boolean takes(String value) {
        return switch (this) {
            case NAME -> !value.isBlank();
            case UNIT, IN_USE -> true;
            case KIND ->
                value.isEmpty()
                        || Stream.of(ItemKind.values()).map(ItemKind::name).anyMatch(value::equals);
        };
    }

    @Override
    public boolean isSame(String one, String other) {
        return isUse() ? Use.isSame(one, other) : normal(one).equals(normal(other));
    }

    private static String normal(String said) {
        return said == null ? "" : said.strip().replaceAll("\\s+", " ");
    }
}
