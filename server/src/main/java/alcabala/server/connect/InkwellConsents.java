package alcabala.server.connect;

import alcabala.connectors.AccessLostException;
import alcabala.connectors.UnreachableException;
import alcabala.server.connect.Credentials.Secret;
import alcabala.server.platform.Settings;
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

/// Consent of Inkwell's people: OAuth 2, authorization code with PKCE, a confidential client.
@Component
class InkwellConsents {
    private static final String SYSTEM = "Inkwell";
    private final ClientRegistration registration;
    private final RestClientAuthorizationCodeTokenResponseClient codes =
            new RestClientAuthorizationCodeTokenResponseClient();
    private final RestClientRefreshTokenTokenResponseClient refreshes = new RestClientRefreshTokenTokenResponseClient();

    /// @param address where the person is sent
    /// @param verifier what proves at the end that it was us who asked (PKCE)
    record Asked(String address, String verifier) {}

    record Given(Secret secret, List<String> scopes, Instant expiresAt) {}

    InkwellConsents(Settings settings) {
        registration = ClientRegistration.withRegistrationId("inkwell")
                .clientId("alcabala")
                .clientSecret(settings.inkwellSecret())
                .authorizationGrantType(AuthorizationGrantType.AUTHORIZATION_CODE)
                .redirectUri(settings.address() + "/connect/return")
                .scope("books.read", "books.write")
                .authorizationUri(settings.standins() + "/inkwell/oauth/authorize")
                .tokenUri(settings.standins() + "/inkwell/oauth/token")
                .build();
        RestClient client = client(settings);
        codes.setRestClient(client);
        refreshes.setRestClient(client);
    }

    private static RestClient client(Settings settings) {
        JdkClientHttpRequestFactory factory = new JdkClientHttpRequestFactory(HttpClient.newBuilder()
                .connectTimeout(settings.patience())
                .version(HttpClient.Version.HTTP_1_1)
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

    Asked ask(String state) {
        OAuth2AuthorizationRequest request = request(state, null);
        return new Asked(request.getAuthorizationRequestUri(), request.getAttribute(PkceParameterNames.CODE_VERIFIER));
    }

    /// @param verifier null to make a new one
    private OAuth2AuthorizationRequest request(String state, String verifier) {
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
    Given exchange(String state, String verifier, String code) {
        OAuth2AuthorizationResponse response = OAuth2AuthorizationResponse.success(code)
                .redirectUri(registration.getRedirectUri())
                .state(state)
                .build();
        return given(() -> codes.getTokenResponse(new OAuth2AuthorizationCodeGrantRequest(
                registration, new OAuth2AuthorizationExchange(request(state, verifier), response))));
    }

    /// @throws AccessLostException when the consent was withdrawn or has ended
    Given refresh(Secret secret, List<String> scopes) {
        Instant past = Instant.EPOCH;
        OAuth2AccessToken old = new OAuth2AccessToken(
                OAuth2AccessToken.TokenType.BEARER, secret.token(), past, past.plusSeconds(1), Set.copyOf(scopes));
        return given(() -> refreshes.getTokenResponse(
                new OAuth2RefreshTokenGrantRequest(registration, old, new OAuth2RefreshToken(secret.refresh(), past))));
    }

    private static Given given(Supplier<OAuth2AccessTokenResponse> call) {
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
                throw new AccessLostException(SYSTEM, "the consent is no longer good");
            }
            throw new UnreachableException(SYSTEM, "no token: " + e.getError().getErrorCode(), e);
        }
    }
}
