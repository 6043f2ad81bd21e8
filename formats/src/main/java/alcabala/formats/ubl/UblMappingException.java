package alcabala.formats.ubl;

/// A file that its schema allows and that still does not say something an invoice must.
final class UblMappingException extends RuntimeException {
    UblMappingException(String message) {
        super(message);
    }
}
