package alcabala.server;

import alcabala.server.platform.Settings;
import java.time.Clock;
import java.time.ZoneId;
import org.springframework.boot.SpringApplication;
import org.springframework.boot.autoconfigure.SpringBootApplication;
import org.springframework.boot.context.properties.ConfigurationPropertiesScan;
import org.springframework.context.annotation.Bean;
import org.springframework.scheduling.annotation.EnableScheduling;

/// The server.
@SpringBootApplication
@ConfigurationPropertiesScan
@EnableScheduling
public class AlcabalaApplication {
    public static void main(String[] args) {
        SpringApplication.run(AlcabalaApplication.class, args);
    }

    /// The days of the business are its own, wherever the server stands.
    @Bean
    Clock clock(Settings settings) {
        String zone = settings.timeZone();
        return zone == null || zone.isBlank() ? Clock.systemDefaultZone() : Clock.system(ZoneId.of(zone));
    }
}
