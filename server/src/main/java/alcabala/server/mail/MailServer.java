package alcabala.server.mail;

import java.time.Duration;
import java.util.Arrays;
import java.util.List;
import java.util.Properties;
import org.springframework.boot.context.properties.ConfigurationProperties;
import org.springframework.boot.context.properties.EnableConfigurationProperties;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.mail.javamail.JavaMailSender;
import org.springframework.mail.javamail.JavaMailSenderImpl;

/// Through which mail leaves.
///
/// @param host empty where no mail leaves
/// @param from what it is sent from
/// @param user empty for one that asks for none
/// @param tls whether the server must offer STARTTLS
/// @param domains to which mail may go, separated by commas; empty for all
@ConfigurationProperties("alcabala.mail")
record MailServer(String host, int port, String from, String user, String password, boolean tls, String domains) {
    private static final Duration PATIENCE = Duration.ofSeconds(10);

    boolean isThere() {
        return host != null && !host.isBlank();
    }

    boolean mayGoTo(String address) {
        List<String> allowed = domains == null || domains.isBlank()
                ? List.of()
                : Arrays.stream(domains.split(",")).map(String::strip).toList();
        String domain = address.substring(address.lastIndexOf('@') + 1);
        return allowed.isEmpty() || allowed.stream().anyMatch(domain::equalsIgnoreCase);
    }

    /// Without the password.
    @Override
    public String toString() {
        return "MailServer[" + host + ":" + port + ", from " + from + "]";
    }

    @Configuration
    @EnableConfigurationProperties(MailServer.class)
    static class Sending {
        @Bean
        JavaMailSender mailSender(MailServer server) {
            JavaMailSenderImpl sender = new JavaMailSenderImpl();
            sender.setHost(server.host());
            sender.setPort(server.port());
            sender.setDefaultEncoding("UTF-8");
            Properties properties = sender.getJavaMailProperties();
            String millis = String.valueOf(PATIENCE.toMillis());
            properties.put("mail.smtp.connectiontimeout", millis);
            properties.put("mail.smtp.timeout", millis);
            properties.put("mail.smtp.writetimeout", millis);
            properties.put("mail.smtp.starttls.enable", "true");
            properties.put("mail.smtp.starttls.required", String.valueOf(server.tls()));
            properties.put("mail.smtp.ssl.checkserveridentity", "true");
            if (server.user() != null && !server.user().isBlank()) {
                properties.put("mail.smtp.auth", "true");
                sender.setUsername(server.user());
                sender.setPassword(server.password());
            }
            return sender;
        }
    }
}
