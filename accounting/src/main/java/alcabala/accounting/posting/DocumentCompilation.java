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
import alcabala.accounting.matching.Candidate;
import alcabala.accounting.party.Party;
import alcabala.accounting.setting.RouteSettings;
import alcabala.accounting.setting.Setting;
import alcabala.accounting.tax.TaxCalculator;
import alcabala.accounting.tax.TaxComputation;
import alcabala.accounting.tax.TaxedAmount;
import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.joda.money.Money;

/// The compiling of one document, step by step. Checks everything and reports each finding once.
final class DocumentCompilation {
    private final Document document;
    private final Crosswalk crosswalk;
    private final LedgerProfile ledger;
    private final Set<Finding> findings = new LinkedHashSet<>();
    private final Map<String, String> taxCodes = new HashMap<>();
    private final RouteSettings settings;
    private final Side side;
    private final boolean taxInLines;

    DocumentCompilation(Document document, Crosswalk crosswalk, RouteSettings settings, LedgerProfile ledger) {
        this.document = document;
        this.crosswalk = crosswalk;
        this.settings = settings;
        this.ledger = ledger;
        this.side = Side.of(document.kind());
        this.taxInLines = settings.hasTaxInLines(document.kind());
    }

    Compilation run() {
        checkHeader();
        new Arithmetic(document, findings::add).check();
        List<DocumentLine> taxable = TaxableLines.of(document);
        List<ResolvedLine> resolved = resolve(taxable);
        checkOneTaxCode(resolved);
        List<LedgerLine> lines = new LedgerLines(document.kind(), crosswalk, settings).of(resolved);
        Optional<TaxComparison> tax = compareTax(taxable, resolved, lines);
        String control = roleAccount(side.control());
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
                Optional.of(
                        new Sending(document, crosswalk, settings).ledgerDocument(lines, tax.get(), control, rounding)),
                Optional.of(journal(lines, tax.get(), control, rounding)));
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
        checkParty(document.counterparty());
        settings.findCutOff(document.kind())
                .filter(day -> document.issueDate().isBefore(day))
                .ifPresent(day -> findings.add(new Finding.BeforeCutOff(document.issueDate(), day)));
    }

    private void checkParty(Party party) {
        if (crosswalk.find(RowKind.PARTY, party.code()).isPresent()) {
            return;
        }
        Optional<Candidate> doubt = crosswalk.findDoubt(party);
        if (doubt.isPresent()) {
            Party known = doubt.get().party();
            findings.add(new Finding.PartyDoubtful(party.code(), party.name(), known.code(), known.name()));
        } else if (settings.is(Setting.NEW_PARTIES, "ask")) {
            findings.add(new Finding.PartyMissing(party.code(), party.name()));
        }
    }

    private List<ResolvedLine> resolve(List<DocumentLine> lines) {
        AccountResolver resolver = new AccountResolver(crosswalk);
        List<ResolvedLine> resolved = new ArrayList<>(lines.size());
        for (DocumentLine line : lines) {
            Walk walk = resolver.account(document, line);
            checkAccount(line, walk);
            String code = taxInLines ? "" : taxCode(line.tax());
            resolved.add(new ResolvedLine(line, line.amount(), walk, code));
        }
        return taxInLines ? TaxInLines.of(document, resolved) : resolved;
    }

    private void checkOneTaxCode(List<ResolvedLine> resolved) {
        List<String> codes = resolved.stream()
                .map(ResolvedLine::taxCode)
                .filter(code -> !code.isEmpty())
                .distinct()
                .sorted()
                .toList();
        if (ledger.oneTaxCode() && codes.size() > 1) {
            findings.add(new Finding.SeveralTaxCodes(codes));
        }
    }

    private void checkAccount(DocumentLine line, Walk walk) {
        Optional<CrosswalkRow> answer = walk.findAnswer();
        if (answer.isPresent()) {
            checkUsable(answer.get().account(), side.roleOf(line.kind()));
        } else {
            findings.add(unanswered(line, walk));
        }
    }

    /// Names the place where one row settles the most: the supplier of a bill; the category when the item has one, else
    /// the item, else the role.
    private Finding unanswered(DocumentLine line, Walk walk) {
        for (WalkStep step : walk.steps().reversed()) {
            if (step.step() == Step.SUPPLIER && !step.subject().isEmpty()) {
                return new Finding.SupplierUnmapped(
                        step.subject(), document.seller().name());
            }
            if (step.step() == Step.CATEGORY && !step.subject().isEmpty()) {
                return new Finding.CategoryUnmapped(step.subject());
            }
            if (step.step() == Step.ITEM && !step.subject().isEmpty()) {
                return new Finding.ItemUnmapped(step.subject(), line.description());
            }
        }
        return new Finding.RoleUnset(side.roleOf(line.kind()));
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
        String unstated = tax.equals(TaxCombination.NONE) ? settings.get(side.unstatedTax()) : "";
        String code = crosswalk
                .find(RowKind.TAX, tax.key())
                .map(CrosswalkRow::counterpart)
                .orElse(unstated);
        if (code.isEmpty()) {
            findings.add(new Finding.TaxUnmapped(tax.key(), tax.rate()));
            return "";
        }
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
    private Optional<TaxComparison> compareTax(
            List<DocumentLine> taxable, List<ResolvedLine> resolved, List<LedgerLine> lines) {
        if (!taxInLines && resolved.stream().anyMatch(line -> line.taxCode().isEmpty())) {
            return Optional.empty();
        }
        List<TaxedAmount> amounts = lines.stream()
                .map(line -> new TaxedAmount(line.taxCode(), rate(line.taxCode()), line.amount()))
                .toList();
        int taxedLines = (int) resolved.stream()
                .filter(line -> rate(line.taxCode()).signum() != 0)
                .count();
        TaxComputation byLedger =
                TaxCalculator.compute(ledger.taxRounding(), document.priceMode(), document.currency(), amounts);
        Money stated = document.totals().tax();
        long gap = Math.abs(stated.minus(byLedger.tax()).getAmountMinorLong());
        boolean rateKnownToDiffer = findings.stream().anyMatch(Finding.TaxRateDiffers.class::isInstance);
        if (gap > taxedLines && !rateKnownToDiffer && !taxInLines) {
            findings.add(new Finding.TaxDiffers(stated, byLedger.tax(), taxedLines));
        }
        Money rounding = document.totals().gross().minus(byLedger.gross());
        if (Math.abs(rounding.getAmountMinorLong()) > taxedLines) {
            reportUnexplained(stated, byLedger.tax(), taxedLines);
            rounding = Money.zero(document.currency());
        }
        return Optional.of(new TaxComparison(stated, SourceTax.compute(document, taxable), byLedger, rounding));
    }

    /// The ledger's rate of a code; nothing for a line that goes without one.
    private BigDecimal rate(String code) {
        return code.isEmpty() ? BigDecimal.ZERO : ledger.taxCodes().get(code).rate();
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

    private Journal journal(List<LedgerLine> lines, TaxComparison tax, String control, String rounding) {
        Journal.Builder journal = new Journal.Builder(document.currency(), side.isMirrored(document.kind()));
        journal.debit(control, document.totals().gross());
        for (int i = 0; i < lines.size(); i++) {
            journal.credit(lines.get(i).account(), tax.ledger().lineNets().get(i));
        }
        tax.ledger().groups().stream()
                .filter(g -> !g.tax().isZero())
                .forEach(group -> journal.credit(taxAccount(group.code()), group.tax()));
        if (!tax.rounding().isZero()) {
            journal.credit(rounding, tax.rounding());
        }
        return journal.build();
    }

    /// Where the ledger posts the tax of a code: its own account, else that of the role output or input tax.
    private String taxAccount(String code) {
        String own = side.accountOf(ledger.taxCodes().get(code));
        return own.isEmpty()
                ? crosswalk.find(side.tax()).map(CrosswalkRow::account).orElse("")
                : own;
    }

    private void checkTaxAccounts(TaxComparison tax) {
        boolean needed = tax.ledger().groups().stream()
                .anyMatch(group -> !group.tax().isZero()
                        && side.accountOf(ledger.taxCodes().get(group.code())).isEmpty());
        if (needed) {
            roleAccount(side.tax());
        }
    }
}
