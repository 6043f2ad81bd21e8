package alcabala.server.platform;

import alcabala.server.platform.News.Topic;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.dao.DataAccessException;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Component;
import org.springframework.transaction.support.TransactionSynchronization;
import org.springframework.transaction.support.TransactionSynchronizationManager;
import tools.jackson.databind.json.JsonMapper;

/// Tells all servers what has changed. It is gathered for a moment and told apart from the transactions that changed
/// it, since telling within one would make all of them commit one after the other. What is lost with a server that
/// dies is found by looking.
@Component
public class Telling {
    /// On which PostgreSQL carries it.
    public static final String CHANNEL = "news";

    private static final Logger LOG = LoggerFactory.getLogger(Telling.class);
    private static final int MOMENT_MILLIS = 200;
    /// PostgreSQL takes less than 8000 for one notification.
    private static final int LONGEST_BYTES = 7_900;
    private final JdbcClient jdbc;
    private final JsonMapper json;
    private Map<About, Set<String>> gathered = new HashMap<>();

    private record About(Topic topic, Long route, String who) {}

    Telling(JdbcClient jdbc, JsonMapper json) {
        this.jdbc = jdbc;
        this.json = json;
    }

    public void tell(Topic topic, Long route, String who, Object id) {
        tell(topic, route, who, List.of(id));
    }

    /// Once the present transaction has committed, if there is one; never when it is taken back.
    ///
    /// @param ids of what changed; none for many
    public void tell(Topic topic, Long route, String who, Collection<?> ids) {
        About about = new About(topic, route, who);
        if (!TransactionSynchronizationManager.isSynchronizationActive()) {
            gather(about, ids);
            return;
        }
        TransactionSynchronizationManager.registerSynchronization(new TransactionSynchronization() {
            @Override
            public void afterCommit() {
                gather(about, ids);
            }
        });
    }

    private synchronized void gather(About about, Collection<?> ids) {
        Set<String> known = gathered.get(about);
        if (ids.isEmpty() || (known != null && known.isEmpty())) {
            gathered.put(about, Set.of());
            return;
        }
        Set<String> all = known == null ? new LinkedHashSet<>() : known;
        ids.stream().limit(News.NAMED + 1L).forEach(id -> all.add(id.toString()));
        gathered.put(about, all.size() > News.NAMED ? Set.of() : all);
    }

    @Scheduled(fixedDelay = MOMENT_MILLIS)
    void tellAll() {
        take().forEach(this::tellNow);
    }

    private void tellNow(News news) {
        String said = json.writeValueAsString(news);
        boolean isLong = said.getBytes(StandardCharsets.UTF_8).length > LONGEST_BYTES;
        try {
            jdbc.sql("select pg_notify(:channel, :news)")
                    .param("channel", CHANNEL)
                    .param("news", isLong ? json.writeValueAsString(news.ofMany()) : said)
                    .query()
                    .singleRow();
        } catch (DataAccessException e) {
            LOG.debug("nobody could be told of {}", news, e);
        }
    }

    private synchronized List<News> take() {
        List<News> news = new ArrayList<>();
        gathered.forEach((about, ids) -> news.add(new News(about.topic(), about.route(), ids, about.who())));
        gathered = new HashMap<>();
        return news;
    }
}
