package alcabala.accounting.posting;

import alcabala.accounting.crosswalk.AccountResolver;
import alcabala.accounting.crosswalk.AccountRole;
import alcabala.accounting.crosswalk.Crosswalk;
import alcabala.accounting.crosswalk.CrosswalkRow;
import alcabala.accounting.crosswalk.RowKind;
import alcabala.accounting.crosswalk.Step;
import alcabala.accounting.crosswalk.Walk;
import alcabala.accounting.crosswalk.WalkStep;
import alcabala.accounting.document.Document;
import alcabala.accounting.document.DocumentLine;
import alcabala.accounting.document.Ownership;
import alcabala.accounting.document.TaxCombination;
import alcabala.accounting.finding.Finding;
import alcabala.accounting.finding.Finding.AccountUnusable.Reason;
import alcabala.accounting.finding.Severity;
import alcabala.accounting.ledger.LedgerAccount;
import alcabala.accounting.ledger.LedgerProfile;
import alcabala.accounting.ledger.LedgerTaxCode;
import alcabala.accounting.party.Party;
import alcabala.accounting.tax.TaxCalculator;
import alcabala.accounting.tax.TaxComputation;
import alcabala.accounting.tax.TaxedAmount;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.joda.money.Money;

/// The compiling of one sale, step by step. Checks everything and reports each finding once.
final class DocumentCompilation {
    private final Document document;
    private final Crosswalk crosswalk;
    private final LedgerProfile ledger;
    private final Set<Finding> findings = new LinkedHashSet<>();
    private final Map<String, String> taxCodes = new HashMap<>();

    DocumentCompilation(Document document, Crosswalk crosswalk, LedgerProfile ledger) {
        this.document = document;
        this.crosswalk = crosswalk;
        this.ledger = ledger;
    }

    Compilation run() {
        checkHeader();
        new Arithmetic(document, findings::add).check();
        List<DocumentLine> taxable = TaxableLines.of(document);
        List<ResolvedLine> resolved = resolve(taxable);
        Optional<TaxComparison> tax = compareTax(taxable, resolved);
        String control = roleAccount(AccountRole.RECEIVABLES_CONTROL);
        tax.ifPresent(this::checkTaxAccounts);
        String rounding = tax.filter(t -> !t.rounding().isZero())
                .map(t -> roleAccount(AccountRole.ROUNDING))
                .orElse("");
        boolean blocked = findings.stream().anyMatch(f -> f.severity() == Severity.BLOCKS);
        if (blocked || tax.isEmpty()) {
            return new Compilation(List.copyOf(findings), resolved, tax, Optional.empty(), Optional.empty());
        }
        return new Compilation(
                List.copyOf(findings),
                resolved,
                tax,
                Optional.of(ledgerDocument(resolved, tax.get(), control, rounding)),
                Optional.of(journal(resolved, tax.get(), control, rounding)));
    }

    private void checkHeader() {
        if (document.ownership() == Ownership.NEITHER) {
            findings.add(new Finding.NotAParty(
                    document.seller().name(), document.buyer().name()));
        }
        if (!document.currency().equals(ledger.baseCurrency())) {
            findings.add(new Finding.CurrencyUnavailable(
                    document.currency().getCode(), ledger.baseCurrency().getCode()));
        }
        Party party = document.counterparty();
        if (crosswalk.find(RowKind.PARTY, party.code()).isEmpty()) {
            crosswalk
                    .findDoubt(party)
                    .ifPresent(doubt -> findings.add(new Finding.PartyDoubtful(
                            party.code(),
                            party.name(),
                            doubt.party().code(),
                            doubt.party().name())));
        }
    }

    private List<ResolvedLine> resolve(List<DocumentLine> lines) {
        AccountResolver resolver = new AccountResolver(crosswalk);
        List<ResolvedLine> resolved = new ArrayList<>(lines.size());
        for (DocumentLine line : lines) {
            Walk walk = resolver.incomeAccount(document, line);
            checkAccount(line, walk);
            resolved.add(new ResolvedLine(line, line.amount(), walk, taxCode(line.tax())));
        }
        return resolved;
    }

    private void checkAccount(DocumentLine line, Walk walk) {
        Optional<CrosswalkRow> answer = walk.findAnswer();
        if (answer.isPresent()) {
            checkUsable(answer.get().account(), AccountRole.ofIncome(line.kind()));
        } else {
            findings.add(unanswered(line, walk));
        }
    }

    /// Names the place where one row settles the most: the category when the item has one, else the item, else the
    /// role.
    private static Finding unanswered(DocumentLine line, Walk walk) {
        for (WalkStep step : walk.steps().reversed()) {
            if (step.step() == Step.CATEGORY && !step.subject().isEmpty()) {
                return new Finding.CategoryUnmapped(step.subject());
            }
            if (step.step() == Step.ITEM && !step.subject().isEmpty()) {
                return new Finding.ItemUnmapped(step.subject(), line.description());
            }
        }
        return new Finding.RoleUnset(AccountRole.ofIncome(line.kind()));
    }

    private void checkUsable(String code, AccountRole role) {
        Optional<LedgerAccount> account = ledger.findAccount(code);
        if (account.isEmpty()) {
            findings.add(new Finding.AccountUnusable(code, Reason.MISSING, role));
        } else if (!account.get().active()) {
            findings.add(new Finding.AccountUnusable(code, Reason.INACTIVE, role));
        } else if (!role.takes(account.get().type())) {
            findings.add(new Finding.AccountUnusable(code, Reason.WRONG_TYPE, role));
        }
    }

    /// The ledger's code for a combination, or empty with a finding; looked up once per document.
    private String taxCode(TaxCombination tax) {
        return taxCodes.computeIfAbsent(tax.key(), key -> findTaxCode(tax));
    }

    private String findTaxCode(TaxCombination tax) {
        Optional<CrosswalkRow> row = crosswalk.find(RowKind.TAX, tax.key());
        if (row.isEmpty()) {
            findings.add(new Finding.TaxUnmapped(tax.key(), tax.rate()));
            return "";
        }
        String code = row.get().counterpart();
        Optional<LedgerTaxCode> ledgerCode = ledger.findTaxCode(code).filter(LedgerTaxCode::active);
        if (ledgerCode.isEmpty()) {
            findings.add(new Finding.TaxCodeUnusable(tax.key(), code));
            return "";
        }
        if (ledgerCode.get().rate().compareTo(tax.rate()) != 0) {
            findings.add(new Finding.TaxRateDiffers(
                    tax.key(), tax.rate(), code, ledgerCode.get().rate()));
        }
        return code;
    }

    /// Empty when a tax has no code on the ledger, since then nobody can know what the ledger would compute.
    private Optional<TaxComparison> compareTax(List<DocumentLine> taxable, List<ResolvedLine> resolved) {
        List<TaxedAmount> amounts = new ArrayList<>(resolved.size());
        int taxedLines = 0;
        for (ResolvedLine line : resolved) {
            if (line.taxCode().isEmpty()) {
                return Optional.empty();
            }
            LedgerTaxCode code = ledger.taxCodes().get(line.taxCode());
            amounts.add(new TaxedAmount(code.code(), code.rate(), line.amount()));
            taxedLines += code.rate().signum() == 0 ? 0 : 1;
        }
        TaxComputation byLedger =
                TaxCalculator.compute(ledger.taxRounding(), document.priceMode(), document.currency(), amounts);
        Money stated = document.totals().tax();
        long gap = Math.abs(stated.minus(byLedger.tax()).getAmountMinorLong());
        boolean rateKnownToDiffer = findings.stream().anyMatch(Finding.TaxRateDiffers.class::isInstance);
        if (gap > taxedLines && !rateKnownToDiffer) {
            findings.add(new Finding.TaxDiffers(stated, byLedger.tax(), taxedLines));
        }
        Money rounding = document.totals().gross().minus(byLedger.gross());
        if (Math.abs(rounding.getAmountMinorLong()) > taxedLines) {
            reportUnexplained(stated, byLedger.tax(), taxedLines);
            rounding = Money.zero(document.currency());
        }
        return Optional.of(new TaxComparison(stated, SourceTax.compute(document, taxable), byLedger, rounding));
    }

    /// A gap that is no rounding has been reported by what caused it, or is reported now: it never goes to the rounding
    /// role.
    private void reportUnexplained(Money stated, Money ledgerTax, int taxedLines) {
        if (findings.stream().noneMatch(f -> f.severity() == Severity.BLOCKS)) {
            findings.add(new Finding.TaxDiffers(stated, ledgerTax, taxedLines));
        }
    }

    private String roleAccount(AccountRole role) {
        String account = crosswalk.find(role).map(CrosswalkRow::account).orElse("");
        if (account.isEmpty()) {
            findings.add(new Finding.RoleUnset(role));
        } else {
            checkUsable(account, role);
        }
        return account;
    }

    private LedgerDocument ledgerDocument(
            List<ResolvedLine> resolved, TaxComparison tax, String control, String rounding) {
        List<LedgerLine> lines = new ArrayList<>(resolved.size() + 1);
        for (ResolvedLine line : resolved) {
            lines.add(ledgerLine(line));
        }
        if (!tax.rounding().isZero()) {
            lines.add(new LedgerLine(
                    "",
                    "",
                    "Rounding",
                    java.math.BigDecimal.ONE,
                    tax.rounding().getAmount(),
                    tax.rounding(),
                    rounding,
                    ""));
        }
        String counterpart = crosswalk
                .find(RowKind.PARTY, document.counterparty().code())
                .map(CrosswalkRow::counterpart)
                .orElse("");
        return new LedgerDocument(
                document.kind(),
                document.number(),
                document.issueDate(),
                document.dueDate(),
                document.currency(),
                document.priceMode(),
                document.counterparty().code(),
                counterpart,
                control,
                document.precedingNumber(),
                lines,
                tax.ledger().net().plus(tax.rounding()),
                tax.ledger().tax(),
                document.totals().gross());
    }

    private LedgerLine ledgerLine(ResolvedLine resolved) {
        DocumentLine line = resolved.line();
        String counterpart = line.item().isEmpty()
                ? ""
                : crosswalk
                        .find(RowKind.ITEM, line.item())
                        .map(CrosswalkRow::counterpart)
                        .orElse("");
        return new LedgerLine(
                line.item(),
                counterpart,
                line.description(),
                line.quantity(),
                line.price(),
                resolved.amount(),
                resolved.account(),
                resolved.taxCode());
    }

    private Journal journal(List<ResolvedLine> resolved, TaxComparison tax, String control, String rounding) {
        Journal.Builder journal =
                new Journal.Builder(document.currency(), document.kind().isCredit());
        journal.debit(control, document.totals().gross());
        for (int i = 0; i < resolved.size(); i++) {
            journal.credit(resolved.get(i).account(), tax.ledger().lineNets().get(i));
        }
        tax.ledger().groups().stream()
                .filter(g -> !g.tax().isZero())
                .forEach(group -> journal.credit(taxAccount(group.code()), group.tax()));
        if (!tax.rounding().isZero()) {
            journal.credit(rounding, tax.rounding());
        }
        return journal.build();
    }

    /// Where the ledger posts the tax of a code: its own account, else that of the role output tax.
    private String taxAccount(String code) {
        String own = ledger.taxCodes().get(code).account();
        return own.isEmpty()
                ? crosswalk
                        .find(AccountRole.OUTPUT_TAX)
                        .map(CrosswalkRow::account)
                        .orElse("")
                : own;
    }

    private void checkTaxAccounts(TaxComparison tax) {
        boolean needed = tax.ledger().groups().stream()
                .anyMatch(group -> !group.tax().isZero()
                        && ledger.taxCodes().get(group.code()).account().isEmpty());
        if (needed) {
            roleAccount(AccountRole.OUTPUT_TAX);
        }
    }
}
