package alcabala.bench;

import alcabala.accounting.RandomDocuments;
import alcabala.accounting.Samples;
import alcabala.accounting.document.Document;
import alcabala.accounting.posting.Compilation;
import alcabala.accounting.posting.Compiler;
import java.util.List;
import java.util.concurrent.TimeUnit;
import java.util.stream.IntStream;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;
import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.BenchmarkMode;
import org.openjdk.jmh.annotations.Fork;
import org.openjdk.jmh.annotations.Measurement;
import org.openjdk.jmh.annotations.Mode;
import org.openjdk.jmh.annotations.OutputTimeUnit;
import org.openjdk.jmh.annotations.Scope;
import org.openjdk.jmh.annotations.State;
import org.openjdk.jmh.annotations.Threads;
import org.openjdk.jmh.annotations.Warmup;

/// Documents of five lines compiled on one core, beside their bare arithmetic.
@State(Scope.Benchmark)
@BenchmarkMode(Mode.Throughput)
@OutputTimeUnit(TimeUnit.SECONDS)
@Warmup(iterations = 3, time = 2)
@Measurement(iterations = 5, time = 2)
@Fork(1)
@Threads(1)
public class CompileBenchmark {
    private static final int DOCUMENTS = 1024;
    private final Compiler compiler = Samples.compiler(Samples.rows());
    private final List<Document> documents = documents();
    private int next;

    private static List<Document> documents() {
        RandomDocuments random = new RandomDocuments(5);
        return IntStream.range(0, DOCUMENTS)
                .mapToObj(i -> random.next(CurrencyUnit.EUR, 5))
                .toList();
    }

    @Benchmark
    public Compilation compile() {
        return compiler.compile(next());
    }

    @Benchmark
    public Money bare() {
        return BareArithmetic.of(next());
    }

    private Document next() {
        next = (next + 1) % DOCUMENTS;
        return documents.get(next);
    }
}
