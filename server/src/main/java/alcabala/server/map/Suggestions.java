package alcabala.server.map;

import alcabala.accounting.crosswalk.AccountRole;
import alcabala.accounting.crosswalk.Meaning;
import alcabala.accounting.crosswalk.RowKind;
import alcabala.accounting.document.LineKind;
import alcabala.accounting.document.TaxCategory;
import alcabala.accounting.ledger.AccountType;
import alcabala.accounting.ledger.LedgerAccount;
import alcabala.accounting.ledger.LedgerTaxCode;
import alcabala.accounting.matching.Candidate;
import alcabala.accounting.matching.Names;
import alcabala.accounting.matching.PartyMatcher;
import alcabala.accounting.matching.RoleMatcher;
import alcabala.accounting.matching.evidence.Evidence;
import alcabala.accounting.party.Party;
import alcabala.server.platform.Writing;
import java.math.BigDecimal;
import java.util.Collection;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import java.util.stream.Collectors;

/// What on the ledger probably stands for a code of the source, by code or by name, and why.
final class Suggestions {
    private static final double WORTH_SAYING = 0.34;
    private static final double LIKE_AN_ITEM = 0.5;
    private final List<LedgerAccount> accounts;
    private final List<LedgerAccount> purchases;
    private final KnownItems items;
    private final BookedBefore booked;
    private final List<LedgerTaxCode> taxCodes;
    private final PartyMatcher parties;
    private final RoleMatcher roles;

    /// @param exact may be accepted together with others, without looking at each
    record Suggestion(String counterpart, String account, String name, String reason, boolean exact) {
        Option option(RowKind kind) {
            return new Option(
                    Meaning.of(kind, counterpart, account),
                    counterpart.isEmpty() ? account : counterpart,
                    counterpart.isEmpty() ? name.substring(Math.min(name.length(), account.length() + 1)) : name,
                    "",
                    "");
        }
    }

    Suggestions(
            List<LedgerAccount> accounts,
            KnownItems items,
            List<LedgerTaxCode> taxCodes,
            PartyMatcher parties,
            BookedBefore booked) {
        this.booked = booked;
        this.roles = new RoleMatcher(accounts);
        this.accounts = accounts.stream()
                .filter(a -> a.active() && a.type() == AccountType.REVENUE)
                .toList();
        this.purchases = accounts.stream()
                .filter(a -> a.active() && AccountRole.PURCHASES.takes(a.type()))
                .toList();
        this.items = items;
        this.taxCodes = taxCodes.stream().filter(LedgerTaxCode::active).toList();
        this.parties = parties;
    }

    Map<String, Suggestion> forParties(Collection<Party> asked) {
        return likeliest(parties, asked);
    }

    /// The likeliest for each, by code, looked at together: two that look different are not both certain of one.
    static Map<String, Suggestion> likeliest(PartyMatcher parties, Collection<Party> asked) {
        Map<String, Suggestion> all = new HashMap<>();
        parties.rankAll(asked)
                .forEach((party, candidates) ->
                        candidates.stream().findFirst().ifPresent(first -> all.put(party.code(), suggestion(first))));
        return all;
    }

    /// The likeliest first.
    List<Suggestion> allForParty(Party party) {
        return parties.rank(party).stream().map(Suggestions::suggestion).toList();
    }

    private static Suggestion suggestion(Candidate candidate) {
        return new Suggestion(
                candidate.party().code(),
                "",
                candidate.party().name(),
                candidate.reasons().stream().map(Suggestions::word).collect(Collectors.joining(", ")),
                candidate.certain());
    }

    Optional<Suggestion> forItem(String code, String name) {
        return forItem(code)
                .or(() -> booked.ofText(name).flatMap(usual -> revenue(usual, asBooked(usual))))
                .or(() -> items.likest(name, LIKE_AN_ITEM)
                        .map(i -> new Suggestion(i.code(), i.account(), i.name(), "similar name", false)))
                .or(() -> booked.ofTextLike(name, LIKE_AN_ITEM)
                        .flatMap(usual -> revenue(usual, "like “%s”, %s".formatted(usual.text(), asBooked(usual)))));
    }

    private Optional<Suggestion> revenue(BookedBefore.Usual usual, String reason) {
        return ofAccount(accounts, usual, reason);
    }

    /// As long as the account is still in use for such things.
    private static Optional<Suggestion> ofAccount(
            List<LedgerAccount> fitting, BookedBefore.Usual usual, String reason) {
        return fitting.stream()
                .filter(account -> account.code().equals(usual.account()))
                .findFirst()
                .map(account ->
                        new Suggestion("", account.code(), account.code() + " " + account.name(), reason, false));
    }

    private static String asBooked(BookedBefore.Usual usual) {
        return "booked there %s, last on %s"
                .formatted(often(usual), Writing.now().day(usual.last()));
    }

    private static String often(BookedBefore.Usual usual) {
        String times = usual.of() == 1 ? "once" : usual.of() + " times";
        return usual.isAlways() ? times : "%d of %s".formatted(usual.times(), times);
    }

    Optional<Suggestion> forItem(String code) {
        return items.ofCode(code).map(i -> new Suggestion(i.code(), i.account(), i.name(), "same code", true));
    }

    /// What its items were mostly booked to, else by its name.
    ///
    /// @param items their names
    Optional<Suggestion> forCategory(String name, LineKind kind, Collection<String> items) {
        return booked.ofTexts(items)
                .filter(usual -> usual.times() * 3 >= usual.of() * 2)
                .flatMap(usual -> revenue(usual, "its items were " + asBooked(usual)))
                .or(() -> forCategory(name, kind));
    }

    /// Labour goes to an account that says labour, where the chart has one, however alike another's name is.
    Optional<Suggestion> forCategory(String name, LineKind kind) {
        List<LedgerAccount> ofLabour = accounts.stream()
                .filter(account -> Names.normalise(account.name()).contains("labo"))
                .toList();
        List<LedgerAccount> fitting = kind == LineKind.LABOUR && !ofLabour.isEmpty() ? ofLabour : accounts;
        return closest(fitting, LedgerAccount::name, name, WORTH_SAYING)
                .map(a -> new Suggestion("", a.code(), a.code() + " " + a.name(), "similar name", false));
    }

    /// What bills of theirs were mostly booked to, else what other names say.
    ///
    /// @param party there; empty where it is not known
    Optional<Suggestion> forSupplier(String party, Collection<String> bought) {
        return booked.boughtFrom(party)
                .filter(usual -> usual.times() * 3 >= usual.of() * 2)
                .flatMap(usual -> ofAccount(purchases, usual, "their bills were " + asBooked(usual)))
                .or(() -> forSupplier(bought));
    }

    /// The account whose name is most like anything that was bought there, else one for purchases in general.
    Optional<Suggestion> forSupplier(Collection<String> bought) {
        record Fit(LedgerAccount account, String text, double score) {}
        return bought.stream()
                .flatMap(text -> closestOf(purchases, LedgerAccount::name, text, WORTH_SAYING)
                        .map(scored -> new Fit(scored.each(), text, scored.score()))
                        .stream())
                .max(Comparator.comparingDouble(Fit::score))
                .map(fit -> new Suggestion(
                        "",
                        fit.account().code(),
                        fit.account().code() + " " + fit.account().name(),
                        "like what was bought: " + fit.text(),
                        false))
                .or(() -> forRole(AccountRole.PURCHASES)
                        .map(role ->
                                new Suggestion("", role.account(), role.name(), "for purchases in general", false)));
    }

    Optional<Suggestion> forTax(BigDecimal rate, TaxCategory category) {
        return taxCodes.stream().anyMatch(code -> code.code().equals(LedgerTaxCode.TAXABLE))
                ? taxableOrNot(rate, category)
                : forRate(rate, category);
    }

    /// What is charged nothing for where it goes to is for the ledger to know; what never is, is not taxable.
    private Optional<Suggestion> taxableOrNot(BigDecimal rate, TaxCategory category) {
        boolean taxed = rate.signum() != 0;
        boolean certain = taxed || category == TaxCategory.E || category == TaxCategory.O;
        String because = taxed ? "it has a rate" : "no tax is charged on it";
        return taxCodes.stream()
                .filter(code -> code.code().equals(taxed ? LedgerTaxCode.TAXABLE : LedgerTaxCode.NOT_TAXABLE))
                .findFirst()
                .map(code -> new Suggestion(code.code(), "", code.name(), because, certain));
    }

    private Optional<Suggestion> forRate(BigDecimal rate, TaxCategory category) {
        List<LedgerTaxCode> sameRate = taxCodes.stream()
                .filter(code -> code.rate().compareTo(rate) == 0)
                .toList();
        Optional<LedgerTaxCode> both =
                sameRate.stream().filter(code -> code.category() == category).findFirst();
        if (both.isPresent()) {
            return both.map(c ->
                    new Suggestion(c.code(), "", c.name(), "same rate and category " + category, sameRate.size() == 1));
        }
        return sameRate.size() == 1
                ? sameRate.stream().findFirst().map(c -> new Suggestion(c.code(), "", c.name(), "same rate", false))
                : Optional.empty();
    }

    Optional<Suggestion> forRole(AccountRole role) {
        return roles.propose(role)
                .map(proposal -> new Suggestion(
                        "",
                        proposal.account().code(),
                        proposal.account().code() + " " + proposal.account().name(),
                        word(proposal.reason(), proposal.account().type()),
                        proposal.certain()));
    }

    private static String word(RoleMatcher.Reason reason, AccountType type) {
        return switch (reason) {
            case NAME -> "its name says so";
            case NAME_AND_NUMBER -> "lowest number of several whose name says so";
            case ONLY_OF_TYPE -> "only active account of type " + type.name().toLowerCase(Locale.ROOT);
        };
    }

    private record Scored<T>(T each, double score) {}

    private static <T> Optional<T> closest(List<T> all, Function<T, String> name, String asked, double atLeast) {
        return closestOf(all, name, asked, atLeast).map(Scored::each);
    }

    private static <T> Optional<Scored<T>> closestOf(
            List<T> all, Function<T, String> name, String asked, double atLeast) {
        String plain = Names.normalise(asked);
        return all.stream()
                .map(each -> new Scored<>(each, Names.similarity(plain, Names.normalise(name.apply(each)))))
                .filter(scored -> scored.score() >= atLeast)
                .max(Comparator.comparingDouble(Scored::score));
    }

    private static String word(Evidence evidence) {
        String topic = evidence.topic()
                .name()
                .toLowerCase(Locale.ROOT)
                .replace('_', ' ')
                .replace("email", "e-mail");
        return switch (evidence.agreement()) {
            case SAME -> "same " + topic;
            case PARTLY ->
                switch (evidence.topic()) {
                    case ADDRESS -> "same town";
                    case EMAIL -> "e-mail of the same house";
                    default -> topic + " in part the same";
                };
            default -> "similar " + topic;
        };
    }
}
