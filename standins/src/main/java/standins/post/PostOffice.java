package standins.post;

import com.icegreen.greenmail.store.FolderException;
import com.icegreen.greenmail.util.GreenMail;
import com.icegreen.greenmail.util.ServerSetup;
import jakarta.mail.BodyPart;
import jakarta.mail.MessagingException;
import jakarta.mail.Multipart;
import jakarta.mail.Part;
import jakarta.mail.internet.MimeMessage;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.context.SmartLifecycle;
import org.springframework.stereotype.Component;

/// A mail server of its own; what it took is forgotten when it ends.
@Component
public class PostOffice implements SmartLifecycle {
    private final GreenMail server;

    /// @param no its place among those that came, from 0
    public record Letter(
            int no, String id, String from, String to, String subject, String text, List<Enclosed> enclosed) {}

    /// @param which its place among what is enclosed, from 0
    public record Enclosed(int which, String name, String type, int bytes) {}

    public record Content(String name, String type, byte[] bytes) {}

    PostOffice(@Value("${standins.smtp-port}") int port) {
        server = new GreenMail(new ServerSetup(port, "127.0.0.1", ServerSetup.PROTOCOL_SMTP));
    }

    @Override
    public void start() {
        server.start();
    }

    @Override
    public void stop() {
        server.stop();
    }

    @Override
    public boolean isRunning() {
        return server.isRunning();
    }

    public void reset() {
        try {
            server.purgeEmailFromAllMailboxes();
        } catch (FolderException e) {
            throw new IllegalStateException(e);
        }
    }

    /// The newest first, each once however many it is for.
    public List<Letter> letters() {
        List<Letter> letters = new ArrayList<>();
        List<String> seen = new ArrayList<>();
        MimeMessage[] all = server.getReceivedMessages();
        try {
            for (int i = 0; i < all.length; i++) {
                String id = all[i].getMessageID();
                if (!seen.contains(id)) {
                    seen.add(id);
                    letters.addFirst(letter(i, all[i]));
                }
            }
        } catch (MessagingException e) {
            throw new IllegalStateException(e);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return letters;
    }

    private static Letter letter(int no, MimeMessage message) throws MessagingException, IOException {
        List<Part> parts = parts(message);
        List<Enclosed> enclosed = new ArrayList<>();
        StringBuilder text = new StringBuilder();
        for (Part part : parts) {
            if (part.getFileName() == null) {
                text.append(part.getContent());
            } else {
                byte[] bytes = part.getInputStream().readAllBytes();
                enclosed.add(new Enclosed(enclosed.size(), part.getFileName(), type(part), bytes.length));
            }
        }
        return new Letter(
                no,
                message.getMessageID(),
                Stream.of(message.getFrom()).map(Object::toString).collect(Collectors.joining(", ")),
                Arrays.stream(message.getAllRecipients()).map(Object::toString).collect(Collectors.joining(", ")),
                message.getSubject(),
                text.toString(),
                enclosed);
    }

    /// What is enclosed in one that came.
    public Content enclosed(int no, int which) {
        try {
            Part part = parts(server.getReceivedMessages()[no]).stream()
                    .filter(each -> isFile(each))
                    .skip(which)
                    .findFirst()
                    .orElseThrow();
            return new Content(
                    part.getFileName(), type(part), part.getInputStream().readAllBytes());
        } catch (MessagingException e) {
            throw new IllegalStateException(e);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private static boolean isFile(Part part) {
        try {
            return part.getFileName() != null;
        } catch (MessagingException e) {
            throw new IllegalStateException(e);
        }
    }

    private static String type(Part part) throws MessagingException {
        return part.getContentType().replaceAll("(?s);.*", "");
    }

    private static List<Part> parts(Part part) throws MessagingException, IOException {
        if (!(part.getContent() instanceof Multipart many)) {
            return List.of(part);
        }
        List<Part> parts = new ArrayList<>();
        for (int i = 0; i < many.getCount(); i++) {
            BodyPart each = many.getBodyPart(i);
            parts.addAll(parts(each));
        }
        return parts;
    }
}
