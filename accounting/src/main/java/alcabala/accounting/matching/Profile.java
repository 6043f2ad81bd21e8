package alcabala.accounting.matching;

import alcabala.accounting.matching.identifier.Mail;
import alcabala.accounting.matching.identifier.Place;
import alcabala.accounting.matching.identifier.TaxIdentifier;
import alcabala.accounting.matching.identifier.Telephone;
import alcabala.accounting.matching.name.ReadName;
import alcabala.accounting.party.Party;
import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/// A party as it is compared, with the keys by which it is found.
record Profile(
        Party party,
        ReadName name,
        TaxIdentifier tax,
        String taxKey,
        Mail mail,
        String mailKey,
        String houseKey,
        Telephone phone,
        String phoneKey,
        List<Place> places,
        Set<String> towns) {
    static Profile of(Party party) {
        List<Place> places = Stream.of(party.billTo(), party.shipTo())
                .map(Place::of)
                .filter(place -> !place.isNone())
                .distinct()
                .toList();
        TaxIdentifier tax =
                TaxIdentifier.of(party.taxIdentifier(), party.billTo().country());
        Mail mail = Mail.of(party.email());
        Telephone phone = Telephone.of(party.phone());
        return new Profile(
                party,
                ReadName.of(party.name()),
                tax,
                ProfileKeys.tax(tax),
                mail,
                ProfileKeys.mail(mail),
                ProfileKeys.house(mail),
                phone,
                ProfileKeys.phone(phone),
                places,
                places.stream().flatMap(place -> place.town().stream()).collect(Collectors.toUnmodifiableSet()));
    }
}
