package alcabala.server.mail;

import alcabala.server.clear.BankingPrints;
import alcabala.server.clear.BankingPrints.PrintedBanking;
import alcabala.server.crossing.BatchHeads;
import alcabala.server.files.BatchFiles;
import alcabala.server.mail.MailStore.MailFile;
import alcabala.server.platform.Amounts;
import alcabala.server.platform.Writing;
import alcabala.server.register.Printed;
import alcabala.server.register.Printing;
import alcabala.server.route.RouteRow;
import alcabala.server.route.Routes;
import alcabala.server.send.BatchView;
import alcabala.server.send.BatchView.BatchJson;
import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;
import org.springframework.stereotype.Component;

/// Of what mail tells: batches, bankings, and all that was sent in a period.
@Component
class Subjects {
    private final Routes routes;
    private final BatchHeads heads;
    private final BatchView batches;
    private final BatchFiles files;
    private final Printing printing;
    private final BankingPrints bankings;

    Subjects(
            Routes routes,
            BatchHeads heads,
            BatchView batches,
            BatchFiles files,
            Printing printing,
            BankingPrints bankings) {
        this.routes = routes;
        this.heads = heads;
        this.batches = batches;
        this.files = files;
        this.printing = printing;
        this.bankings = bankings;
    }

    Subject batch(long id, String who) {
        RouteRow route = routes.get(heads.routeOf(id));
        BatchJson batch = batches.head(id);
        String name =
                batch.revision() > 1 ? "Batch " + batch.firstId() + ", revision " + batch.revision() : "Batch " + id;
        List<String> names = Stream.concat(files.names(id).stream(), Stream.of("batch-" + id + ".pdf"))
                .toList();
        Map<String, String> words = words(route, names);
        words.put("batch", name);
        words.put("records", batch.count() == 1 ? "1 record" : batch.count() + " records");
        words.put("net", money(batch, batch.net()));
        words.put("tax", money(batch, batch.tax()));
        words.put("gross", money(batch, batch.gross()));
        words.put("hash total", batch.hashTotal());
        return new Subject(route, id, null, null, null, name, words, names, () -> {
            List<MailFile> attached = new ArrayList<>();
            files.contents(id)
                    .forEach(file -> attached.add(new MailFile(file.name(), type(file.name()), file.bytes())));
            attached.add(file(printing.batch(route, id, who)));
            return attached;
        });
    }

    Subject banking(long id, String who) {
        PrintedBanking banking = bankings.of(id);
        RouteRow route = routes.get(banking.routeId());
        List<String> names = List.of(banking.fileName() + ".pdf");
        Map<String, String> words = words(route, names);
        words.putAll(banking.words());
        return new Subject(
                route,
                null,
                id,
                null,
                null,
                banking.words().get("banking"),
                words,
                names,
                () -> List.of(file(bankings.print(route, id, who))));
    }

    Subject period(RouteRow route, LocalDate from, LocalDate to, String who) {
        List<String> names = Printing.MAILED.stream()
                .map(medium -> medium.named(Printing.nameOf(route, from, to)))
                .toList();
        Map<String, String> words = words(route, names);
        words.put("first day", Writing.now().day(from));
        words.put("last day", Writing.now().day(to));
        return new Subject(
                route,
                null,
                null,
                from,
                to,
                "What was sent from " + from + " to " + to,
                words,
                names,
                () -> Printing.MAILED.stream()
                        .map(medium -> file(printing.period(route, from, to, medium, who)))
                        .toList());
    }

    private static Map<String, String> words(RouteRow route, List<String> names) {
        Map<String, String> words = new LinkedHashMap<>();
        words.put("route", route.source() + " at " + route.site() + " to " + route.ledger());
        words.put("business", route.businessName());
        words.put("ledger", route.ledger());
        words.put("files", names.stream().collect(Collectors.joining(", ")));
        return words;
    }

    private static MailFile file(Printed printed) {
        return new MailFile(printed.name(), printed.type().toString(), printed.bytes());
    }

    private static String money(BatchJson batch, String amount) {
        return Amounts.shown(Money.of(CurrencyUnit.of(batch.currency()), new BigDecimal(amount)));
    }

    private static String type(String name) {
        return name.endsWith(".csv") ? "text/csv" : "application/octet-stream";
    }
}
