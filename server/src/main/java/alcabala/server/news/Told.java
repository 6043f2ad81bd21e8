package alcabala.server.news;

import alcabala.server.platform.News;
import java.util.Set;

/// News as browsers are told them.
///
/// @param route its code; null where it concerns no single route
/// @param ids empty for many
/// @param who null where nobody in particular did it
record Told(News.Topic topic, String route, Set<String> ids, String who) {
    Told withIds(Set<String> some) {
        return new Told(topic, route, some, who);
    }
}
