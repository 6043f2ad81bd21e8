package alcabala.bench;

import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.util.ArrayList;
import java.util.List;

/// Pages of Release with every kind of filter, asked over HTTP one after the other.
final class ReleasePages {
    private static final int ROUNDS = 60;
    private static final List<String> FILTERS = List.of(
            "",
            "&state=Blocked",
            "&state=Ready&order=GROSS",
            "&state=Waiting&order=PARTY&descending=false",
            "&state=Posted&order=NUMBER",
            "&state=Refused",
            "&from=2026-03-01&to=2026-03-07",
            "&state=Ready&from=2026-06-01&to=2026-06-30&order=GROSS",
            "&text=1004242",
            "&text=C-19",
            "&state=Blocked&cause=category-unmapped:unsorted",
            "&state=Blocked&firstCause=category-unmapped:unsorted&order=GROSS",
            "&after=2026-05-05%2050000",
            "&order=GROSS&descending=false&limit=500");

    private ReleasePages() {}

    /// @param documents how many there are
    static void measure(String address, int documents) {
        HttpClient client = HttpClient.newHttpClient();
        String token = BenchSession.token(address, "bench", "bench-corvane");
        List<Double> all = new ArrayList<>();
        for (String filter : FILTERS) {
            List<Double> own = new ArrayList<>();
            for (int i = 0; i < ROUNDS; i++) {
                long start = System.nanoTime();
                Ask.answer(client, request(address + "/api/documents?route=yard" + filter, token));
                if (i >= 10) {
                    own.add((System.nanoTime() - start) / 1e6);
                }
            }
            all.addAll(own);
            Benchmarks.report(
                    "  page " + (filter.isEmpty() ? "without a filter" : filter), percentile(own), "under 100 ms");
        }
        Benchmarks.report(
                "a page of %,d documents, any filter, 95th percentile, ms".formatted(documents),
                percentile(all),
                "under 100");
    }

    private static HttpRequest request(String url, String token) {
        return HttpRequest.newBuilder(URI.create(url))
                .header("Authorization", "Bearer " + token)
                .build();
    }

    private static double percentile(List<Double> figures) {
        List<Double> sorted = figures.stream().sorted().toList();
        return sorted.get((int) Math.ceil(sorted.size() * 0.95) - 1);
    }
}
