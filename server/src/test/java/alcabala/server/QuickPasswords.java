package alcabala.server;

import java.util.Map;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.context.annotation.Primary;
import org.springframework.security.crypto.bcrypt.BCryptPasswordEncoder;
import org.springframework.security.crypto.password.DelegatingPasswordEncoder;
import org.springframework.security.crypto.password.PasswordEncoder;

/// Nobody guesses the passwords of the tests, so that none of them has to be dear: at the cost that the server asks
/// for, signing in took a tenth of the time of all of them. Found where the server looks for its parts.
@Configuration
class QuickPasswords {
    private static final int CHEAPEST = 4;

    @Bean
    @Primary
    PasswordEncoder cheapest() {
        return new DelegatingPasswordEncoder("bcrypt", Map.of("bcrypt", new BCryptPasswordEncoder(CHEAPEST)));
    }
}
