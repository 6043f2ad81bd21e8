package alcabala.server.door;

import alcabala.server.platform.Settings;
import java.util.Arrays;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import org.apache.catalina.valves.RemoteIpValve;
import org.springframework.boot.tomcat.servlet.TomcatServletWebServerFactory;
import org.springframework.boot.web.server.WebServerFactoryCustomizer;
import org.springframework.stereotype.Component;

/// Behind a proxy that was named, the address and the scheme of a request are those that the proxy says; so cookies
/// are for TLS only and browsers are told to stay with it. What anybody else says of where he comes from counts for
/// nothing.
@Component
class TrustedProxies implements WebServerFactoryCustomizer<TomcatServletWebServerFactory> {
    private final String proxies;

    TrustedProxies(Settings settings) {
        proxies = settings.trustedProxies() == null ? "" : settings.trustedProxies();
    }

    @Override
    public void customize(TomcatServletWebServerFactory factory) {
        if (proxies.isBlank()) {
            return;
        }
        RemoteIpValve valve = new RemoteIpValve();
        valve.setRemoteIpHeader("X-Forwarded-For");
        valve.setProtocolHeader("X-Forwarded-Proto");
        valve.setInternalProxies(Arrays.stream(proxies.split("[,\\s]+"))
                .filter(each -> !each.isEmpty())
                .map(Pattern::quote)
                .collect(Collectors.joining("|")));
        factory.addEngineValves(valve);
    }
}
