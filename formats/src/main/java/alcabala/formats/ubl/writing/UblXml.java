package alcabala.formats.ubl.writing;

import java.io.ByteArrayOutputStream;
import java.math.BigDecimal;
import java.nio.charset.StandardCharsets;
import java.util.ArrayDeque;
import java.util.Deque;
import javax.xml.stream.XMLOutputFactory;
import javax.xml.stream.XMLStreamException;
import javax.xml.stream.XMLStreamWriter;
import org.joda.money.Money;

/// Elements of UBL 2.1 in the order in which the schema wants them, which is held against it in the tests. Built from
/// the types of the schema first, each with its forty fields that stay empty, an invoice takes ten times as long.
/// What is empty is left out: no element is (IND5).
final class UblXml {
    private static final String SCHEMA = "urn:oasis:names:specification:ubl:schema:xsd:";
    private static final int USUAL = 16 * 1024;
    private static final String INDENT = "  ";

    private final ByteArrayOutputStream bytes = new ByteArrayOutputStream(USUAL);
    private final XMLStreamWriter writer;
    private final Deque<String> open = new ArrayDeque<>();

    interface Part {
        void write(UblXml xml);
    }

    private interface Writing {
        void write() throws XMLStreamException;
    }

    private UblXml() {
        try {
            // They need not be safe to share, and invoices are written side by side.
            writer = XMLOutputFactory.newDefaultFactory().createXMLStreamWriter(bytes, StandardCharsets.UTF_8.name());
        } catch (XMLStreamException e) {
            throw new IllegalStateException("XML cannot be written", e);
        }
    }

    /// @param root such as `Invoice`
    /// @return in UTF-8
    static byte[] of(String root, Part content) {
        UblXml xml = new UblXml();
        xml.checked(() -> {
            xml.writer.writeStartDocument(StandardCharsets.UTF_8.name(), "1.0");
            xml.writer.writeCharacters("\n");
            xml.writer.writeStartElement(root);
            xml.writer.writeDefaultNamespace(SCHEMA + root + "-2");
            xml.writer.writeNamespace("cac", SCHEMA + "CommonAggregateComponents-2");
            xml.writer.writeNamespace("cbc", SCHEMA + "CommonBasicComponents-2");
        });
        xml.open.push(root);
        content.write(xml);
        xml.checked(() -> {
            xml.writer.writeCharacters("\n");
            xml.writer.writeEndElement();
            xml.writer.writeEndDocument();
            xml.writer.close();
        });
        return xml.bytes.toByteArray();
    }

    /// An element that holds others.
    UblXml group(String name, Part content) {
        indent();
        checked(() -> writer.writeStartElement("cac:" + name));
        open.push(name);
        content.write(this);
        open.pop();
        indent();
        checked(writer::writeEndElement);
        return this;
    }

    UblXml text(String name, String value) {
        return value.isEmpty() ? this : text(name, value, "", "");
    }

    UblXml number(String name, BigDecimal value) {
        return text(name, value.toPlainString());
    }

    UblXml amount(String name, Money money) {
        return amount(name, money.getAmount(), money.getCurrencyUnit().getCode());
    }

    UblXml amount(String name, BigDecimal amount, String currency) {
        return text(name, amount.toPlainString(), "currencyID", currency);
    }

    UblXml quantity(String name, BigDecimal quantity, String unit) {
        return text(name, quantity.toPlainString(), "unitCode", unit);
    }

    private UblXml text(String name, String value, String attribute, String says) {
        indent();
        checked(() -> {
            writer.writeStartElement("cbc:" + name);
            if (!attribute.isEmpty()) {
                writer.writeAttribute(attribute, Text.of(says));
            }
            writer.writeCharacters(Text.of(value));
            writer.writeEndElement();
        });
        return this;
    }

    private void indent() {
        checked(() -> writer.writeCharacters("\n" + INDENT.repeat(open.size())));
    }

    private void checked(Writing writing) {
        try {
            writing.write();
        } catch (XMLStreamException e) {
            throw new IllegalStateException("XML could not be written", e);
        }
    }
}
