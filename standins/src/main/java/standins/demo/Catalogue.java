package standins.demo;

import java.math.BigDecimal;
import java.util.List;

/// What the yard sells and to whom. All names are invented.
final class Catalogue {
    private Catalogue() {}

    /// @param category empty for the two items nobody has sorted yet
    record Ware(String code, String text, String category, String kind, String unit, String vat, BigDecimal price) {
        /// What it is, which its lines do not tell: a set is sold as one and taken from stock in parts.
        String itemKind() {
            return text.contains("set of") ? "KIT" : kind;
        }
    }

    record Client(
            String code, String name, String taxIdentifier, String street, String city, String zone, String country) {}

    static final List<Ware> WARES = List.of(
            part("SHK-08", "Shackle 8 mm", "chandlery", "3.33"),
            part("SHK-10", "Shackle 10 mm", "chandlery", "4.85"),
            part("SHK-12", "Shackle 12 mm stainless", "chandlery", "9.20"),
            part("BLK-040", "Block 40 mm single", "chandlery", "28.40"),
            part("BLK-057", "Block 57 mm with becket", "chandlery", "46.75"),
            part("CLT-200", "Cleat 200 mm", "chandlery", "17.90"),
            part("RPE-10", "Braided rope 10 mm", "chandlery", "2.65"),
            part("RPE-12", "Braided rope 12 mm", "chandlery", "3.70"),
            part("RPE-16", "Mooring rope 16 mm", "chandlery", "4.95"),
            part("FND-23", "Fender 23 by 61", "chandlery", "31.50"),
            part("FND-30", "Fender 30 by 76", "chandlery", "52.00"),
            part("ANC-10", "Anchor 10 kg", "chandlery", "118.00"),
            part("CHN-08", "Chain 8 mm galvanised", "chandlery", "6.15"),
            part("LJK-150", "Life jacket 150 N", "chandlery", "89.00"),
            part("FLR-04", "Hand flares, set of four", "chandlery", "54.30"),
            part("LMP-LED", "Anchor light", "electrics", "39.95"),
            part("BAT-110", "Battery 110 Ah", "electrics", "164.00"),
            part("CBL-25", "Battery cable 25 mm2", "electrics", "7.80"),
            part("FUS-100", "Fuse holder 100 A", "electrics", "12.45"),
            part("VHF-25", "VHF radio 25 W", "electrics", "219.00"),
            part("SOL-120", "Solar panel 120 W", "electrics", "178.50"),
            part("PMP-20", "Bilge pump 20 l", "engine-parts", "74.60"),
            part("IMP-41", "Impeller kit 41", "engine-parts", "33.20"),
            part("FLT-OIL", "Oil filter", "engine-parts", "11.85"),
            part("FLT-FUE", "Fuel filter", "engine-parts", "14.10"),
            part("OIL-15W", "Engine oil 15W40", "engine-parts", "8.40"),
            part("ANO-SHF", "Shaft anode 30 mm", "engine-parts", "16.70"),
            part("ANO-HUL", "Hull anode 2 kg", "engine-parts", "27.30"),
            part("BLT-875", "Drive belt 875", "engine-parts", "18.95"),
            part("PRP-16", "Propeller 16 by 11", "engine-parts", "385.00"),
            part("AFL-25", "Antifouling blue 2.5 l", "paint", "78.90"),
            part("AFL-50", "Antifouling red 5 l", "paint", "142.00"),
            part("PRM-25", "Epoxy primer 2.5 l", "paint", "64.20"),
            part("VRN-10", "Varnish 1 l", "paint", "26.80"),
            part("THN-10", "Thinner 1 l", "paint", "9.45"),
            part("GEL-05", "Gelcoat filler 0.5 kg", "paint", "21.60"),
            part("SND-80", "Sanding discs 80, box", "paint", "32.10"),
            part("RIG-0042", "Swage terminal 6 mm", "", "38.60"),
            part("ENG-0310", "Raw-water strainer", "", "96.40"),
            work("LAB-RIG", "Rigging labour", "rigging-labour", "62.00"),
            work("LAB-ENG", "Engine labour", "engine-labour", "68.00"),
            work("LAB-ELE", "Electrical labour", "engine-labour", "66.00"),
            work("LAB-HUL", "Hull and laminate labour", "hull-labour", "58.00"),
            work("LAB-PNT", "Painting labour", "hull-labour", "54.00"),
            work("LAB-SAI", "Sail loft labour", "rigging-labour", "56.50"),
            work("LAB-JOI", "Joinery labour", "hull-labour", "61.00"),
            work("LAB-WLD", "Welding labour", "hull-labour", "71.50"),
            service("HLO-08", "Haul-out up to 8 m", "haul-out", "V23", "185.00"),
            service("HLO-12", "Haul-out up to 12 m", "haul-out", "V23", "260.00"),
            service("HLO-16", "Haul-out up to 16 m", "haul-out", "V23", "390.00"),
            service("LCH-08", "Launch up to 8 m", "haul-out", "V23", "165.00"),
            service("LCH-12", "Launch up to 12 m", "haul-out", "V23", "235.00"),
            service("WSH-01", "Pressure wash of hull", "haul-out", "V23", "75.00"),
            service("STO-HAL", "Winter storage in hall, week", "storage", "V23", "64.00"),
            service("STO-YRD", "Winter storage in yard, week", "storage", "V23", "38.50"),
            service("STO-MST", "Mast storage, week", "storage", "V23", "9.90"),
            service("BRT-NGT", "Visitor berth, night", "berths", "V13", "34.00"),
            service("BRT-MON", "Berth, month", "berths", "V13", "295.00"),
            service("CHT-PPR", "Harbour charts and almanac", "books", "V0", "42.00"),
            service("CRG-01", "Carriage", "carriage", "V23", "14.50"));

    static final List<Client> CLIENTS = List.of(
            firm("C-1001", "Ostrander & Daughters", "IE4820177K", "3 Slip Row", "Saltmere", "SM1 2", "IE"),
            firm("C-1002", "Pell Estuary Trust", "IE7710243F", "Estuary House", "Pellmouth", "PM4 1", "IE"),
            firm("C-1003", "Quillan Marine Rescue", "IE3390816D", "Lifeboat Quay", "Quillan", "QN2 7", "IE"),
            person("C-1004", "Ingrid Valberg", "18 Chart Lane", "Saltmere", "SM2 5"),
            firm("C-1005", "Calloway Sail Loft", "IE9025514A", "Loft 2, Old Ropewalk", "Saltmere", "SM1 4", "IE"),
            firm("C-1006", "Dunmere Pilots", "IE6140932H", "Pilot Station", "Dunmere", "DM1 1", "IE"),
            firm("C-1007", "Ruiz & Talbot Charter", "ES B7731902", "Muelle Sur 9", "Puerto Alba", "35019", "ES"),
            person("C-1008", "Noor Haddad", "5 Beacon Terrace", "Saltmere", "SM3 1"),
            firm("C-1009", "Farrow Slip Hire", "IE2287461M", "Farrow Slip", "Saltmere", "SM1 9", "IE"),
            person("C-1010", "Tamsin Oake", "The Moorings", "Pellmouth", "PM4 3"),
            firm("C-1011", "Beacon Yacht Club", "IE5573008W", "Beacon Point", "Saltmere", "SM3 2", "IE"),
            person("C-1012", "Aurelio Brandt", "77 Harbour Street", "Saltmere", "SM1 1"),
            firm("C-1013", "Larkspur Ferries", "IE8834127T", "Ferry Terminal", "Dunmere", "DM1 6", "IE"),
            person("C-1014", "Saoirse Maddigan", "2 Kelp Cottages", "Inish Bray", "IB1 1"),
            firm("C-1015", "Tidewell Survey", "IE1409985B", "11 Sextant Court", "Quillan", "QN1 3", "IE"),
            person("C-1016", "Owen Threlfall", "Hillcrest", "Pellmouth", "PM4 9"),
            firm("C-1017", "Vantreight Oysters", "IE4471630G", "Oyster Hard", "Inish Bray", "IB1 4", "IE"),
            person("C-1018", "Marguerite Soln", "9 Lantern Walk", "Saltmere", "SM2 2"),
            firm("C-1019", "Corrigan Dredging", "IE7002518Q", "Dredger Basin", "Dunmere", "DM2 2", "IE"),
            person("C-1020", "Piers Hallam", "Anchor Cottage", "Quillan", "QN2 1"),
            firm("C-1021", "Havrenne Nautique", "FR 40118225673", "Quai du Nord 14", "Port-Havrenne", "29990", "FR"),
            person("C-1022", "Dilys Mostyn", "31 Pier Road", "Saltmere", "SM1 6"),
            firm("C-1023", "Ardglen Sea School", "IE9917204E", "School Pontoon", "Saltmere", "SM3 7", "IE"),
            person("C-1024", "Bastian Reuss", "4 Sailmaker Yard", "Saltmere", "SM1 3"),
            firm("C-1025", "Kestrel Offshore", "IE3056649N", "Kestrel House", "Dunmere", "DM1 8", "IE"));

    static Ware ware(String code) {
        return WARES.stream().filter(w -> w.code().equals(code)).findFirst().orElseThrow();
    }

    private static Ware part(String code, String text, String category, String price) {
        return new Ware(code, text, category, "GOODS", "C62", "V23", new BigDecimal(price));
    }

    private static Ware work(String code, String text, String category, String price) {
        return new Ware(code, text, category, "LABOUR", "HUR", "V13", new BigDecimal(price));
    }

    private static Ware service(String code, String text, String category, String vat, String price) {
        return new Ware(code, text, category, "GOODS", "C62", vat, new BigDecimal(price));
    }

    private static Client firm(
            String code, String name, String tax, String street, String city, String zone, String country) {
        return new Client(code, name, tax, street, city, zone, country);
    }

    private static Client person(String code, String name, String street, String city, String zone) {
        return new Client(code, name, "", street, city, zone, "IE");
    }
}
