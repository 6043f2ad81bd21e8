package alcabala.server.mail;

import alcabala.server.jobs.Jobs;
import alcabala.server.mail.MailStore.MailFile;
import alcabala.server.platform.NotPossibleException;
import alcabala.server.route.RouteRow;
import jakarta.mail.internet.AddressException;
import jakarta.mail.internet.InternetAddress;
import java.time.Clock;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.stream.Collectors;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/// Tells somebody of something that crosses: with its files where it has some, and always with what is printed of it.
@Component
public class Mailing {
    private static final int LARGEST = 20_000_000;
    private final MailStore store;
    private final MailServer server;
    private final Jobs jobs;
    private final Clock clock;

    Mailing(MailStore store, MailServer server, Jobs jobs, Clock clock) {
        this.store = store;
        this.server = server;
        this.jobs = jobs;
        this.clock = clock;
    }

    /// @param keep whether the next one of the route is worded so too
    @Transactional
    long send(Subject subject, Wording wording, boolean keep, String who) {
        requireServer();
        requireAddresses(wording.recipients());
        Map<String, String> words = subject.words();
        List<String> unknown = wording.unknown(words);
        if (!unknown.isEmpty()) {
            throw NotPossibleException.invalid(
                    "words-unknown",
                    unknown.getFirst() + " stands for nothing. There are "
                            + words.keySet().stream()
                                    .map(word -> "{" + word + "}")
                                    .collect(Collectors.joining(", ")) + ".");
        }
        List<MailFile> attached = fit(subject.attached().get());
        Wording filled = wording.filled(words);
        if (keep) {
            store.keepWording(subject.route().id(), subject.about(), wording, who, clock.instant());
        }
        long id = store.insert(subject, filled, messageId(), attached, who, clock.instant());
        MailTask.schedule(jobs, id);
        return id;
    }

    /// Whether there is a server that takes mail.
    public boolean isPossible() {
        return server.isThere();
    }

    /// Words alone, about nothing that crosses.
    ///
    /// @return the number of the mail
    /// @throws NotPossibleException when no mail leaves, or an address is none or outside of where it may go
    @Transactional
    public long tell(RouteRow route, List<String> recipients, String subject, String body, String who) {
        requireServer();
        requireAddresses(recipients);
        Subject about =
                new Subject(route, null, null, null, null, "what there is to look at", Map.of(), List.of(), List::of);
        long id = store.insert(
                about, new Wording(recipients, subject, body), messageId(), List.of(), who, clock.instant());
        MailTask.schedule(jobs, id);
        return id;
    }

    private void requireServer() {
        if (!server.isThere()) {
            throw NotPossibleException.conflict(
                    "no-mail-server",
                    "No mail server is set up, so that nothing can be sent. Whoever runs Alcabala does that.");
        }
    }

    private String messageId() {
        return "<" + UUID.randomUUID() + "@"
                + server.from().substring(server.from().lastIndexOf('@') + 1) + ">";
    }

    /// What most mail servers take.
    private static List<MailFile> fit(List<MailFile> attached) {
        int size = attached.stream().mapToInt(file -> file.content().length).sum();
        if (size > LARGEST) {
            throw NotPossibleException.invalid(
                    "mail-too-large",
                    "Its files are %d MB, and a mail takes at most %d. Hand them over otherwise."
                            .formatted(size / 1_000_000, LARGEST / 1_000_000));
        }
        return attached;
    }

    /// @throws NotPossibleException when one of them is none, or outside of where mail may go
    public void requireAddresses(List<String> recipients) {
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
