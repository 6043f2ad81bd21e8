package alcabala.server.mail;

import alcabala.server.mail.MailStore.Mail;
import alcabala.server.platform.NotPossibleException;
import alcabala.server.route.Routes;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Pattern;
import jakarta.validation.constraints.Size;
import java.security.Principal;
import java.time.Instant;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

/// Tells somebody of a batch, of a banking, or of what was sent in a period.
@RestController
class MailApi {
    private final Routes routes;
    private final Subjects subjects;
    private final Mailing mailing;
    private final MailStore store;
    private final MailServer server;

    /// @param outcome `queued`, `sent` or `failed`
    record MailJson(
            long id,
            List<String> recipients,
            String subject,
            String body,
            List<String> files,
            Instant askedAt,
            String askedBy,
            String outcome,
            String sentence,
            Instant sentAt) {}

    /// @param possible whether a mail server is set up
    /// @param words what the words in braces stand for
    record MailsJson(
            boolean possible,
            String from,
            List<String> recipients,
            String subject,
            String body,
            Map<String, String> words,
            List<String> files,
            List<MailJson> mails) {}

    /// @param keep whether the next one of the route is worded so too
    record MailOrderJson(
            @NotNull @Size(min = 1, max = 20) List<@NotBlank @Size(max = 200) String> recipients,

            @NotBlank @Size(max = 200) @Pattern(regexp = "[^\\r\\n\\u0000]*")
            String subject,

            @NotBlank @Size(max = 5000) String body,
            boolean keep) {}

    record AskedMail(long id) {}

    MailApi(Routes routes, Subjects subjects, Mailing mailing, MailStore store, MailServer server) {
        this.routes = routes;
        this.subjects = subjects;
        this.mailing = mailing;
        this.store = store;
        this.server = server;
    }

    @GetMapping("/api/batches/{id}/mail")
    MailsJson ofBatch(@PathVariable long id, Principal who) {
        return of(subjects.batch(id, who.getName()));
    }

    @PostMapping("/api/batches/{id}/mail")
    AskedMail sendBatch(@PathVariable long id, @Valid @RequestBody MailOrderJson order, Principal who) {
        return send(subjects.batch(id, who.getName()), order, who);
    }

    @GetMapping("/api/bankings/{id}/mail")
    MailsJson ofBanking(@PathVariable long id, Principal who) {
        return of(subjects.banking(id, who.getName()));
    }

    @PostMapping("/api/bankings/{id}/mail")
    AskedMail sendBanking(@PathVariable long id, @Valid @RequestBody MailOrderJson order, Principal who) {
        return send(subjects.banking(id, who.getName()), order, who);
    }

    @GetMapping("/api/register/mail")
    MailsJson ofPeriod(
            @RequestParam String route, @RequestParam LocalDate from, @RequestParam LocalDate to, Principal who) {
        return of(period(route, from, to, who));
    }

    @PostMapping("/api/register/mail")
    AskedMail sendPeriod(
            @RequestParam String route,
            @RequestParam LocalDate from,
            @RequestParam LocalDate to,
            @Valid @RequestBody MailOrderJson order,
            Principal who) {
        return send(period(route, from, to, who), order, who);
    }

    private Subject period(String route, LocalDate from, LocalDate to, Principal who) {
        if (to.isBefore(from)) {
            throw NotPossibleException.invalid("period-turned", "The period ends before it begins.");
        }
        return subjects.period(routes.getLeading(route), from, to, who.getName());
    }

    private MailsJson of(Subject subject) {
        Wording wording = store.findWording(subject.route().id(), subject.about())
                .orElse(subject.about().usual());
        return new MailsJson(
                server.isThere(),
                server.isThere() ? server.from() : "",
                wording.recipients(),
                wording.subject(),
                wording.body(),
                subject.words(),
                subject.names(),
                store.of(subject).stream().map(this::json).toList());
    }

    private AskedMail send(Subject subject, MailOrderJson order, Principal who) {
        Wording wording = new Wording(
                order.recipients().stream().map(String::strip).distinct().toList(), order.subject(), order.body());
        return new AskedMail(mailing.send(subject, wording, order.keep(), who.getName()));
    }

    private MailJson json(Mail mail) {
        return new MailJson(
                mail.id(),
                mail.wording().recipients(),
                mail.wording().subject(),
                mail.wording().body(),
                store.fileNames(mail.id()),
                mail.askedAt(),
                mail.askedBy(),
                mail.outcome(),
                mail.sentence(),
                mail.sentAt());
    }
}
