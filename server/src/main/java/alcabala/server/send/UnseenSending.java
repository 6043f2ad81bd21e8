package alcabala.server.send;

import alcabala.server.route.RouteRow;
import java.util.List;
import java.util.Optional;
import org.springframework.stereotype.Component;

@Component
class UnseenSending implements Sending {
    private final Previews previews;
    private final Batches batches;
    private final Candidates candidates;

    UnseenSending(Previews previews, Batches batches, Candidates candidates) {
        this.previews = previews;
        this.batches = batches;
        this.candidates = candidates;
    }

    @Override
    public Optional<Long> send(RouteRow route, List<Long> ids, String who) {
        Choice choice = Choice.named(ids);
        return previews.of(route, choice).documents().isEmpty()
                ? Optional.empty()
                : Optional.of(batches.send(route, Batches.Order.unseen(choice), who));
    }

    @Override
    public String[] byHand(RouteRow route) {
        return candidates.chosenByHand(route);
    }
}
