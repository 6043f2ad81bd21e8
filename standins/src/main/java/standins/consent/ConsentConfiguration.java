package standins.consent;

import java.time.Duration;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.core.annotation.Order;
import org.springframework.jdbc.core.JdbcOperations;
import org.springframework.security.config.Customizer;
import org.springframework.security.config.annotation.web.builders.HttpSecurity;
import org.springframework.security.core.userdetails.User;
import org.springframework.security.core.userdetails.UserDetailsService;
import org.springframework.security.oauth2.core.AuthorizationGrantType;
import org.springframework.security.oauth2.core.ClientAuthenticationMethod;
import org.springframework.security.oauth2.server.authorization.JdbcOAuth2AuthorizationService;
import org.springframework.security.oauth2.server.authorization.OAuth2AuthorizationConsent;
import org.springframework.security.oauth2.server.authorization.OAuth2AuthorizationConsentService;
import org.springframework.security.oauth2.server.authorization.OAuth2AuthorizationService;
import org.springframework.security.oauth2.server.authorization.client.InMemoryRegisteredClientRepository;
import org.springframework.security.oauth2.server.authorization.client.RegisteredClient;
import org.springframework.security.oauth2.server.authorization.client.RegisteredClientRepository;
import org.springframework.security.oauth2.server.authorization.settings.AuthorizationServerSettings;
import org.springframework.security.oauth2.server.authorization.settings.ClientSettings;
import org.springframework.security.oauth2.server.authorization.settings.OAuth2TokenFormat;
import org.springframework.security.oauth2.server.authorization.settings.TokenSettings;
import org.springframework.security.provisioning.InMemoryUserDetailsManager;
import org.springframework.security.web.SecurityFilterChain;
import org.springframework.security.web.authentication.LoginUrlAuthenticationEntryPoint;

/// Inkwell as an authorization server: one program is registered, and every consent is asked for anew.
@Configuration
class ConsentConfiguration {
    private static final Duration ACCESS = Duration.ofMinutes(10);
    private static final Duration CONSENT = Duration.ofDays(90);

    @Bean
    @Order(1)
    SecurityFilterChain consenting(HttpSecurity http) {
        http.oauth2AuthorizationServer(server -> {
                    http.securityMatcher(server.getEndpointsMatcher());
                    server.authorizationEndpoint(endpoint -> endpoint.consentPage("/inkwell/consent"));
                })
                .authorizeHttpRequests(requests -> requests.anyRequest().authenticated())
                .exceptionHandling(handling ->
                        handling.authenticationEntryPoint(new LoginUrlAuthenticationEntryPoint("/inkwell/sign-in")));
        return http.build();
    }

    /// Only the consent needs somebody signed in; the desks are open, for whoever tries things out.
    @Bean
    @Order(2)
    SecurityFilterChain rest(HttpSecurity http) {
        http.authorizeHttpRequests(requests -> requests.requestMatchers("/inkwell/consent")
                        .authenticated()
                        .anyRequest()
                        .permitAll())
                .formLogin(login -> login.loginPage("/inkwell/sign-in")
                        .loginProcessingUrl("/inkwell/sign-in")
                        .defaultSuccessUrl("/inkwell"))
                .csrf(csrf -> csrf.disable())
                .headers(Customizer.withDefaults());
        return http.build();
    }

    @Bean
    AuthorizationServerSettings addresses() {
        return AuthorizationServerSettings.builder()
                .authorizationEndpoint("/inkwell/oauth/authorize")
                .tokenEndpoint("/inkwell/oauth/token")
                .tokenRevocationEndpoint("/inkwell/oauth/revoke")
                .build();
    }

    /// The return address may have any port, as RFC 8252 section 7.3 has it for loopback.
    @Bean
    RegisteredClientRepository programs(@Value("${standins.alcabala-secret}") String secret) {
        return new InMemoryRegisteredClientRepository(RegisteredClient.withId("alcabala")
                .clientId("alcabala")
                .clientName("Alcabala")
                .clientSecret("{noop}" + secret)
                .clientAuthenticationMethod(ClientAuthenticationMethod.CLIENT_SECRET_BASIC)
                .authorizationGrantType(AuthorizationGrantType.AUTHORIZATION_CODE)
                .authorizationGrantType(AuthorizationGrantType.REFRESH_TOKEN)
                .redirectUri("http://127.0.0.1:8480/connect/return")
                .scope("books.read")
                .scope("books.write")
                .clientSettings(ClientSettings.builder()
                        .requireProofKey(true)
                        .requireAuthorizationConsent(true)
                        .build())
                .tokenSettings(TokenSettings.builder()
                        .accessTokenFormat(OAuth2TokenFormat.REFERENCE)
                        .accessTokenTimeToLive(ACCESS)
                        .refreshTokenTimeToLive(CONSENT)
                        .build())
                .build());
    }

    @Bean
    OAuth2AuthorizationService authorizations(JdbcOperations jdbc, RegisteredClientRepository programs) {
        return new JdbcOAuth2AuthorizationService(jdbc, programs);
    }

    /// Remembers nothing, so that the page is shown each time.
    @Bean
    OAuth2AuthorizationConsentService askEachTime() {
        return new OAuth2AuthorizationConsentService() {
            @Override
            public void save(OAuth2AuthorizationConsent consent) {}

            @Override
            public void remove(OAuth2AuthorizationConsent consent) {}

            @Override
            public OAuth2AuthorizationConsent findById(String program, String person) {
                return null;
            }
        };
    }

    @Bean
    UserDetailsService peopleOfInkwell() {
        return new InMemoryUserDetailsManager(User.withUsername("office")
                .password("{noop}office-inkwell")
                .roles("OWNER")
                .build());
    }
}
