package alcabala.formats.ubl.writing;

import alcabala.accounting.party.Address;
import alcabala.accounting.party.Party;

/// Seller and buyer (BG-4, BG-7), as far as they are known.
final class PartyElements {
    private PartyElements() {}

    static void seller(UblXml xml, UblDocument document, Charged charged) {
        xml.group("AccountingSupplierParty", seller -> party(seller, document.seller(), charged.isTaxed()));
    }

    static void buyer(UblXml xml, UblDocument document, Charged charged) {
        xml.group("AccountingCustomerParty", buyer -> party(buyer, document.buyer(), charged.isTaxed()));
    }

    /// Outside of tax nobody is named by a tax identifier (BR-O-2): it is a registration like another there.
    private static void party(UblXml xml, Party party, boolean taxed) {
        boolean identified = !party.taxIdentifier().isEmpty();
        xml.group("Party", element -> {
            if (!party.code().isEmpty()) {
                element.group("PartyIdentification", identification -> identification.text("ID", party.code()));
            }
            if (!party.billTo().equals(Address.NONE)) {
                element.group("PostalAddress", address -> address(address, party.billTo()));
            }
            if (taxed && identified) {
                element.group("PartyTaxScheme", scheme -> {
                    scheme.text("CompanyID", party.taxIdentifier());
                    TaxElements.vat(scheme);
                });
            }
            String registration = taxed ? "" : party.taxIdentifier();
            if (!party.name().isEmpty() || !registration.isEmpty()) {
                element.group(
                        "PartyLegalEntity",
                        legal -> legal.text("RegistrationName", party.name()).text("CompanyID", registration));
            }
            if (!party.email().isEmpty() || !party.phone().isEmpty()) {
                element.group(
                        "Contact",
                        contact -> contact.text("Telephone", party.phone()).text("ElectronicMail", party.email()));
            }
        });
    }

    /// Where goods go (BG-13), as far as it is known.
    static void delivery(UblXml xml, Party buyer) {
        if (!buyer.shipTo().country().isEmpty()) {
            xml.group(
                    "Delivery",
                    delivery -> delivery.group(
                            "DeliveryLocation",
                            place -> place.group("Address", address -> address(address, buyer.shipTo()))));
        }
    }

    private static void address(UblXml xml, Address address) {
        xml.text("StreetName", address.street())
                .text("CityName", address.city())
                .text("PostalZone", address.postalZone());
        if (!address.country().isEmpty()) {
            xml.group("Country", country -> country.text("IdentificationCode", address.country()));
        }
    }
}
