package alcabala.server.door;

import alcabala.server.platform.Problem;
import alcabala.server.platform.Problems;
import org.apache.catalina.core.StandardHost;
import org.springframework.boot.tomcat.servlet.TomcatServletWebServerFactory;
import org.springframework.boot.web.server.WebServerFactoryCustomizer;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.http.HttpStatus;
import org.springframework.security.web.firewall.RequestRejectedHandler;

/// Requests that are turned away for their form alone, by the firewall or by the container.
@Configuration
class Rejected {
    @Bean
    RequestRejectedHandler requestRejectedHandler() {
        return (request, response, e) -> Problems.write(
                response,
                Problem.of(HttpStatus.BAD_REQUEST, "rejected", "The address is not in a form that is taken here."));
    }

    @Bean
    WebServerFactoryCustomizer<TomcatServletWebServerFactory> refusedEarly() {
        return factory -> factory.addContextCustomizers(
                context -> ((StandardHost) context.getParent()).setErrorReportValveClass(RefusedEarly.class.getName()));
    }
}
