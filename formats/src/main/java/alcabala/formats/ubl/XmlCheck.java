package alcabala.formats.ubl;

import alcabala.formats.Problem;
import alcabala.formats.Problem.Code;
import java.io.ByteArrayInputStream;
import java.util.Optional;
import java.util.regex.Pattern;
import javax.xml.namespace.QName;
import javax.xml.stream.Location;
import javax.xml.stream.XMLInputFactory;
import javax.xml.stream.XMLStreamConstants;
import javax.xml.stream.XMLStreamException;
import javax.xml.stream.XMLStreamReader;

/// A first pass over the bytes that resolves nothing: well-formed, no DOCTYPE, and what the root element is.
final class XmlCheck {
    private static final XMLInputFactory FACTORY = factory();
    private static final Pattern NUMBERS = Pattern.compile(".*(Amount|Quantity|Percent|Numeric|Rate|Measure)");
    private static final int LONGEST_NUMBER = 64;
    private static final int NO_NUMBER = -1;

    private XmlCheck() {}

    /// What was found: the root element, or why there is none to trust.
    record Outcome(Optional<QName> root, Optional<Problem> problem) {
        static Outcome failed(Code code, Location at, String detail) {
            return new Outcome(
                    Optional.empty(),
                    Optional.of(new Problem(
                            code, Math.max(at.getLineNumber(), 0), Math.max(at.getColumnNumber(), 0), detail)));
        }
    }

    static Outcome check(byte[] bytes) {
        XMLStreamReader reader = null;
        QName root = null;
        int digits = NO_NUMBER;
        try {
            reader = FACTORY.createXMLStreamReader(new ByteArrayInputStream(bytes));
            while (reader.hasNext()) {
                int event = reader.next();
                if (event == XMLStreamConstants.DTD) {
                    return Outcome.failed(Code.DOCTYPE, reader.getLocation(), "");
                }
                root = root == null && event == XMLStreamConstants.START_ELEMENT ? reader.getName() : root;
                digits = digits(reader, event, digits);
                if (digits > LONGEST_NUMBER) {
                    return Outcome.failed(
                            Code.BEYOND_LIMITS,
                            reader.getLocation(),
                            "a number has more than " + LONGEST_NUMBER + " characters");
                }
            }
            return new Outcome(Optional.ofNullable(root), Optional.empty());
        } catch (XMLStreamException e) {
            return broken(bytes, root, e);
        } finally {
            close(reader);
        }
    }

    /// How long the number is that is being read: to compute with one of a million digits takes minutes.
    private static int digits(XMLStreamReader reader, int event, int before) {
        return switch (event) {
            case XMLStreamConstants.START_ELEMENT ->
                NUMBERS.matcher(reader.getLocalName()).matches() ? 0 : NO_NUMBER;
            case XMLStreamConstants.END_ELEMENT -> NO_NUMBER;
            case XMLStreamConstants.CHARACTERS -> before == NO_NUMBER ? NO_NUMBER : before + reader.getTextLength();
            default -> before;
        };
    }

    /// A file that began well and whose end the parser did not find was cut off on its way.
    private static Outcome broken(byte[] bytes, QName root, XMLStreamException e) {
        Code code = root != null && !endsWithTag(bytes) || isAtEnd(e) && root != null ? Code.TRUNCATED : Code.NOT_XML;
        return Outcome.failed(code, e.getLocation(), "");
    }

    private static boolean isAtEnd(XMLStreamException e) {
        String message = String.valueOf(e.getMessage());
        return message.contains("must start and end within the same entity") || message.contains("end of the document");
    }

    private static boolean endsWithTag(byte[] bytes) {
        int last = bytes.length - 1;
        while (last >= 0 && (bytes[last] <= ' ' || bytes[last] == 0)) {
            last--;
        }
        return last >= 0 && bytes[last] == '>';
    }

    private static void close(XMLStreamReader reader) {
        try {
            if (reader != null) {
                reader.close();
            }
        } catch (XMLStreamException e) {
            throw new IllegalStateException("closing a reader over memory", e);
        }
    }

    private static XMLInputFactory factory() {
        XMLInputFactory factory = XMLInputFactory.newDefaultFactory();
        factory.setProperty(XMLInputFactory.SUPPORT_DTD, false);
        factory.setProperty(XMLInputFactory.IS_SUPPORTING_EXTERNAL_ENTITIES, false);
        return factory;
    }
}
