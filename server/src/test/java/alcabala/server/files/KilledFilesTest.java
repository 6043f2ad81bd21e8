package alcabala.server.files;

import static org.assertj.core.api.Assertions.assertThat;

import alcabala.server.Ellery;
import alcabala.server.World;
import java.util.List;
import java.util.Map;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.TimeUnit;
import java.util.function.Consumer;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;

/// `kill -9` while a file is written, and while an answer is taken in: what was written is known, what was not holds
/// nothing up, and each document stands there once.
@Tag("own-process")
class KilledFilesTest {
    private static final int DOCUMENTS = 6;
    private static final int MOMENT_MILLIS = 40;

    @Test
    void whateverDiesEachDocumentIsInOneFileAndOnTheLedgerOnce() {
        try (World world = World.inProcessOfItsOwn()) {
            Ellery ellery = new Ellery(world);
            Map<String, Object> order = ellery.order(ellery.choice(DOCUMENTS));
            ellery = killed(world, ellery, it -> it.api().post("/api/batches", order));
            requireEachInOneFile(world);
            long left = world.jdbc()
                    .sql("select count(*) from record where state = 'Ready' and currency = 'CAD'")
                    .query(Long.class)
                    .single();
            if (left > 0) {
                ellery.export((int) left);
            }
            List<Long> batches = batches(world);
            for (long batch : batches) {
                String answer = ellery.imported(ellery.file(batch));
                if (batch == batches.getFirst()) {
                    ellery = killed(world, ellery, it -> it.answer(batch, answer));
                }
                ellery.settled(batch, answer);
            }
            assertThat(world.jdbc()
                            .sql(
                                    "select distinct state from record where currency = 'CAD' and blocking = 0 and approved")
                            .query(String.class)
                            .list())
                    .containsExactly("Posted");
            List<String> references = ellery.register()
                    .lines()
                    .skip(1)
                    .map(line -> line.split(";")[11])
                    .toList();
            assertThat(references).isNotEmpty().doesNotHaveDuplicates();
        }
    }

    /// @param asking what is under way when the server dies
    private static Ellery killed(World world, Ellery ellery, Consumer<Ellery> asking) {
        CompletableFuture<Void> asked = CompletableFuture.runAsync(() -> asking.accept(ellery));
        CompletableFuture.runAsync(world::kill, CompletableFuture.delayedExecutor(MOMENT_MILLIS, TimeUnit.MILLISECONDS))
                .join();
        // Whether it was answered is what nobody knows.
        asked.handle((done, lost) -> null).join();
        world.startProcess();
        return ellery.after(world);
    }

    private static List<Long> batches(World world) {
        return world.jdbc()
                .sql("select batch_id from batch_file order by batch_id")
                .query(Long.class)
                .list();
    }

    /// What is on its way is in the file of its batch, and what is ready is in none.
    private static void requireEachInOneFile(World world) {
        String files = String.join(
                "\n",
                world.jdbc()
                        .sql("select convert_from(content, 'UTF8') from batch_file")
                        .query(String.class)
                        .list());
        record Standing(String number, String state) {}
        List<Standing> all = world.jdbc()
                .sql("select number, state from record where currency = 'CAD' and state in ('Ready', 'Unconfirmed')")
                .query(Standing.class)
                .list();
        assertThat(all).isNotEmpty();
        for (Standing each : all) {
            assertThat(files.contains(";" + each.number() + ";"))
                    .as("%s", each)
                    .isEqualTo(each.state().equals("Unconfirmed"));
        }
        assertThat(world.jdbc()
                        .sql(
                                "select count(*) from batch b where not exists (select 1 from batch_file f where f.batch_id = b.id)")
                        .query(Integer.class)
                        .single())
                .isZero();
    }
}
