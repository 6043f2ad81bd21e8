package alcabala.accounting.party;

import java.util.List;

/// A customer or supplier as one side knows it. Text that is not known is empty, never null.
///
/// @param code how that side identifies the party
/// @param taxIdentifier VAT identifier or other tax registration (EN 16931 BT-31, BT-48)
/// @param terms of payment that are usual with it, by that side's code
/// @param contacts whom to speak to there, as far as they are told
public record Party(
        String code,
        String name,
        String taxIdentifier,
        String email,
        String phone,
        Address billTo,
        Address shipTo,
        String terms,
        List<Contact> contacts,
        boolean active) {
    /// What was kept before there were contacts and terms has none.
    public Party {
        terms = terms == null ? "" : terms;
        contacts = contacts == null ? List.of() : List.copyOf(contacts);
    }

    public Party(
            String code,
            String name,
            String taxIdentifier,
            String email,
            String phone,
            Address billTo,
            Address shipTo,
            List<Contact> contacts,
            boolean active) {
        this(code, name, taxIdentifier, email, phone, billTo, shipTo, "", contacts, active);
    }

    public Party(
            String code,
            String name,
            String taxIdentifier,
            String email,
            String phone,
            Address billTo,
            Address shipTo,
            boolean active) {
        this(code, name, taxIdentifier, email, phone, billTo, shipTo, "", List.of(), active);
    }

    public static Party named(String code, String name) {
        return new Party(code, name, "", "", "", Address.NONE, Address.NONE, true);
    }

    /// The same, as another side identifies it.
    public Party as(String other) {
        return new Party(other, name, taxIdentifier, email, phone, billTo, shipTo, terms, contacts, active);
    }

    public Party withName(String other) {
        return new Party(code, other, taxIdentifier, email, phone, billTo, shipTo, terms, contacts, active);
    }

    public Party withTaxIdentifier(String other) {
        return new Party(code, name, other, email, phone, billTo, shipTo, terms, contacts, active);
    }

    public Party withEmail(String other) {
        return new Party(code, name, taxIdentifier, other, phone, billTo, shipTo, terms, contacts, active);
    }

    public Party withPhone(String other) {
        return new Party(code, name, taxIdentifier, email, other, billTo, shipTo, terms, contacts, active);
    }

    public Party withBillTo(Address other) {
        return new Party(code, name, taxIdentifier, email, phone, other, shipTo, terms, contacts, active);
    }

    public Party withShipTo(Address other) {
        return new Party(code, name, taxIdentifier, email, phone, billTo, other, contacts, active);
    }

    public Party withTerms(String other) {
        return new Party(code, name, taxIdentifier, email, phone, billTo, shipTo, other, contacts, active);
    }

    public Party withActive(boolean other) {
        return new Party(code, name, taxIdentifier, email, phone, billTo, shipTo, contacts, other);
    }

    public Party withoutContacts() {
        return contacts.isEmpty()
                ? this
                : new Party(code, name, taxIdentifier, email, phone, billTo, shipTo, terms, List.of(), active);
    }
}
