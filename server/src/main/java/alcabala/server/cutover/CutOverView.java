package alcabala.server.cutover;

import alcabala.accounting.crosswalk.AccountRole;
import alcabala.accounting.cutover.Balance;
import alcabala.accounting.cutover.CutOver;
import alcabala.accounting.cutover.OpenHere;
import alcabala.accounting.cutover.OpenThere;
import alcabala.accounting.cutover.Pair;
import alcabala.accounting.record.RecordKind;
import alcabala.server.cutover.CutOverJson.BalanceSides;
import alcabala.server.cutover.CutOverJson.CutOverCounts;
import alcabala.server.cutover.CutOverJson.CutOverRow;
import alcabala.server.cutover.CutOverJson.CutOverStanding;
import alcabala.server.cutover.CutOverJson.DifferencePart;
import alcabala.server.cutover.CutOverJson.OpenSide;
import alcabala.server.cutover.CutOverSheet.Sheet;
import alcabala.server.platform.Amounts;
import alcabala.server.reference.LedgerReference;
import alcabala.server.route.RouteRow;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.Predicate;
import java.util.stream.Stream;
import org.joda.money.Money;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;

/// A sheet as it is read.
@Component
class CutOverView {
    private static final int LISTED = 2_000;
    private final JdbcClient jdbc;
    private final LedgerReference reference;

    CutOverView(JdbcClient jdbc, LedgerReference reference) {
        this.jdbc = jdbc;
        this.reference = reference;
    }

    CutOverJson of(RouteRow route, Sheet sheet) {
        CutOver documents = sheet.documents();
        List<BalanceSides> balances = new ArrayList<>();
        sheet.balances()
                .forEach((role, sided) -> balances.add(sides(role, sided.account(), sided.balance(), documents)));
        sheet.advances()
                .forEach((role, sums) -> balances.add(new BalanceSides(
                        role.name(),
                        sums.account(),
                        Amounts.decimal(sums.here()),
                        Amounts.decimal(sums.there()),
                        Amounts.decimal(sums.here().minus(sums.there())),
                        List.of(),
                        0)));
        return new CutOverJson(
                sheet.asked().day(),
                sheet.asked().at(),
                sheet.asked().by(),
                sheet.asked().setAside(),
                sheet.asked().odd(),
                route.currency(),
                balances,
                new CutOverCounts(
                        count(documents, Pair::isLinked),
                        count(documents, pair -> !pair.isLinked() && pair.isCertain()),
                        count(documents, pair -> !pair.isLinked() && !pair.isCertain()),
                        documents.onlyHere().size(),
                        documents.onlyThere().size()),
                rows(route, documents));
    }

    private static int count(CutOver documents, Predicate<Pair> which) {
        return (int) documents.pairs().stream().filter(which).count();
    }

    private static BalanceSides sides(AccountRole role, String account, Balance balance, CutOver documents) {
        boolean sales = role == AccountRole.RECEIVABLES_CONTROL;
        List<DifferencePart> parts = new ArrayList<>();
        part(
                parts,
                "pairs",
                (int) documents.pairs().stream()
                        .filter(pair -> isOf(pair.here().kind(), sales)
                                && pair.differs().contains(Pair.Differs.OPEN))
                        .count(),
                balance.pairs());
        part(
                parts,
                "only-here",
                (int) documents.onlyHere().stream()
                        .filter(each -> isOf(each.kind(), sales))
                        .count(),
                balance.onlyHere());
        part(
                parts,
                "only-there",
                (int) documents.onlyThere().stream()
                        .filter(each -> isOf(each.kind(), sales))
                        .count(),
                balance.onlyThere().negated());
        part(parts, "on-account", 0, balance.onAccount().negated());
        part(parts, "beside", 0, balance.beside().negated());
        return new BalanceSides(
                role.name(),
                account,
                Amounts.decimal(balance.here()),
                Amounts.decimal(balance.there()),
                Amounts.decimal(balance.difference()),
                List.copyOf(parts),
                balance.withoutRate());
    }

    private static boolean isOf(RecordKind kind, boolean sales) {
        return kind.isSale() == sales;
    }

    private static void part(List<DifferencePart> parts, String what, int count, Money amount) {
        if (count > 0 || !amount.isZero()) {
            parts.add(new DifferencePart(what, count, Amounts.decimal(amount)));
        }
    }

    private List<CutOverRow> rows(RouteRow route, CutOver documents) {
        Names names = new Names(route, documents);
        return Stream.of(
                        documents.pairs().stream()
                                .filter(pair -> !pair.isLinked() && !pair.isCertain())
                                .limit(LISTED)
                                .map(pair -> row(CutOverStanding.DOUBTFUL, pair, names)),
                        documents.onlyHere().stream()
                                .limit(LISTED)
                                .map(each -> new CutOverRow(
                                        CutOverStanding.ONLY_HERE,
                                        each.kind().word(),
                                        names.side(each),
                                        null,
                                        Set.of())),
                        documents.onlyThere().stream()
                                .limit(LISTED)
                                .map(each -> new CutOverRow(
                                        CutOverStanding.ONLY_THERE,
                                        each.kind().word(),
                                        null,
                                        names.side(each),
                                        Set.of())),
                        documents.pairs().stream()
                                .filter(pair -> !pair.isLinked() && pair.isCertain())
                                .limit(LISTED)
                                .map(pair -> row(CutOverStanding.CERTAIN, pair, names)),
                        documents.pairs().stream()
                                .filter(Pair::isLinked)
                                .limit(LISTED)
                                .map(pair -> row(CutOverStanding.LINKED, pair, names)))
                .flatMap(rows -> rows)
                .toList();
    }

    private static CutOverRow row(CutOverStanding standing, Pair pair, Names names) {
        return new CutOverRow(
                standing, pair.here().kind().word(), names.side(pair.here()), names.side(pair.there()), pair.differs());
    }

    /// What is given back is negative.
    private static String signed(RecordKind kind, Money amount) {
        return Amounts.decimal(amount.multipliedBy(kind.sign()));
    }

    /// Who the parties are, as each side calls them.
    private final class Names {
        private final Map<Long, String> here = new HashMap<>();
        private final Map<String, String> there;

        Names(RouteRow route, CutOver documents) {
            Long[] records = Stream.concat(
                            documents.onlyHere().stream().limit(LISTED).map(OpenHere::id),
                            documents.pairs().stream().map(pair -> pair.here().id()))
                    .toArray(Long[]::new);
            jdbc.sql("select id, party_name from record where id = any(:ids)")
                    .param("ids", records)
                    .query((row, n) -> here.put(row.getLong("id"), row.getString("party_name")))
                    .list();
            there = reference.partyNames(
                    route.ledgerId(),
                    Stream.concat(
                                    documents.onlyThere().stream().limit(LISTED).map(OpenThere::party),
                                    documents.pairs().stream()
                                            .map(pair -> pair.there().party()))
                            .distinct()
                            .toList());
        }

        OpenSide side(OpenHere one) {
            return new OpenSide(
                    one.id(),
                    "",
                    one.number(),
                    here.getOrDefault(one.id(), ""),
                    one.date(),
                    one.gross().getCurrencyUnit().getCode(),
                    signed(one.kind(), one.gross()),
                    signed(one.kind(), one.open()));
        }

        OpenSide side(OpenThere one) {
            return new OpenSide(
                    null,
                    one.id(),
                    one.number(),
                    there.getOrDefault(one.party(), one.party()),
                    one.date(),
                    one.gross().getCurrencyUnit().getCode(),
                    signed(one.kind(), one.gross()),
                    signed(one.kind(), one.open()));
        }
    }
}
