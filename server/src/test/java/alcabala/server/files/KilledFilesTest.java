package alcabala.server.files;

import static org.assertj.core.api.Assertions.assertThat;

import alcabala.server.Ellery;
import alcabala.server.World;
import java.util.List;
import java.util.Map;
import java.util.concurrent.CompletableFuture;
import org.junit.jupiter.api.Test;

/// `kill -9` while a file is written, and while an answer is taken in: what was written is known, what was not holds
/// nothing up, and each document stands there once.
class KilledFilesTest {
    private static final int DOCUMENTS = 12;

    @Test
    void whateverDiesEachDocumentIsInOneFileAndOnTheLedgerOnce() {
        try (World world = World.inProcessOfItsOwn()) {
            Ellery ellery = new Ellery(world);
            for (int milliseconds : List.of(15, 60)) {
                Map<String, Object> order = ellery.order(ellery.choice(DOCUMENTS / 2));
                ellery = killed(world, ellery, milliseconds, "/api/batches", order);
                requireEachInOneFile(world);
            }
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
                    ellery = killedWhileTaking(world, ellery, batch, answer);
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

    private static Ellery killed(World world, Ellery ellery, int milliseconds, String path, Object body) {
        CompletableFuture<Void> asked =
                CompletableFuture.runAsync(() -> ellery.api().post(path, body));
        CompletableFuture.runAsync(
                        world::kill,
                        CompletableFuture.delayedExecutor(milliseconds, java.util.concurrent.TimeUnit.MILLISECONDS))
                .join();
        // Whether it was answered is what nobody knows.
        asked.handle((done, lost) -> null).join();
        world.startProcess();
        return ellery.after(world);
    }

    private static Ellery killedWhileTaking(World world, Ellery ellery, long batch, String answer) {
        CompletableFuture<Void> asked = CompletableFuture.runAsync(() -> ellery.answer(batch, answer));
        CompletableFuture.runAsync(
                        world::kill, CompletableFuture.delayedExecutor(25, java.util.concurrent.TimeUnit.MILLISECONDS))
                .join();
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
