package alcabala.accounting.party;

/// A customer or supplier as one side knows it. Text that is not known is empty, never null.
///
/// @param code how that side identifies the party
/// @param taxIdentifier VAT identifier or other tax registration (EN 16931 BT-31, BT-48)
public record Party(
        String code,
        String name,
        String taxIdentifier,
        String email,
        String phone,
        Address billTo,
        Address shipTo,
        boolean active) {
    public static Party named(String code, String name) {
        return new Party(code, name, "", "", "", Address.NONE, Address.NONE, true);
    }
}
