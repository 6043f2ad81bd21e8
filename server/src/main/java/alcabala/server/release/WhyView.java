package alcabala.server.release;

import alcabala.accounting.crosswalk.Walk;
import alcabala.accounting.crosswalk.WalkStep;
import alcabala.accounting.document.Document;
import alcabala.accounting.document.Ownership;
import alcabala.accounting.finding.Finding;
import alcabala.accounting.ledger.LedgerAccount;
import alcabala.accounting.ledger.LedgerDimension;
import alcabala.accounting.money.ExchangeRate;
import alcabala.accounting.posting.Compilation;
import alcabala.accounting.posting.ResolvedLine;
import alcabala.accounting.posting.SelfAssessed;
import alcabala.accounting.posting.TaxComparison;
import alcabala.accounting.record.Record;
import alcabala.accounting.tax.TaxComputation;
import alcabala.server.compile.Compiled;
import alcabala.server.compile.Compiling;
import alcabala.server.crossing.DecidedTax;
import alcabala.server.crossing.Postings;
import alcabala.server.crossing.Postings.Sent;
import alcabala.server.platform.Amounts;
import alcabala.server.platform.Sentence;
import alcabala.server.platform.Sentences;
import alcabala.server.record.Fix;
import alcabala.server.record.Records;
import alcabala.server.reference.LedgerReference;
import alcabala.server.route.RouteRow;
import alcabala.server.route.Routes;
import java.time.Instant;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.springframework.stereotype.Component;

/// Answers "why?" for one document: the walk of every line, tax computed both ways, the journal.
@Component
class WhyView {
    private final Records documents;
    private final Routes routes;
    private final Compiling compiling;
    private final Postings postings;
    private final DecidedTax decidedTax;
    private final LedgerReference reference;

    /// @param verdict `answered`, `no-row` or `not-asked`
    /// @param row the row's version, who set it and when; null when there was none
    record WalkStepJson(String step, String verdict, String subject, String account, RowVersion row) {}

    record RowVersion(int version, String setBy, Instant setAt) {}

    record WhyLine(
            String id,
            String item,
            String description,
            String category,
            String quantity,
            String unit,
            String amount,
            String tax,
            String account,
            String accountName,
            String taxCode,
            List<WalkStepJson> walk,
            List<WhyDimension> dimensions) {}

    /// A value that a line has of one of the ledger's dimensions; empty when nothing says.
    record WhyDimension(String code, String name, String value, List<WalkStepJson> walk) {}

    record TaxBreakdown(String code, String rate, String net, String tax) {}

    /// @param rounding `per-line` or `per-document`
    record Computation(String rounding, List<TaxBreakdown> groups, String tax) {}

    /// Tax of one code that the ledger books on both sides without charging it.
    ///
    /// @param cost what of it may not be reclaimed
    record BothSidesTax(String code, String rate, String net, String tax, String deductible, String cost) {}

    /// @param gap how much the ledger's tax is more than what is stated, where no rounding line makes up for it
    record Tax(
            boolean decidedThere,
            String stated,
            Computation source,
            Computation ledger,
            List<BothSidesTax> bothSides,
            String rounding,
            String gap) {}

    /// A party of a document that is not the business's own, or was not until somebody said so.
    ///
    /// @param isBusiness whether somebody said that this is the business
    record Stranger(String code, String name, boolean isBusiness) {}

    /// @param base its amount in the ledger's base currency, debit positive
    record BookedLine(String account, String name, String debit, String credit, String base) {}

    /// @param currency of debit and credit
    /// @param base the ledger's base currency
    /// @param rate what one of the currency is worth in it; empty where both are the same
    /// @param rateDay from which that holds, with `SOURCE`, `LEDGER` or `INVOICE` for where it came from
    record Journal(
            List<BookedLine> lines,
            String debit,
            String credit,
            String currency,
            String base,
            String rate,
            String rateDay,
            String rateOrigin) {}

    record FindingJson(String severity, String cause, String sentence, List<Sentence.Part> parts, Fix fix) {
        static FindingJson of(Finding finding) {
            Sentence said = Sentences.of(finding);
            return new FindingJson(
                    Compiled.severity(finding),
                    finding.cause(),
                    said.text(),
                    said.parts(),
                    Fix.of(finding.cause()).orElse(null));
        }
    }

    /// @param postedUnder the moment whose crosswalk it was posted under, and is explained by; null for what is
    ///     not posted
    record Why(
            List<FindingJson> findings,
            List<Stranger> strangers,
            List<WhyLine> lines,
            Tax tax,
            Journal journal,
            Instant postedUnder) {}

    WhyView(
            Records documents,
            Routes routes,
            Compiling compiling,
            Postings postings,
            DecidedTax decidedTax,
            LedgerReference reference) {
        this.decidedTax = decidedTax;
        this.postings = postings;
        this.documents = documents;
        this.routes = routes;
        this.compiling = compiling;
        this.reference = reference;
    }

    Why of(long documentId) {
        Records.Row row = documents.get(documentId);
        RouteRow route = routes.get(row.routeId());
        Record record = documents.record(documentId);
        Optional<Sent> sent = row.state().equals("Posted") ? postings.findSent(documentId) : Optional.empty();
        Compilation compilation = sent.map(it -> compiling.compile(route.id(), documentId, record, it.frozenAt()))
                .orElseGet(() -> compiling.compile(route.id(), documentId, record));
        Map<String, LedgerAccount> accounts = reference.accounts(route.ledgerId()).stream()
                .collect(Collectors.toMap(LedgerAccount::code, Function.identity()));
        Map<String, LedgerDimension> dimensions = reference.dimensions(route.ledgerId());
        return new Why(
                Stream.concat(compilation.findings().stream(), decidedTax.find(documentId).stream())
                        .map(FindingJson::of)
                        .toList(),
                record instanceof Document document ? strangers(document, route) : List.of(),
                compilation.lines().stream()
                        .map(line -> line(line, accounts, dimensions))
                        .toList(),
                compilation.tax().map(WhyView::tax).orElse(null),
                sent.map(it -> journal(it.journal(), it.entry().rate(), accounts))
                        .or(() -> compilation
                                .journal()
                                .filter(journal -> !journal.lines().isEmpty())
                                .map(journal -> journal(
                                        journal,
                                        compilation.entry().orElseThrow().rate(),
                                        accounts)))
                        .orElse(null),
                sent.map(Sent::frozenAt).orElse(null));
    }

    private static Journal journal(
            alcabala.accounting.posting.Journal journal, ExchangeRate rate, Map<String, LedgerAccount> accounts) {
        return new Journal(
                journal.byAccount().lines().stream()
                        .map(line -> new BookedLine(
                                line.account(),
                                name(accounts, line.account()),
                                line.debit().isZero() ? "" : Amounts.decimal(line.debit()),
                                line.credit().isZero() ? "" : Amounts.decimal(line.credit()),
                                Amounts.decimal(line.base())))
                        .toList(),
                Amounts.decimal(journal.debit()),
                Amounts.decimal(journal.credit()),
                journal.debit().getCurrencyUnit().getCode(),
                journal.baseDebit().getCurrencyUnit().getCode(),
                rate.isSame() ? "" : rate.rate().toPlainString(),
                rate.isSame() ? "" : rate.day().toString(),
                rate.isSame() ? "" : rate.origin().name());
    }

    private static List<Stranger> strangers(Document document, RouteRow route) {
        return Stream.of(document.seller(), document.buyer())
                .map(party -> new Stranger(
                        party.code(), party.name(), route.businessKnownAs().contains(party.code())))
                .filter(party -> document.ownership() == Ownership.NEITHER || party.isBusiness())
                .toList();
    }

    private static WhyLine line(
            ResolvedLine resolved, Map<String, LedgerAccount> accounts, Map<String, LedgerDimension> dimensions) {
        var line = resolved.line();
        return new WhyLine(
                line.id(),
                line.item(),
                line.description(),
                line.category(),
                line.quantity().stripTrailingZeros().toPlainString(),
                line.unit(),
                Amounts.decimal(resolved.amount()),
                line.tax().key(),
                resolved.account(),
                name(accounts, resolved.account()),
                resolved.taxCode(),
                steps(resolved.walk()),
                resolved.dimensions().entrySet().stream()
                        .map(each -> new WhyDimension(
                                each.getKey(),
                                dimensions.get(each.getKey()).name(),
                                each.getValue().answer(),
                                steps(each.getValue())))
                        .toList());
    }

    private static List<WalkStepJson> steps(Walk walk) {
        return walk.steps().stream().map(WhyView::step).toList();
    }

    private static WalkStepJson step(WalkStep step) {
        var row = step.row();
        return new WalkStepJson(
                word(step.step()),
                word(step.verdict()),
                step.subject(),
                step.answer(),
                row == null ? null : new RowVersion(row.version(), row.setBy(), row.setAt()));
    }

    private static Tax tax(TaxComparison tax) {
        return new Tax(
                tax.decidedThere(),
                Amounts.decimal(tax.stated()),
                computation(tax.source()),
                computation(tax.ledger()),
                tax.selfAssessed().stream().map(WhyView::bothSides).toList(),
                Amounts.decimal(tax.rounding()),
                Amounts.decimal(tax.gap().plus(tax.rounding())));
    }

    private static BothSidesTax bothSides(SelfAssessed tax) {
        return new BothSidesTax(
                tax.code(),
                tax.rate().toPlainString(),
                Amounts.decimal(tax.net()),
                Amounts.decimal(tax.tax()),
                Amounts.decimal(tax.deductible()),
                Amounts.decimal(tax.cost()));
    }

    private static Computation computation(TaxComputation computation) {
        return new Computation(
                word(computation.rounding()),
                computation.groups().stream()
                        .map(g -> new TaxBreakdown(
                                g.code(), g.rate().toPlainString(), Amounts.decimal(g.net()), Amounts.decimal(g.tax())))
                        .toList(),
                Amounts.decimal(computation.tax()));
    }

    private static String name(Map<String, LedgerAccount> accounts, String code) {
        return accounts.containsKey(code) ? accounts.get(code).name() : "";
    }

    private static String word(Enum<?> value) {
        return value.name().toLowerCase(Locale.ROOT).replace('_', '-');
    }
}
