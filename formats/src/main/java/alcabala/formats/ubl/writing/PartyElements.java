package alcabala.formats.ubl.writing;

import alcabala.accounting.party.Address;
import alcabala.accounting.party.Party;
import java.util.List;
import oasis.names.specification.ubl.schema.xsd.commonaggregatecomponents_21.AddressType;
import oasis.names.specification.ubl.schema.xsd.commonaggregatecomponents_21.ContactType;
import oasis.names.specification.ubl.schema.xsd.commonaggregatecomponents_21.CountryType;
import oasis.names.specification.ubl.schema.xsd.commonaggregatecomponents_21.CustomerPartyType;
import oasis.names.specification.ubl.schema.xsd.commonaggregatecomponents_21.DeliveryType;
import oasis.names.specification.ubl.schema.xsd.commonaggregatecomponents_21.LocationType;
import oasis.names.specification.ubl.schema.xsd.commonaggregatecomponents_21.PartyIdentificationType;
import oasis.names.specification.ubl.schema.xsd.commonaggregatecomponents_21.PartyLegalEntityType;
import oasis.names.specification.ubl.schema.xsd.commonaggregatecomponents_21.PartyTaxSchemeType;
import oasis.names.specification.ubl.schema.xsd.commonaggregatecomponents_21.PartyType;
import oasis.names.specification.ubl.schema.xsd.commonaggregatecomponents_21.SupplierPartyType;
import oasis.names.specification.ubl.schema.xsd.commonaggregatecomponents_21.TaxSchemeType;

/// Seller and buyer (BG-4, BG-7). What is not known is left out: no element is empty (UBL, IND5).
final class PartyElements {
    private PartyElements() {}

    static SupplierPartyType seller(UblDocument document, Charged charged) {
        SupplierPartyType seller = new SupplierPartyType();
        seller.setParty(party(document.seller(), charged.isTaxed()));
        return seller;
    }

    static CustomerPartyType buyer(UblDocument document, Charged charged) {
        CustomerPartyType buyer = new CustomerPartyType();
        buyer.setParty(party(document.buyer(), charged.isTaxed()));
        return buyer;
    }

    /// Outside of tax nobody is named by a tax identifier (BR-O-2): it is a registration like another there.
    private static PartyType party(Party party, boolean taxed) {
        PartyType element = new PartyType();
        if (!party.code().isEmpty()) {
            PartyIdentificationType identification = new PartyIdentificationType();
            identification.setID(Text.of(party.code()));
            element.addPartyIdentification(identification);
        }
        if (!party.billTo().equals(Address.NONE)) {
            element.setPostalAddress(address(party.billTo()));
        }
        if (taxed && !party.taxIdentifier().isEmpty()) {
            PartyTaxSchemeType scheme = new PartyTaxSchemeType();
            scheme.setCompanyID(Text.of(party.taxIdentifier()));
            scheme.setTaxScheme(vat());
            element.addPartyTaxScheme(scheme);
        }
        legal(party, taxed, element);
        contact(party, element);
        return element;
    }

    private static void legal(Party party, boolean taxed, PartyType element) {
        boolean registered = !taxed && !party.taxIdentifier().isEmpty();
        if (!party.name().isEmpty() || registered) {
            PartyLegalEntityType legal = new PartyLegalEntityType();
            if (!party.name().isEmpty()) {
                legal.setRegistrationName(Text.of(party.name()));
            }
            if (registered) {
                legal.setCompanyID(Text.of(party.taxIdentifier()));
            }
            element.addPartyLegalEntity(legal);
        }
    }

    /// Where goods go (BG-13), as far as it is known.
    static List<DeliveryType> delivery(Party buyer) {
        if (buyer.shipTo().country().isEmpty()) {
            return List.of();
        }
        LocationType place = new LocationType();
        place.setAddress(address(buyer.shipTo()));
        DeliveryType delivery = new DeliveryType();
        delivery.setDeliveryLocation(place);
        return List.of(delivery);
    }

    private static void contact(Party party, PartyType element) {
        if (!party.email().isEmpty() || !party.phone().isEmpty()) {
            ContactType contact = new ContactType();
            if (!party.phone().isEmpty()) {
                contact.setTelephone(Text.of(party.phone()));
            }
            if (!party.email().isEmpty()) {
                contact.setElectronicMail(Text.of(party.email()));
            }
            element.setContact(contact);
        }
    }

    private static AddressType address(Address address) {
        AddressType element = new AddressType();
        if (!address.street().isEmpty()) {
            element.setStreetName(Text.of(address.street()));
        }
        if (!address.city().isEmpty()) {
            element.setCityName(Text.of(address.city()));
        }
        if (!address.postalZone().isEmpty()) {
            element.setPostalZone(Text.of(address.postalZone()));
        }
        if (!address.country().isEmpty()) {
            CountryType country = new CountryType();
            country.setIdentificationCode(Text.of(address.country()));
            element.setCountry(country);
        }
        return element;
    }

    static TaxSchemeType vat() {
        TaxSchemeType vat = new TaxSchemeType();
        vat.setID("VAT");
        return vat;
    }
}
