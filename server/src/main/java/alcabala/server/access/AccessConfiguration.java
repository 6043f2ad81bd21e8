package alcabala.server.access;

import alcabala.server.door.BodyFilter;
import alcabala.server.platform.Problem;
import alcabala.server.platform.Problems;
import alcabala.server.platform.Settings;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.time.Clock;
import java.util.List;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.http.HttpMethod;
import org.springframework.http.HttpStatus;
import org.springframework.security.authentication.UsernamePasswordAuthenticationToken;
import org.springframework.security.config.annotation.web.builders.HttpSecurity;
import org.springframework.security.config.annotation.web.configurers.AuthorizeHttpRequestsConfigurer;
import org.springframework.security.core.Authentication;
import org.springframework.security.core.authority.SimpleGrantedAuthority;
import org.springframework.security.core.userdetails.UserDetailsService;
import org.springframework.security.core.userdetails.UsernameNotFoundException;
import org.springframework.security.crypto.factory.PasswordEncoderFactories;
import org.springframework.security.crypto.password.PasswordEncoder;
import org.springframework.security.web.SecurityFilterChain;
import org.springframework.security.web.access.intercept.AuthorizationFilter;
import org.springframework.security.web.authentication.AnonymousAuthenticationFilter;
import org.springframework.security.web.context.HttpSessionSecurityContextRepository;
import org.springframework.security.web.context.SecurityContextHolderFilter;
import org.springframework.security.web.context.SecurityContextRepository;
import org.springframework.security.web.csrf.CookieCsrfTokenRepository;

/// Who may what (domain, section 9), whatever the screen offers.
@Configuration
class AccessConfiguration {
    private static final String CONTENT_SECURITY_POLICY = "default-src 'none'; script-src 'self'; style-src 'self'; "
            + "img-src 'self' data:; font-src 'self'; connect-src 'self'; manifest-src 'self'; "
            + "base-uri 'none'; form-action 'self'; frame-ancestors 'none'";

    /// What became of documents: all that operations people see.
    private static final String[] OF_DOCUMENTS = {
        "/api/documents",
        "/api/documents/*",
        "/api/documents/*/trail",
        "/api/summary",
        "/api/routes",
        "/api/road",
        "/api/news"
    };

    @Bean
    SecurityFilterChain security(
            HttpSecurity http,
            AccessTokens tokens,
            SecurityContextRepository contexts,
            Settings settings,
            OwnConventions conventions,
            Clock clock) {
        http.authorizeHttpRequests(AccessConfiguration::rules)
                .csrf(csrf -> csrf.csrfTokenRepository(CookieCsrfTokenRepository.withHttpOnlyFalse())
                        .csrfTokenRequestHandler(new HeaderCsrf())
                        .ignoringRequestMatchers(BearerFilter::hasToken))
                .securityContext(context -> context.securityContextRepository(contexts))
                .requestCache(cache -> cache.disable())
                .logout(logout -> logout.disable())
                .exceptionHandling(handling -> handling.authenticationEntryPoint(
                                (request, response, e) -> refuse(response, 401, "sign-in-needed", "Sign in first."))
                        .accessDeniedHandler((request, response, e) ->
                                refuse(response, 403, "not-allowed", "Your role does not allow this.")))
                .headers(headers -> headers.contentSecurityPolicy(
                                policy -> policy.policyDirectives(CONTENT_SECURITY_POLICY))
                        .referrerPolicy(policy -> policy.policy(
                                org.springframework.security.web.header.writers.ReferrerPolicyHeaderWriter
                                        .ReferrerPolicy.SAME_ORIGIN)))
                .addFilterBefore(new SessionEnds(settings.sessionLasts(), clock), SecurityContextHolderFilter.class)
                .addFilterBefore(new BearerFilter(tokens), AnonymousAuthenticationFilter.class)
                .addFilterAfter(new BodyFilter(), AuthorizationFilter.class)
                .addFilterAfter(new WritingFilter(conventions), BodyFilter.class);
        return http.build();
    }

    /// From the narrowest to the widest. Every endpoint falls under one of them; a test walks all with every role.
    private static void rules(
            AuthorizeHttpRequestsConfigurer<HttpSecurity>.AuthorizationManagerRequestMatcherRegistry may) {
        may.requestMatchers("/api/session/csrf", "/actuator/health/**", "/api/first", "/error")
                .permitAll()
                .requestMatchers("/actuator/prometheus")
                .hasAnyRole(Role.ADMINISTRATOR.name(), Role.REVIEWER.name())
                .requestMatchers("/actuator/**")
                .denyAll()
                .requestMatchers(HttpMethod.POST, "/api/session")
                .permitAll()
                .requestMatchers("/api/session/**")
                .authenticated()
                .requestMatchers("/api/people/**", "/api/connect/consents/**", "/api/practise/**")
                .hasRole(Role.ADMINISTRATOR.name())
                .requestMatchers(HttpMethod.GET, OF_DOCUMENTS)
                .authenticated()
                .requestMatchers(HttpMethod.GET, "/api/**")
                .hasAnyRole(Role.ADMINISTRATOR.name(), Role.BOOKKEEPER.name(), Role.REVIEWER.name())
                .requestMatchers("/api/connect/**", "/api/settings/**", "/api/alerts/**", "/api/map/move")
                .hasRole(Role.ADMINISTRATOR.name())
                .requestMatchers("/api/**")
                .hasAnyRole(Role.ADMINISTRATOR.name(), Role.BOOKKEEPER.name())
                .requestMatchers(HttpMethod.GET, "/**")
                .permitAll()
                .anyRequest()
                .denyAll();
    }

    @Bean
    SecurityContextRepository contexts() {
        return new HttpSessionSecurityContextRepository();
    }

    @Bean
    PasswordEncoder passwordEncoder() {
        return PasswordEncoderFactories.createDelegatingPasswordEncoder();
    }

    /// Signing in goes through SessionApi alone; this keeps a user with a made-up password from being created.
    @Bean
    UserDetailsService nobody() {
        return name -> {
            throw new UsernameNotFoundException(name);
        };
    }

    static Authentication authentication(SignedIn person) {
        return UsernamePasswordAuthenticationToken.authenticated(
                person,
                null,
                List.of(new SimpleGrantedAuthority("ROLE_" + person.role().name())));
    }

    static void refuse(HttpServletResponse response, int status, String code, String sentence) throws IOException {
        Problems.write(response, Problem.of(HttpStatus.valueOf(status), code, sentence));
    }
}
