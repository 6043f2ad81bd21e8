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
    /// What it is, by the names of [ItemKind]. A side that tells none, or one that nobody knows, does not differ.
    KIND,
    IN_USE;

    private static final int LONGEST_UNIT = 40;

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
            case UNIT -> value.length() <= LONGEST_UNIT;
            case IN_USE -> true;
            case KIND ->
                value.isEmpty()
                        || Stream.of(ItemKind.values()).map(ItemKind::name).anyMatch(value::equals);
        };
    }

    @Override
    public boolean isSame(String one, String other) {
        return switch (this) {
            case IN_USE -> Use.isSame(one, other);
            case KIND -> one == null || other == null || normal(one).equals(normal(other));
            case NAME, UNIT -> normal(one).equals(normal(other));
        };
    }

    private static String normal(String said) {
        return said == null ? "" : said.strip().replaceAll("\\s+", " ");
    }
}
