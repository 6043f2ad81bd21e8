package alcabala.server.mail;

import alcabala.server.crossing.BatchHeads;
import alcabala.server.mail.MailStore.Mail;
import alcabala.server.route.RouteRow;
import alcabala.server.route.Routes;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Pattern;
import jakarta.validation.constraints.Size;
import java.security.Principal;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

@RestController
@RequestMapping("/api/batches/{id}/mail")
class MailApi {
    private final Routes routes;
    private final BatchHeads heads;
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

    /// @param keep whether the next batch of the route is worded so too
    record MailOrderJson(
            @NotNull @Size(min = 1, max = 20) List<@NotBlank @Size(max = 200) String> recipients,

            @NotBlank @Size(max = 200) @Pattern(regexp = "[^\\r\\n\\u0000]*")
            String subject,

            @NotBlank @Size(max = 5000) String body,
            boolean keep) {}

    record AskedMail(long id) {}

    MailApi(Routes routes, BatchHeads heads, Mailing mailing, MailStore store, MailServer server) {
        this.routes = routes;
        this.heads = heads;
        this.mailing = mailing;
        this.store = store;
        this.server = server;
    }

    @GetMapping
    MailsJson of(@PathVariable long id) {
        RouteRow route = routes.get(heads.routeOf(id));
        Wording wording = store.findWording(route.id()).orElse(Wording.USUAL);
        return new MailsJson(
                server.isThere(),
                server.isThere() ? server.from() : "",
                wording.recipients(),
                wording.subject(),
                wording.body(),
                mailing.words(route, id),
                mailing.names(id),
                store.ofBatch(id).stream().map(this::json).toList());
    }

    @PostMapping
    AskedMail send(@PathVariable long id, @Valid @RequestBody MailOrderJson order, Principal who) {
        RouteRow route = routes.get(heads.routeOf(id));
        Wording wording = new Wording(
                order.recipients().stream().map(String::strip).distinct().toList(), order.subject(), order.body());
        return new AskedMail(mailing.send(route, id, wording, order.keep(), who.getName()));
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
