package alcabala.accounting.posting;

import alcabala.accounting.crosswalk.AccountRole;
import alcabala.accounting.crosswalk.Crosswalk;
import alcabala.accounting.crosswalk.RowKind;
import alcabala.accounting.finding.Finding;
import alcabala.accounting.finding.Severity;
import alcabala.accounting.ledger.LedgerProfile;
import alcabala.accounting.money.ExchangeRate;
import alcabala.accounting.party.Party;
import alcabala.accounting.setting.RouteSettings;
import alcabala.accounting.setting.Topic;
import alcabala.accounting.settlement.Settlement;
import alcabala.accounting.settlement.Targets;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;

/// The compiling of one settlement, step by step (records, section 3). Checks everything and reports each finding once.
final class SettlementCompilation {
    private final Settlement settlement;
    private final Crosswalk crosswalk;
    private final RouteSettings settings;
    private final LedgerProfile ledger;
    private final Targets targets;
    private final Side side;
    private final Set<Finding> findings = new LinkedHashSet<>();
    private final RoleAccounts roles;

    SettlementCompilation(
            Settlement settlement, Crosswalk crosswalk, RouteSettings settings, LedgerProfile ledger, Targets targets) {
        this.settlement = settlement;
        this.crosswalk = crosswalk;
        this.settings = settings;
        this.ledger = ledger;
        this.targets = targets;
        side = Side.of(settlement.kind());
        roles = new RoleAccounts(crosswalk, ledger, findings::add);
    }

    Compilation run() {
        HeaderCheck header = new HeaderCheck(settlement, crosswalk, settings, findings::add);
        ExchangeRate rate = new Rates(ledger, findings::add).of(settlement, settlement.date());
        header.cutOff(settlement.date());
        checkSum();
        List<Settled> settled = new Settling(settlement, targets, rate.to(), findings::add).run();
        Party party = party(settled);
        header.party(party);
        String control = roles.of(side.control());
        String account = new MeansAccount(settlement, crosswalk, settings, roles, findings::add).find();
        String charges = settlement.charges().isZero() ? "" : roles.of(AccountRole.BANK_CHARGES);
        List<LedgerSettlement.Part> parts = parts(settled, rate);
        if (isBlocked()) {
            return blocked();
        }
        LedgerSettlement plain = entry(party.code(), control, account, charges, rate, parts);
        boolean differs = !new SettlementJournal(plain).difference().isZero();
        LedgerSettlement entry = differs ? plain.differingOn(roles.of(AccountRole.EXCHANGE_DIFFERENCE)) : plain;
        return isBlocked() ? blocked() : compiled(entry, new SettlementJournal(entry).build());
    }

    private Compilation blocked() {
        return new Compilation(List.copyOf(findings), List.of(), Optional.empty(), Optional.empty(), Optional.empty());
    }

    private Compilation compiled(LedgerSettlement entry, Journal journal) {
        return new Compilation(
                List.copyOf(findings), List.of(), Optional.empty(), Optional.of(entry), Optional.of(journal));
    }

    private boolean isBlocked() {
        return findings.stream().anyMatch(finding -> finding.severity() == Severity.BLOCKS);
    }

    private void checkSum() {
        if (settlement.open().isNegative()) {
            findings.add(new Finding.AllocatedTooMuch(settlement.amount(), settlement.allocated()));
        }
    }

    /// The documents say whose account is settled. Somebody else who pays is asked about once.
    private Party party(List<Settled> settled) {
        List<Party> owners =
                settled.stream().map(each -> each.target().party()).distinct().toList();
        if (owners.isEmpty()) {
            return settlement.party();
        }
        Party owner = owners.getFirst();
        Party payer = settlement.party();
        if (owners.size() > 1 && areBelow(payer, owners)) {
            return payer;
        }
        if (owners.size() > 1) {
            findings.add(new Finding.SeveralParties(
                    owners.stream().map(Party::name).sorted().toList()));
        } else if (!Customers.client(owner.code()).equals(payer.code())
                && crosswalk
                        .find(RowKind.PAYER, Crosswalk.payerCode(payer.code(), owner.code()))
                        .isEmpty()) {
            findings.add(new Finding.PayerDiffers(payer.code(), payer.name(), owner.code(), owner.name()));
        }
        return owner;
    }

    /// What a ledger has below a client is settled by the client.
    private boolean areBelow(Party payer, List<Party> owners) {
        return settings.is(Topic.CUSTOMERS, Customers.SUB_PROJECT)
                && owners.stream()
                        .allMatch(each -> Customers.client(each.code()).equals(payer.code()));
    }

    private List<LedgerSettlement.Part> parts(List<Settled> settled, ExchangeRate rate) {
        Deductions deductions = new Deductions(settlement.kind(), crosswalk, settings, ledger, roles, findings::add);
        Relief relief = new Relief(settlement.kind().isReturn());
        return settled.stream()
                .map(each -> {
                    LedgerSettlement.Part part = part(each, deductions.of(each));
                    boolean same = rate.isSame() && each.target().rate().isSame();
                    return same ? part : relief.of(part, each);
                })
                .toList();
    }

    private static LedgerSettlement.Part part(Settled settled, List<LedgerSettlement.Deducted> deducted) {
        return new LedgerSettlement.Part(
                settled.allocation().kind(),
                settled.target().ledgerRef(),
                settled.target().ledgerNumber(),
                settled.allocation().money(),
                settled.allocation().worth(),
                settled.allocation().worth(),
                deducted);
    }

    private LedgerSettlement entry(
            String party,
            String control,
            String account,
            String charges,
            ExchangeRate rate,
            List<LedgerSettlement.Part> parts) {
        return new LedgerSettlement(
                settlement.kind(),
                settlement.number(),
                settlement.date(),
                settlement.currency(),
                rate,
                party,
                crosswalk.counterpart(RowKind.PARTY, party),
                control,
                account,
                settlement.means(),
                settlement.reference(),
                settlement.note(),
                settlement.amount(),
                settlement.charges(),
                charges,
                "",
                parts);
    }
}
