package alcabala.bench;

import alcabala.bench.matching.MatchingBenchmark;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import org.openjdk.jmh.runner.Runner;
import org.openjdk.jmh.runner.RunnerException;
import org.openjdk.jmh.runner.options.OptionsBuilder;

/// Runs all benchmarks, or those named: compile, matching, intake, release, rule, files, screens, again, pull, slow,
/// send. Prints one line for each figure, with what is wanted. By its name alone `million` measures the pages of a
/// million records, which
/// take long to fill.
public final class Benchmarks {
    private Benchmarks() {}

    public static void main(String[] arguments) throws RunnerException {
        List<String> wanted = arguments.length == 0
                ? List.of(
                        "compile",
                        "matching",
                        "intake",
                        "release",
                        "rule",
                        "files",
                        "screens",
                        "again",
                        "pull",
                        "slow",
                        "send")
                : List.of(arguments);
        if (wanted.contains("compile")) {
            compile();
        }
        if (wanted.contains("matching")) {
            MatchingBenchmark.run();
        }
        if (List.of("intake", "release", "rule", "files", "screens", "again", "million").stream()
                .anyMatch(wanted::contains)) {
            WholeProgram.run(wanted);
        }
        if (wanted.contains("pull")) {
            PullBenchmark.run();
        }
        if (wanted.contains("slow")) {
            SlowLedger.run();
        }
        if (wanted.contains("send")) {
            SendBenchmark.run();
        }
    }

    private static void compile() throws RunnerException {
        Map<String, Double> perSecond = new Runner(new OptionsBuilder()
                        .include(CompileBenchmark.class.getSimpleName())
                        .build())
                .run().stream()
                        .collect(Collectors.toMap(
                                each -> each.getPrimaryResult().getLabel(),
                                each -> each.getPrimaryResult().getScore()));
        double compiled = perSecond.get("compile");
        double bare = perSecond.get("bare");
        report("compile, documents of five lines a second on one core", compiled, "at least 50000");
        report("their bare arithmetic, documents a second", bare, "-");
        report("compiling as a multiple of the bare arithmetic", bare / compiled, "at most 3");
    }

    static void report(String what, double figure, String wanted) {
        System.out.printf("%-64s %12.2f   (wanted: %s)%n", what, figure, wanted);
    }
}
