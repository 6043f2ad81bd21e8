package alcabala.connectors.http;

import java.io.ByteArrayOutputStream;
import java.net.http.HttpResponse;
import java.nio.ByteBuffer;
import java.util.List;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.CompletionStage;
import java.util.concurrent.Flow;

/// Reads what comes back up to a size; of what is longer the rest is not even received.
final class Limited implements HttpResponse.BodySubscriber<Limited.Body> {
    private final int most;
    private final ByteArrayOutputStream read = new ByteArrayOutputStream();
    private final CompletableFuture<Body> body = new CompletableFuture<>();
    private Flow.Subscription subscription;

    /// @param tooLarge whether there was more
    record Body(byte[] bytes, boolean tooLarge) {}

    /// @param most bytes
    Limited(int most) {
        this.most = most;
    }

    @Override
    public CompletionStage<Body> getBody() {
        return body;
    }

    @Override
    public void onSubscribe(Flow.Subscription from) {
        subscription = from;
        subscription.request(1);
    }

    @Override
    public void onNext(List<ByteBuffer> buffers) {
        for (ByteBuffer each : buffers) {
            byte[] bytes = new byte[Math.min(each.remaining(), most - read.size())];
            boolean more = each.remaining() > bytes.length;
            each.get(bytes);
            read.writeBytes(bytes);
            if (more) {
                subscription.cancel();
                body.complete(new Body(read.toByteArray(), true));
                return;
            }
        }
        subscription.request(1);
    }

    @Override
    public void onError(Throwable error) {
        body.completeExceptionally(error);
    }

    @Override
    public void onComplete() {
        body.complete(new Body(read.toByteArray(), false));
    }
}
