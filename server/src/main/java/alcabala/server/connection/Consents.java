package alcabala.server.connection;

import alcabala.connectors.AccessLostException;
import alcabala.connectors.UnreachableException;
import alcabala.connectors.spi.ConnectionKind;
import alcabala.connectors.spi.Entry;
import alcabala.server.connection.Credentials.Secret;
import alcabala.server.platform.NotPossibleException;
import alcabala.server.platform.Settings;
import java.net.URI;
import java.net.http.HttpClient;
import java.time.Instant;
import java.util.List;
import java.util.Set;
import java.util.function.Supplier;
import org.springframework.http.client.JdkClientHttpRequestFactory;
import org.springframework.http.converter.FormHttpMessageConverter;
import org.springframework.security.oauth2.client.endpoint.OAuth2AuthorizationCodeGrantRequest;
import org.springframework.security.oauth2.client.endpoint.OAuth2RefreshTokenGrantRequest;
import org.springframework.security.oauth2.client.endpoint.RestClientAuthorizationCodeTokenResponseClient;
import org.springframework.security.oauth2.client.endpoint.RestClientRefreshTokenTokenResponseClient;
import org.springframework.security.oauth2.client.http.OAuth2ErrorResponseErrorHandler;
import org.springframework.security.oauth2.client.registration.ClientRegistration;
import org.springframework.security.oauth2.client.web.OAuth2AuthorizationRequestCustomizers;
import org.springframework.security.oauth2.core.AuthorizationGrantType;
import org.springframework.security.oauth2.core.OAuth2AccessToken;
import org.springframework.security.oauth2.core.OAuth2AuthorizationException;
import org.springframework.security.oauth2.core.OAuth2RefreshToken;
import org.springframework.security.oauth2.core.endpoint.OAuth2AccessTokenResponse;
import org.springframework.security.oauth2.core.endpoint.OAuth2AuthorizationExchange;
import org.springframework.security.oauth2.core.endpoint.OAuth2AuthorizationRequest;
import org.springframework.security.oauth2.core.endpoint.OAuth2AuthorizationResponse;
import org.springframework.security.oauth2.core.endpoint.PkceParameterNames;
import org.springframework.security.oauth2.core.http.converter.OAuth2AccessTokenResponseHttpMessageConverter;
import org.springframework.stereotype.Component;
import org.springframework.web.client.RestClient;

/// Consent of the people of a system: OAuth 2, authorization code with PKCE, a confidential client.
@Component
class Consents {
    private final Settings settings;
    private final Reach reach;
    private final RestClientAuthorizationCodeTokenResponseClient codes =
            new RestClientAuthorizationCodeTokenResponseClient();
    private final RestClientRefreshTokenTokenResponseClient refreshes = new RestClientRefreshTokenTokenResponseClient();

    /// @param address where the person is sent
    /// @param verifier what proves at the end that it was us who asked (PKCE)
    record Asked(String address, String verifier) {}

    record Given(Secret secret, List<String> scopes, Instant expiresAt) {}

    Consents(Settings settings, Reach reach) {
        this.settings = settings;
        this.reach = reach;
        RestClient client = client(settings);
        codes.setRestClient(client);
        refreshes.setRestClient(client);
    }

    /// @param address of the system
    private ClientRegistration registration(ConnectionKind kind, String address) {
        if (!(kind.entry() instanceof Entry.ByConsent consent)) {
            throw NotPossibleException.invalid("kind-unfit", kind.name() + " is not entered by consent.");
        }
        reach.pass(URI.create(address));
        return ClientRegistration.withRegistrationId(kind.code())
                .clientId("alcabala")
                .clientSecret(settings.clientSecrets().getOrDefault(kind.code(), ""))
                .authorizationGrantType(AuthorizationGrantType.AUTHORIZATION_CODE)
                .redirectUri(settings.address() + "/connect/return")
                .scope(consent.scopes())
                .authorizationUri(address + consent.authorize())
                .tokenUri(address + consent.token())
                .build();
    }

    private static RestClient client(Settings settings) {
        JdkClientHttpRequestFactory factory = new JdkClientHttpRequestFactory(HttpClient.newBuilder()
                .connectTimeout(settings.patience())
                .version(HttpClient.Version.HTTP_1_1)
                .followRedirects(HttpClient.Redirect.NEVER)
                .build());
        factory.setReadTimeout(settings.patience());
        return RestClient.builder()
                .requestFactory(factory)
                .configureMessageConverters(converters -> converters
                        .addCustomConverter(new FormHttpMessageConverter())
                        .addCustomConverter(new OAuth2AccessTokenResponseHttpMessageConverter()))
                .defaultStatusHandler(new OAuth2ErrorResponseErrorHandler())
                .build();
    }

    /// What Alcabala is known by is for the system that knows it, and shown to no other.
    ///
    /// @throws NotPossibleException when Alcabala is known elsewhere, or the kind is not entered by consent
    Asked ask(ConnectionKind kind, String address, String state) {
        String known = settings.addresses().get(kind.code());
        if (known != null && !known.equals(address)) {
            throw NotPossibleException.invalid(
                    "not-known-there",
                    "Alcabala is known to %s at %s, and not at %s. Whoever runs it can have it known there too."
                            .formatted(kind.name(), known, address));
        }
        OAuth2AuthorizationRequest request = request(registration(kind, address), state, null);
        return new Asked(request.getAuthorizationRequestUri(), request.getAttribute(PkceParameterNames.CODE_VERIFIER));
    }

    /// @param verifier null to make a new one
    private static OAuth2AuthorizationRequest request(ClientRegistration registration, String state, String verifier) {
        OAuth2AuthorizationRequest.Builder builder = OAuth2AuthorizationRequest.authorizationCode()
                .clientId(registration.getClientId())
                .authorizationUri(registration.getProviderDetails().getAuthorizationUri())
                .redirectUri(registration.getRedirectUri())
                .scopes(registration.getScopes())
                .state(state);
        if (verifier == null) {
            OAuth2AuthorizationRequestCustomizers.withPkce().accept(builder);
        } else {
            builder.attributes(attributes -> attributes.put(PkceParameterNames.CODE_VERIFIER, verifier));
        }
        return builder.build();
    }

    /// @throws AccessLostException when the code is not taken
    Given exchange(ConnectionKind kind, String address, String state, String verifier, String code) {
        ClientRegistration registration = registration(kind, address);
        OAuth2AuthorizationResponse response = OAuth2AuthorizationResponse.success(code)
                .redirectUri(registration.getRedirectUri())
                .state(state)
                .build();
        return given(
                kind,
                () -> codes.getTokenResponse(new OAuth2AuthorizationCodeGrantRequest(
                        registration,
                        new OAuth2AuthorizationExchange(request(registration, state, verifier), response))));
    }

    /// @throws AccessLostException when the consent was withdrawn or has ended
    Given refresh(ConnectionKind kind, String address, Secret secret, List<String> scopes) {
        ClientRegistration registration = registration(kind, address);
        Instant past = Instant.EPOCH;
        OAuth2AccessToken old = new OAuth2AccessToken(
                OAuth2AccessToken.TokenType.BEARER, secret.token(), past, past.plusSeconds(1), Set.copyOf(scopes));
        return given(
                kind,
                () -> refreshes.getTokenResponse(new OAuth2RefreshTokenGrantRequest(
                        registration, old, new OAuth2RefreshToken(secret.refresh(), past))));
    }

    private static Given given(ConnectionKind kind, Supplier<OAuth2AccessTokenResponse> call) {
        try {
            OAuth2AccessTokenResponse response = call.get();
            OAuth2RefreshToken refresh = response.getRefreshToken();
            return new Given(
                    new Secret(
                            response.getAccessToken().getTokenValue(), refresh == null ? "" : refresh.getTokenValue()),
                    response.getAccessToken().getScopes().stream().sorted().toList(),
                    response.getAccessToken().getExpiresAt());
        } catch (OAuth2AuthorizationException e) {
            if (e.getError().getErrorCode().startsWith("invalid_grant")) {
                throw new AccessLostException(kind.name(), "the consent is no longer good");
            }
            throw new UnreachableException(
                    kind.name(), "no token: " + e.getError().getErrorCode(), e);
        }
    }
}
