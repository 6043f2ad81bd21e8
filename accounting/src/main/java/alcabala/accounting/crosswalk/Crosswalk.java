package alcabala.accounting.crosswalk;

import alcabala.accounting.document.LineKind;
import alcabala.accounting.matching.Candidate;
import alcabala.accounting.matching.PartyMatcher;
import alcabala.accounting.party.Party;
import java.util.Collection;
import java.util.Comparator;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.ConcurrentHashMap;
import java.util.stream.Stream;

/// The crosswalk of one route at one moment. Immutable.
public final class Crosswalk {
    private final Map<RowKind, Map<String, CrosswalkRow>> rows = new EnumMap<>(RowKind.class);
    private final PartyMatcher matcher;
    private final Map<Party, Optional<Candidate>> doubts = new ConcurrentHashMap<>();

    private Crosswalk(Collection<CrosswalkRow> rows, PartyMatcher matcher) {
        for (RowKind kind : RowKind.values()) {
            this.rows.put(kind, new HashMap<>());
        }
        rows.forEach(row -> this.rows.get(row.kind()).put(row.code(), row));
        this.matcher = matcher;
    }

    /// @param matcher over the parties of the ledger, to ask about parties without a row
    public static Crosswalk of(Collection<CrosswalkRow> rows, PartyMatcher matcher) {
        return new Crosswalk(rows, matcher);
    }

    /// Whether there is any row of a kind.
    public boolean has(RowKind kind) {
        return !rows.get(kind).isEmpty();
    }

    /// All rows of a kind, by their codes.
    public List<CrosswalkRow> rows(RowKind kind) {
        return rows.get(kind).values().stream()
                .sorted(Comparator.comparing(CrosswalkRow::code))
                .toList();
    }

    /// The row of a code, or null.
    CrosswalkRow row(RowKind kind, String code) {
        return rows.get(kind).get(code);
    }

    public Optional<CrosswalkRow> find(RowKind kind, String code) {
        return Optional.ofNullable(row(kind, code));
    }

    /// What stands for it on the ledger, or empty.
    public String counterpart(RowKind kind, String code) {
        return find(kind, code).map(CrosswalkRow::counterpart).orElse("");
    }

    /// The ledger account that plays a role on this route, or empty.
    public String account(AccountRole role) {
        return account(RowKind.ROLE, role.name());
    }

    /// The account that a role, a means of payment or one line has, or empty.
    public String account(RowKind kind, String code) {
        CrosswalkRow row = row(kind, code);
        return row == null ? "" : row.target(Purpose.ACCOUNT);
    }

    /// The party on the ledger that a party without a row may already be. Remembered, since many documents share a
    /// party.
    public Optional<Candidate> findDoubt(Party party) {
        return doubts.computeIfAbsent(
                party, asked -> matcher.rank(asked).stream().findFirst());
    }

    /// The account of an item for a purpose, as far as that can be said of the item alone: by its own row, its
    /// category,
    /// its kind of line, and the role; empty when none of them says.
    ///
    /// @param purpose INCOME, EXPENSE, COST or STOCK
    public String accountOf(Purpose purpose, String item, String category, LineKind kind) {
        List<Purpose> purposes = purpose == Purpose.INCOME ? Purpose.of(kind, true) : List.of(purpose);
        return Stream.of(
                        asked(RowKind.ITEM, item, purposes),
                        asked(RowKind.CATEGORY, category, purposes),
                        asked(RowKind.LINE_KIND, kind.name(), purposes),
                        account(AccountRole.of(purpose, kind)))
                .filter(account -> !account.isEmpty())
                .findFirst()
                .orElse("");
    }

    private String asked(RowKind rowKind, String code, List<Purpose> purposes) {
        return find(rowKind, code).stream()
                .flatMap(row -> purposes.stream().map(row::target))
                .filter(account -> !account.isEmpty())
                .findFirst()
                .orElse("");
    }

    /// How it is named that somebody pays for a party, `C-1044 > C-1002`.
    public static String payerCode(String payer, String party) {
        return payer + " > " + party;
    }

    /// How a means of payment in a currency is named, `48 EUR`.
    public static String meansCode(String means, String currency) {
        return means + " " + currency;
    }

    /// Stands between a field and a choice in it.
    public static final String CHOICE_OF = " > ";

    /// How a choice in a field is named, `berth-side > N`.
    public static String choiceCode(String field, String value) {
        return field + CHOICE_OF + value;
    }

    /// How a line of a record is named, `4711/2`.
    ///
    /// @param key what names the record for good, whatever its number becomes
    public static String lineCode(String key, String lineId) {
        return key + "/" + lineId;
    }
}
