package alcabala.server.connection;

import alcabala.server.platform.Seal;
import java.util.List;
import java.util.Optional;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.boot.context.event.ApplicationReadyEvent;
import org.springframework.context.event.EventListener;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;

/// After the key was changed, seals anew at the start what only the key before still opens. Another server that does
/// the same, or renews a secret, is not in its way.
@Component
class KeyChange {
    private static final Logger LOG = LoggerFactory.getLogger(KeyChange.class);
    private final JdbcClient jdbc;
    private final Seal seal;

    private record Sealed(long id, byte[] sealed) {}

    KeyChange(JdbcClient jdbc, Seal seal) {
        this.jdbc = jdbc;
        this.seal = seal;
    }

    @EventListener(ApplicationReadyEvent.class)
    void sealAnew() {
        List<Sealed> all = jdbc.sql("select id, sealed from credential order by id")
                .query(Sealed.class)
                .list();
        int done = all.stream().mapToInt(this::sealAnew).sum();
        long lost =
                all.stream().filter(each -> seal.open(each.sealed()).isEmpty()).count();
        if (done > 0) {
            LOG.warn("{} secrets were sealed anew with the present key; the key before is not needed any more", done);
        }
        if (lost > 0) {
            LOG.warn("{} secrets were sealed with another key and have to be given again under Connect", lost);
        }
    }

    private int sealAnew(Sealed each) {
        Optional<byte[]> anew = seal.sealAnew(each.sealed());
        return anew.isEmpty()
                ? 0
                : jdbc.sql("update credential set sealed = :anew where id = :id and sealed = :sealed")
                        .param("anew", anew.get())
                        .param("id", each.id())
                        .param("sealed", each.sealed())
                        .update();
    }
}
