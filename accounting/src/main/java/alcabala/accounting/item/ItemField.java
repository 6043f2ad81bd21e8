package alcabala.accounting.item;

import alcabala.accounting.field.MasterField;
import java.util.Locale;

/// A field of an item that both sides have. Its accounts are the crosswalk's, its tax code is the ledger's.
public enum ItemField implements MasterField {
    NAME,
    /// In which it is sold.
    UNIT,
    /// What it is, by the names of [alcabala.accounting.document.ItemKind].
    KIND;

    @Override
    public String code() {
        return name().toLowerCase(Locale.ROOT);
    }

    @Override
    public boolean isSame(String one, String other) {
        return normal(one).equals(normal(other));
    }

    private static String normal(String said) {
        return said == null ? "" : said.strip().replaceAll("\\s+", " ");
    }
}
