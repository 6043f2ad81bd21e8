package alcabala.accounting.batch;

import alcabala.accounting.batch.ControlTotals.Member;
import alcabala.accounting.batch.ListComparison.Kind;
import alcabala.accounting.batch.ListComparison.Line;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.Iterator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;

/// Compares a list with a batch. One number may stand for several documents, such as bills of different suppliers, and
/// one document may stand on several rows.
public final class Comparing {
    private final Money zero;
    private final List<Line> lines = new ArrayList<>();
    private Money listed;
    private int agreed;

    private Comparing(CurrencyUnit currency) {
        zero = Money.zero(currency);
        listed = zero;
    }

    public static ListComparison compare(CurrencyUnit currency, List<Member> members, List<ListEntry> entries) {
        return new Comparing(currency).all(members, entries);
    }

    private ListComparison all(List<Member> members, List<ListEntry> entries) {
        Map<String, List<Member>> byNumber = new LinkedHashMap<>();
        members.forEach(member -> byNumber.computeIfAbsent(member.number(), number -> new ArrayList<>())
                .add(member));
        DocumentNumbers numbers = new DocumentNumbers(byNumber.keySet());
        Map<String, List<ListEntry>> found = new LinkedHashMap<>();
        Map<String, List<ListEntry>> strange = new LinkedHashMap<>();
        for (ListEntry entry : entries) {
            Optional<String> number = numbers.find(entry.number());
            number.map(known -> found.computeIfAbsent(known, key -> new ArrayList<>()))
                    .orElseGet(() -> strange.computeIfAbsent(entry.number(), key -> new ArrayList<>()))
                    .add(entry);
        }
        byNumber.forEach((number, documents) -> compare(number, documents, found.getOrDefault(number, List.of())));
        strange.values().forEach(rows -> rows.forEach(this::onlyListed));
        lines.sort(Comparator.comparing(Line::kind));
        Money batch = members.stream().map(Member::signedGross).reduce(zero, Money::plus);
        return new ListComparison(List.copyOf(lines), agreed, listed, batch);
    }

    private void onlyListed(ListEntry entry) {
        add(Kind.ONLY_LISTED, entry.number(), List.of(entry), entry.amount(), zero);
    }

    private void compare(String number, List<Member> documents, List<ListEntry> rows) {
        List<Member> open = new ArrayList<>(documents);
        List<ListEntry> left = new ArrayList<>(rows);
        for (Iterator<Member> each = open.iterator(); each.hasNext(); ) {
            Member document = each.next();
            Optional<ListEntry> same = left.stream()
                    .filter(row -> counted(row, document).equals(document.signedGross()))
                    .findFirst();
            if (same.isPresent()) {
                agree(document);
                left.remove(same.get());
                each.remove();
            }
        }
        if (open.size() == 1
                && left.size() > 1
                && sum(left, open.getFirst()).equals(open.getFirst().signedGross())) {
            agree(open.removeFirst());
            left.clear();
        }
        while (!open.isEmpty() && !left.isEmpty()) {
            Member document = open.removeFirst();
            ListEntry row = left.removeFirst();
            add(Kind.AMOUNT_DIFFERS, number, List.of(row), counted(row, document), document.signedGross());
        }
        open.forEach(document -> add(Kind.ONLY_IN_BATCH, number, List.of(), zero, document.signedGross()));
        left.forEach(row -> add(Kind.LISTED_TWICE, number, List.of(row), counted(row, documents.getLast()), zero));
    }

    private void agree(Member document) {
        agreed++;
        listed = listed.plus(document.signedGross());
    }

    private void add(Kind kind, String number, List<ListEntry> rows, Money there, Money here) {
        listed = listed.plus(there);
        lines.add(new Line(kind, number, rows.stream().map(ListEntry::row).toList(), there, here));
    }

    private Money sum(List<ListEntry> rows, Member document) {
        return rows.stream().map(row -> counted(row, document)).reduce(zero, Money::plus);
    }

    /// Many lists have credit notes without a minus.
    private static Money counted(ListEntry row, Member document) {
        return document.credit() && row.amount().isPositive() ? row.amount().negated() : row.amount();
    }
}
