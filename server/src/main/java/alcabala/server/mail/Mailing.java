package alcabala.server.mail;

import alcabala.server.files.BatchFiles;
import alcabala.server.jobs.Jobs;
import alcabala.server.mail.MailStore.MailFile;
import alcabala.server.platform.Amounts;
import alcabala.server.platform.NotPossibleException;
import alcabala.server.register.Printed;
import alcabala.server.register.Printing;
import alcabala.server.route.RouteRow;
import alcabala.server.send.BatchView;
import alcabala.server.send.BatchView.BatchJson;
import jakarta.mail.internet.AddressException;
import jakarta.mail.internet.InternetAddress;
import java.math.BigDecimal;
import java.time.Clock;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.stream.Collectors;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/// Tells somebody of a batch: with its files where it has some, and always with what is printed of it.
@Component
class Mailing {
    /// What most mail servers take.
    private static final int LARGEST = 20_000_000;
    private final MailStore store;
    private final MailServer server;
    private final BatchView batches;
    private final BatchFiles files;
    private final Printing printing;
    private final Jobs jobs;
    private final Clock clock;

    Mailing(
            MailStore store,
            MailServer server,
            BatchView batches,
            BatchFiles files,
            Printing printing,
            Jobs jobs,
            Clock clock) {
        this.store = store;
        this.server = server;
        this.batches = batches;
        this.files = files;
        this.printing = printing;
        this.jobs = jobs;
        this.clock = clock;
    }

    /// What the words in a wording stand for, for one batch.
    Map<String, String> words(RouteRow route, long id) {
        BatchJson batch = batches.head(id);
        Map<String, String> words = new LinkedHashMap<>();
        words.put(
                "batch",
                batch.revision() > 1 ? "Batch " + batch.firstId() + ", revision " + batch.revision() : "Batch " + id);
        words.put("route", route.source() + " at " + route.site() + " to " + route.ledger());
        words.put("business", route.businessName());
        words.put("ledger", route.ledger());
        words.put("records", batch.count() == 1 ? "1 record" : batch.count() + " records");
        words.put("net", money(batch, batch.net()));
        words.put("tax", money(batch, batch.tax()));
        words.put("gross", money(batch, batch.gross()));
        words.put("hash total", batch.hashTotal());
        words.put("files", names(id).stream().collect(Collectors.joining(", ")));
        return words;
    }

    private static String money(BatchJson batch, String amount) {
        return Amounts.shown(Money.of(CurrencyUnit.of(batch.currency()), new BigDecimal(amount)));
    }

    List<String> names(long id) {
        List<String> names = new ArrayList<>(files.names(id));
        names.add("batch-" + id + ".pdf");
        return names;
    }

    /// @param keep whether the next batch of the route is worded so too
    @Transactional
    long send(RouteRow route, long batch, Wording wording, boolean keep, String who) {
        if (!server.isThere()) {
            throw NotPossibleException.conflict(
                    "no-mail-server",
                    "No mail server is set up, so that nothing can be sent. Whoever runs Alcabala does that.");
        }
        requireAddresses(wording.recipients());
        Map<String, String> words = words(route, batch);
        List<String> unknown = wording.unknown(words);
        if (!unknown.isEmpty()) {
            throw NotPossibleException.invalid(
                    "words-unknown",
                    unknown.getFirst() + " stands for nothing. There are "
                            + words.keySet().stream()
                                    .map(word -> "{" + word + "}")
                                    .collect(Collectors.joining(", ")) + ".");
        }
        List<MailFile> attached = attached(route, batch, who);
        Wording filled = wording.filled(words);
        if (keep) {
            store.keepWording(route.id(), wording, who, clock.instant());
        }
        long id = store.insert(batch, filled, messageId(), attached, who, clock.instant());
        MailTask.schedule(jobs, id);
        return id;
    }

    private String messageId() {
        return "<" + UUID.randomUUID() + "@"
                + server.from().substring(server.from().lastIndexOf('@') + 1) + ">";
    }

    private List<MailFile> attached(RouteRow route, long batch, String who) {
        List<MailFile> attached = new ArrayList<>();
        files.contents(batch).forEach(file -> attached.add(new MailFile(file.name(), type(file.name()), file.bytes())));
        Printed printed = printing.batch(route, batch, who);
        attached.add(new MailFile("batch-" + batch + ".pdf", printed.type().toString(), printed.bytes()));
        int size = attached.stream().mapToInt(file -> file.content().length).sum();
        if (size > LARGEST) {
            throw NotPossibleException.invalid(
                    "mail-too-large",
                    "Its files are %d MB, and a mail takes at most %d. Hand them over otherwise."
                            .formatted(size / 1_000_000, LARGEST / 1_000_000));
        }
        return attached;
    }

    private static String type(String name) {
        return name.endsWith(".csv") ? "text/csv" : "application/octet-stream";
    }

    private void requireAddresses(List<String> recipients) {
        for (String recipient : recipients) {
            if (!isAddress(recipient)) {
                throw NotPossibleException.invalid("address-invalid", "“" + recipient + "” is no e-mail address.");
            }
            if (!server.mayGoTo(recipient)) {
                throw NotPossibleException.invalid(
                        "address-not-allowed",
                        recipient + " is outside of where mail may go: " + server.domains() + ".");
            }
        }
    }

    /// One address and nothing else: neither a name before it nor a line after it.
    private static boolean isAddress(String text) {
        try {
            InternetAddress address = new InternetAddress(text, true);
            return address.getAddress().equals(text)
                    && text.indexOf('@') > 0
                    && text.chars().noneMatch(c -> c <= ' ');
        } catch (AddressException e) {
            return false;
        }
    }
}
