package alcabala.server.map;

import alcabala.accounting.crosswalk.AccountRole;
import alcabala.accounting.crosswalk.RowKind;
import alcabala.accounting.setting.RouteSettings;
import alcabala.accounting.setting.Topic;
import alcabala.accounting.settlement.Means;
import alcabala.server.map.Suggestions.Suggestion;
import alcabala.server.platform.Sentences;
import alcabala.server.route.RouteRow;
import alcabala.server.route.SettingStore;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Collectors;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;

/// What of the crosswalk concerns money: which account takes each means of payment, and who pays for whom.
@Component
class MoneyRows {
    private final JdbcClient jdbc;
    private final SettingStore settings;

    MoneyRows(JdbcClient jdbc, SettingStore settings) {
        this.jdbc = jdbc;
        this.settings = settings;
    }

    /// Every means that the source was paid by, in each currency.
    List<MapView.Row> means(KindRows source, RouteRow route) {
        Set<String> codes = new TreeSet<>(source.codes(RowKind.MEANS));
        codes.addAll(jdbc.sql("select code from source_means where source_id = :id")
                .param("id", route.sourceId())
                .query(String.class)
                .list());
        RouteSettings decided = settings.of(route.id());
        return codes.stream()
                .map(code -> source.row(
                        RowKind.MEANS,
                        code,
                        Sentences.means(code.substring(0, code.lastIndexOf(' '))),
                        code.substring(code.lastIndexOf(' ') + 1),
                        covered(code, decided),
                        "means-unmapped:",
                        suggestion(source.suggestions(), code).orElse(null)))
                .toList();
    }

    private static Optional<Means> find(String code) {
        return Means.find(code.substring(0, code.lastIndexOf(' ')));
    }

    private static String covered(String code, RouteSettings decided) {
        String bank = decided.get(Topic.RECEIVING_BANK);
        return find(code).filter(Means::isAtBank).isPresent() && !bank.isEmpty() ? "bank for receiving: " + bank : "";
    }

    private static Optional<Suggestion> suggestion(Suggestions suggestions, String code) {
        return find(code).flatMap(means -> switch (means) {
            case CASH, CHEQUE -> suggestions.forRole(AccountRole.RECEIPTS_AWAITING_BANKING);
            case BANK_CARD, CREDIT_CARD, DEBIT_CARD -> suggestions.forRole(AccountRole.PROCESSOR_CLEARING);
            case CREDIT_TRANSFER, PAYMENT_TO_BANK_ACCOUNT, DIRECT_DEBIT, SEPA_CREDIT_TRANSFER, SEPA_DIRECT_DEBIT ->
                suggestions.forRole(AccountRole.BANK);
        });
    }

    /// Those that somebody said, and those that a payment asks about.
    List<MapView.Row> payers(KindRows source, RouteRow route) {
        Set<String> codes = new TreeSet<>(source.codes(RowKind.PAYER));
        codes.addAll(
                jdbc.sql("""
                select distinct f.subject from finding f join record d on d.id = f.record_id
                where d.route_id = :route and f.kind = 'payer-differs'""").param("route", route.id()).query(String.class).list());
        Map<String, String> names = names(route, codes);
        return codes.stream()
                .map(code -> source.row(
                        RowKind.PAYER,
                        code,
                        names.getOrDefault(payer(code), payer(code)) + " pays for "
                                + names.getOrDefault(party(code), party(code)),
                        "",
                        "",
                        "payer-differs:",
                        null))
                .toList();
    }

    private static String payer(String code) {
        return code.substring(0, code.indexOf(" > "));
    }

    private static String party(String code) {
        return code.substring(code.indexOf(" > ") + 3);
    }

    private Map<String, String> names(RouteRow route, Set<String> codes) {
        record Named(String code, String name) {}
        return jdbc
                .sql("select code, name from source_party where source_id = :source and code = any(:codes)")
                .param("source", route.sourceId())
                .param(
                        "codes",
                        codes.stream()
                                .flatMap(code -> java.util.stream.Stream.of(payer(code), party(code)))
                                .toArray(String[]::new))
                .query(Named.class)
                .list()
                .stream()
                .collect(Collectors.toMap(Named::code, Named::name));
    }
}
