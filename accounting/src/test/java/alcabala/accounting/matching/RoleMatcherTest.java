package alcabala.accounting.matching;

import static org.assertj.core.api.Assertions.assertThat;

import alcabala.accounting.crosswalk.AccountRole;
import alcabala.accounting.ledger.AccountType;
import alcabala.accounting.ledger.LedgerAccount;
import alcabala.accounting.matching.RoleMatcher.Proposal;
import alcabala.accounting.matching.RoleMatcher.Reason;
import java.util.List;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;

/// Proposals on two charts that name and number things differently.
class RoleMatcherTest {
    private static final RoleMatcher YARD = new RoleMatcher(List.of(
            account("1000", "Tarn & Holm current account", AccountType.BANK),
            account("1100", "Receivables control", AccountType.RECEIVABLE),
            account("1110", "Receivables from files", AccountType.RECEIVABLE),
            account("2200", "Output tax", AccountType.TAX),
            account("2300", "Customer deposits", AccountType.LIABILITY),
            account("4010", "Chandlery sales", AccountType.REVENUE),
            account("4012", "Sales of rigging", AccountType.REVENUE),
            account("4080", "Carriage recharged", AccountType.REVENUE),
            account("6990", "Rounding differences", AccountType.EXPENSE),
            new LedgerAccount("4190", "Discounts", AccountType.REVENUE, false)));
    private static final RoleMatcher TRUST = new RoleMatcher(List.of(
            account("100", "Bank", AccountType.BANK),
            account("200", "Debtors", AccountType.RECEIVABLE),
            account("300", "Tax owed", AccountType.TAX),
            account("400", "Course fees", AccountType.REVENUE),
            account("490", "Cent differences", AccountType.EXPENSE)));

    private static LedgerAccount account(String code, String name, AccountType type) {
        return new LedgerAccount(code, name, type, true);
    }

    @ParameterizedTest
    @CsvSource({
        "RECEIVABLES_CONTROL, 1100, 200",
        "OUTPUT_TAX, 2200, 300",
        "ROUNDING, 6990, 490",
    })
    void whatARouteNeedsIsFoundOnBothChartsByName(AccountRole role, String yard, String trust) {
        assertThat(YARD.propose(role)).contains(new Proposal(find(YARD, role, yard), Reason.NAME, true));
        assertThat(TRUST.propose(role)).map(p -> p.account().code()).contains(trust);
    }

    @Test
    void ofSeveralNamesTheLowestNumberIsProposedAndNeverForCertain() {
        Proposal sales = YARD.propose(AccountRole.SALES).orElseThrow();
        assertThat(sales.account().code()).isEqualTo("4010");
        assertThat(sales.reason()).isEqualTo(Reason.NAME_AND_NUMBER);
        assertThat(sales.certain()).isFalse();
    }

    @Test
    void anOptionalRoleIsNeverCertainSinceAskingIsBetterThanCatchingAll() {
        assertThat(YARD.propose(AccountRole.SHIPPING_INCOME))
                .map(Proposal::certain)
                .contains(false);
    }

    @Test
    void theOnlyAccountOfATypeServesARequiredRoleAndNoOther() {
        RoleMatcher bare = new RoleMatcher(List.of(
                account("7", "Ledger 7", AccountType.RECEIVABLE),
                account("8", "Owed to boat owners", AccountType.LIABILITY)));
        assertThat(bare.propose(AccountRole.RECEIVABLES_CONTROL))
                .map(Proposal::reason)
                .contains(Reason.ONLY_OF_TYPE);
        assertThat(bare.propose(AccountRole.GIFT_VOUCHERS)).as("optional").isEmpty();
    }

    @Test
    void anInactiveAccountIsNotProposed() {
        assertThat(YARD.propose(AccountRole.DISCOUNT_GIVEN)).isEmpty();
    }

    @ParameterizedTest
    @EnumSource(AccountRole.class)
    void neverAnAccountOfAWrongType(AccountRole role) {
        for (RoleMatcher chart : List.of(YARD, TRUST)) {
            chart.propose(role)
                    .ifPresent(p -> assertThat(role.takes(p.account().type())).isTrue());
        }
        assertThat(role.types()).isNotEmpty();
        assertThat(role.isRequired(Set.of())).isFalse();
    }

    private static LedgerAccount find(RoleMatcher chart, AccountRole role, String code) {
        LedgerAccount account = chart.propose(role).orElseThrow().account();
        assertThat(account.code()).isEqualTo(code);
        return account;
    }
}
