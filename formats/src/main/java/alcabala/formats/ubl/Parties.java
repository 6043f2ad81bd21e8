package alcabala.formats.ubl;

import alcabala.accounting.party.Address;
import alcabala.accounting.party.Party;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import oasis.names.specification.ubl.schema.xsd.commonaggregatecomponents_21.AddressType;
import oasis.names.specification.ubl.schema.xsd.commonaggregatecomponents_21.ContactType;
import oasis.names.specification.ubl.schema.xsd.commonaggregatecomponents_21.DeliveryType;
import oasis.names.specification.ubl.schema.xsd.commonaggregatecomponents_21.PartyNameType;
import oasis.names.specification.ubl.schema.xsd.commonaggregatecomponents_21.PartyTaxSchemeType;
import oasis.names.specification.ubl.schema.xsd.commonaggregatecomponents_21.PartyType;

/// UBL parties (EN 16931 BG-4, BG-7).
final class Parties {
    private Parties() {}

    /// The code is the tax identifier, else the party's identification, else its name: a file has no customer number of
    /// ours.
    static Party of(PartyType party, List<DeliveryType> deliveries) {
        if (party == null) {
            return Party.named("", "");
        }
        String name = name(party);
        String tax = party.getPartyTaxScheme().stream()
                .map(PartyTaxSchemeType::getCompanyIDValue)
                .filter(Parties::isText)
                .findFirst()
                .orElse("");
        String identification = party.getPartyIdentification().stream()
                .map(id -> id.getIDValue())
                .filter(Parties::isText)
                .findFirst()
                .orElse("");
        String code = Stream.of(tax, identification, name)
                .filter(Parties::isText)
                .findFirst()
                .orElse("");
        Optional<ContactType> contact = Optional.ofNullable(party.getContact());
        return new Party(
                code,
                name,
                tax,
                contact.map(ContactType::getElectronicMailValue).orElse(""),
                contact.map(ContactType::getTelephoneValue).orElse(""),
                address(party.getPostalAddress()),
                shipTo(deliveries),
                true);
    }

    private static String name(PartyType party) {
        Stream<String> legal = party.getPartyLegalEntity().stream().map(e -> e.getRegistrationNameValue());
        Stream<String> trading = party.getPartyName().stream().map(PartyNameType::getNameValue);
        Stream<String> person = party.getPerson().stream()
                .map(p -> (text(p.getFirstNameValue()) + " " + text(p.getFamilyNameValue())).trim());
        return Stream.of(trading, legal, person)
                .flatMap(names -> names)
                .filter(Parties::isText)
                .findFirst()
                .orElse("");
    }

    private static Address shipTo(List<DeliveryType> deliveries) {
        return deliveries.stream()
                .map(DeliveryType::getDeliveryLocation)
                .filter(location -> location != null)
                .map(location -> address(location.getAddress()))
                .findFirst()
                .orElse(Address.NONE);
    }

    private static Address address(AddressType address) {
        if (address == null) {
            return Address.NONE;
        }
        String country =
                address.getCountry() == null ? "" : text(address.getCountry().getIdentificationCodeValue());
        String street = (text(address.getStreetNameValue()) + " " + text(address.getBuildingNumberValue())).trim();
        return new Address(street, text(address.getCityNameValue()), text(address.getPostalZoneValue()), country);
    }

    private static boolean isText(String text) {
        return text != null && !text.isBlank();
    }

    static String text(String text) {
        return text == null ? "" : text.trim();
    }
}
