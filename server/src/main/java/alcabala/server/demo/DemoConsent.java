package alcabala.server.demo;

import alcabala.connectors.UnreachableException;
import alcabala.server.connection.ConsentRequests;
import alcabala.server.platform.Settings;
import java.time.Duration;
import java.util.Map;
import org.springframework.boot.autoconfigure.condition.ConditionalOnProperty;
import org.springframework.core.retry.RetryException;
import org.springframework.core.retry.RetryPolicy;
import org.springframework.core.retry.RetryTemplate;
import org.springframework.stereotype.Component;

/// The demo's consent, through the same doors as everybody's.
@Component
@ConditionalOnProperty("alcabala.demo")
class DemoConsent {
    private static final String DEMO = "demo";
    private final ConsentRequests requests;
    private final Settings settings;

    DemoConsent(ConsentRequests requests, Settings settings) {
        this.requests = requests;
        this.settings = settings;
    }

    /// A consent that waits for its company. A machine that is busy may not answer in time; a code counts once, so that
    /// all of it is done again.
    ConsentRequests.Pending give() {
        RetryTemplate patience = new RetryTemplate(RetryPolicy.builder()
                .includes(UnreachableException.class)
                .maxRetries(4)
                .delay(Duration.ofSeconds(1))
                .multiplier(2)
                .build());
        try {
            return patience.execute(this::ask);
        } catch (RetryException e) {
            throw new IllegalStateException("the demo's books gave no consent", e);
        }
    }

    private ConsentRequests.Pending ask() {
        Map<String, String> back =
                owner().letIn(requests.ask(DEMO, null, "inkwell", settings.standins() + "/inkwell", Map.of()));
        requests.given(DEMO, back.get("state"), back.get("code"));
        return requests.get(DEMO, back.get("state"));
    }

    /// The stand-ins start at the same time as the server.
    private InkwellOwner owner() {
        RetryTemplate patience = new RetryTemplate(RetryPolicy.builder()
                .includes(IllegalStateException.class)
                .maxRetries(200)
                .delay(Duration.ofMillis(300))
                .build());
        try {
            return patience.execute(() -> new InkwellOwner(settings.standins()));
        } catch (RetryException e) {
            throw new IllegalStateException("the stand-ins did not come up", e);
        }
    }
}
