package alcabala.server.compile;

import static org.assertj.core.api.Assertions.assertThat;

import alcabala.accounting.posting.Compiler;
import alcabala.server.Await;
import alcabala.server.World;
import org.junit.jupiter.api.Test;

/// What former rules compiled is compiled again once, and nothing that these rules have compiled.
class CompileAfterUpgradeTest {
    @Test
    void onlyWhatFormerRulesCompiledIsCompiledAgain() {
        try (World world = World.inProcess()) {
            assertThat(count(world, "select rules from compiled_by")).isEqualTo(Compiler.RULES);
            start(world);
            assertThat(planned(world)).isZero();

            world.jdbc().sql("update compiled_by set rules = rules - 1").update();
            start(world);
            Await.until("all are compiled again", () -> planned(world) == 0 && again(world) > 0);
            assertThat(again(world)).isEqualTo(count(world, "select count(*) from record where route_id is not null"));
            assertThat(count(world, "select rules from compiled_by")).isEqualTo(Compiler.RULES);
        }
    }

    private static void start(World world) {
        world.bean(CompileAfterUpgrade.class).run(null);
    }

    private static int planned(World world) {
        return count(world, "select count(*) from scheduled_tasks where task_name = 'compile-route'");
    }

    private static int again(World world) {
        return count(world, """
                select count(*) from trail
                where action = 'compiled' and detail->>'change' like 'the rules of another version%'""");
    }

    private static int count(World world, String sql) {
        return world.jdbc().sql(sql).query(Integer.class).single();
    }
}
