package alcabala.bench;

import alcabala.accounting.crosswalk.CrosswalkRow;
import alcabala.accounting.crosswalk.Meaning;
import alcabala.accounting.crosswalk.RowKind;
import alcabala.server.compile.Affected;
import alcabala.server.compile.CrosswalkStore;
import alcabala.server.record.Refs;
import alcabala.server.route.RouteRow;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import org.springframework.context.ApplicationContext;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.transaction.support.TransactionTemplate;

/// One row is changed that 20,000 of 160,000 documents use: until they are compiled again, and no others are.
final class RuleChange {
    static final int DOCUMENTS = 20_000;
    private static final String CATEGORY = "unsorted";
    private static final int ROUNDS = 6;

    private static final Set<String> USED = Set.of(Refs.of(RowKind.CATEGORY, CATEGORY));
    private final CrosswalkStore store;
    private final Affected affected;
    private final TransactionTemplate transaction;
    private final JdbcClient jdbc;
    private final RouteRow route;

    private RuleChange(ApplicationContext context, RouteRow route) {
        store = context.getBean(CrosswalkStore.class);
        affected = context.getBean(Affected.class);
        transaction = context.getBean(TransactionTemplate.class);
        jdbc = context.getBean(JdbcClient.class);
        this.route = route;
    }

    static void measure(ApplicationContext context, RouteRow route) {
        RuleChange change = new RuleChange(context, route);
        change.rounds("released, and blocked again", List.of("4010", ""));
        change.rounds("sent to another account", List.of("4010", "4011"));
    }

    /// @param accounts in turn; empty to take the row away
    private void rounds(String what, List<String> accounts) {
        List<Double> rounds = new ArrayList<>();
        for (int round = 0; round <= ROUNDS; round++) {
            String account = accounts.get(round % accounts.size());
            long trail = trail();
            long start = System.nanoTime();
            transaction.executeWithoutResult(status -> {
                change(account);
                affected.compileAgain(route.id(), USED, "bench", "a row was changed", (done, of) -> {});
            });
            double seconds = (System.nanoTime() - start) / 1e9;
            if (trail() - trail != DOCUMENTS) {
                throw new IllegalStateException(trail() - trail + " documents were compiled again");
            }
            if (round > 0) {
                rounds.add(seconds);
            }
        }
        Benchmarks.report(
                "20,000 of 160,000 documents compiled again after a row, %s, seconds".formatted(what),
                rounds.stream().sorted().toList().get(ROUNDS / 2),
                "under 3");
    }

    private void change(String account) {
        int version = store.find(route.id(), RowKind.CATEGORY, CATEGORY)
                .map(CrosswalkRow::version)
                .orElse(0);
        if (account.isEmpty()) {
            store.remove(route.id(), RowKind.CATEGORY, CATEGORY, version, "bench");
        } else {
            Meaning meaning = Meaning.of(RowKind.CATEGORY, "", account);
            store.set(route.id(), RowKind.CATEGORY, CATEGORY, meaning, version, "bench");
        }
    }

    private long trail() {
        return jdbc.sql("select count(*) from trail").query(Long.class).single();
    }
}
