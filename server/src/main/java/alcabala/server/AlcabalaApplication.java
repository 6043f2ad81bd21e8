package alcabala.server;

import java.time.Clock;
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

    @Bean
    Clock clock() {
        return Clock.systemDefaultZone();
    }
}
