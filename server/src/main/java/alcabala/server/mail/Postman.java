package alcabala.server.mail;

import alcabala.connectors.Kept;
import alcabala.server.mail.MailStore.Mail;
import alcabala.server.mail.MailStore.MailFile;
import alcabala.server.platform.News.Topic;
import alcabala.server.platform.Pauses;
import alcabala.server.platform.Telling;
import alcabala.server.trail.Trail;
import jakarta.mail.MessagingException;
import jakarta.mail.SendFailedException;
import jakarta.mail.internet.MimeMessage;
import java.nio.charset.StandardCharsets;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.eclipse.angus.mail.smtp.SMTPAddressFailedException;
import org.eclipse.angus.mail.smtp.SMTPSendFailedException;
import org.springframework.core.io.ByteArrayResource;
import org.springframework.mail.MailAuthenticationException;
import org.springframework.mail.MailException;
import org.springframework.mail.MailSendException;
import org.springframework.mail.javamail.JavaMailSender;
import org.springframework.mail.javamail.MimeMessageHelper;
import org.springframework.stereotype.Component;

/// Hands one mail to the server, once: what is taken is written down as sent. Should that be lost to a crash it goes
/// again
/// under the same message id.
@Component
class Postman {
    /// A mail server may be away for longer than a ledger: all tries together take about an hour.
    private static final int LONGER = 60;
    private final MailStore store;
    private final MailServer server;
    private final JavaMailSender sender;
    private final Trail trail;
    private final Pauses pauses;
    private final Telling telling;
    private final Clock clock;

    Postman(
            MailStore store,
            MailServer server,
            JavaMailSender sender,
            Trail trail,
            Pauses pauses,
            Telling telling,
            Clock clock) {
        this.store = store;
        this.server = server;
        this.sender = sender;
        this.trail = trail;
        this.pauses = pauses;
        this.telling = telling;
        this.clock = clock;
    }

    /// @return how long to wait until the next try; zero when there is none
    Duration send(long id) {
        Mail mail = store.find(id).orElse(null);
        if (mail == null || !mail.outcome().equals("queued")) {
            return Duration.ZERO;
        }
        try {
            sender.send(message(mail));
        } catch (MailException | MessagingException e) {
            return failed(mail, e);
        }
        Instant now = clock.instant();
        if (store.become(mail, "sent", "", now)) {
            tell(mail, "mailed", Map.of("files", store.fileNames(id), "message", mail.messageId()));
        }
        return Duration.ZERO;
    }

    private MimeMessage message(Mail mail) throws MessagingException {
        MimeMessage message = sender.createMimeMessage();
        MimeMessageHelper helper = new MimeMessageHelper(message, true, StandardCharsets.UTF_8.name());
        helper.setFrom(server.from());
        helper.setTo(mail.wording().recipients().toArray(String[]::new));
        helper.setSubject(mail.wording().subject());
        helper.setText(mail.wording().body());
        for (MailFile file : store.files(mail.id())) {
            helper.addAttachment(file.name(), new ByteArrayResource(file.content()), file.mediaType());
        }
        message.setHeader("Message-ID", mail.messageId());
        return message;
    }

    /// What the server will not take the next time either is not tried again.
    private Duration failed(Mail mail, Exception e) {
        String sentence = Kept.text(sentence(e));
        boolean ends = isFinal(e) || mail.attempts() + 1 >= Pauses.TRIES;
        if (store.become(mail, ends ? "failed" : "queued", sentence, null) && ends) {
            tell(mail, "mail-failed", Map.of("reason", sentence));
        }
        return ends ? Duration.ZERO : pauses.after(mail.attempts() + 1).multipliedBy(LONGER);
    }

    private static boolean isFinal(Exception e) {
        return e instanceof MailAuthenticationException
                || causes(e).stream().anyMatch(cause -> cause instanceof SendFailedException no && isForGood(no));
    }

    /// Many servers turn unknown senders away with a code below 500 at first, and take them a few minutes later (RFC
    /// 5321, section 4.2.1).
    static boolean isForGood(SendFailedException no) {
        for (Exception each = no; each instanceof MessagingException said; each = said.getNextException()) {
            int code = switch (said) {
                case SMTPAddressFailedException address -> address.getReturnCode();
                case SMTPSendFailedException all -> all.getReturnCode();
                default -> 0;
            };
            if (code >= 400 && code < 500) {
                return false;
            }
        }
        return true;
    }

    private static List<Exception> causes(Exception e) {
        return e instanceof MailSendException sending ? Arrays.asList(sending.getMessageExceptions()) : List.of(e);
    }

    private static String sentence(Exception e) {
        Throwable cause = causes(e).isEmpty() ? e : causes(e).getFirst();
        while (cause.getCause() != null && cause.getCause() != cause) {
            cause = cause.getCause();
        }
        String said = cause.getMessage() == null ? cause.getClass().getSimpleName() : cause.getMessage();
        return "The mail server did not take it: "
                + said.strip().lines().findFirst().orElse("no reason given");
    }

    private void tell(Mail mail, String action, Map<String, Object> more) {
        Map<String, Object> detail = new LinkedHashMap<>(Map.of(
                "about", mail.name(),
                "to", mail.wording().recipients(),
                "subject", mail.wording().subject()));
        if (mail.batchId() != null) {
            detail.put("batch", mail.batchId());
        }
        detail.putAll(more);
        trail.write(mail.routeId(), mail.recordId(), mail.askedBy(), action, detail);
        if (mail.batchId() != null) {
            telling.tell(Topic.BATCHES, mail.routeId(), null, mail.batchId());
        }
    }
}
