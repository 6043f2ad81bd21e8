package alcabala.accounting.posting;

import alcabala.accounting.crosswalk.AccountRole;
import alcabala.accounting.crosswalk.Crosswalk;
import alcabala.accounting.document.Document;
import alcabala.accounting.document.DocumentLine;
import alcabala.accounting.document.Ownership;
import alcabala.accounting.document.TypeCode;
import alcabala.accounting.finding.Finding;
import alcabala.accounting.finding.Severity;
import alcabala.accounting.ledger.LedgerProfile;
import alcabala.accounting.money.ExchangeRate;
import alcabala.accounting.party.Party;
import alcabala.accounting.record.RecordKind;
import alcabala.accounting.setting.RouteSettings;
import alcabala.accounting.setting.Topic;
import alcabala.accounting.settlement.Target;
import alcabala.accounting.settlement.Targets;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/// The compiling of one document, step by step. Checks everything and reports each finding once.
final class DocumentCompilation {
    private final Document document;
    private final Crosswalk crosswalk;
    private final LedgerProfile ledger;
    private final RouteSettings settings;
    private final Side side;
    private final Party customer;
    private final boolean taxInLines;
    private final Targets targets;
    private final Set<Finding> findings = new LinkedHashSet<>();
    private final RoleAccounts roles;
    private final Accounts accounts;
    private final Dimensions dimensions;
    private final TaxCodes codes;

    /// @param key what names the document for good
    DocumentCompilation(
            Document document,
            String key,
            Crosswalk crosswalk,
            RouteSettings settings,
            LedgerProfile ledger,
            Targets targets) {
        this.document = document;
        this.targets = targets;
        this.crosswalk = crosswalk;
        this.settings = settings;
        this.ledger = ledger;
        side = Side.of(document.kind());
        customer = Customers.of(document, settings);
        taxInLines = settings.hasTaxInLines(document.kind());
        roles = new RoleAccounts(crosswalk, ledger, findings::add);
        accounts = new Accounts(document, key, crosswalk, roles, findings::add);
        dimensions = new Dimensions(document, key, crosswalk, ledger, findings::add);
        codes = new TaxCodes(crosswalk, ledger, settings.get(side.unstatedTax()), findings::add);
    }

    Compilation run() {
        if (document.ownership() == Ownership.NEITHER) {
            // Whether it was sold or bought is not known, so nothing else can be said of it.
            findings.add(notAParty());
            return blocked(List.of(), Optional.empty());
        }
        checkHeader();
        Conversion conversion = conversion();
        new Arithmetic(document, findings::add).check();
        if (document.lines().isEmpty()) {
            findings.add(new Finding.NoLines());
            return blocked(List.of(), Optional.empty());
        }
        return compile(TaxableLines.of(document), conversion);
    }

    /// A credit note is booked at the rate of its invoice, and waits for it to have one.
    private Conversion conversion() {
        LocalDate day = BookingDay.find(document, settings).orElse(document.issueDate());
        if (document.kind().isCredit() && !document.currency().equals(ledger.baseCurrency())) {
            Optional<Conversion> credited = credited();
            if (credited.isPresent()) {
                return credited.get();
            }
        }
        return Conversion.at(new Rates(ledger, findings::add).of(document, day));
    }

    private Optional<Conversion> credited() {
        RecordKind kind = document.kind().isSale() ? RecordKind.INVOICE : RecordKind.BILL;
        Optional<Target> invoice = targets.find(
                kind, document.precedingNumber(), document.counterparty().code());
        if (invoice.filter(it -> it.standing() == Target.Standing.TO_CROSS).isPresent()) {
            findings.add(new Finding.WaitsFor(kind, document.precedingNumber()));
        }
        return invoice.filter(it -> it.standing() == Target.Standing.CROSSED)
                .filter(it -> it.gross().getCurrencyUnit().equals(document.currency()))
                .filter(it -> it.isBookedIn(ledger.baseCurrency()))
                .map(it -> new Conversion(
                        it.rate().by(ExchangeRate.Origin.INVOICE),
                        Optional.of(it.credit(document.totals().owed()))));
    }

    private Compilation compile(List<DocumentLine> taxable, Conversion conversion) {
        new Breakdown(document, taxable, findings::add).check();
        var source = SourceTax.compute(document, taxable);
        List<ResolvedLine> resolved = resolve(taxable);
        resolved = taxInLines ? TaxInLines.of(document, resolved, source) : resolved;
        checkOneTaxCode(resolved);
        List<LedgerLine> lines = new LedgerLines(document.kind(), crosswalk, settings).of(resolved);
        Map<String, String> fields = new CustomFields(crosswalk, ledger.fields(), findings::add).of(document);
        String terms = new Terms(document, crosswalk, ledger, findings::add).code();
        TaxCheck check = new TaxCheck(document, ledger, taxable, source, findings::add);
        Optional<TaxComparison> tax = compareTax(check, resolved, lines);
        DocumentJournal journal = new DocumentJournal(document, ledger, roles);
        String control = roles.of(side.control());
        tax.ifPresent(journal::checkTaxAccounts);
        String rounding = tax.filter(this::rounds)
                .map(t -> roles.of(AccountRole.ROUNDING))
                .orElse("");
        if (tax.isEmpty() || isBlocked()) {
            return blocked(resolved, tax);
        }
        return new Compilation(
                List.copyOf(findings),
                resolved,
                tax,
                Optional.of(new Sending(document, customer.code(), crosswalk, settings, terms, fields)
                        .ledgerDocument(lines, tax.get(), conversion.rate(), control, rounding)),
                Optional.of(journal.of(lines, tax.get(), control, rounding).at(conversion, PostingKey.of(control))));
    }

    private Compilation blocked(List<ResolvedLine> resolved, Optional<TaxComparison> tax) {
        return new Compilation(List.copyOf(findings), resolved, tax, Optional.empty(), Optional.empty());
    }

    private boolean isBlocked() {
        return !findings.isEmpty() && findings.stream().anyMatch(f -> f.severity() == Severity.BLOCKS);
    }

    private boolean rounds(TaxComparison tax) {
        return !tax.rounding().isZero() || !document.totals().rounding().isZero();
    }

    private Finding notAParty() {
        Party seller = document.seller();
        Party buyer = document.buyer();
        return new Finding.NotAParty(seller.code(), seller.name(), buyer.code(), buyer.name());
    }

    private void checkHeader() {
        checkType();
        HeaderCheck header = new HeaderCheck(document, crosswalk, settings, findings::add);
        header.party(customer);
        if (Customers.isProject(customer.code())
                && settings.is(Topic.CUSTOMERS, Customers.SUB_PROJECT)
                && !ledger.subParties()) {
            findings.add(new Finding.SubRecordsUnavailable(ledger.name()));
        }
        BookingDay.find(document, settings).ifPresent(header::cutOff);
        if (!document.totals().prepaid().isZero()) {
            findings.add(new Finding.Prepaid(document.totals().prepaid()));
        }
    }

    private void checkType() {
        Optional<TypeCode> type = document.findType();
        if (type.isEmpty()) {
            findings.add(new Finding.TypeUnknown(document.typeCode()));
        } else if (type.get() == TypeCode.CORRECTED_INVOICE
                && document.replaces().isEmpty()) {
            findings.add(new Finding.CorrectsUnknown(document.precedingNumber()));
        }
    }

    private List<ResolvedLine> resolve(List<DocumentLine> lines) {
        List<ResolvedLine> resolved = new ArrayList<>(lines.size());
        for (DocumentLine line : lines) {
            TaxCodes.checkCharged(line.tax(), findings::add);
            String code = taxInLines ? "" : codes.of(line.tax());
            resolved.add(new ResolvedLine(line, line.amount(), accounts.ofLine(line), code, dimensions.ofLine(line)));
        }
        return resolved;
    }

    private void checkOneTaxCode(List<ResolvedLine> resolved) {
        if (!ledger.oneTaxCode()) {
            return;
        }
        List<String> used = resolved.stream()
                .map(ResolvedLine::taxCode)
                .filter(code -> !code.isEmpty())
                .distinct()
                .sorted()
                .toList();
        if (used.size() > 1) {
            findings.add(new Finding.SeveralTaxCodes(used));
        }
    }

    /// Empty when a tax has no code on the ledger, since then nobody can know what the ledger would compute.
    private Optional<TaxComparison> compareTax(TaxCheck check, List<ResolvedLine> resolved, List<LedgerLine> lines) {
        int taxedLines = 0;
        boolean known = true;
        for (ResolvedLine line : resolved) {
            taxedLines += line.isTaxed() ? 1 : 0;
            known &= !line.taxCode().isEmpty();
        }
        if (taxInLines) {
            return Optional.of(check.inLines(lines, taxedLines));
        }
        if (known && ledger.decidesTax()) {
            return Optional.of(check.decidedThere(resolved, lines));
        }
        return known ? Optional.of(check.byCodes(lines, taxedLines, codes, side == Side.PURCHASE)) : Optional.empty();
    }
}
