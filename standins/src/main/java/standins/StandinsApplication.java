package standins;

import java.time.Clock;
import org.springframework.boot.SpringApplication;
import org.springframework.boot.autoconfigure.SpringBootApplication;
import org.springframework.context.annotation.Bean;

/// One process, five systems, each with a desk, and those that other programs can enter with an API.
@SpringBootApplication
public class StandinsApplication {
    public static void main(String[] args) {
        SpringApplication.run(StandinsApplication.class, args);
    }

    /// Null on a desk shows as nothing, and an empty text is as good as none.
    @Bean
    com.samskivert.mustache.Mustache.Compiler mustache(com.samskivert.mustache.Mustache.TemplateLoader loader) {
        return com.samskivert.mustache.Mustache.compiler()
                .withLoader(loader)
                .nullValue("")
                .emptyStringIsFalse(true);
    }

    @Bean
    Clock clock() {
        return Clock.systemDefaultZone();
    }
}
