package alcabala.server.map;

import static org.assertj.core.api.Assertions.assertThat;

import alcabala.accounting.crosswalk.AccountRole;
import alcabala.accounting.document.LineKind;
import alcabala.accounting.document.TaxCategory;
import alcabala.accounting.ledger.AccountType;
import alcabala.accounting.ledger.LedgerAccount;
import alcabala.accounting.ledger.LedgerTaxCode;
import alcabala.accounting.matching.PartyMatcher;
import alcabala.accounting.party.Address;
import alcabala.accounting.party.Party;
import alcabala.connectors.ledger.LedgerItem;
import alcabala.server.map.Suggestions.Suggestion;
import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/// What is suggested, with what reason, and when nothing is.
class SuggestionsTest {
    private static final Address NOWHERE = new Address("", "", "", "");
    private final Suggestions suggestions = new Suggestions(
            List.of(
                    account("1100", "Receivables control", AccountType.RECEIVABLE, true),
                    account("4012", "Rigging parts", AccountType.REVENUE, true),
                    account("4020", "Repair labour", AccountType.REVENUE, true),
                    account("4025", "Engine and electrical labour", AccountType.REVENUE, true),
                    account("4035", "Winter storage", AccountType.REVENUE, true),
                    account("4900", "Storage until 2020", AccountType.REVENUE, false),
                    account("6100", "Storage of our own", AccountType.EXPENSE, true)),
            new KnownItems(List.of(
                    LedgerItem.of("RIG-06", "Swage terminal 6mm", "4012", "", true),
                    LedgerItem.of("OLD-1", "Swage terminal 8 mm", "4012", "", false))),
            List.of(
                    code("S23", "23", TaxCategory.S, true),
                    code("Z0", "0", TaxCategory.Z, true),
                    code("E0", "0", TaxCategory.E, true),
                    code("S21", "21", TaxCategory.S, false)),
            new PartyMatcher(List.of(
                    party("IC-1", "Ostrander and Daughter Ltd", ""), party("IC-2", "Pell Estuary", "IE7710243F"))),
            new BookedBefore(List.of(
                    sold("Mast storage, week", "4035", 4, "2026-11-03"),
                    sold("Mast  storage, week", "4012", 1, "2026-08-01"),
                    sold("Hull survey", "4900", 7, "2026-11-01"),
                    sold("Hauling", "4020", 2, "2026-10-10"),
                    sold("Launching", "4020", 1, "2026-10-11"),
                    sold("Towing", "4020", 13, "2026-10-12"),
                    sold("Mooring", "4035", 7, "2026-10-12"),
                    sold("Docking", "4035", 1, "2026-10-12"),
                    bought("KELP", "6100", 2, "2026-10-01"),
                    bought("TARN", "6100", 1, "2026-10-01"),
                    bought("TARN", "6200", 1, "2026-10-01"))));

    private static BookedBefore.Lines sold(String text, String account, int times, String last) {
        return new BookedBefore.Lines(true, "", text, account, times, LocalDate.parse(last));
    }

    private static BookedBefore.Lines bought(String party, String account, int times, String last) {
        return new BookedBefore.Lines(false, party, "", account, times, LocalDate.parse(last));
    }

    @Test
    void whatWasBookedBeforeIsAdviceAndNeverCertain() {
        assertThat(suggestions.forItem("STO-MST", "mast storage WEEK"))
                .contains(new Suggestion(
                        "", "4035", "4035 Winter storage", "booked there 4 of 5 times, last on 3 Nov 2026", false));
        assertThat(suggestions.forItem("STO-MST2", "Mast storage, weeks"))
                .as("like it")
                .map(Suggestion::reason)
                .contains("like “Mast storage, week”, booked there 4 of 5 times, last on 3 Nov 2026");
        assertThat(suggestions.forItem("SRV", "Hull survey"))
                .as("the account is out of use")
                .isEmpty();
        assertThat(suggestions.forItem("RIG-06", "Mast storage, week"))
                .as("the same code is better advice")
                .map(Suggestion::counterpart)
                .contains("RIG-06");
    }

    @Test
    void aCategoryGoesWhereItsItemsWereBooked() {
        assertThat(suggestions.forCategory("Slip", LineKind.GOODS, List.of("Hauling", "Launching", "Never sold")))
                .map(Suggestion::reason)
                .contains("its items were booked there 3 times, last on 11 Oct 2026");
        assertThat(suggestions.forCategory("Slip", LineKind.GOODS, List.of("Hauling", "Docking")))
                .as("two of three are enough")
                .map(Suggestion::reason)
                .contains("its items were booked there 2 of 3 times, last on 10 Oct 2026");
        assertThat(suggestions.forCategory("Slip", LineKind.GOODS, List.of("Towing", "Mooring")))
                .as("thirteen of twenty are not")
                .isEmpty();
        assertThat(suggestions.forCategory("Winter storage", LineKind.GOODS, List.of("Hauling", "Mast storage, week")))
                .as("four of seven are too few: its name says more")
                .map(Suggestion::reason)
                .contains("similar name");
    }

    @Test
    void whatWasBoughtGoesWhereTheirBillsWent() {
        assertThat(suggestions
                        .forSupplier("KELP", List.of("Storage of our own"))
                        .map(Suggestion::reason))
                .contains("their bills were booked there 2 times, last on 1 Oct 2026");
        assertThat(suggestions
                        .forSupplier("TARN", List.of("Storage of our own"))
                        .map(Suggestion::reason))
                .as("half here, half there")
                .contains("like what was bought: Storage of our own");
    }

    private static LedgerAccount account(String code, String name, AccountType type, boolean active) {
        return new LedgerAccount(code, name, type, active);
    }

    private static LedgerTaxCode code(String code, String rate, TaxCategory category, boolean active) {
        return new LedgerTaxCode(code, code, new BigDecimal(rate), category, "2200", "", active);
    }

    private static Party party(String code, String name, String taxIdentifier) {
        return new Party(code, name, taxIdentifier, "", "", NOWHERE, NOWHERE, true);
    }

    @Test
    void anItemIsSuggestedByCodeForCertainAndByNameForALook() {
        assertThat(suggestions.forItem("rig-06", "whatever"))
                .contains(new Suggestion("RIG-06", "4012", "Swage terminal 6mm", "same code", true));
        assertThat(suggestions.forItem("RIG-0042", "Swage terminal 6 mm"))
                .map(Suggestion::reason)
                .contains("similar name");
        assertThat(suggestions.forItem("X", "Swage terminal 8 mm"))
                .as("not the inactive one")
                .map(Suggestion::counterpart)
                .contains("RIG-06");
        assertThat(suggestions.forItem("X", "Anchor 10 kg")).isEmpty();
    }

    @Test
    void aCategoryGoesToAnActiveRevenueAccountAndLabourToLabour() {
        assertThat(suggestions.forCategory("Storage, winter", LineKind.GOODS))
                .map(Suggestion::account)
                .contains("4035");
        assertThat(suggestions.forCategory("Rigging parts", LineKind.GOODS))
                .map(Suggestion::account)
                .contains("4012");
        assertThat(suggestions.forCategory("Rigging labour", LineKind.LABOUR))
                .map(Suggestion::account)
                .contains("4020");
        assertThat(suggestions.forCategory("Zzz", LineKind.GOODS)).isEmpty();
    }

    @Test
    void aSupplierGoesToTheAccountThatIsMostLikeWhatWasBought() {
        assertThat(suggestions.forSupplier(List.of("Sundries", "Storage, own hall", "Rope 12 mm")))
                .contains(new Suggestion(
                        "", "6100", "6100 Storage of our own", "like what was bought: Storage, own hall", false));
        assertThat(suggestions.forSupplier(List.of("Rope 12 mm", "東")))
                .as("an account of income is none")
                .isEmpty();
        assertThat(suggestions.forSupplier(List.of())).isEmpty();
        List<LedgerAccount> withPurchases = List.of(
                account("5100", "Goods for resale", AccountType.COST, true),
                account("6100", "Storage of our own", AccountType.EXPENSE, true));
        assertThat(new Suggestions(
                                withPurchases,
                                KnownItems.NONE,
                                List.of(),
                                new PartyMatcher(List.of()),
                                BookedBefore.NONE)
                        .forSupplier(List.of("Rope 12 mm")))
                .contains(new Suggestion("", "5100", "5100 Goods for resale", "for purchases in general", false));
    }

    @ParameterizedTest
    @CsvSource({
        "23, S, S23, same rate and category S, true",
        "0, Z, Z0, same rate and category Z, false",
        "23, AE, S23, same rate, false",
        "0, AE, , , ",
        "21, S, , , ",
    })
    void aTaxIsSuggestedByRateAndCategoryAndAmbiguityIsLeftOpen(
            String rate, TaxCategory category, String code, String reason, Boolean exact) {
        Optional<Suggestion> suggestion = suggestions.forTax(new BigDecimal(rate), category);
        assertThat(suggestion.map(Suggestion::counterpart).orElse(null)).isEqualTo(code);
        assertThat(suggestion.map(Suggestion::reason).orElse(null)).isEqualTo(reason);
        assertThat(suggestion.map(Suggestion::exact).orElse(null)).isEqualTo(exact);
    }

    @Test
    void aPartyIsSuggestedWithWhatIsTheSame() {
        Suggestion byIdentifier = suggestions
                .allForParty(party("C-2", "Estuary Trust", "IE7710243F"))
                .getFirst();
        assertThat(byIdentifier.counterpart()).isEqualTo("IC-2");
        assertThat(byIdentifier.reason()).contains("same", "tax identifier");
        assertThat(suggestions.allForParty(party("C-1", "Ostrander & Daughters", "")))
                .extracting(Suggestion::counterpart)
                .contains("IC-1");
        assertThat(suggestions.allForParty(party("C-9", "Somebody else", ""))).isEmpty();
    }

    @Test
    void aRoleIsSuggestedWithItsReason() {
        Suggestion suggestion =
                suggestions.forRole(AccountRole.RECEIVABLES_CONTROL).orElseThrow();
        assertThat(suggestion.account()).isEqualTo("1100");
        assertThat(suggestion.reason()).isEqualTo("its name says so");
        assertThat(suggestions.forRole(AccountRole.OUTPUT_TAX)).isEmpty();
    }
}
