package alcabala.accounting.matching.name;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/// The forms that companies have by law, however they are abbreviated.
final class LegalForms {
    /// By what it is abbreviated to; those in one line are one form, or are written for one another.
    private static final Map<String, String> FORMS = Stream.of(
                    "ltd limited teo teoranta pty private proprietary ldt lmtd",
                    "plc public",
                    "llc",
                    "llp",
                    "lp",
                    "clg guarantee",
                    "dac designated activity",
                    "inc incorporated corp corporation",
                    "co company cie compagnie",
                    "gmbh ggmbh mbh",
                    "ag aktiengesellschaft",
                    "kg ohg gbr ek ug se",
                    "sa sau sae ae anonyme anonima",
                    "sl slu srl sarl lda limitada eurl sas sasu spa epe ike",
                    "bv bvba nv vof",
                    "ab as aps oy oyj hf ehf",
                    "kft zrt nyrt",
                    "sro doo ooo zao oao ao tov eood ood",
                    "uab sia ou")
            .flatMap(line -> Stream.of(line.split(" ")).map(word -> Map.entry(word, line.split(" ")[0])))
            .collect(Collectors.toUnmodifiableMap(Map.Entry::getKey, Map.Entry::getValue));

    /// These are a form wherever they stand; the others only at an end of the name.
    private static final Set<String> ANYWHERE =
            Set.of("ltd", "limited", "gmbh", "plc", "llc", "llp", "sarl", "teoranta");
    private static final Set<String> BETWEEN = Set.of("by", "and", "the");

    private LegalForms() {}

    /// A name without its form.
    ///
    /// @param form how it is called here; empty when the name says none
    record Taken(List<String> words, String form) {}

    static Taken from(List<String> words) {
        List<String> rest = new ArrayList<>(words);
        String form = "";
        while (rest.size() > 1 && isForm(rest, rest.size() - 1)) {
            form = FORMS.getOrDefault(rest.removeLast(), form);
        }
        while (rest.size() > 1
                && form.isEmpty()
                && FORMS.containsKey(rest.getFirst())
                && rest.getFirst().length() > 2) {
            form = FORMS.get(rest.removeFirst());
        }
        for (int i = rest.size() - 1; i > 0; i--) {
            if (ANYWHERE.contains(rest.get(i))) {
                form = form.isEmpty() ? FORMS.get(rest.get(i)) : form;
                rest.remove(i);
            }
        }
        return new Taken(rest, form);
    }

    private static boolean isForm(List<String> words, int place) {
        String word = words.get(place);
        return FORMS.containsKey(word)
                || (BETWEEN.contains(word) && place > 1 && FORMS.containsKey(words.get(place - 1)));
    }
}
