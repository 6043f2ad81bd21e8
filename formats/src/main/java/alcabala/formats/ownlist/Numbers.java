package alcabala.formats.ownlist;

import alcabala.accounting.batch.ControlTotals.Member;
import alcabala.accounting.batch.DocumentNumbers;
import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Stream;

/// The numbers of documents that may be on a list, with what each comes to.
final class Numbers {
    private final DocumentNumbers numbers;
    private final Map<String, List<BigDecimal>> sizes = new HashMap<>();
    private final Set<String> credits = new HashSet<>();

    Numbers(List<Member> documents) {
        for (Member each : documents) {
            sizes.computeIfAbsent(each.number(), number -> new ArrayList<>())
                    .add(each.gross().getAmount().abs());
            if (each.signedGross().isNegative()) {
                credits.add(each.number());
            }
        }
        numbers = new DocumentNumbers(sizes.keySet());
    }

    boolean isKnown(String text) {
        return numbers.find(text).isPresent();
    }

    /// Whether no prefix is missing: a column that counts the rows is none of numbers.
    boolean isWhole(String text) {
        return numbers.findWhole(text).isPresent();
    }

    /// Whether it counts negative, though many lists have it without a minus.
    boolean isCredit(String text) {
        return numbers.find(text).filter(credits::contains).isPresent();
    }

    /// Whether one of these amounts is what a document of this number comes to, whatever its sign.
    boolean agrees(String text, Stream<BigDecimal> amounts) {
        List<BigDecimal> known = numbers.find(text).map(sizes::get).orElse(List.of());
        return amounts.anyMatch(amount -> known.stream().anyMatch(each -> each.compareTo(amount.abs()) == 0));
    }
}
