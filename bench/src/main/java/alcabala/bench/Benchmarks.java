package alcabala.bench;

import java.util.List;
import org.openjdk.jmh.results.RunResult;
import org.openjdk.jmh.runner.Runner;
import org.openjdk.jmh.runner.RunnerException;
import org.openjdk.jmh.runner.options.OptionsBuilder;

/// Runs all benchmarks, or those named: compile, intake, release, pull, slow. Prints one line for each figure, with
/// what is wanted.
public final class Benchmarks {
    private Benchmarks() {}

    public static void main(String[] arguments) throws RunnerException {
        List<String> wanted =
                arguments.length == 0 ? List.of("compile", "intake", "release", "pull", "slow") : List.of(arguments);
        if (wanted.contains("compile")) {
            for (RunResult result : new Runner(new OptionsBuilder()
                            .include(CompileBenchmark.class.getSimpleName())
                            .build())
                    .run()) {
                report(
                        "compile, documents of five lines a second on one core",
                        result.getPrimaryResult().getScore(),
                        "at least 50000");
            }
        }
        if (wanted.contains("intake") || wanted.contains("release")) {
            WholeProgram.run(wanted);
        }
        if (wanted.contains("pull")) {
            PullBenchmark.run();
        }
        if (wanted.contains("slow")) {
            SlowLedger.run();
        }
    }

    static void report(String what, double figure, String wanted) {
        System.out.printf("%-64s %12.2f   (wanted: %s)%n", what, figure, wanted);
    }
}
