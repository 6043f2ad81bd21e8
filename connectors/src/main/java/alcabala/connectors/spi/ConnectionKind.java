package alcabala.connectors.spi;

import alcabala.connectors.Access;
import alcabala.formats.layout.Layout;
import java.util.List;
import java.util.Set;

/// A kind of outside system that can be connected. Its name stands in its own package and nowhere else; everybody else
/// asks what it can do. Found by [java.util.ServiceLoader], also in jars that were added to the installation
/// (docs/connectors.md).
public interface ConnectionKind {
    /// A word for the database and for addresses: small letters, digits and hyphens. It never changes.
    String code();

    /// As people say it.
    String name();

    Side side();

    Entry entry();

    /// What its connections can do, known before one is opened.
    Set<Class<? extends Capability>> can();

    default boolean can(Class<? extends Capability> capability) {
        return can().contains(capability);
    }

    /// What is asked for when one is set up.
    default List<FormField> form() {
        return switch (entry()) {
            case Entry.ByKey key -> List.of(FormField.address(), FormField.key());
            case Entry.ByConsent consent -> List.of(FormField.address());
            case Entry.ByFiles files -> List.of();
        };
    }

    /// How books are kept that nobody can ask about, by those of files.
    default BooksOfFiles books() {
        throw new CannotException(name(), Capability.class);
    }

    /// The files that it imports as they are; others can be made after them.
    default List<Layout> layouts() {
        return List.of();
    }

    /// Where its own people look at it in a browser; empty when nowhere.
    default String desk(Place place) {
        return place.address();
    }

    /// The page of one record there, by the system's own id; empty when it has none.
    default String recordPage(String desk, String id) {
        return desk.isEmpty() ? "" : desk + "/documents/" + id;
    }

    /// @param access what is shown at the door; never a part of a message
    Connection open(Place place, Access access);
}
