package alcabala.accounting.matching.identifier;

import static org.assertj.core.api.Assertions.assertThat;

import alcabala.accounting.matching.evidence.Agreement;
import alcabala.accounting.matching.identifier.TaxIdentifier.Check;
import alcabala.accounting.matching.name.ReadName;
import alcabala.accounting.party.Address;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/// What identifies a party, however it is written, and what only fills a field.
class IdentifiersTest {
    @ParameterizedTest(name = "{0} in {1}")
    @CsvSource({
        "IE 1234567 T, '', 1234567T, IE, RIGHT",
        "vat no. ie-1234567-t, '', 1234567T, IE, RIGHT",
        "1234567T, IE, 1234567T, IE, RIGHT",
        "IE1234568T, '', 1234568T, IE, WRONG",
        "6433435OA, IE, 6433435OA, IE, RIGHT",
        "IE6433435F, '', 6433435F, IE, RIGHT",
        "DE136695976, '', 136695976, DE, RIGHT",
        "DE136695975, '', 136695975, DE, WRONG",
        "BE 0776.091.951, '', 776091951, BE, RIGHT",
        "BE 0776.091.952, '', 776091952, BE, WRONG",
        "DK13585628, '', 13585628, DK, RIGHT",
        "DK13585627, '', 13585627, DK, WRONG",
        "PT501964843, '', 501964843, PT, RIGHT",
        "PT501964842, '', 501964842, PT, WRONG",
        "NL004495445B01, '', 4495445, NL, RIGHT",
        "PL8567346215, '', 8567346215, PL, RIGHT",
        "PL8567346216, '', 8567346216, PL, WRONG",
        "IT00743110157, '', 743110157, IT, RIGHT",
        "IT00743110158, '', 743110158, IT, WRONG",
        "GB980780684, '', 980780684, GB, RIGHT",
        "GB980780685, '', 980780685, GB, WRONG",
        "EL094259216, '', 94259216, GR, RIGHT",
        "EL094259217, '', 94259217, GR, WRONG",
        "CHE-107.787.577 MWST, '', 107787577, CH, UNKNOWN",
        "48-1234567, us, 481234567, US, UNKNOWN",
    })
    void aTaxIdentifierIsReadWithoutTheWaysOfWritingIt(
            String written, String country, String number, String said, Check check) {
        assertThat(TaxIdentifier.of(written, country)).isEqualTo(new TaxIdentifier(number, said, check));
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "",
                "EXEMPT",
                "N/A",
                "tax exempt",
                "0000000",
                "IE0000000",
                "999999999",
                "123456789",
                "1111",
                "-",
                "xxx",
                "IE 1000000 Z"
            })
    void whatOnlyFillsTheFieldIsNothing(String written) {
        assertThat(TaxIdentifier.of(written, "IE").isNone()).as(written).isTrue();
    }

    @ParameterizedTest
    @CsvSource({"81352, true", "8135, false", "81352813528135281352, true", "813528135281352813529, false"})
    void whatIsTooShortOrTooLongIsNoTaxIdentifier(String written, boolean is) {
        assertThat(TaxIdentifier.of(written, "").isNone()).isNotEqualTo(is);
    }

    @ParameterizedTest(name = "{0}, {1}: {2}")
    @CsvSource({
        "IE1234567T, 1234567 t, SILENT",
        "IE6433435F, 6433435 f, SAME",
        "IE6433435F, GB6433435F, CONTRADICTS",
        "FR40303265045, 303265045, SAME",
        "FR40303265045, 3265045, CONTRADICTS",
        "IE1234567T, IE1234657T, NEARLY",
        "IE1234567T, IE6433435F, CONTRADICTS",
        "DE136695976, DE136695967, NEARLY",
        "9123457, 9123475, NEARLY",
        "123457, 123475, CONTRADICTS",
        "FR4012345679, 12345679, SAME",
        "IE1234567T, none, SILENT",
    })
    void taxIdentifiersAgreeOrContradict(String one, String other, Agreement agreement) {
        assertThat(TaxIdentifier.of(one, "").with(TaxIdentifier.of(other, ""))).isEqualTo(agreement);
        assertThat(TaxIdentifier.of(other, "").with(TaxIdentifier.of(one, ""))).isEqualTo(agreement);
    }

    @ParameterizedTest(name = "{0}, {1}: {2}")
    @CsvSource({
        "+353 53 555 0142, 053 555 0142, SAME",
        "00353535550142, (053) 555-0142 ext. 12, SAME",
        "+353 (0)53 555 0142, 053 5550142, SAME",
        "053 555 0142, 052 555 0142, NEARLY",
        "053 555 0142, 053 555 0143, NEARLY",
        "053 555 0142, 053 555 1043, OTHER",
        "053 555 0142 / 086 777 1234, 053 555 0142, SAME",
        "053/555 0142, 053 555 0142, SAME",
        "5550142, 0535550142, SAME",
        "550142, 0535550142, SILENT",
        "0000000000, 053 555 0142, SILENT",
    })
    void telephonesAgreeHoweverTheyAreDialled(String one, String other, Agreement agreement) {
        assertThat(Telephone.of(one).with(Telephone.of(other))).isEqualTo(agreement);
    }

    @ParameterizedTest(name = "{0}, {1}: {2}")
    @CsvSource({
        "Bar@Beacon.example, mailto:bar@beacon.example, SAME",
        "bar+inv@beacon.example, bar@beacon.example, SAME",
        "m.walsh@gmail.com, mwalsh@googlemail.com, SAME",
        "office@beacon.example, ofice@beacon.example, NEARLY",
        "office1@beacon.example, office2@beacon.example, PARTLY",
        "bar@beacon.example, till@beacon.example, PARTLY",
        "bar@outlook.com, till@outlook.com, OTHER",
        "bar@beacon.example, bar@pell.example, OTHER",
        "noreply@beacon.example, bar@beacon.example, SILENT",
        "none, bar@beacon.example, SILENT",
        "bar@beacon.example; till@beacon.example, bar@beacon.example, SAME",
    })
    void mailAgreesByBoxAndHouse(String one, String other, Agreement agreement) {
        assertThat(Mail.of(one).with(Mail.of(other))).isEqualTo(agreement);
    }

    @ParameterizedTest(name = "{0} of {1}: {2}")
    @CsvSource({
        "mary.walsh@gmail.com, Mary Walsh, true",
        "m_walsh@outlook.com, Mary Walsh, true",
        "mary.walsh72@outlook.com, Mary Walsh, false",
        "captain.mary@outlook.com, Mary Walsh, false",
    })
    void aBoxMayBeNoMoreThanTheName(String mail, String name, boolean repeats) {
        assertThat(Mail.of(mail).repeats(ReadName.of(name))).isEqualTo(repeats);
    }

    /// Street, town, post code and country of each, by `/`.
    @ParameterizedTest(name = "{0}, {1}: {2}")
    @CsvSource({
        "1 Quay Street/Saltmere/SM1/IE, 1 Quay St./SALTMERE/SM 1/ie, SAME",
        "1 Quay Street/Saltmere//, 1 Quay Street/Saltmer//, SAME",
        "Quay House/Saltmere//, Quay House/Saltmere//, SAME",
        "1 Quay Street/Saltmere//, 2 Quay Street/Saltmere//, OTHER",
        "1 Quay Street/Saltmere/SM1/, 9 Harbour Road/Saltmere/SM1/, PARTLY",
        "/Saltmere//, 1 Quay Street/Saltmere//, PARTLY",
        "1 Quay Street/Saltmere//, 1 Quay Street/Dunmere//, CONTRADICTS",
        "1 Quay Street/Saltmere/SM1/, 1 Quay Street/Dunmere/SM1/, SAME",
        "1 Quay Street/Saltmere//IE, 1 Quay Street/Saltmere//GB, CONTRADICTS",
        "1 Quay Street/Saltmere//UK, 1 Quay Street/Saltmere//GB, SAME",
        "1 Quay Street/St. Malo//, 1 Quay Street/Saint-Malo//, SAME",
        "1 Quay Street///, 1 Quay Street///, SILENT",
        "///, 1 Quay Street/Saltmere//, SILENT",
    })
    void addressesAgreeByHouseAndTown(String one, String other, Agreement agreement) {
        assertThat(place(one).with(place(other))).isEqualTo(agreement);
        assertThat(place(other).with(place(one))).isEqualTo(agreement);
    }

    private static Place place(String written) {
        String[] parts = written.split("/", -1);
        return Place.of(new Address(parts[0], parts[1], parts[2], parts[3]));
    }
}
