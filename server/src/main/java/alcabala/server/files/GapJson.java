package alcabala.server.files;

import alcabala.formats.layout.Written;
import alcabala.formats.ubl.writing.Missing;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.stream.Collectors;

/// What invoices lack that EN 16931 asks for, one row for each kind.
///
/// @param rule of the standard, as its validators name it
/// @param example one of the records
public record GapJson(String sentence, String rule, int records, String example) {
    private record Said(String sentence, String rule) {}

    private static final Map<Missing, Said> SAID = new TreeMap<>(Map.of(
            Missing.SELLER_NAME, new Said("the seller has no name", "BR-06"),
            Missing.SELLER_COUNTRY, new Said("the seller’s country is not known", "BR-09"),
            Missing.SELLER_TAX_IDENTIFIER, new Said("the seller’s tax identifier is not known", "BR-S-02"),
            Missing.BUYER_NAME, new Said("the buyer has no name", "BR-07"),
            Missing.BUYER_COUNTRY, new Said("the buyer’s country is not known", "BR-11"),
            Missing.BUYER_TAX_IDENTIFIER,
                    new Said("the buyer’s tax identifier is not known, who owes the tax", "BR-AE-02"),
            Missing.DELIVERY_COUNTRY, new Said("the country it was delivered to is not known", "BR-IC-12"),
            Missing.DELIVERY_DATE, new Said("the day of a delivery to another country is not known", "BR-IC-11"),
            Missing.DUE_DATE, new Said("nothing says when it is due", "BR-CO-25"),
            Missing.LINES, new Said("it has no line", "BR-16")));

    public static List<GapJson> of(List<Written.Gap> gaps) {
        return gaps.stream()
                .collect(Collectors.groupingBy(Written.Gap::missing, TreeMap::new, Collectors.toList()))
                .entrySet()
                .stream()
                .map(each -> new GapJson(
                        SAID.get(each.getKey()).sentence(),
                        SAID.get(each.getKey()).rule(),
                        each.getValue().size(),
                        each.getValue().getFirst().reference()))
                .toList();
    }
}
